import type { Design, InverterPart } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { bestLegs } from '../inverter/legs.ts'
import { onLegsOf, serviceOf } from '../inverter/service.ts'
import { inverterParts } from '../parts/shelf.ts'
import type { Suggestion } from './suggestion.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

const HEADROOM = 0.85

/** The smallest inverter of the bank's voltage that carries the legs and the largest start with a little room. */
export function suggestInverter(design: Design): Suggestion {
  const needsSplit =
    design.loads.some((load) => load.leg === 'AB') || (design.place.wiringBasis === 'awg' && design.bank.systemV === 48)
  const european = design.place.wiringBasis === 'metric' && !needsSplit
  const fits = inverterParts
    .filter(
      (part) =>
        part.bankV === design.bank.systemV &&
        part.controller === null &&
        part.waveform === 'sine' &&
        kindFits(part, needsSplit, european),
    )
    .sort((a, b) => a.ratedW - b.ratedW)
  const withPart = (part: InverterPart, quantityOf: number): Design =>
    balance({
      ...design,
      inverter: { ...design.inverter, part: { ...part }, quantity: quantityOf, stacking: 'parallel', search: false },
    })
  const tries = [1, 2].flatMap((count) => fits.map((part) => withPart(part, count)))
  const good = tries.find((each) => {
    const { worked } = derive(each)
    return worked['inverter.leg-share'].value <= HEADROOM && worked['inverter.surge-share'].value <= HEADROOM
  })
  const chosen = good ?? tries[tries.length - 1]
  if (!chosen)
    return {
      design,
      reasons: [say`No inverter on the shelf is made for a ${amount(design.bank.systemV, 'V')} bank of this kind.`],
    }
  const { worked } = derive(chosen)
  return {
    design: chosen,
    reasons: [
      say`${amount(worked['loads.peak'].value, 'W')} on at once, ${amount(worked['loads.surge'].value, 'W')} at the largest start.`,
      say`${chosen.inverter.quantity} × “${chosen.inverter.part.name}” is the smallest that keeps both under ${amount(HEADROOM * 100, '%')}; a larger one would only idle away more.`,
      ...(good ? [] : ['Even two of the largest do not keep both under that; lower the start or move loads.']),
      'The 120 V loads were spread so that the legs carry about the same.',
    ].slice(0, needsSplit ? 4 : good ? 2 : 3),
  }
}

function kindFits(part: InverterPart, needsSplit: boolean, european: boolean): boolean {
  if (needsSplit) return part.topology === 'split-phase'
  return european ? part.topology === 'single-230' : part.topology !== 'single-230'
}

function balance(design: Design): Design {
  const fitting = onLegsOf(design)
  const legs = bestLegs(fitting.loads, serviceOf(fitting.inverter))
  return { ...fitting, loads: fitting.loads.map((load) => ({ ...load, leg: legs[load.id] ?? load.leg })) }
}
