import type { Design } from '../document/types.ts'
import { HOURS } from '../calendar/calendar.ts'
import type { Pieces } from '../math/pieces.ts'
import { lifeYears, type BankLife } from '../bank/life.ts'
import { yearsOfRun } from '../weather/ruling.ts'
import type { WinterEngine } from './engine.ts'
import { partsOf } from './plan.ts'
import { controllerEfficiency, yearHours, type HoursQuestion } from './hours.ts'

/** What the arrays bring to the bus in a mean year, kWh, and what is lost on the way. */
export interface ArrayYield {
  intoBusKWh: number
  /** more than the controllers' output amps could pass */
  clippedKWh: number
  /** what pulse-width controllers throw away against tracking ones */
  thrownKWh: number
  /** what unlike strings lose by working together, against each alone on a tracker */
  unlikeKWh: number
}

/** What of a design its yield rests on. */
export type YieldQuestion = HoursQuestion &
  Pick<Design, 'place' | 'schools'> & { winter: Pick<Design['winter'], 'seed'> }

interface Sums {
  inKWh: number
  outKWh: number
}

function* sums(engine: WinterEngine, design: YieldQuestion, years: number): Pieces<Sums> {
  const { seed } = design.winter
  const count = yearsOfRun(design.place, years)
  let into = 0
  let out = 0
  for (let index = 0; index < count; index++) {
    const planes = design.arrays.map((array) => engine.planeOf(design, array, seed, index))
    const hours = yearHours(design, engine.weatherOf(design, seed, index), planes)
    for (let i = 0; i < HOURS; i++) {
      into += hours.pvInW[i]
      out += hours.pvOutW[i]
    }
    yield
  }
  return { inKWh: into / count / 1000, outKWh: out / count / 1000 }
}

/** @param years of weather to average over, ≥ 1 */
export function* arrayYield(engine: WinterEngine, design: YieldQuestion, years: number): Pieces<ArrayYield> {
  const now = yield* sums(engine, design, years)
  const efficiency = controllerEfficiency(design)
  const tracking = design.controllers.some(({ part }) => part.kind === 'pulse-width')
    ? (yield* sums(engine, withTrackers(design), years)).inKWh
    : now.inKWh
  const apart = (yield* sums(engine, apartStrings(design), years)).inKWh
  return {
    intoBusKWh: now.outKWh,
    clippedKWh: Math.max(0, now.inKWh * efficiency - now.outKWh),
    thrownKWh: Math.max(0, (tracking - now.inKWh) * efficiency),
    unlikeKWh: Math.max(0, (apart - now.inKWh) * efficiency),
  }
}

/** A tracker that uses a string at all its volts. */
const ANY_VOLTS = {
  kind: 'tracker',
  maxTrackV: 1e6,
  minTrackV: 0,
  startV: 0,
  aboveBankV: 0,
  startAboveBankV: 0,
} as const

/** Its pulse-width controllers as such trackers. */
const withTrackers = (design: YieldQuestion): YieldQuestion => ({
  ...design,
  controllers: design.controllers.map((each) =>
    each.part.kind === 'pulse-width' ? { ...each, part: { ...each.part, ...ANY_VOLTS } } : each,
  ),
})

/** Every array on a tracker of its own of the same controller. */
function apartStrings(design: YieldQuestion): YieldQuestion {
  const most = Math.max(1, design.arrays.length)
  return {
    ...design,
    arrays: design.arrays.map((array, i) => ({ ...array, tracker: i + 1 })),
    controllers: design.controllers.map((each) => ({ ...each, part: { ...each.part, trackers: most } })),
  }
}

/** A step of the oversizing curve. */
export interface OversizeStep {
  strings: number
  intoBusKWh: number
  /** gained by this string over the one before */
  gainKWh: number
}

/**
 * What each further string on an array would bring to the bus in a mean year, with the controllers as they are.
 * @throws RangeError for an array that is not in the design
 */
export function* oversizing(
  engine: WinterEngine,
  design: YieldQuestion,
  arrayId: string,
  years: number,
  more = 4,
): Pieces<OversizeStep[]> {
  const array = design.arrays.find(({ id }) => id === arrayId)
  if (!array) throw new RangeError(`array ${arrayId} is not in the design`)
  const from = Math.max(1, array.inParallel - 1)
  const steps: OversizeStep[] = []
  for (let strings = from; strings <= array.inParallel + more; strings++) {
    const arrays = design.arrays.map((each) => (each.id === arrayId ? { ...each, inParallel: strings } : each))
    const { outKWh } = yield* sums(engine, { ...design, arrays }, years)
    steps.push({
      strings,
      intoBusKWh: outKWh,
      gainKWh: steps.length > 0 ? outKWh - steps[steps.length - 1].intoBusKWh : 0,
    })
  }
  return steps
}

/** Years of the run that a bank is worn by, everywhere: one figure of its life. */
export const WEAR_YEARS = 10

/** How long the bank lasts by the state of charge of the run. @param years to run, ≥ 1 */
export function* bankWear(engine: WinterEngine, design: Design, years: number): Pieces<BankLife> {
  const { seed } = design.winter
  const count = yearsOfRun(design.place, years)
  const steps = HOURS * partsOf(design)
  const charge = new Float32Array(count * steps)
  for (let index = 0; index < count; index++) {
    engine.year(design, seed, index, { charge: charge.subarray(index * steps, (index + 1) * steps) })
    yield
  }
  return lifeYears(charge, count, design.bank.part)
}
