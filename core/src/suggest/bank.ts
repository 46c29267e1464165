import { startVoltsFor } from '../generator/power.ts'
import { classVoltage, ratedAh } from '../bank/layout.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { sizeByHand } from '../bank/sizeByHand.ts'
import { newBank } from '../design/defaults.ts'
import type { Bank, BatteryPart, Design } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { batteryParts } from '../parts/shelf.ts'
import { followVoltage, inverterFor } from '../change/inverter.ts'
import { COUNTS } from '../fields/limits.ts'
import type { Suggestion } from './suggestion.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

/**
 * Bank voltage from power and daily energy, then the part of the same chemistry that needs the fewest strings and,
 * among those, costs least; strings by the hand method. The inverter follows a changed bank voltage.
 */
export function suggestBank(design: Design): Suggestion {
  const { worked, batteryC } = derive(design)
  const peakW = worked['loads.peak'].value
  const dailyWh = worked['loads.battery-day'].value
  const systemV = peakW > 3000 || dailyWh > 4000 ? 48 : 24
  const { chemistry } = design.bank.part
  const facts = CHEMISTRIES[chemistry]
  const depth = Math.min(design.bank.allowedDepth, facts.depthMax)
  const size = (part: BatteryPart) =>
    sizeByHand({
      dailyWh,
      days: design.bank.autonomyDays,
      depth,
      batteryC,
      chemistry,
      systemV,
      unitV: part.nominalV,
      unitAh: ratedAh(part),
    })
  const candidates = batteryParts
    .filter((part) => part.chemistry === chemistry && Number.isInteger(systemV / classVoltage(part)))
    .map((part) => ({ part, sizing: size(part) }))
    .map((each) => ({ ...each, price: each.part.price * each.sizing.inSeries * each.sizing.inParallel }))
    .sort(
      (a, b) =>
        penalty(a.sizing.inParallel, facts.parallel.recommended) -
          penalty(b.sizing.inParallel, facts.parallel.recommended) || a.price - b.price,
    )
  const { part, sizing } = candidates[0]
  const bank: Bank = {
    ...newBank(part.id, systemV, Math.min(COUNTS.stringsOfBank, sizing.inParallel)),
    autonomyDays: design.bank.autonomyDays,
    allowedDepth: depth,
    takeoff: sizing.inParallel > 2 ? 'equal-leads' : 'opposite-corners',
  }
  const inverter = inverterFor(design, systemV)
  const generator =
    systemV === design.bank.systemV ? design.generator : { ...design.generator, startV: startVoltsFor(systemV) }
  return {
    design: followVoltage(systemV)({ ...design, bank, generator }),
    reasons: [
      say`${amount(systemV, 'V')}: ${amount(peakW, 'W')} on at once and ${amount(dailyWh, 'Wh')} a day; under 3 kW and 4 kWh a day 24 V would do.`,
      say`${amount(dailyWh, 'Wh')} × ${design.bank.autonomyDays} days ÷ ${amount(depth * 100, '%')} depth ÷ cold at ${amount(batteryC, '°C', 0)} = ${amount(sizing.needWh, 'Wh')}.`,
      sizing.inParallel > COUNTS.stringsOfBank
        ? say`“${part.name}” would take ${sizing.inParallel} strings, the largest the shelf has: this is no longer one battery bank. ${COUNTS.stringsOfBank} were taken.`
        : say`${sizing.inSeries} × ${sizing.inParallel} of “${part.name}”: least money without too many strings in parallel.`,
      ...(inverter === design.inverter
        ? []
        : [say`The inverter was changed to “${inverter.part.name}” to match the bank’s voltage.`]),
    ],
  }
}

/** Strings a document holds at most. */

const penalty = (parallel: number, recommended: number) => Math.max(0, parallel - recommended)
