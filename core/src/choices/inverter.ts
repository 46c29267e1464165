import { modulesForDay } from '../array/need.ts'
import type { Design, InverterPart } from '../document/types.ts'
import { countsVA, legVA, perWatt } from '../inverter/apparent.ts'
import { legsAtOnce } from '../inverter/legs.ts'
import { startSeconds, type CoincidentPeak } from '../loads/peak.ts'
import { inWeek } from '../loads/week.ts'
import { inverterParts } from '../parts/shelf.ts'
import { startsOf, type HardestStart } from '../inverter/start.ts'
import { inverterRating, legsOfService, onLegsOf, serviceOf, withInverter } from '../inverter/service.ts'

/** One inverter of the shelf as this design would use it. */
export interface InverterChoice {
  part: InverterPart
  /** heaviest leg, in watts or volt-amperes, whichever is nearer, and largest start, as shares of the rating, by the school that was chosen and by the other */
  legShare: number
  surgeShare: number
  otherLegShare: number
  otherSurgeShare: number
  /** its own draw, and the modules that takes in the darkest month */
  idleWhDay: number
  idlePanelsW: number
  /** of the inverter, and of inverter and charge controllers together */
  price: number
  withControllers: number
}

/**
 * Every inverter of the shelf for the bank's voltage and the same output, one of it, the smallest first.
 * @param sunHours peak sun hours of the worst month
 */
export function inverterChoices(
  design: Design,
  peak: CoincidentPeak,
  otherPeak: CoincidentPeak,
  sunHours: number,
): InverterChoice[] {
  const { topology } = design.inverter.part
  const one = { ...design, inverter: { ...design.inverter, quantity: 1, stacking: 'parallel' as const, search: false } }
  // what a leg carries and what a start meets on it are the same whichever inverter of the kind carries it
  const loaded = inWeek(onLegsOf(one))
  const by = ({ school }: CoincidentPeak) => ({
    starts: startsOf({ ...loaded, schools: { ...loaded.schools, peak: school } }),
    legW: Math.max(...Object.values(legsAtOnce(loaded, school))),
    legVA: countsVA(loaded) ? Math.max(...Object.values(legsAtOnce(loaded, school, perWatt))) : 0,
  })
  const ruling = by(peak)
  const other = by(otherPeak)
  return inverterParts
    .filter((part) => part.bankV === design.bank.systemV && part.topology === topology)
    .filter(({ battery }) => battery === null || design.inverter.part.battery !== null)
    .sort((a, b) => a.ratedW - b.ratedW || a.price - b.price)
    .map((part) => {
      const tried = withInverter(one, part)
      const rating = inverterRating(tried)
      const legCount = legsOfService(serviceOf(tried.inverter)).length
      const idleWhDay = part.idleW * 24
      const controllers = tried.controllers.reduce((sum, each) => sum + each.part.price, 0)
      return {
        part,
        legShare: Math.max(ruling.legW / rating.legW, ruling.legVA / legVA(tried)),
        surgeShare: hardestOf(ruling.starts, tried, legCount),
        otherLegShare: Math.max(other.legW / rating.legW, other.legVA / legVA(tried)),
        otherSurgeShare: hardestOf(other.starts, tried, legCount),
        idleWhDay,
        idlePanelsW: modulesForDay(idleWhDay, sunHours, design.schools.handFactor),
        price: part.price,
        withControllers: part.price + controllers,
      }
    })
}

/** Largest share of a design's surge, or of a leg's part of it, that a start asks. */
const hardestOf = (starts: readonly HardestStart[], tried: Design, legCount: number): number =>
  starts.reduce((most, { load, at, baseW, addedW }) => {
    const { surgeW } = inverterRating(tried, startSeconds(load))
    return Math.max(most, ((baseW + addedW) * (at === 'all' ? 1 : legCount)) / surgeW)
  }, 0)
