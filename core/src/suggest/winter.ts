import type { Design } from '../design/types.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { bill } from '../money/parts.ts'
import type { WinterEngine } from '../winter/engine.ts'
import { figuresAt } from '../winter/summary.ts'

/** One change to the design, run over the same weather. */
export interface Candidate {
  id: string
  says: string
  /** money it costs, in the design's currency; never below 0 */
  price: number
  generatorHours: number
  shortHours: number
  /** what it saves against the design as it is: hours of generator and short hours of 1 in 10 */
  generatorHoursSaved: number
  shortHoursSaved: number
  design: Design
}

/** A short hour weighs as much as this many generator hours when changes are ranked. */
const SHORT_HOUR_WEIGHT = 10

/** The changes that are tried, each as a whole design. */
export function candidates(design: Design): { id: string; says: string; design: Design }[] {
  const change = (id: string, says: string, make: (copy: Design) => void) => {
    const copy = structuredCloneOf(design)
    make(copy)
    return { id, says, design: copy }
  }
  const { bank, arrays, place, generator } = design
  const list = [
    change('battery', `One more string of “${bank.part.name}”`, (copy) => (copy.bank.inParallel += 1)),
    ...arrays
      .slice(0, 1)
      .map((array) =>
        change(
          'string',
          `One more string of ${array.inSeries} on ${array.name}`,
          (copy) => (copy.arrays[0].inParallel += 1),
        ),
      ),
    ...arrays
      .slice(0, 1)
      .flatMap((array) => [
        ...(array.tiltDeg <= 75
          ? [
              change('steeper', `${array.name} 15° steeper`, (copy) =>
                copy.arrays.forEach((each) => (each.tiltDeg = Math.min(90, each.tiltDeg + 15))),
              ),
            ]
          : []),
        ...(array.tiltDeg >= 15
          ? [
              change('flatter', `${array.name} 15° flatter`, (copy) =>
                copy.arrays.forEach((each) => (each.tiltDeg = Math.max(0, each.tiltDeg - 15))),
              ),
            ]
          : []),
      ]),
    ...(place.brushSnowDays === null || place.brushSnowDays > 1
      ? [change('brush', 'Brush snow off within a day', (copy) => (copy.place.brushSnowDays = 1))]
      : []),
    ...(generator.present && generator.stopStateOfCharge - generator.startStateOfCharge > 0.3
      ? [
          change(
            'stop-sooner',
            'Stop the generator 20 points sooner, leaving room for the sun',
            (copy) => (copy.generator.stopStateOfCharge = generator.stopStateOfCharge - 0.2),
          ),
        ]
      : []),
    ...(generator.present && generator.startStateOfCharge > 0.25
      ? [
          change(
            'start-later',
            'Start the generator 10 points lower',
            (copy) => (copy.generator.startStateOfCharge = Math.max(0.15, generator.startStateOfCharge - 0.1)),
          ),
        ]
      : []),
  ]
  const largest = [...design.loads].filter((load) => load.priority === 'canWait')
  for (const load of largest.slice(0, 2))
    if (design.loads.length > 1)
      list.push(
        change(
          `drop-${load.id}`,
          `Do without ${load.name}`,
          (copy) => (copy.loads = copy.loads.filter(({ id }) => id !== load.id)),
        ),
      )
  return list
}

/**
 * Tries one change at a time over the same weather and ranks them by generator hours and short hours saved per money.
 *
 * @param onProgress called after each change with the share done; return false to cancel
 * @returns ranked candidates, or null where it was cancelled
 */
export function whatNext(
  engine: WinterEngine,
  design: Design,
  request: { years: number; seed: number },
  onProgress: (share: number) => boolean = () => true,
): Candidate[] | null {
  const measure = (each: Design) => {
    const years = engine.run(each, request)
    const typical = figuresAt(years, 0.5)
    const bad = figuresAt(years, 0.9)
    return {
      generatorHours: typical.generatorHours,
      shortHours: Math.max(bad.shortHours.must, bad.shortHours.should, bad.shortHours.canWait),
    }
  }
  const base = measure(design)
  const basePrice = bill(design).total
  const list = candidates(design)
  const measured: Candidate[] = []
  for (const [i, candidate] of list.entries()) {
    const figures = measure(candidate.design)
    measured.push({
      ...candidate,
      ...figures,
      price: Math.max(0, bill(candidate.design).total - basePrice),
      generatorHoursSaved: base.generatorHours - figures.generatorHours,
      shortHoursSaved: base.shortHours - figures.shortHours,
    })
    if (!onProgress((i + 1) / list.length)) return null
  }
  return measured.sort((a, b) => worth(b) - worth(a))
}

/** Hours saved per thousand of money; a free change counts as costing ten. */
export function worth({ generatorHoursSaved, shortHoursSaved, price }: Candidate): number {
  const saved = generatorHoursSaved + SHORT_HOUR_WEIGHT * shortHoursSaved
  return saved > 0 ? (saved / Math.max(price, 10)) * 1000 : saved
}
