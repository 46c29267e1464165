import { freeze } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef, toRaw, watch } from 'vue'
import { isSound, merged, sameDocument, waitingEntries, type DesignEntry, type StoredDesign } from '@ambrel/contract'
import {
  derive,
  findings as findAll,
  followUsual,
  newDesign,
  stepMark,
  stepsTouched,
  touch,
  type Level,
  type Design,
  type Problem,
  type Step,
  type Suggestion,
  type WinterSummary,
  type Change,
  type Words,
} from '@ambrel/core'
import { onBack } from '../saving/connection.ts'
import { drafts } from '../saving/drafts.ts'
import { reopen, type Reopened } from '../saving/reopen.ts'
import { useSaver } from '../saving/saver.ts'
import { hear, tell as tellTabs, thisTab, type Told } from '../saving/tabs.ts'
import { courier } from '../saving/waiting.ts'
import { api, ApiRefusal } from './api.ts'
import { check, loadCheck } from './check.ts'
import { emptyHistory, record, stepBack, stepForward } from './history.ts'
import { usePrefs } from './prefs.ts'

export type { SaveState } from '../saving/saver.ts'

/** What rules and, where something wrong waits beside it, what is typed. */
interface Held {
  document: Design
  entered: Design | null
}

interface Taken {
  step: Step
  reasons: Words[]
  /** what it changed; null where it changed nothing */
  change: { before: Design; after: Design } | null
}

const JUDGE_AGAIN_MS = 5000

/** The variants of a design beside it, those put away left out unless it is one of them. */
const variantsOf = (entries: readonly DesignEntry[], { id, familyId }: DesignEntry): DesignEntry[] =>
  entries.filter((entry) => entry.familyId === familyId && (entry.archivedAt === null || entry.id === id))

