import type { DesignEntry } from '@ambrel/contract'
import { tell } from '../saving/tabs.ts'
import { api } from '../stores/api.ts'

/**
 * Gives all variants of a stored design another name, those put away too; their history keeps the older one.
 *
 * @param open a variant that is open, and renamed where it is
 * @throws what the server says against it
 */
export async function renameFamily(familyId: string, name: string, open = ''): Promise<void> {
  const entries = (await api.designs()).filter((entry) => entry.familyId === familyId && entry.id !== open)
  for (const { id } of entries) {
    const { document, version } = await api.design(id)
    if (document.name === name) continue
    const saved = await api.save(id, version, { ...document, name })
    tell({ kind: 'saved', design: id, version: saved.version })
  }
}

export async function renameVariant({ id }: DesignEntry, variant: string): Promise<void> {
  const { document, version } = await api.design(id)
  const saved = await api.save(id, version, { ...document, variant })
  tell({ kind: 'saved', design: id, version: saved.version })
}

/** Puts a design away, or back among the others. */
export async function archive({ id }: DesignEntry, archived: boolean): Promise<void> {
  const { version } = await api.archive(id, archived)
  tell({ kind: 'saved', design: id, version })
}

/** A copy of a design as one of its own, apart from the family it comes from. */
export async function duplicate({ id }: DesignEntry): Promise<DesignEntry> {
  const { document } = await api.design(id)
  const stored = await api.create({ ...document, name: `${document.name.slice(0, 114)} copy` })
  tell({ kind: 'made', design: stored.id, version: stored.version })
  return stored
}
