import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankNominalV } from '../bank/layout.ts'
import type { Design } from '../design/types.ts'
import { derate } from '../generator/power.ts'
import { generatorParts } from '../parts/shelf.ts'
import { percent } from '../rules/say.ts'
import { quantity } from '../units/format.ts'
import type { Suggestion } from './suggestion.ts'

/** The set that runs the charger at an economical load, with start and stop levels by chemistry. */
export function suggestGenerator(design: Design): Suggestion {
  const { inverter, bank, place, generator } = design
  const facts = CHEMISTRIES[bank.part.chemistry]
  const volts = bankNominalV(bank)
  const chargeA = Math.min(inverter.part.chargerA * inverter.quantity, bank.part.maxChargeA * bank.inParallel)
  const chargerW = (chargeA * volts) / inverter.part.chargerEfficiency
  const real = (part: (typeof generatorParts)[number]) => derate(part.ratedW, place.elevationM, 25, part.fuel)
  const enough = generatorParts.filter((part) => real(part) * 0.8 >= chargerW)
  const part = (enough.length > 0 ? enough : [...generatorParts].sort((a, b) => b.ratedW - a.ratedW))[0]
  const startStateOfCharge = bank.part.chemistry === 'lfp' ? 0.3 : 0.5
  return {
    design: {
      ...design,
      generator: {
        ...generator,
        present: true,
        part: { ...part },
        startStateOfCharge,
        stopStateOfCharge: facts.generatorStop,
        fullChargeEveryDays: bank.part.chemistry === 'lfp' ? null : 14,
        loadShareLimit: 0.8,
      },
    },
    reasons: [
      `The charger draws ${quantity(chargerW, 'W')}; “${part.name}” really gives ${quantity(real(part), 'W')} here and works at ${percent(Math.min(0.8, chargerW / real(part)))}.`,
      `Starts at ${percent(startStateOfCharge)}, stops at ${percent(facts.generatorStop)}: beyond that the tail wastes fuel.`,
      bank.part.chemistry === 'lfp'
        ? 'Lithium needs no regular full charge.'
        : 'A full charge every 14 days keeps the plates clean.',
    ],
  }
}
