import { produce } from 'immer'
import { defineStore } from 'pinia'
import { computed, ref, shallowReactive, shallowRef, toRaw, watch } from 'vue'
import { checkDesign, type DesignEntry, type StoredDesign } from '@ambrel/contract'
import {
  derive,
  findings as findAll,
  migrate,
  stepLevel,
  type Design,
  type Problem,
  type Step,
  type Suggestion,
  type WinterSummary,
} from '@ambrel/core'
import { api, ApiRefusal, Unreachable } from './api.ts'
import { emptyHistory, record, stepBack, stepForward } from './history.ts'

export type SaveState = 'saved' | 'waiting' | 'saving' | 'offline' | 'problems' | 'conflict' | 'gone'

interface Draft {
  version: number
  document: Design
}

const SAVE_AFTER_MS = 700
const RETRY_MS = 4000
const draftKey = (id: string) => `ambrel.draft.${id}`

/** The open design: its document, its past, what is wrong with it, what it comes to, and whether it is saved. */
export const useDesign = defineStore('design', () => {
  const id = ref('')
  const version = ref(0)
  const document = shallowRef<Design | null>(null)
  const savedDocument = shallowRef<Design | null>(null)
  const siblings = ref<DesignEntry[]>([])
  const familyId = ref('')
  /** shallow, so that undone documents come back as plain as they went in */
  const history = shallowReactive(emptyHistory<Design>())
  const saveState = ref<SaveState>('saved')
  const savedAt = ref<Date | null>(null)
  const conflict = shallowRef<StoredDesign | null>(null)
  const suggestion = shallowRef<{ step: Step; reasons: string[] } | null>(null)
  const winterSummary = shallowRef<WinterSummary | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  let lastSave: Promise<unknown> = Promise.resolve()

  const problems = computed<Problem[]>(() => (document.value ? checkDesign(document.value).problems : []))
  /** A problem in words, with the name of the thing it belongs to. */
  function tell({ path, message }: Problem): string {
    const [list, index] = path.split('.')
    if (list !== 'loads' && list !== 'arrays' && list !== 'controllers' && list !== 'runs') return message
    const name = document.value?.[list][Number(index)]?.name
    return name ? `${name}: ${message}` : message
  }

  const problemAt = computed(() => new Map(problems.value.map((problem) => [problem.path, problem.message])))
  const derived = computed(() => (document.value && problems.value.length === 0 ? derive(document.value) : null))
  const findings = computed(() =>
    document.value && derived.value
      ? findAll({ design: document.value, derived: derived.value, winter: winterSummary.value })
      : [],
  )
  const levelOf = (step: Step) => stepLevel(findings.value, step)

  async function open(wanted: string): Promise<void> {
    clearTimeout(timer)
    await flush()
    document.value = null
    const stored = await api.design(wanted)
    adopt(stored)
    Object.assign(history, emptyHistory<Design>())
    suggestion.value = null
    siblings.value = (await api.designs()).filter((entry) => entry.familyId === stored.familyId)
    restoreDraft(stored)
  }

  function adopt(stored: StoredDesign): void {
    id.value = stored.id
    version.value = stored.version
    familyId.value = stored.familyId
    document.value = stored.document
    savedDocument.value = stored.document
    savedAt.value = new Date(stored.updatedAt)
    saveState.value = 'saved'
    conflict.value = null
    winterSummary.value = null
  }

  /** Brings back an edit that never reached the server; where the server moved on meanwhile, the person chooses. */
  function restoreDraft(stored: StoredDesign): void {
    const text = localStorage.getItem(draftKey(stored.id))
    if (!text) return
    const draft = JSON.parse(text) as Draft
    const migrated = migrate(draft.document)
    if ('document' in migrated) draft.document = migrated.document as Design
    record(history, stored.document, 'unsaved edits', '', Date.now())
    document.value = draft.document
    version.value = draft.version
    if (draft.version !== stored.version) {
      conflict.value = stored
      saveState.value = 'conflict'
    } else changed()
  }

  /** Changes a copy of the document, which shares with the old one all that stayed the same; one undo step unless `mergeKey` joins it to the last. */
  function edit(label: string, change: (draft: Design) => void, mergeKey = ''): void {
    if (!document.value) return
    const next = produce(toRaw(document.value), (draft) => {
      change(draft as Design)
    })
    if (next !== document.value) replace(label, next, mergeKey)
  }

  function replace(label: string, next: Design, mergeKey = ''): void {
    if (!document.value) return
    record(history, document.value, label, mergeKey, Date.now())
    document.value = next
    changed()
  }

  /** Takes a suggestion as one step that can be undone, and shows its reasons. */
  function take(step: Step, label: string, { design, reasons }: Suggestion): void {
    replace(label, design)
    suggestion.value = { step, reasons }
  }

  function undo(): void {
    if (!document.value) return
    const step = stepBack(history, document.value)
    if (!step) return
    document.value = step.document
    suggestion.value = null
    changed()
  }

  function redo(): void {
    if (!document.value) return
    const step = stepForward(history, document.value)
    if (!step) return
    document.value = step.document
    changed()
  }

  function changed(): void {
    if (!document.value || saveState.value === 'conflict') return keepDraft()
    keepDraft()
    clearTimeout(timer)
    saveState.value = problems.value.length > 0 ? 'problems' : 'waiting'
    if (problems.value.length === 0) timer = setTimeout(() => void save(), SAVE_AFTER_MS)
  }

  function keepDraft(): void {
    if (!document.value) return
    const draft: Draft = { version: version.value, document: toRaw(document.value) }
    localStorage.setItem(draftKey(id.value), JSON.stringify(draft))
  }

  /** One save after the other: a second sent while the first is on its way would meet its new version as a conflict. */
  function save(): Promise<void> {
    const mine = lastSave.then(saveNow)
    lastSave = mine.catch(() => undefined)
    return mine
  }

  async function saveNow(): Promise<void> {
    const sent = document.value
    if (!sent || problems.value.length > 0 || saveState.value === 'conflict') return
    if (sent === savedDocument.value) return settle()
    saveState.value = 'saving'
    const target = id.value
    try {
      const stored = await api.save(target, version.value, sent)
      if (id.value !== target) return
      version.value = stored.version
      savedDocument.value = sent
      savedAt.value = new Date(stored.updatedAt)
      renameSibling(stored)
      if (document.value === sent) settle()
      else changed()
    } catch (error) {
      refused(error)
    }
  }

  function settle(): void {
    localStorage.removeItem(draftKey(id.value))
    saveState.value = 'saved'
  }

  function refused(error: unknown): void {
    if (error instanceof ApiRefusal && error.status === 409 && error.current) {
      conflict.value = error.current
      saveState.value = 'conflict'
    } else if (error instanceof ApiRefusal && error.status === 404) saveState.value = 'gone'
    else if (error instanceof ApiRefusal && error.status === 400) saveState.value = 'problems'
    else if (error instanceof Unreachable || error instanceof ApiRefusal) {
      saveState.value = 'offline'
      clearTimeout(timer)
      timer = setTimeout(() => void save(), RETRY_MS)
    } else throw error
  }

  /** Saves what still waits, before the design is left. */
  async function flush(): Promise<void> {
    clearTimeout(timer)
    if (saveState.value === 'waiting' || saveState.value === 'offline') await save()
  }

  async function keepMine(): Promise<void> {
    if (!conflict.value) return
    version.value = conflict.value.version
    conflict.value = null
    saveState.value = 'waiting'
    await save()
  }

  function takeTheirs(): void {
    if (!conflict.value || !document.value) return
    record(history, document.value, 'my edits', '', Date.now())
    const summary = winterSummary.value
    adopt(conflict.value)
    winterSummary.value = summary
    localStorage.removeItem(draftKey(id.value))
  }

  /** Keeps both: mine becomes a variant of its own. @returns its id */
  async function keepBoth(): Promise<string | null> {
    if (!conflict.value || !document.value) return null
    const mine = await api.variant(id.value, `${document.value.variant} (mine)`.slice(0, 120), document.value)
    localStorage.removeItem(draftKey(id.value))
    conflict.value = null
    saveState.value = 'saved'
    return mine.id
  }

  async function addVariant(name: string): Promise<string> {
    await flush()
    const stored = await api.variant(
      id.value,
      name,
      problems.value.length === 0 ? (document.value ?? undefined) : undefined,
    )
    return stored.id
  }

  function renameSibling(stored: StoredDesign): void {
    siblings.value = siblings.value.map((entry) =>
      entry.id === stored.id ? { ...entry, variant: stored.variant } : entry,
    )
  }

  watch(document, (now) => now || (winterSummary.value = null))
  window.addEventListener('online', () => saveState.value === 'offline' && void save())

  return {
    id,
    version,
    document,
    familyId,
    siblings,
    saveState,
    savedAt,
    conflict,
    suggestion,
    winterSummary,
    problems,
    tell,
    problemAt,
    derived,
    findings,
    levelOf,
    canUndo: computed(() => history.past.length > 0),
    canRedo: computed(() => history.future.length > 0),
    undoLabel: computed(() => history.past.at(-1)?.label ?? ''),
    redoLabel: computed(() => history.future.at(-1)?.label ?? ''),
    open,
    edit,
    replace,
    take,
    undo,
    redo,
    flush,
    keepMine,
    takeTheirs,
    keepBoth,
    addVariant,
  }
})
