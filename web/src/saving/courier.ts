import { sameDocument } from '@ambrel/contract'
import { loadCheck } from '../stores/check.ts'
import { connection, onBack } from './connection.ts'
import { deliver } from './deliver.ts'
import { drafts, type Draft } from './drafts.ts'
import { browserLocks, tabLives, tell, thisTab } from './tabs.ts'
import { courier, waiting, type Waiting } from './waiting.ts'

const EVERY_MS = 10_000
const LOCK = 'ambrel.courier'
let running: Promise<void> | null = null
/** There is to be another look, though nothing waits that could be shown: another tab has unsent edits, or is sending. */
let owed = false

/** One courier at a time among all tabs. */
async function alone(work: () => Promise<void>): Promise<void> {
  const locks = browserLocks()
  if (!locks) return work()
  await locks.request(LOCK, { ifAvailable: true }, async (lock) => {
    if (lock) await work()
    else owed = true
  })
}

/** Sends what other tabs, earlier visits and designs left behind could not. */
function sendDrafts(): Promise<void> {
  running ??= alone(round)
    .catch(() => undefined)
    .finally(() => (running = null))
  return running
}

async function round(): Promise<void> {
  const tab = await thisTab()
  const found: Waiting[] = []
  owed = false
  for (const draft of await drafts.list()) {
    if (!draft?.design || draft.design === courier.openHere) continue
    if (draft.tab !== tab && (await tabLives(draft.tab))) {
      // it may be closed before it has sent them
      owed ||= draft.unsent
      continue
    }
    const why = await sendOne(draft)
    if (why) found.push({ design: draft.design, name: nameOf(draft), why })
  }
  waiting.value = found
}

const nameOf = ({ document }: Draft): string => (document?.name ? `${document.name} · ${document.variant}` : 'a design')

/** @returns why it still waits; a damaged draft is left for the opening of its design, which sets it aside */
async function sendOne(draft: Draft): Promise<Waiting['why'] | null> {
  if (!draft.unsent) return null
  try {
    if (!(await loadCheck()).checkDesign(draft.document).design) return 'choose'
    if (connection.value !== 'there') return 'unsent'
    const delivery = await deliver(draft.design, draft.version, draft.document, draft.sent ?? [])
    if (delivery.outcome !== 'stored') return delivery.outcome === 'gone' ? 'gone' : 'choose'
    await clear(draft, delivery.version)
    tell({ kind: 'saved', design: draft.design, version: delivery.version })
    return null
  } catch {
    return 'unsent'
  }
}

/** Lets a draft go that has arrived, unless it was edited meanwhile; what is typed wrong beside it stays. */
async function clear(draft: Draft, version: number): Promise<void> {
  const now = (await drafts.list(draft.design)).find(({ tab }) => tab === draft.tab)
  if (!now || now.at !== draft.at || !sameDocument(now.document, draft.document)) return
  if (now.entered) await drafts.put({ ...now, version, sent: [], unsent: false })
  else await drafts.remove(draft.design, draft.tab)
}

/** Looks for unsent drafts now, whenever the server comes back, and while any wait or may come to. */
export function startCourier(): void {
  courier.send = sendDrafts
  void sendDrafts()
  onBack(() => void sendDrafts())
  setInterval(() => (waiting.value.length > 0 || owed) && void sendDrafts(), EVERY_MS)
}
