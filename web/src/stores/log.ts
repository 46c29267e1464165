import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { Reading } from '@ambrel/core'
import type { StoredReading } from '@ambrel/contract'
import { api } from './api.ts'

/** The readings of the open design. */
export const useLog = defineStore('log', () => {
  const readings = ref<StoredReading[]>([])
  /** taken out of this log since it was opened */
  const removed = shallowRef<StoredReading[]>([])
  let of = ''
  async function open(id: string): Promise<void> {
    of = id
    readings.value = []
    removed.value = []
    const list = await api.readings(id)
    if (of === id) readings.value = list
  }
  async function add(reading: Reading): Promise<void> {
    const stored = await api.addReading(of, reading)
    readings.value = [stored, ...readings.value].sort((a, b) => b.at.localeCompare(a.at))
  }
  /** Takes a reading out; the last one taken out can be put back. */
  async function remove(id: number): Promise<void> {
    await api.removeReading(of, id)
    const gone = readings.value.find((reading) => reading.id === id)
    if (gone) removed.value = [...removed.value, gone]
    readings.value = readings.value.filter((reading) => reading.id !== id)
  }
  async function putBack(): Promise<void> {
    const last = removed.value.at(-1)
    if (!last) return
    const { id: _id, ...reading } = last
    await add(reading)
    removed.value = removed.value.filter((each) => each !== last)
  }
  return { readings, removed, open, add, remove, putBack }
})
