import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { PartKind, StoredPart } from '@ambrel/contract'
import { api } from './api.ts'

/** The parts shelf of the server, read once. */
export const useParts = defineStore('parts', () => {
  const all = shallowRef<StoredPart[]>([])
  let asked: Promise<void> | null = null
  function load(): Promise<void> {
    asked ??= api.parts().then(
      (parts) => void (all.value = parts),
      () => void (asked = null),
    )
    return asked
  }
  function of<T>(kind: PartKind): T[] {
    void load()
    return all.value.filter((entry) => entry.kind === kind).map((entry) => entry.part as T)
  }
  return { all, load, of }
})
