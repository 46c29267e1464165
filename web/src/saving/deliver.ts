import { sameDocument, type DesignEntry, type StoredDesign } from '@ambrel/contract'
import type { Design } from '@ambrel/core'
import { api, ApiRefusal } from '../stores/api.ts'

export type Delivery =
  | { outcome: 'stored'; version: number; updatedAt: string; entry: DesignEntry | null }
  | { outcome: 'conflict'; current: StoredDesign }
  | { outcome: 'gone' }

/**
 * Brings a document to the server. Where the server has it already, or has the one sent before whose answer was lost,
 * that is no conflict.
 *
 * @param version the edits were made from
 * @param sent documents sent before and not answered
 * @throws Unreachable, or ApiRefusal where the server will not take it
 */
export async function deliver(
  id: string,
  version: number,
  document: Design,
  sent: readonly Design[],
): Promise<Delivery> {
  try {
    const entry = await api.save(id, version, document)
    return { outcome: 'stored', version: entry.version, updatedAt: entry.updatedAt, entry }
  } catch (error) {
    if (!(error instanceof ApiRefusal)) throw error
    if (error.status === 404) return { outcome: 'gone' }
    const { current } = error
    if (error.status !== 409 || !current) throw error
    if (sameDocument(current.document, document))
      return { outcome: 'stored', version: current.version, updatedAt: current.updatedAt, entry: null }
    if (sent.some((each) => sameDocument(current.document, each))) return deliver(id, current.version, document, [])
    return { outcome: 'conflict', current }
  }
}
