import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankNominalV, ratedAh } from '../bank/layout.ts'
import type { Design } from '../design/types.ts'
import { derate } from '../generator/power.ts'
import { refillHours } from '../generator/refill.ts'
import { bankKinetic } from '../winter/plan.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'
import { climateOf } from '../weather/ruling.ts'

const LONGEST_REFILL_H = 96

export function generatorSheets(design: Design, add: Add): void {
  const { generator, inverter, bank, place } = design
  if (!generator.present) return
  const meanC = Math.max(...climateOf(place).monthly.map((month) => month.meanC))
  const power = add(
    worked(
      'generator.power',
      'Real power',
      derate(generator.part.ratedW, place.elevationM, meanC, generator.part.fuel),
      'W',
      {
        says: 'rating less 3.5 % per 300 m over 150 m, 1 % per 5.5 °C over 25 °C, and the fuel’s share',
        terms: [
          term('rating', generator.part.ratedW, 'W', generator.part.name),
          term('elevation', place.elevationM, 'm', 'step Place'),
        ],
        source: 'makers’ usual de-rating rules',
      },
    ),
  )
  const volts = bankNominalV(bank)
  const chargerAc = (inverter.part.chargerA * inverter.quantity * volts) / inverter.part.chargerEfficiency
  const planned = Math.min(power * generator.loadShareLimit, chargerAc)
  const chargeA = Math.min((planned * inverter.part.chargerEfficiency) / volts, bank.part.maxChargeA * bank.inParallel)
  add(
    worked(
      'generator.load-share',
      'Load while charging',
      (chargeA * volts) / inverter.part.chargerEfficiency / power,
      'share',
      {
        says: 'charger draw ÷ real power, the house not counted',
        terms: [term('charging current', chargeA, 'A'), term('real power', power, 'W')],
        source: '50–75 % is the economical load; under 30 % glazes and wastes',
      },
    ),
  )
  const refillAh = ratedAh(bank.part) * bank.inParallel * (generator.stopStateOfCharge - generator.startStateOfCharge)
  const { chargeEfficiency } = CHEMISTRIES[bank.part.chemistry]
  const { startStateOfCharge, stopStateOfCharge } = generator
  // a bank that never gets there is shown at the longest that is looked at
  const found = refillHours(bankKinetic(design), startStateOfCharge, stopStateOfCharge, chargeA, chargeEfficiency)
  const refill = { ...found, hours: Math.min(found.hours, LONGEST_REFILL_H) }
  add(
    worked('generator.refill-hours', 'Hours to refill', refill.hours, 'h', {
      says: 'charging current into the bank from start to stop level, falling where the bank accepts no more',
      terms: [
        term('capacity to put back', refillAh, 'Ah'),
        term('charging current', chargeA, 'A'),
        term('stored of it', chargeEfficiency, 'share'),
        term('of these hours in the absorption tail', refill.tailHours, 'h'),
      ],
      source: 'Manwell & McGowan 1993 charge limit for lead-acid; charge balance for lithium',
    }),
  )
}
