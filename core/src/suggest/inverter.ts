import type { Design, InverterPart, Load } from '../document/types.ts'
import { takeInverter } from '../change/inverter.ts'
import { derive } from '../derive/derive.ts'
import { continuousShare, FULL_LEG, legLevel } from '../inverter/apparent.ts'
import { bestLegs } from '../inverter/legs.ts'
import { APPLIANCES } from '../loads/appliances.ts'
import { onLegsOf, serviceOf } from '../inverter/service.ts'
import { CLOSE_START, startLevel } from '../inverter/startVerdict.ts'
import { inverterParts } from '../parts/shelf.ts'
import { followed } from '../sizing/follow.ts'
import { besideInverter, besideSays } from './generator.ts'
import type { Suggestion } from './suggestion.ts'
import { leastFaults, stillToWatch } from './tried.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

const MOST_UNITS = 2

/**
 * The smallest inverter of the bank's voltage that carries the legs and the largest start with a little room, held against
 * all rules; split phase only where something needs 240 V.
 */
export function suggestInverter(design: Design): Suggestion {
  const carrying = carryingInverters(design)
  const all = carrying.length > 0 ? carrying : everyInverter(design).slice(-1)
  const tried = leastFaults(all, (each) => followed(besideInverter(each)))
  const [best] = tried
  if (!best)
    return {
      design,
      reasons: [say`No inverter on the shelf is made for a ${amount(design.bank.systemV, 'V')} bank of this kind.`],
    }
  const { worked } = derive(best.design)
  const { part, quantity } = best.design.inverter
  return {
    design: best.design,
    others: tried.slice(1).map((each) => each.design),
    reasons: [
      say`${amount(worked['loads.peak'].value, 'W')} on at once, ${amount(worked['loads.surge'].value, 'W')} at the largest start.`,
      say`${quantity} × “${part.name}” is the smallest that keeps the one under ${amount(FULL_LEG * 100, '%')} of a leg and the other under ${amount(CLOSE_START * 100, '%')} of its surge, and stands against the rules; a larger one would only idle away more.`,
      ...(carrying.length > 0 ? [] : ['Even two of the largest do not; lower the start or move loads.']),
      needsSplit(design)
        ? 'Something needs 240 V, so it is split-phase; the 120 V loads were spread so that the legs carry about the same.'
        : 'Nothing needs 240 V across two legs, so one leg serves.',
      ...besideSays(design, best.design),
      ...stillToWatch(design, best),
    ],
  }
}

/** What stands across two legs wherever there are two, by the shelf's appliance of that name. */
const ACROSS = new Set(APPLIANCES.filter(({ leg }) => leg === 'AB').map(({ name }) => name))
const isAcross = ({ leg, name, supply }: Load) =>
  supply === 'electric' && (leg === 'AB' || (leg !== 'DC' && ACROSS.has(name)))

/** Whether something needs 240 V across two legs, where a leg has 120. */
const needsSplit = ({ loads, place, inverter }: Design) =>
  inverter.part.topology === 'single-230' || place.wiringBasis === 'metric'
    ? loads.some(({ leg, supply }) => leg === 'AB' && supply === 'electric')
    : loads.some(isAcross)

/** Every inverter of the shelf for the bank and what is needed, one or two of it, the smallest first. */
function everyInverter(design: Design): Design[] {
  const split = needsSplit(design)
  const european = design.place.wiringBasis === 'metric' && !split
  const allInOne = design.inverter.part.controller !== null
  return inverterParts
    .filter(
      (part) =>
        part.bankV === design.bank.systemV &&
        (part.controller !== null) === allInOne &&
        (part.battery !== null) === (design.inverter.part.battery !== null) &&
        part.waveform === 'sine' &&
        kindFits(part, split, european),
    )
    .flatMap((part) => Array.from({ length: MOST_UNITS }, (_, i) => ({ part, quantity: i + 1 })))
    .sort((a, b) => a.part.ratedW * a.quantity - b.part.ratedW * b.quantity || a.quantity - b.quantity)
    .map(({ part, quantity }) => balance(takeInverter(part, quantity)(atRest(design)), split))
}

/** Joined side by side and without search, as a suggestion leaves it. */
const atRest = (design: Design): Design => ({
  ...design,
  inverter: { ...design.inverter, stacking: 'parallel', search: false },
})

/** Those that are sound by their heaviest leg and the largest start, the smallest first. */
export const carryingInverters = (design: Design): Design[] =>
  everyInverter(design).filter((each) => {
    const { worked } = derive(each)
    const [onLeg, start] = [continuousShare(worked), worked['inverter.surge-share']]
    return legLevel(onLeg.value) === 'sound' && startLevel(start.value) === 'sound'
  })

function kindFits(part: InverterPart, split: boolean, european: boolean): boolean {
  if (split) return part.topology === 'split-phase'
  return european ? part.topology === 'single-230' : part.topology === 'single-120'
}

function balance(design: Design, split: boolean): Design {
  const loads = split
    ? design.loads.map((load): Load => (isAcross(load) ? { ...load, leg: 'AB' } : load))
    : design.loads
  const fitting = onLegsOf({ ...design, loads })
  const legs = bestLegs(fitting.loads, serviceOf(fitting.inverter))
  return { ...fitting, loads: fitting.loads.map((load) => ({ ...load, leg: legs[load.id] ?? load.leg })) }
}
