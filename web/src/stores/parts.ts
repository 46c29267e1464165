import { defineStore } from 'pinia'
import { shallowRef } from 'vue'
import type { OwnPart, PartKind, StoredPart } from '@ambrel/contract'
import { hear, tell } from '../saving/tabs.ts'
import { api } from './api.ts'

/** The parts shelf of the server, read once, and what is changed on it here or in another tab. */
export const useParts = defineStore('parts', () => {
  const all = shallowRef<StoredPart[]>([])
  const failure = shallowRef('')
  let asked: Promise<void> | null = null
  /** counts what was changed here: a list that was asked for before a change does not have it */
  let changes = 0
  function load(): Promise<void> {
    const at = changes
    asked ??= api.parts().then(
      (parts) => {
        if (at !== changes) return reload()
        all.value = parts
        failure.value = ''
      },
      (error: Error) => {
        asked = null
        failure.value = error.message
      },
    )
    return asked
  }
  function reload(): Promise<void> {
    asked = null
    return load()
  }
  function of<T>(kind: PartKind): T[] {
    void load()
    return all.value.filter((entry) => entry.kind === kind).map((entry) => entry.part as T)
  }
  const ofId = (id: string): StoredPart | undefined => all.value.find((entry) => entry.id === id)
  hear(({ kind }) => kind === 'parts' && void reload())

  /** Keeps parts of one's own. @throws what the server says against it */
  async function add(parts: readonly OwnPart[]): Promise<StoredPart[]> {
    const stored = await api.addParts(parts)
    changes++
    all.value = [...all.value, ...stored]
    tell({ kind: 'parts' })
    return stored
  }
  async function save(id: string, version: number, part: Record<string, unknown>): Promise<StoredPart> {
    const stored = await api.savePart(id, version, part)
    changes++
    all.value = all.value.map((entry) => (entry.id === id ? stored : entry))
    tell({ kind: 'parts' })
    return stored
  }
  async function remove(id: string): Promise<void> {
    await api.removePart(id)
    changes++
    all.value = all.value.filter((entry) => entry.id !== id)
    tell({ kind: 'parts' })
  }
  return { all, failure, load, reload, of, ofId, add, save, remove }
})
