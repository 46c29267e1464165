import { CHEMISTRIES, coldFactor } from '../bank/chemistry.ts'
import { backAt } from '../bank/full.ts'
import { bankKinetic } from '../bank/kinetic.ts'
import { bankNominalV, bankRatedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import type { Design } from '../document/types.ts'
import { refillHours } from '../generator/refill.ts'
import { gridIsTaken } from '../generator/taken.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'
import { celsius } from '../units/say.ts'
import { say } from '../units/words.ts'

const LONGEST_RECHARGE_H = 96

/**
 * Worked sheets of a grid that fails; none where there is none that the inverter takes.
 * @param batteryDayWh what the bank is asked for on a day of the heaviest month
 * @param batteryC temperature the bank is sized for
 */
export function gridSheets(design: Design, batteryDayWh: number, batteryC: number, add: Add): void {
  const { grid, bank, inverter } = design
  if (!gridIsTaken(design)) return
  const volts = bankNominalV(bank)
  const ratedAh = bankRatedAh(bank)
  const { cutoffStateOfCharge: cutoff } = bank
  const { keepStateOfCharge: keep } = grid
  const cold = coldFactor(bank.part.chemistry, batteryC)
  const left = Math.max(0, (1 - cutoff) * cold - (1 - keep))
  const wh = ratedAh * volts * left
  add(
    worked('grid.hours-until-dark', 'Until dark without sun', batteryDayWh > 0 ? (24 * wh) / batteryDayWh : 0, 'h', {
      says: 'rated × (from full to the cut-out × cold factor − from full to where it is kept) ÷ daily need at the battery; nothing else helping',
      terms: [
        term('rated', ratedAh * volts, 'Wh'),
        term('cut-out', cutoff, 'share', 'step Bank'),
        term(say`cold factor at ${celsius(batteryC)}`, cold, ''),
        term('kept at', keep, 'share'),
        term('daily need at the battery', batteryDayWh, 'Wh/d'),
      ],
      source: 'charge balance; IEEE 1013 temperature multipliers',
    }),
  )
  const chargeA = Math.min(
    inverter.part.chargerA * inverter.quantity,
    grid.chargeLimitA ?? Infinity,
    bank.part.maxChargeA * stringsAtLimit(bank),
    (grid.breakerA * grid.breakerV * inverter.part.chargerEfficiency) / volts,
  )
  const to = backAt(keep)
  if (chargeA <= 0 || to <= cutoff) return
  const { chargeEfficiency } = CHEMISTRIES[bank.part.chemistry]
  const found = refillHours(bankKinetic(design), cutoff, to, chargeA, chargeEfficiency, ratedAh)
  add(
    worked('grid.recharge-hours', 'Back up from empty', Math.min(found.hours, LONGEST_RECHARGE_H), 'h', {
      says: 'charging current of the grid from the cut-out to where it counts as back, falling where the bank accepts no more; the house not counted, and all hours charging hours',
      terms: [
        term('capacity to put back', ratedAh * (to - cutoff), 'Ah'),
        term('charging current', chargeA, 'A'),
        term('stored of it', chargeEfficiency, 'share'),
        term('of these hours in the absorption tail', found.tailHours, 'h'),
      ],
      source: 'Manwell & McGowan 1993 charge limit for lead-acid; charge balance for lithium',
    }),
  )
}
