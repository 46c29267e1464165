import { proxy, wrap, type Remote } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import type { Candidate, Design } from '@ambrel/core'
import type { Winters, WinterService } from '../workers/winter.worker.ts'
import { useDesign } from './design.ts'

function newWorker(): Remote<WinterService> {
  return wrap<WinterService>(new Worker(new URL('../workers/winter.worker.ts', import.meta.url), { type: 'module' }))
}

/** The winters of the open design, run in a worker after every edit. */
export const useWinter = defineStore('winter', () => {
  const design = useDesign()
  const winters = shallowRef<Winters | null>(null)
  const progress = ref(0)
  const running = ref(false)
  const stripMs = ref(0)
  const ranked = shallowRef<{ for: Design; list: Candidate[] } | null>(null)
  const ranking = ref(false)
  const ghost = shallowRef<{ says: string; winters: Winters } | null>(null)
  const worker = newWorker()
  let side: Remote<WinterService> | null = null
  let asked = 0

  /** What keeps a winter from being run, in words; empty when nothing does. */
  const lacks = computed(() => design.problems.map(design.tell))

  async function run(wanted: Design): Promise<void> {
    const mine = ++asked
    const began = performance.now()
    running.value = true
    progress.value = 0
    const show = (result: Winters) => {
      if (mine !== asked) return
      if (result.years <= 10 || winters.value === null || stripMs.value === 0) stripMs.value = performance.now() - began
      winters.value = result
      design.winterSummary = result.summary
    }
    const result = await worker.run(
      toRaw(wanted),
      proxy(show),
      proxy((share: number) => (progress.value = share)),
    )
    if (mine !== asked) return
    running.value = false
    if (result) show(result)
  }

  function cancel(): void {
    asked++
    running.value = false
    void worker.cancel()
  }

  /** Ranks single changes over ten of the same winters. */
  async function rank(): Promise<void> {
    const subject = design.document
    if (!subject || ranking.value) return
    ranking.value = true
    try {
      side ??= newWorker()
      ranked.value = { for: subject, list: await side.whatNext(toRaw(subject), Math.min(10, subject.winter.years)) }
    } finally {
      ranking.value = false
    }
  }

  /** Shows another design's winters behind the strip. */
  async function showGhost(says: string, other: Design): Promise<void> {
    side ??= newWorker()
    const result = await side.run(
      { ...other, winter: { ...other.winter, years: 10 } },
      proxy(() => {}),
      proxy(() => {}),
    )
    if (result) ghost.value = { says, winters: result }
  }

  watch(
    () => design.document,
    (now) => {
      ghost.value = null
      if (!now || design.problems.length > 0) {
        cancel()
        winters.value = null
        design.winterSummary = null
        return
      }
      void run(now)
    },
    { immediate: true },
  )

  return {
    winters,
    progress,
    running,
    lacks,
    stripMs,
    ranked,
    ranking,
    ghost,
    rank,
    showGhost,
    cancel,
    clearGhost: () => (ghost.value = null),
  }
})
