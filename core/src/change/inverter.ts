import { boxed, isBoxed, stackingChoices, withBuiltIn, withInverter } from '../inverter/service.ts'
import { bestLegs } from '../inverter/legs.ts'
import { fittedAnew } from '../generator/taken.ts'
import { serviceOf } from '../inverter/service.ts'
import type { BatteryPart, Design, Inverter, InverterPart } from '../document/types.ts'
import { ratedWh, trySeries } from '../bank/layout.ts'
import { startVoltsFor } from '../generator/power.ts'
import { batteryParts, inverterParts, structuredCloneOf } from '../parts/shelf.ts'
import { COUNTS } from '../fields/limits.ts'
import type { Change } from './change.ts'
import { setField } from './field.ts'
import { settledGenerator } from './generator.ts'

/** The backup's settings put right. */
const settled = (before: Design, design: Design): Design =>
  fittedAnew(before, { ...design, generator: settledGenerator(design) })

/** Another inverter: loads stay on the legs that were named, an all-in-one brings its charge controller, search goes where it has none. */
export const takeInverter =
  (part: InverterPart, quantity?: number): Change =>
  (design) => {
    const counted = quantity === undefined ? design : setInverterCount(quantity)(design)
    return settled(design, startAtItsVolts(design, unboxed(withInverter(counted, structuredCloneOf(part)), counted)))
  }

/** A bank of another voltage starts its backup at other volts. */
const startAtItsVolts = (before: Design, design: Design): Design =>
  design.bank.systemV === before.bank.systemV
    ? design
    : { ...design, generator: { ...design.generator, startV: startVoltsFor(design.bank.systemV) } }

/** The battery that went with a power box is gone with it: units of the shelf that are nearest to it take its place. */
function unboxed(design: Design, before: Design): Design {
  const { bank } = design
  if (!isBoxed(before) || isBoxed(design) || design.inverter.part.battery !== null) return design
  const wantedWh = ratedWh(bank)
  const off = (part: BatteryPart) =>
    Math.abs(Math.log(ratedWh({ part, inSeries: trySeries(bank.systemV, part)!, inParallel: 1 }) / wantedWh))
  const fits = batteryParts.filter(
    (part) => part.chemistry === bank.part.chemistry && trySeries(bank.systemV, part) !== null,
  )
  if (fits.length === 0) return design
  const part = fits.reduce((best, each) => (off(each) < off(best) ? each : best))
  const inSeries = trySeries(bank.systemV, part)!
  const strings = Math.ceil(wantedWh / ratedWh({ part, inSeries, inParallel: 1 }))
  return { ...design, bank: { ...bank, part: structuredCloneOf(part), inSeries, inParallel: strings } }
}

/** How many, joined as they can be. A number that cannot be is put as it is and moves nothing else. */
export const setInverterCount =
  (quantity: number): Change =>
  (design) => {
    if (!(Number.isInteger(quantity) && quantity >= 1 && quantity <= COUNTS.inverters))
      return setField('inverter.quantity', quantity)(design)
    const { part, stacking } = design.inverter
    const fits = stackingChoices(part, quantity).includes(stacking)
    const counted = { ...design, inverter: { ...design.inverter, quantity, stacking: fits ? stacking : 'parallel' } }
    return settled(design, withBuiltIn(boxed(counted), part.controller))
  }

/** How several inverters are joined. */
export const setStacking =
  (stacking: Inverter['stacking']): Change =>
  (design) =>
    settled(design, { ...design, inverter: { ...design.inverter, stacking } })

/** Loads on one leg spread so that the legs carry about the same. */
export const spreadOverLegs: Change = (design) => {
  const legs = bestLegs(design.loads, serviceOf(design.inverter))
  return { ...design, loads: design.loads.map((load) => ({ ...load, leg: legs[load.id] ?? load.leg })) }
}

/** The inverter as it is, or the nearest of its kind for another bank voltage. */
export function inverterFor({ inverter }: Pick<Design, 'inverter'>, systemV: number): Inverter {
  const { part } = inverter
  if (part.bankV === systemV) return inverter
  const fits = inverterParts.filter((candidate) => candidate.bankV === systemV && candidate.controller === null)
  const european = part.topology === 'single-230'
  const [best] = fits
    .filter((candidate) => (candidate.topology === 'single-230') === european)
    // what comes out stays what it was, where there is such a one
    .sort(
      (a, b) =>
        Number(a.topology !== part.topology) - Number(b.topology !== part.topology) ||
        Math.abs(a.ratedW - part.ratedW) - Math.abs(b.ratedW - part.ratedW),
    )
  if (!best) return inverter
  const search = inverter.search && best.searchW !== null
  return { ...inverter, part: structuredCloneOf(best), quantity: 1, stacking: 'parallel', search }
}

/** The design with an inverter made for another bank voltage, where the shelf has one. */
export const followVoltage =
  (systemV: Design['bank']['systemV']): Change =>
  (design) =>
    settled(design, withBuiltIn({ ...design, inverter: inverterFor(design, systemV) }, design.inverter.part.controller))
