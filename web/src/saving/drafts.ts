import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import { ref } from 'vue'
import type { Design } from '@ambrel/core'
import { thisTab } from './tabs.ts'
import { courier } from './waiting.ts'

/** Edits of one tab that the server has not acknowledged. */
export interface Draft {
  design: string
  tab: string
  at: number
  /** of the server's document the edits were made from */
  version: number
  /** the sound document that is to be saved */
  document: Design
  /** as typed, where something wrong waits beside it */
  entered: Design | null
  /** sent, and their answers not yet come */
  sent: Design[]
  /** whether the document differs from the one the server acknowledged; else only wrong entries are kept */
  unsent: boolean
}

/** A draft that could not be opened, or one more than could be: kept whole until somebody has it or drops it. */
export interface Aside {
  key?: number
  design: string
  at: number
  why: string
  text: string
}

interface Schema extends DBSchema {
  drafts: { key: [string, string]; value: Draft; indexes: { design: string } }
  aside: { key: number; value: Aside }
}

const NAME = 'ambrel'
const LEGACY = 'ambrel.draft.'
/** A store that does not answer is as good as none, until it does. */
const OPEN_LIMIT_MS = 3000

/** Whether drafts outlive this page: false in a browser whose store is full, forbidden or broken. */
export const draftsAreKept = ref(true)

/** What this tab knows anyway, so that its own drafts can be sent from here even where nothing can be stored. */
const memory = new Map<string, Draft>()
const keyOf = (design: string, tab: string) => `${design} ${tab}`
let opened: Promise<IDBPDatabase<Schema> | null> | null = null

function open(): Promise<IDBPDatabase<Schema> | null> {
  opened ??= openInTime()
  return opened
}

async function openInTime(): Promise<IDBPDatabase<Schema> | null> {
  const store = openStore().catch(() => null)
  const limit = new Promise<null>((resolve) => setTimeout(() => resolve(null), OPEN_LIMIT_MS))
  const db = await Promise.race([store, limit])
  if (db) return db
  draftsAreKept.value = false
  // where it fails after all, things stay as they are: the bar says that nothing is kept
  void store.then((late) => late && catchUp(late)).catch(() => undefined)
  return null
}

/**
 * Goes on with a store that answered late. What this tab had left in it was not there to be reopened, and must not be
 * written over: it is from now on of a tab that is gone.
 */
async function catchUp(db: IDBPDatabase<Schema>): Promise<void> {
  const tab = await thisTab()
  const left = (await db.getAll('drafts')).filter((draft) => draft.tab === tab)
  const work = db.transaction('drafts', 'readwrite')
  const moved = left.flatMap((draft) => [
    work.store.put({ ...draft, tab: crypto.randomUUID() }),
    work.store.delete([draft.design, tab]),
  ])
  await Promise.all([...moved, work.done])
  opened = Promise.resolve(db)
  for (const draft of memory.values()) await write(db, draft)
  draftsAreKept.value = true
  void courier.send()
}

/** Written through to the disk: where a house's power is planned, the power may be what fails. */
async function write(db: IDBPDatabase<Schema>, draft: Draft): Promise<true> {
  const work = db.transaction('drafts', 'readwrite', { durability: 'strict' })
  await Promise.all([work.store.put(draft), work.done])
  return true
}

async function openStore(): Promise<IDBPDatabase<Schema>> {
  const db = await openDB<Schema>(NAME, 1, {
    upgrade(db) {
      db.createObjectStore('drafts', { keyPath: ['design', 'tab'] }).createIndex('design', 'design')
      db.createObjectStore('aside', { keyPath: 'key', autoIncrement: true })
    },
    terminated: () => (opened = null),
  })
  await takeLegacy(db)
  return db
}

/** Drafts of an earlier version lay in the browser's plain text store. */
async function takeLegacy(db: IDBPDatabase<Schema>): Promise<void> {
  let keys: string[]
  try {
    keys = Object.keys(localStorage).filter((key) => key.startsWith(LEGACY))
  } catch {
    return
  }
  for (const key of keys) {
    const text = localStorage.getItem(key) ?? ''
    const design = key.slice(LEGACY.length)
    const draft = legacyDraft(design, text)
    if (draft) await db.put('drafts', draft)
    else await db.add('aside', { design, at: Date.now(), why: 'it could not be read', text })
    localStorage.removeItem(key)
  }
}

function legacyDraft(design: string, text: string): Draft | null {
  try {
    const { version, document } = JSON.parse(text) as { version: number; document: Design }
    if (!document || typeof version !== 'number') return null
    return { design, tab: 'earlier', at: Date.now(), version, document, entered: null, sent: [], unsent: true }
  } catch {
    return null
  }
}

/** Does something with the store; where that fails the drafts of this page live in its memory alone. */
async function withStore<T>(work: (db: IDBPDatabase<Schema>) => Promise<T>, otherwise: T): Promise<T> {
  const db = await open()
  if (!db) return otherwise
  try {
    return await work(db)
  } catch {
    draftsAreKept.value = false
    return otherwise
  }
}

export const drafts = {
  /**
   * Keeps a draft, over the one this tab had of the design. Never throws, never holds up a save.
   * @returns whether it will be there when this page is not
   */
  async put(draft: Draft): Promise<boolean> {
    memory.set(keyOf(draft.design, draft.tab), draft)
    const stored = await withStore((db) => write(db, draft), false)
    if (stored) draftsAreKept.value = true
    return stored
  },

  async remove(design: string, tab: string): Promise<void> {
    memory.delete(keyOf(design, tab))
    await withStore((db) => db.delete('drafts', [design, tab]), undefined)
  },

  /** Drafts of one design, or of all, the newest first. Whatever was stored comes back as it is, damaged or not. */
  async list(design?: string): Promise<Draft[]> {
    const stored = await withStore<Draft[]>(
      (db) => (design === undefined ? db.getAll('drafts') : db.getAllFromIndex('drafts', 'design', design)),
      [],
    )
    const all = new Map(stored.map((draft) => [keyOf(draft.design, draft.tab), draft]))
    for (const [key, draft] of memory) if (design === undefined || draft.design === design) all.set(key, draft)
    return [...all.values()].sort((a, b) => (Number(b.at) || 0) - (Number(a.at) || 0))
  },

  async setAside(aside: Omit<Aside, 'key'>): Promise<void> {
    await withStore((db) => db.add('aside', aside).then(() => undefined), undefined)
  },
  asides: (): Promise<Aside[]> => withStore<Aside[]>((db) => db.getAll('aside'), []),
  async dropAside(key: number): Promise<void> {
    await withStore((db) => db.delete('aside', key), undefined)
  },
}
