import { CHEMISTRIES } from '../bank/chemistry.ts'
import { derive } from '../derive/derive.ts'
import { bankNominalV } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import type { Design } from '../document/types.ts'
import { ECONOMICAL_LOAD, economicalChargeA } from '../generator/backup.ts'
import { derate } from '../generator/power.ts'
import { generatorParts } from '../parts/shelf.ts'
import type { Suggestion } from './suggestion.ts'
import { amount, percent } from '../units/say.ts'
import { say } from '../units/words.ts'

/** Under this load a set wastes its fuel; rather a smaller one with its charger turned down to no less than this share. */
const LEAST_LOAD = 0.5
const LEAST_OF_CHARGER = 0.6

/**
 * The cheapest set that runs the charger at an economical load, the charger turned down where even so it would be worked too
 * hard, start and stop levels by chemistry, and the care that chemistry asks for.
 */
export function suggestGenerator(design: Design): Suggestion {
  const { inverter, bank, place, generator } = design
  const facts = CHEMISTRIES[bank.part.chemistry]
  const volts = bankNominalV(bank)
  const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
  const chargeA = Math.min(inverter.part.chargerA * inverter.quantity, limitA)
  const chargerW = (chargeA * volts) / inverter.part.chargerEfficiency
  const real = (part: (typeof generatorParts)[number]) => derate(part.ratedW, place.elevationM, 25, part.fuel)
  const cheapestFirst = [...generatorParts].sort((a, b) => a.price - b.price)
  const largest = generatorParts.reduce((most, each) => (real(each) > real(most) ? each : most))
  const enough = cheapestFirst.find((each) => real(each) * ECONOMICAL_LOAD >= chargerW) ?? largest
  const { continuousW } = derive(design).peak
  const turnedDownSet = cheapestFirst.find(
    (each) => real(each) >= continuousW && real(each) * ECONOMICAL_LOAD >= LEAST_OF_CHARGER * chargerW,
  )
  const idles = chargerW < LEAST_LOAD * real(enough)
  const part = idles ? (turnedDownSet ?? enough) : enough
  const startStateOfCharge = facts.generatorStart
  const chosen: Design = {
    ...design,
    generator: {
      ...generator,
      present: true,
      kind: 'generator',
      part: { ...part },
      charger: 'inverter',
      chargeLimitA: null,
      startBy: 'charge',
      startStateOfCharge,
      stopStateOfCharge: facts.generatorStop,
      fullChargeEveryDays: facts.fullChargeEveryDays,
      exerciseEveryDays: 30,
      equaliseEveryDays: facts.equaliseV ? 90 : null,
      restDays: 0,
      loadShareLimit: 0.8,
    },
  }
  const setA = Math.max(1, Math.floor(Math.min(economicalChargeA(chosen), limitA)))
  const turnedDown = setA < inverter.part.chargerA * inverter.quantity
  if (turnedDown) chosen.generator.chargeLimitA = setA
  const drawnW = turnedDown ? (setA * volts) / inverter.part.chargerEfficiency : chargerW
  return {
    design: chosen,
    reasons: [
      say`The charger draws ${amount(drawnW, 'W')}${turnedDown ? say`, set to ${amount(setA, 'A')}` : ''}; “${part.name}” really gives ${amount(real(part), 'W')} here and works at ${percent(drawnW / real(part))}.`,
      say`Starts at ${percent(startStateOfCharge)}, stops at ${percent(facts.generatorStop)}: beyond that the tail wastes fuel.`,
      ...(drawnW < LEAST_LOAD * real(part)
        ? ['No smaller set on the shelf charges fast enough and carries what is on at once.']
        : []),
      facts.fullChargeEveryDays === null
        ? say`${facts.name} needs no regular full charge. A run of twenty minutes a month keeps the set fit.`
        : say`A full charge every ${facts.fullChargeEveryDays} days keeps the plates clean${facts.equaliseV ? ', an equalising charge every quarter mixes the acid' : ''}.`,
    ],
  }
}
