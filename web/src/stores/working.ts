import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { Worked } from '@ambrel/core'

/** The worked sheet that is open. */
export const useWorking = defineStore('working', () => {
  const sheet = shallowRef<Worked | null>(null)
  return { sheet, show: (worked: Worked) => (sheet.value = worked), close: () => (sheet.value = null) }
})
