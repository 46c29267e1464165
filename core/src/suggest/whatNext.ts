import type { Design } from '../document/types.ts'
import { bill } from '../money/bill.ts'
import { priceOfChange } from '../money/change.ts'
import { followed } from '../sizing/follow.ts'
import type { Pieces } from '../math/pieces.ts'
import type { WinterEngine } from '../winter/engine.ts'
import type { YearResult } from '../winter/year.ts'
import { figuresAt, figuresOf, worstOf } from '../winter/figures.ts'
import { amount } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import { candidates, type Proposal } from './candidates.ts'

/** One change to the design, or two together, run over the same weather. */
export interface Candidate {
  id: string
  says: Words
  /** money for what has to be bought, in the design's currency; nothing comes back for what is thrown away */
  price: number
  /** something that has to be bought has no price */
  unpriced: boolean
  generatorHours: number
  shortHours: number
  /** what it saves against the design as it is: hours of generator and short hours of 1 in 10 */
  generatorHoursSaved: number
  shortHoursSaved: number
  design: Design
}

/** A short hour weighs as much as this many generator hours when changes are ranked. */
const SHORT_HOUR_WEIGHT = 10

/** What a design comes to over the weather that changes are compared on. */
export interface Measured {
  /** of the median year */
  generatorHours: number
  /** of the worst priority in 1 year of 10 */
  shortHours: number
}

/** Runs a design for {@link whatNext}. */
export function* measured(
  engine: WinterEngine,
  design: Design,
  request: { years: number; seed: number },
): Pieces<Measured> {
  return measuredOf(yield* engine.years(design, request))
}

/** What years that were run come to. */
export function measuredOf(results: readonly YearResult[]): Measured {
  const years = results.map((year) => figuresOf(year))
  return { generatorHours: figuresAt(years, 0.5).generatorHours, shortHours: worstOf(figuresAt(years, 0.9).shortHours) }
}

/** Below this share of what is to be saved one change alone helps little, and two are tried together. */
const HELPS_LITTLE = 0.25
/** Of so many, the best, each pair is tried. */
const OF_PAIRS = 4

/**
 * Tries one change at a time over the same weather, and two together where none alone helps much, and ranks them by
 * generator hours and short hours saved per money.
 *
 * @param measure runs a design; may be handed out to several workers
 * @param atOnce how many are measured at the same time
 * @param onProgress called after each change with the share done; return false to cancel
 * @param only ids of the changes to try; all where it is left out
 * @returns ranked candidates, or null where it was cancelled
 */
export async function whatNext(
  design: Design,
  measure: (each: Design, lane: number) => Measured | Promise<Measured>,
  atOnce = 1,
  onProgress: (share: number) => boolean = () => true,
  only: readonly string[] | null = null,
): Promise<Candidate[] | null> {
  const had = bill(design)
  const base = await measure(design, 0)
  const singles = candidates(design, only)
  let wanted = true
  const measureAll = async (list: readonly Offered[], from: number, to: number): Promise<Candidate[]> => {
    const waiting = [...list]
    const tried: Candidate[] = []
    const work = async (lane: number) => {
      for (let next = waiting.shift(); next && wanted; next = waiting.shift()) {
        const figures = await measure(next.design, lane)
        tried.push({
          id: next.id,
          says: next.says,
          design: next.design,
          ...figures,
          ...priceOfChange(design, next.design, had),
          generatorHoursSaved: base.generatorHours - figures.generatorHours,
          shortHoursSaved: base.shortHours - figures.shortHours,
        })
        wanted = onProgress(from + ((to - from) * tried.length) / list.length) && wanted
      }
    }
    await Promise.all(Array.from({ length: atOnce }, (_, lane) => work(lane)))
    return tried
  }
  const alone = await measureAll(singles, 0, only ? 1 : SINGLES_SHARE)
  const pairs = only === null && wanted ? pairsOf(singles, alone, base) : []
  const together = wanted && pairs.length > 0 ? await measureAll(pairs, SINGLES_SHARE, 1) : []
  if (wanted && pairs.length === 0) wanted = onProgress(1) && wanted
  return wanted ? rankedBy([...alone, ...worthwhile(together, alone)], 'money') : null
}

/** Of the work, the part that changes by themselves take. */
const SINGLES_SHARE = 0.75
type Offered = Proposal & { design: Design }

