import { computed, ref, shallowRef, type Ref, type ShallowRef } from 'vue'
import { sameDocument, type DesignEntry, type StoredDesign } from '@ambrel/contract'
import type { Design } from '@ambrel/core'
import { ApiRefusal } from '../stores/api.ts'
import { deliver, type Delivery } from './deliver.ts'
import { drafts } from './drafts.ts'
import { tell, thisTab } from './tabs.ts'
import { said } from '@ambrel/core/units'

/**
 * `saved`: the server has acknowledged this very document. `waiting`, `saving`: on its way. `offline`: tried, and tried
 * again. `refused`: the server will not take it. `conflict`, `gone`: the person chooses.
 */
export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'refused' | 'conflict' | 'gone'

/** What is open, as the saver sees it. */
export interface Open {
  id: Ref<string>
  /** the sound document that rules */
  document: ShallowRef<Design | null>
  /** as typed, while something wrong waits */
  entered: ShallowRef<Design | null>
  stored: (entry: DesignEntry) => void
}

const SAVE_AFTER_MS = 700
/** Somebody who goes on typing is saved all the same. */
const SAVE_WITHIN_MS = 4000
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000, 30_000]
/** Unanswered documents that are remembered, to know one's own save again. */
const SENT_KEPT = 3
/** Leaving a design waits no longer for a save; its draft is sent later. */
const LEAVE_MS = 1500
/** A store that has not let a draft go by then holds up no "saved". */
const LET_GO_MS = 3000

const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms))

/** Keeps a draft of the open design and brings it to the server, one save after the other. */
export function useSaver({ id, document, entered, stored }: Open) {
  const version = ref(0)
  const acknowledged = shallowRef<Design | null>(null)
  const state = ref<SaveState>('saved')
  const savedAt = ref<Date | null>(null)
  const conflict = shallowRef<StoredDesign | null>(null)
  const refusal = ref('')
  const unsent = computed(() => document.value !== null && document.value !== acknowledged.value)
  let sent: Design[] = []
  let timer: ReturnType<typeof setTimeout> | undefined
  let waitingSince = 0
  let failures = 0
  let lastSave: Promise<void> = Promise.resolve()
  /** whether what is unsent is in this browser's store, and not only on its way there */
  const kept = ref(false)
  let keeping = 0

  /** Begins with what the server has. */
  function begin(from: Pick<StoredDesign, 'version' | 'updatedAt'>, document_: Design): void {
    clearTimeout(timer)
    version.value = from.version
    acknowledged.value = document_
    savedAt.value = new Date(from.updatedAt)
    state.value = 'saved'
    conflict.value = null
    refusal.value = ''
    sent = []
    failures = 0
    waitingSince = 0
  }

  /** Waits for the person: theirs and mine differ, or there is none on the server. */
  function stop(why: StoredDesign | 'gone', mine?: number): void {
    clearTimeout(timer)
    conflict.value = why === 'gone' ? null : why
    if (mine !== undefined) version.value = mine
    state.value = why === 'gone' ? 'gone' : 'conflict'
    void keep()
  }

  /** To be called after every edit. */
  function changed(): void {
    if (!document.value) return
    if (state.value === 'conflict' || state.value === 'gone') return void keep()
    if (!unsent.value) return void settle()
    void keep()
    const now = Date.now()
    waitingSince ||= now
    clearTimeout(timer)
    state.value = state.value === 'offline' ? 'offline' : 'waiting'
    const within = Math.max(0, waitingSince + SAVE_WITHIN_MS - now)
    timer = setTimeout(() => void save(), Math.min(SAVE_AFTER_MS, within))
  }

  /**
   * Keeps what the server has not, or lets the draft go. Saving never waits for it.
   * @returns once the store has done so
   */
  async function keep(): Promise<void> {
    if (!document.value || !id.value) return
    const design = id.value
    const mine = ++keeping
    kept.value = false
    if (!unsent.value && !entered.value && state.value !== 'gone') return drafts.remove(design, await thisTab())
    const draft = {
      design,
      at: Date.now(),
      version: version.value,
      document: document.value,
      entered: entered.value,
      sent,
      unsent: unsent.value,
    }
    const stored = await drafts.put({ ...draft, tab: await thisTab() })
    if (mine === keeping) kept.value = stored
  }

  /** One save after the other: a second sent while the first is on its way would meet its new version as a conflict. */
  function save(): Promise<void> {
    lastSave = lastSave.then(saveNow)
    return lastSave
  }

  async function saveNow(): Promise<void> {
    const mine = document.value
    if (!mine || state.value === 'conflict' || state.value === 'gone') return
    if (sameDocument(mine, acknowledged.value)) {
      acknowledged.value = mine
      return void settle()
    }
    clearTimeout(timer)
    state.value = 'saving'
    const target = id.value
    const before = sent
    sent = [...before, mine].slice(-SENT_KEPT)
    void keep()
    try {
      const delivery = await deliver(target, version.value, mine, before)
      if (id.value === target) delivered(delivery, mine)
    } catch (error) {
      if (id.value === target) failed(error)
    }
  }

  function delivered(delivery: Delivery, mine: Design): void {
    if (delivery.outcome === 'conflict') return stop(delivery.current)
    if (delivery.outcome === 'gone') return stop('gone')
    version.value = delivery.version
    acknowledged.value = mine
    savedAt.value = new Date(delivery.updatedAt)
    sent = []
    failures = 0
    waitingSince = 0
    refusal.value = ''
    if (delivery.entry) stored(delivery.entry)
    tell({ kind: 'saved', design: id.value, version: delivery.version })
    state.value = 'waiting'
    changed()
  }

  function failed(error: unknown): void {
    // whatever else went wrong is tried again too: a save that is given up in silence is an edit that vanishes
    const no = error instanceof ApiRefusal && error.status < 500
    state.value = no ? 'refused' : 'offline'
    refusal.value = no ? said(error.problems[0]?.message ?? error.message) : ''
    const wait = RETRY_MS[Math.min(failures++, RETRY_MS.length - 1)]
    clearTimeout(timer)
    if (!no) timer = setTimeout(() => void save(), wait)
  }

  /**
   * Nothing is unsent. That is said once no draft of before lies in the store any more: a page that is left and opened
   * again would go on with it, and so with what was undone.
   */
  async function settle(): Promise<void> {
    clearTimeout(timer)
    waitingSince = 0
    const letGo = keep()
    const mine = keeping
    await Promise.race([letGo, pause(LET_GO_MS)])
    if (mine === keeping && !unsent.value) state.value = 'saved'
  }

  /** Tries at once what waits. */
  function now(): void {
    if (state.value === 'offline' || state.value === 'waiting') void save()
  }

  /** Saves what still waits before the design is left; what takes longer is sent from its draft. */
  async function leave(): Promise<void> {
    clearTimeout(timer)
    if (state.value === 'saved' || state.value === 'conflict' || state.value === 'gone') return
    await Promise.race([save(), pause(LEAVE_MS)])
  }

  /** Lets go of the open design; its draft stays where it is. */
  function close(): void {
    clearTimeout(timer)
    id.value = ''
  }

  /** Mine over theirs. */
  async function overwrite(): Promise<void> {
    if (!conflict.value) return
    version.value = conflict.value.version
    conflict.value = null
    state.value = 'waiting'
    await save()
  }

  return {
    version,
    acknowledged,
    state,
    savedAt,
    conflict,
    refusal,
    unsent,
    kept,
    begin,
    stop,
    changed,
    now,
    leave,
    close,
    overwrite,
  }
}
