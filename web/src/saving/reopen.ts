import { merged, sameDocument, type StoredDesign } from '@ambrel/contract'
import { DESIGN, migrate, type Design } from '@ambrel/core'
import { loadCheck, type Check } from '../stores/check.ts'
import { drafts, type Draft } from './drafts.ts'
import { tabLives, thisTab } from './tabs.ts'
import { said } from '@ambrel/core/units'

/** What a design opens with. */
export interface Reopened {
  document: Design
  entered: Design | null
  /** of the server's document the edits were made from */
  version: number
  /** whether the document differs from the server's */
  unsent: boolean
  /** whether the server moved on meanwhile to something else */
  conflict: boolean
  sent: Design[]
}

/**
 * The edits of a design that never reached the server: this tab's own, or of a tab that is no longer there, the newest.
 * Whatever of them cannot be opened, and what cannot be opened beside the newest, is set aside whole. The rest of the
 * drafts is cleared away.
 *
 * @param stored what the server has; null where it has no such design any more
 */
export async function reopen(id: string, stored: StoredDesign | null): Promise<Reopened | null> {
  const tab = await thisTab()
  let taken: Reopened | null = null
  for (const draft of await drafts.list(id)) {
    if (draft.tab !== tab && (await tabLives(draft.tab))) continue
    const read = readDraft(draft, stored, await loadCheck())
    if (typeof read === 'string') await setAside(draft, read)
    else if (taken === null && (read.unsent || read.entered)) taken = read
    else if (read.unsent && !sameDocument(read.document, taken?.document))
      await setAside(draft, 'another window left newer edits of the same design')
    // this tab writes its own anew; that of a tab that is gone is this tab's from now on
    if (draft.tab !== tab || taken !== read) await drafts.remove(draft.design, draft.tab)
  }
  return taken
}

async function setAside(draft: Draft, why: string): Promise<void> {
  const text = JSON.stringify(draft?.entered ?? draft?.document ?? draft)
  await drafts.setAside({ design: draft.design, at: Number(draft.at) || Date.now(), why, text: text ?? 'null' })
}

/** A draft as this version reads it, or why it cannot be read. */
function readDraft(draft: Draft, stored: StoredDesign | null, check: Check): Reopened | string {
  try {
    const { version } = draft
    if (!Number.isInteger(version)) return 'it is damaged'
    const found = documentOf(draft.document, stored, check)
    if (typeof found === 'string') return found
    const typed = draft.entered ? documentOf(draft.entered, stored, check) : null
    const entered = typed && typeof typed !== 'string' ? typed.entered : null
    const { document } = found
    // nothing of it was unsent: what the server has by now rules, and what is typed wrong goes on waiting beside that;
    // but a server that fell back to an older state has lost what it acknowledged
    if (stored && draft.unsent === false && version <= stored.version) {
      const waits = entered && merged(document, entered, stored.document)
      return {
        document: stored.document,
        entered: waits,
        version: stored.version,
        unsent: false,
        conflict: false,
        sent: [],
      }
    }
    const sent = Array.isArray(draft.sent) ? draft.sent : []
    const unsent = !stored || !sameDocument(document, stored.document)
    const mineArrived = sent.some((each) => sameDocument(each, stored?.document))
    const conflict = unsent && stored !== null && version !== stored.version && !mineArrived
    return {
      document: unsent ? document : stored.document,
      entered: entered ?? found.entered,
      version: mineArrived ? stored!.version : version,
      unsent,
      conflict,
      sent,
    }
  } catch {
    return 'it is damaged'
  }
}

function documentOf(
  value: unknown,
  stored: StoredDesign | null,
  { checkDesign, rulingOf }: Check,
): { document: Design; entered: Design | null } | string {
  const migrated = migrate(value)
  if ('problem' in migrated)
    return migrated.problem.path === 'version' ? said(migrated.problem.message) : 'it is damaged'
  const document = migrated.document as Design
  if (checkDesign(document).design) return { document, entered: null }
  // drafts of earlier versions held what was typed, right or wrong
  if (!stored || !hasAllParts(document)) return 'it is damaged'
  const { document: ruling } = rulingOf(document, stored.document)
  return { document: ruling, entered: document }
}

const hasAllParts = (document: Design): boolean =>
  (Object.keys(DESIGN) as (keyof Design)[]).every((key) => document[key] !== undefined && document[key] !== null)