/** The open design: its document, its past, what is wrong with it, what it comes to, and whether it is saved. */
export const useDesign = defineStore('design', () => {
  const id = ref('')
  /** always sound: what rules, is worked out, and is saved */
  const document = shallowRef<Design | null>(null)
  /** as typed, while something wrong waits beside the last good value */
  const entered = shallowRef<Design | null>(null)
  const siblings = ref<DesignEntry[]>([])
  const familyId = ref('')
  /** shallow, so that undone documents come back as plain as they went in */
  const history = shallowReactive(emptyHistory<Held>())
  const suggestion = shallowRef<Taken | null>(null)
  const winterSummary = shallowRef<WinterSummary | null>(null)
  const prefs = usePrefs()
  const saver = useSaver({ id, document, entered, stored: renameSibling })
  let opening = 0

  const problems = computed<Problem[]>(() => (entered.value && check.value?.checkDesign(entered.value).problems) || [])
  /** whether something typed waits to be told right or wrong: what is right of it is not saved either */
  const unjudged = computed(() => entered.value !== null && check.value === null)
  /** What is typed and does not rule, by its place. */
  const waiting = computed(() =>
    entered.value && document.value ? waitingEntries(entered.value, document.value) : new Map<string, unknown>(),
  )
  /** A problem in words, with the name of the thing it belongs to. */
  function tell({ path, message: words }: Problem): string {
    const message = prefs.say(words)
    const [list, index] = path.split('.')
    if (path.startsWith('budget.priced.')) {
      const { key } = (entered.value ?? document.value)!.budget.priced[Number(path.split('.')[2])] ?? {}
      const row = derived.value?.bill.rows.find((each) => each.key === key)
      return row ? `${prefs.say(row.name)}: ${message}` : message
    }
    const group = /^budget\.(kits|phases)\.(\d+)/.exec(path)
    if (group) {
      const { budget } = (entered.value ?? document.value)!
      const named = budget[group[1] as 'kits' | 'phases'][Number(group[2])]
      return named ? `${named.name}: ${message}` : message
    }
    if (list !== 'loads' && list !== 'arrays' && list !== 'controllers' && list !== 'circuits') return message
    const holder = entered.value ?? document.value
    const name =
      list === 'circuits'
        ? derived.value?.system.circuits.find(({ id }) => id === holder?.circuits[Number(index)]?.id)?.name
        : holder?.[list][Number(index)]?.name
    return name ? `${name}: ${message}` : message
  }

  const problemAt = computed(() => new Map(problems.value.map((problem) => [problem.path, prefs.say(problem.message)])))
  const derived = computed(() => (document.value ? derive(document.value) : null))
  const findings = computed(() =>
    document.value && derived.value
      ? findAll({ design: document.value, derived: derived.value, winter: winterSummary.value })
      : [],
  )
  const levelOf = (step: Step): Level => (document.value ? stepMark(findings.value, step, document.value) : 'open')
  /** the step that is on the bench: what is edited there counts as gone through */
  const at = ref<Step>('place')

  /** Opens a design with whatever edits of it were left. A later opening outruns an earlier one that is slow. */
  async function open(wanted: string): Promise<void> {
    const mine = ++opening
    await letOpenOneGo()
    if (mine !== opening) return
    const asked = api.opening(wanted)
    const [stored, entries] = await Promise.all([orNone(asked.design), asked.entries])
    const left = await reopen(wanted, stored)
    if (stored) await checkable(stored)
    if (mine !== opening) return
    if (!stored && !left) throw new ApiRefusal(404, 'this design is not here; it may have been deleted')
    siblings.value = stored ? variantsOf(entries, stored) : []
    suggestion.value = null
    Object.assign(history, emptyHistory<Held>())
    heard = 0
    id.value = courier.openHere = wanted
    if (stored) adopt(stored)
    if (left) goOn(left, stored)
  }

  async function orNone(design: Promise<StoredDesign>): Promise<StoredDesign | null> {
    try {
      return await design
    } catch (error) {
      if (error instanceof ApiRefusal && error.status === 404) return null
      throw error
    }
  }

  /** Brings in what is needed to tell what of a document rules, where not all of it does. */
  async function checkable({ document }: StoredDesign): Promise<void> {
    if (!isSound(freeze(document, true))) await loadCheck()
  }

  /** Takes a document of the server's that is {@link checkable}. */
  function adopt(stored: StoredDesign): void {
    familyId.value = stored.familyId
    const sound = freeze(stored.document, true)
    // stored under older rules, it may hold what these refuse: that waits beside what a new design has there
    const ruling = isSound(sound) ? null : check.value!.rulingOf(sound, likeNew(sound))
    document.value = ruling ? freeze(ruling.document, true) : sound
    entered.value = ruling ? sound : null
    saver.begin(stored, document.value)
  }

  const likeNew = ({ name, place }: Design): Design =>
    newDesign(name, {
      label: place.label,
      latitudeDeg: place.latitudeDeg,
      longitudeDeg: place.longitudeDeg,
      climate: 'cold-valley',
    })

  /** Goes on with edits that never reached the server; where it moved on meanwhile, the person chooses. */
  function goOn(left: Reopened, stored: StoredDesign | null): void {
    if (stored && left.unsent)
      record(history, { document: document.value!, entered: entered.value }, 'unsaved edits', '', Date.now())
    if (left.unsent) document.value = freeze(left.document, true)
    entered.value = left.entered && freeze(left.entered, true)
    // it may hold what is right, too, if the page was closed before that could be told
    if (entered.value) rule(entered.value, document.value!)
    if (!stored) saver.stop('gone', left.version)
    else if (left.conflict) saver.stop(stored, left.version)
    else saver.changed()
  }

  /** Changes a copy of what is typed, which shares with the old one all that stayed the same; one undo step unless `mergeKey` joins it to the last. */
  function change(label: string, make: Change, mergeKey = ''): void {
    const typed = entered.value ?? document.value
    if (!typed) return
    const next = make(toRaw(typed))
    if (!sameDocument(next, typed)) put(label, next, mergeKey)
  }

  /** Takes a document made from the one that rules; what is typed wrong goes on waiting beside it. */
  function replace(label: string, next: Design): void {
    if (!document.value || sameDocument(next, document.value)) return
    put(label, entered.value ? merged(document.value, next, entered.value) : next)
  }

  function put(label: string, next: Design, mergeKey = ''): void {
    const last = document.value
    if (!last) return
    record(history, { document: last, entered: entered.value }, label, mergeKey, Date.now())
    const typed = entered.value ?? last
    rule(freeze(touch(stepsTouched(typed, next, at.value))(next), true), last)
  }

  let judging: ReturnType<typeof setTimeout> | undefined
  /** Has it told what of it is right, as soon as that can be had; asked anew meanwhile, it goes on trying once. */
  function judge(): void {
    clearTimeout(judging)
    loadCheck().catch(() => {
      clearTimeout(judging)
      judging = setTimeout(() => unjudged.value && judge(), JUDGE_AGAIN_MS)
    })
  }

  /** What is sound of it rules; what is wrong waits, and all of it until it can be told which is which. */
  function rule(typed: Design, last: Design): void {
    const told = isSound(typed) ? { document: typed, problems: [] } : check.value?.rulingOf(typed, last)
    if (!told) {
      entered.value = typed
      saver.changed()
      return judge()
    }
    const { document: sound, problems } = told
    const ruling = typed.circuits === sound.circuits ? followUsual(last)(sound) : sound
    document.value = sameDocument(ruling, last) ? last : freeze(ruling, true)
    const waits = ruling === sound ? typed : { ...typed, circuits: ruling.circuits }
    entered.value = problems.length > 0 ? waits : null
    saver.changed()
  }

  /** Drops what is typed wrong; what rules stays. */
  function dropWaiting(): void {
    if (!document.value || !entered.value) return
    record(history, { document: document.value, entered: entered.value }, 'drop wrong entries', '', Date.now())
    entered.value = null
    saver.changed()
  }

  /** Takes a suggestion as one step that can be undone, and shows its reasons; one that changes nothing is no step. */
  function take(step: Step, label: string, { design, reasons }: Suggestion): void {
    const before = document.value
    if (!before) return
    const changes = !sameDocument(design, before)
    // what was suggested in a step has been gone through, all of it where it was the whole system
    if (changes) replace(label, touch(stepsTouched(before, design, null))(design))
    suggestion.value = { step, reasons, change: changes ? { before, after: document.value! } : null }
  }

  /** Undoes the suggestion and nothing of what was edited since. */
  function withdraw(): void {
    const change = suggestion.value?.change
    suggestion.value = null
    if (!change || !document.value) return
    if (document.value === change.after && history.past.at(-1)?.document.document === change.before) return undo()
    replace('withdraw the suggestion', merged(change.after, document.value, change.before))
  }

  const held = (): Held => ({ document: document.value!, entered: entered.value })
  function hold(now: Held): void {
    document.value = now.document
    entered.value = now.entered
    saver.changed()
  }

  function undo(): void {
    if (!document.value) return
    const step = stepBack(history, held())
    if (!step) return
    suggestion.value = null
    hold(step.document)
  }

  function redo(): void {
    if (!document.value) return
    const step = stepForward(history, held())
    if (step) hold(step.document)
  }

  /** Leaves the open design: what is unsent is sent now, or later from its draft. */
  function leave(): Promise<void> {
    opening++
    return letOpenOneGo()
  }

  async function letOpenOneGo(): Promise<void> {
    if (!document.value) return
    await saver.leave()
    saver.close()
    document.value = entered.value = null
    courier.openHere = ''
    // what it left, and what a window that is gone left of it
    void courier.send()
  }

  async function takeTheirs(): Promise<void> {
    const theirs = saver.conflict.value
    if (!theirs || !document.value) return
    await checkable(theirs)
    if (theirs !== saver.conflict.value) return
    record(history, held(), 'my edits', '', Date.now())
    adopt(theirs)
    saver.changed()
  }

  /** Keeps both: mine becomes a variant of its own. @returns its id */
  async function keepBoth(): Promise<string | null> {
    if (!saver.conflict.value || !document.value) return null
    const mine = await api.variant(id.value, `${document.value.variant.slice(0, 112)} (mine)`, document.value)
    await handOver(mine)
    return mine.id
  }

  /** A design deleted elsewhere comes back out of the bin, with the edits made here. @returns whether it was there */
  async function bringBack(): Promise<boolean> {
    try {
      const stored = await api.restore(id.value)
      tellTabs({ kind: 'restored', design: id.value, version: stored.version })
      familyId.value = stored.familyId
      siblings.value = variantsOf(await api.designs(), stored)
      saver.begin(stored, freeze(stored.document, true))
      if (sameDocument(document.value, stored.document)) document.value = saver.acknowledged.value
      saver.changed()
      return true
    } catch (error) {
      if (error instanceof ApiRefusal && error.status === 404) return false
      throw error
    }
  }

  /** A design deleted elsewhere lives on as a new one. @returns its id */
  async function keepAsNew(): Promise<string | null> {
    if (!document.value) return null
    const made = await api.create(document.value)
    await handOver(made)
    return made.id
  }

  /** What is typed wrong goes along to the design that takes over; this one has nothing unsent any more. */
  async function handOver(to: StoredDesign): Promise<void> {
    const tab = await thisTab()
    const from = id.value
    if (entered.value)
      await drafts.put({
        design: to.id,
        tab,
        at: Date.now(),
        version: to.version,
        document: to.document,
        entered: { ...entered.value, name: to.document.name, variant: to.document.variant },
        sent: [],
        unsent: false,
      })
    letGo()
    await drafts.remove(from, tab)
    tellTabs({ kind: 'made', design: to.id, version: to.version })
  }

  /** Lets go of the open design without sending anything of it. */
  function letGo(): void {
    saver.close()
    document.value = entered.value = null
    courier.openHere = ''
  }

  /** Drops the edits of a design that is gone. */
  async function dropEdits(): Promise<void> {
    const from = id.value
    letGo()
    await drafts.remove(from, await thisTab())
  }

  async function addVariant(name: string): Promise<string> {
    saver.now()
    const stored = await api.variant(id.value, name, document.value ?? undefined)
    tellTabs({ kind: 'made', design: stored.id, version: stored.version })
    return stored.id
  }

  function renameSibling(stored: DesignEntry): void {
    siblings.value = siblings.value.map((entry) =>
      entry.id === stored.id ? { ...entry, variant: stored.variant } : entry,
    )
  }

  /** the newest version that another window told of */
  let heard = 0
  /** Another window saved or deleted the open design: with nothing unsent here, this one follows. */
  async function onTold(told: Told): Promise<void> {
    if (told.kind === 'parts') return
    const { kind, design, version } = told
    if (design !== id.value || !document.value) return
    if (kind === 'deleted') return saver.stop('gone')
    if (kind === 'restored' && saver.state.value === 'gone')
      return saver.unsent.value ? void bringBack() : followOn(design)
    if (kind !== 'saved') return
    heard = Math.max(heard, version)
    if (version > saver.version.value && !saver.unsent.value) await followOn(design)
  }
  // what was told while something of this window was on its way is caught up with when that has arrived
  watch(saver.unsent, (unsent) => !unsent && heard > saver.version.value && void followOn(id.value))

  /** @returns what the server has of a design, once it can be told what of it rules beside what is typed wrong here */
  async function followed(design: string): Promise<StoredDesign> {
    await loadCheck()
    const stored = await api.design(design)
    return stored
  }

  async function followOn(design: string): Promise<void> {
    const stored = await followed(design).catch(() => null)
    if (!stored || design !== id.value || !document.value || saver.unsent.value) return
    const before = held()
    record(history, before, 'edits of another window', '', Date.now())
    adopt(stored)
    if (!before.entered) return
    const typed = freeze(merged(before.document, before.entered, document.value), true)
    const ruling = check.value!.rulingOf(typed, document.value)
    entered.value = ruling.problems.length > 0 ? typed : null
    saver.changed()
  }

  // what was typed before it could be told whether it is right
  watch(check, () => entered.value && document.value && rule(entered.value, document.value), { flush: 'sync' })
  watch(document, (now) => now || (winterSummary.value = null))
  hear((told) => void onTold(told))
  onBack(() => saver.now())
  window.addEventListener('online', () => saver.now())

  return {
    id,
    document,
    entered,
    familyId,
    siblings,
    version: saver.version,
    saveState: saver.state,
    savedAt: saver.savedAt,
    refusal: saver.refusal,
    unsent: saver.unsent,
    kept: saver.kept,
    conflict: saver.conflict,
    suggestion,
    winterSummary,
    problems,
    unjudged,
    waiting,
    tell,
    problemAt,
    derived,
    findings,
    levelOf,
    at,
    canUndo: computed(() => history.past.length > 0),
    canRedo: computed(() => history.future.length > 0),
    undoLabel: computed(() => history.past.at(-1)?.label ?? ''),
    redoLabel: computed(() => history.future.at(-1)?.label ?? ''),
    open,
    change,
    replace,
    dropWaiting,
    take,
    withdraw,
    undo,
    redo,
    leave,
    keepMine: saver.overwrite,
    takeTheirs,
    keepBoth,
    bringBack,
    keepAsNew,
    dropEdits,
    addVariant,
  }
})