const weightOf = ({ generatorHours, shortHours }: Measured) => generatorHours + SHORT_HOUR_WEIGHT * shortHours
const savedBy = ({ generatorHoursSaved, shortHoursSaved }: Candidate) =>
  generatorHoursSaved + SHORT_HOUR_WEIGHT * shortHoursSaved

/** The best changes two at a time, where none alone saves much of what there is to save. */
function pairsOf(singles: readonly Offered[], alone: readonly Candidate[], base: Measured): Offered[] {
  const best = [...alone].sort((a, b) => savedBy(b) - savedBy(a))
  if (weightOf(base) <= 0 || best.length < 2 || savedBy(best[0]) >= HELPS_LITTLE * weightOf(base)) return []
  const top = best.slice(0, OF_PAIRS).map(({ id }) => singles.find((each) => each.id === id)!)
  return top
    .flatMap((first, i) => top.slice(i + 1).map((second) => ({ first, second })))
    .filter(({ first, second }) => candidates(first.design, [second.id]).length > 0)
    .map(({ first, second }) => ({
      id: `${first.id} + ${second.id}`,
      says: say`${first.says}, and ${second.says}`,
      change: (each) => second.change(first.change(each)),
      design: followed(second.change(first.design)),
    }))
}

/** Pairs that save more than both do alone; of the others the best one. */
function worthwhile(together: readonly Candidate[], alone: readonly Candidate[]): Candidate[] {
  const apart = ({ id }: Candidate) =>
    id.split(' + ').reduce((sum, each) => sum + savedBy(alone.find((single) => single.id === each)!), 0)
  const [best, ...others] = [...together].sort((a, b) => savedBy(b) - savedBy(a))
  return best ? [best, ...others.filter((each) => savedBy(each) > apart(each) * BETTER_TOGETHER)] : []
}
const BETTER_TOGETHER = 1.1

/** What people rank changes by: hours for the money, what goes dark, or how long the backup runs. */
export type Care = 'money' | 'short' | 'backup'

/** Candidates in the order of what somebody cares about; those with something unpriced apart, at the end. */
export function rankedBy(list: readonly Candidate[], care: Care): Candidate[] {
  const by: Record<Care, (each: Candidate) => number> = {
    money: worth,
    short: ({ shortHoursSaved, generatorHoursSaved }) => shortHoursSaved * 1e4 + generatorHoursSaved,
    backup: ({ shortHoursSaved, generatorHoursSaved }) => generatorHoursSaved * 1e4 + shortHoursSaved,
  }
  return [...list].sort(
    (a, b) => Number(a.unpriced) - Number(b.unpriced) || by[care](b) - by[care](a) || a.id.localeCompare(b.id),
  )
}

/** Hours saved per thousand of money; a free change counts as costing ten. */
export function worth(candidate: Candidate): number {
  const saved = savedBy(candidate)
  return saved > 0 ? (saved / Math.max(candidate.price, 10)) * 1000 : saved
}

/** The changes that {@link provedBottleneck} weighs. */
export const BOTTLENECK_TRIALS = ['battery', 'string']

/**
 * What holds a design back, proved by the changes that were tried over the same winters: more storage against more
 * modules, by the generator hours and short hours each saves.
 *
 * @returns one sentence, or null where neither was tried
 */
export function provedBottleneck(list: readonly Candidate[]): Words | null {
  const battery = list.find(({ id }) => id === 'battery')
  const string = list.find(({ id }) => id === 'string')
  if (!battery || !string) return null
  const saves = ({ generatorHoursSaved, shortHoursSaved }: Candidate) =>
    say`${amount(generatorHoursSaved, '', 0)} hours of backup${Math.abs(shortHoursSaved) >= 0.5 ? say` and ${amount(shortHoursSaved, '', 0)} short hours` : ''}`
  const tried = say`Tried over the same winters, one more string of batteries saves ${saves(battery)} a year and one more string of modules ${saves(string)}`
  const [stored, made] = [savedBy(battery), savedBy(string)]
  if (Math.max(stored, made) < 1) return say`${tried}: neither holds this design back.`
  if (made > 2 * stored) return say`${tried}: modules hold it back, not storage.`
  if (stored > 2 * made) return say`${tried}: storage holds it back, not modules.`
  return say`${tried}: both are about equally short.`
}
