import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { ref, shallowRef, toRaw, watch } from 'vue'
import type { Candidate, Design, Week } from '@ambrel/core'
import type { Winters } from '../workers/winters.ts'
import { nextRun, shownWorker, WinterWorker } from '../workers/winterWorkers.ts'
import { useDesign } from './design.ts'
import { editionOf } from './edition.ts'
import { useWeather } from './weather.ts'

/** A ghost is drawn over as many winters as the first look of the strip. */
const GHOST_YEARS = 10

/** The winters of the open design, run in a worker after every edit. */
export const useWinter = defineStore('winter', () => {
  const design = useDesign()
  const winters = shallowRef<Winters | null>(null)
  /** edition of the document that the winters are of, whole; 0 while there are none, or only the first look */
  const edition = ref(0)
  const progress = ref(0)
  const running = ref(false)
  const ranked = shallowRef<{ for: Design; list: Candidate[] } | null>(null)
  const ranking = ref(false)
  const rankedShare = ref(0)
  const ghost = shallowRef<{ says: string; winters: Winters } | null>(null)
  /** why the last run could not be made, in words */
  const failure = ref('')
  const weather = useWeather()
  const worker = shownWorker(weather.hoursOf)
  let sideWorker: WinterWorker | null = null
  let asked = 0
  /** number of the run that is going on */
  let goingOn = 0
  let rankingAsked = 0

  /** The strip's own worker, for short questions: it has the weather already, and answers while no run is going on. */
  async function resting(subject: Pick<Design, 'place'>, everySource = false) {
    await worker.ready(subject, everySource)
    return worker.service
  }

  /** A second worker, so that runs beside the strip's do not hold it up. */
  async function side(subject: Pick<Design, 'place'>) {
    sideWorker ??= new WinterWorker(weather.hoursOf)
    await sideWorker.ready(subject)
    return sideWorker.service
  }

  async function run(wanted: Design): Promise<void> {
    const mine = ++asked
    running.value = true
    progress.value = 0
    const show = (result: Winters) => {
      if (mine !== asked) return
      winters.value = result
      design.winterSummary = result.summary
    }
    try {
      await worker.ready(wanted)
      if (mine !== asked) return
      goingOn = nextRun()
      const result = await worker.service.run(
        goingOn,
        toRaw(wanted),
        proxy(show),
        proxy((share: number) => (progress.value = share)),
      )
      if (mine !== asked) return
      failure.value = ''
      if (result) {
        show(result)
        edition.value = editionOf(toRaw(wanted))
      }
    } catch (error) {
      if (mine !== asked) return
      forget()
      failure.value = `The winters cannot be run: ${(error as Error).message}.`
    }
    running.value = false
  }

  function cancel(): void {
    asked++
    if (running.value) void worker.service.cancel(goingOn)
    running.value = false
  }

  function forget(): void {
    winters.value = null
    edition.value = 0
    design.winterSummary = null
    failure.value = ''
  }

  /** Ranks single changes over ten of the same winters. */
  async function rank(): Promise<void> {
    const subject = design.document
    if (!subject || ranking.value) return
    const mine = ++rankingAsked
    ranking.value = true
    rankedShare.value = 0
    try {
      const service = await side(subject)
      // cancelled before the worker was ready
      if (mine !== rankingAsked) return
      const list = await service.whatNext(
        toRaw(subject),
        Math.min(10, subject.winter.years),
        proxy((share: number) => (rankedShare.value = share)),
      )
      if (list && mine === rankingAsked) ranked.value = { for: subject, list }
    } finally {
      if (mine === rankingAsked) ranking.value = false
    }
  }
  async function cancelRanking(): Promise<void> {
    rankingAsked++
    ranking.value = false
    await sideWorker?.service.cancelTrying()
  }

  /** Seven days of one year of the open design. @param firstDay of the run's year */
  async function week(year: number, firstDay: number): Promise<Week | null> {
    const subject = design.document
    if (!subject) return null
    const service = await resting(subject)
    return service.week(toRaw(subject), year, firstDay)
  }

  /** Runs any design beside the open one. */
  async function runBeside(of: Design, years: number, seed = of.winter.seed): Promise<Winters | null> {
    const service = await side(of)
    const subject = { ...toRaw(of), winter: { ...of.winter, years, seed } }
    return service.run(
      nextRun(),
      subject,
      proxy(() => {}),
      proxy(() => {}),
    )
  }

  /** Shows another design's winters behind the strip. */
  async function showGhost(says: string, other: Design): Promise<Winters | null> {
    const result = await runBeside(other, GHOST_YEARS)
    if (result) ghost.value = { says, winters: result }
    return result
  }

  watch(
    () => design.document,
    (now) => {
      ghost.value = null
      if (!now) {
        cancel()
        forget()
        return
      }
      void run(now)
    },
    { immediate: true },
  )

  return {
    winters,
    edition,
    progress,
    running,
    failure,
    resting,
    side,
    ranked,
    ranking,
    rankedShare,
    cancelRanking,
    week,
    ghost,
    rank,
    showGhost,
    runBeside,
    cancel,
    clearGhost: () => (ghost.value = null),
  }
})
