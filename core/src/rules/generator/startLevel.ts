import { setField } from '../../change/field.ts'
import { bankNominalV, bankOhm, bankRatedAh } from '../../bank/layout.ts'
import { floorStateOfCharge, hoursToCutOut, loadedBankV, kneeOf } from '../../bank/usable.ts'
import { coldFactor } from '../../bank/chemistry.ts'
import { START_BELOW } from '../../generator/limits.ts'
import type { Design } from '../../document/types.ts'
import { stop, type Body, type Rule, type RuleInput } from '../rule.ts'
import { amount, celsius, percent, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** What a start level should leave above the charge at which the bank lets go. */
const MARGIN = 0.1
const STEP = 0.05
/** Least that a start lies below the stop. */
const LEAST_SPAN = 0.05

export const startLevel: Rule = {
  id: 'generator.start-level',
  step: 'generator',
  check: (input) => {
    const { design, winter } = input
    if (!winter || !design.generator.present) return []
    return design.generator.startBy === 'voltage'
      ? byVoltage(input, winter.coldestBankC)
      : byCharge(design, winter.coldestBankC)
  },
}

/** What comes of it, by whether the backup starts all the same when the bank is empty. */
const because = ({ generator }: Design) =>
  generator.startWhenEmpty && generator.startBy !== 'morning' && generator.kind !== 'vehicle'
    ? 'The backup comes only when the bank can give no more: a set that does not catch at once leaves the house dark.'
    : 'The bank lets go before the backup starts: loads are dropped while it stands by. Raise the level, or keep the bank warmer.'

function byCharge(design: Design, coldestC: number): Body[] {
  const { bank, generator } = design
  const { startStateOfCharge: start, stopStateOfCharge } = generator
  const floor = floorStateOfCharge(bank.part.chemistry, coldestC, bank.cutoffStateOfCharge)
  if (start > floor) return []
  const raised = Math.min(Math.ceil((floor + MARGIN) / STEP - 1e-9) * STEP, stopStateOfCharge - LEAST_SPAN)
  return [
    stop(
      'generator',
      say`The backup starts at ${percent(start)}; at ${celsius(coldestC)} the bank lets go at ${percent(floor)} already.`,
      because(design),
      raised > floor
        ? {
            remedy: {
              label: say`start at ${percent(raised)}`,
              apply: setField('generator.startStateOfCharge', raised),
            },
          }
        : {},
    ),
  ]
}

/** The voltage must be held low for a while; the bank may be empty sooner. */
function byVoltage({ design, derived }: RuleInput, coldestC: number): Body[] {
  const { bank, generator, inverter } = design
  const { lowCutV } = inverter.part
  const loadA = (Math.max(...derived.loadsWh) * derived.atBattery) / 24 / bankNominalV(bank)
  if (!(loadA > 0)) return []
  const fall = (startV: number) => hoursToCutOut(bank, lowCutV, coldestC, loadA, startV)
  const holdH = generator.holdMin / 60
  if (fall(generator.startV) >= holdH) return []
  const cold = coldFactor(bank.part.chemistry, coldestC)
  const drop = (loadA * bankOhm(bank)) / cold
  const wanted =
    loadedBankV(bank, lowCutV, Math.max(kneeOf(bank.cutoffStateOfCharge), usableFor(design, loadA, cold, holdH))) - drop
  const raised = Math.min(bank.systemV * START_BELOW, Math.ceil(wanted * 10) / 10)
  return [
    stop(
      'generator',
      say`Held low for ${amount(generator.holdMin, 'min')}, ${volts(generator.startV)} start the backup; at ${celsius(coldestC)} the bank falls from there to its cut-out at ${volts(lowCutV)} in ${amount(fall(generator.startV) * 60, 'min')}.`,
      because(design),
      raised > generator.startV && fall(raised) >= holdH
        ? { remedy: { label: say`start at ${volts(raised)}`, apply: setField('generator.startV', raised) } }
        : {},
    ),
  ]
}

/** Charge of the warm bank from which such a load needs twice the hold to reach the cut-out. */
function usableFor({ bank }: Design, loadA: number, cold: number, holdH: number): number {
  return Math.min(1, bank.cutoffStateOfCharge + (2 * holdH * loadA) / (bankRatedAh(bank) * cold))
}
