import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { Reading } from '@ambrel/core'
import type { StoredReading } from '@ambrel/contract'
import { api } from './api.ts'

/** The readings of the open design. */
export const useLog = defineStore('log', () => {
  const readings = ref<StoredReading[]>([])
  let of = ''
  async function open(id: string): Promise<void> {
    of = id
    readings.value = []
    const list = await api.readings(id)
    if (of === id) readings.value = list
  }
  async function add(reading: Reading): Promise<void> {
    const stored = await api.addReading(of, reading)
    readings.value = [stored, ...readings.value].sort((a, b) => b.at.localeCompare(a.at))
  }
  async function remove(id: number): Promise<void> {
    await api.removeReading(of, id)
    readings.value = readings.value.filter((reading) => reading.id !== id)
  }
  return { readings, open, add, remove }
})
