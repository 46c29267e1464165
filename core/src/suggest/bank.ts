import { CHEMISTRIES } from '../bank/chemistry.ts'
import { advisedVoltage } from '../choices/bank.ts'
import { followVoltage } from '../change/inverter.ts'
import { takeLayout } from '../change/array.ts'
import { derive } from '../derive/derive.ts'
import type { Bank, Design } from '../document/types.ts'
import { bankNominalV, ratedAh } from '../bank/layout.ts'
import { isBoxed } from '../inverter/service.ts'
import { COUNTS } from '../fields/limits.ts'
import { startVoltsFor } from '../generator/power.ts'
import { fittedAnew } from '../generator/taken.ts'
import { layouts, stringFits } from '../array/layouts.ts'
import { arrayRatedW } from '../array/power.ts'
import { handBank, handBanks, handNeed, type HandBank } from '../sizing/bank.ts'
import { followed } from '../sizing/follow.ts'
import { layoutQuestionOf } from '../sizing/layoutQuestion.ts'
import { besideInverter, besideSays } from './generator.ts'
import { carryingInverters } from './inverter.ts'
import type { Suggestion } from './suggestion.ts'
import { leastFaults, stillToWatch } from './tried.ts'
import { amount, counted } from '../units/say.ts'
import { say } from '../units/words.ts'

/** Strings beyond the hand method that are looked at where the rules want them. */
const MORE_STRINGS = [0, 1, 2, 3]

interface BankChoice {
  hand: HandBank
  more: number
  bank: Bank
}

/**
 * Bank voltage from power and daily energy, then the part of the same chemistry and the strings by the hand method, the
 * cheapest first, each held against all rules. Inverter, strings of modules, settings and cables follow.
 */
export function suggestBank(design: Design): Suggestion {
  if (isBoxed(design))
    return {
      design,
      reasons: [
        say`The bank is inside “${design.inverter.part.name}”: more of it takes another box, or an inverter with a bank outside.`,
      ],
    }
  const { worked } = derive(design)
  const peakW = worked['loads.peak'].value
  const dailyWh = worked['loads.battery-day'].value
  const { chemistry } = design.bank.part
  const advised = advisedVoltage(peakW, dailyWh)
  const need = handNeed(design, chemistry)
  const { recommended } = CHEMISTRIES[chemistry].parallel
  const choices = (systemV: Bank['systemV']): BankChoice[] =>
    handBanks(design, { chemistry, systemV }, need)
      .flatMap((hand) =>
        MORE_STRINGS.map((more) => ({
          hand,
          more,
          bank: handBank(design, hand.part, systemV, stringsFor(hand, more), need.depth),
        })),
      )
      .sort(
        (a, b) =>
          lacking(a) - lacking(b) ||
          Math.max(0, a.bank.inParallel - recommended) - Math.max(0, b.bank.inParallel - recommended) ||
          priceOf(a) - priceOf(b),
      )
  const others = design.bank.systemV === advised ? [] : choices(design.bank.systemV)
  const carriers: Carriers = new Map()
  const tried = leastFaults([...choices(advised), ...others], ({ bank }) => withBank(design, bank, carriers))
  const [best] = tried
  const { hand, more, bank } = best.choice
  const { systemV } = bank
  return {
    design: best.design,
    others: tried.slice(1).map((each) => each.design),
    reasons: [
      systemV === advised
        ? say`${amount(systemV, 'V')}: ${amount(peakW, 'W')} on at once and ${amount(dailyWh, 'Wh')} a day; under 3 kW and 4 kWh a day 24 V would do.`
        : say`${amount(systemV, 'V')}, as it is: ${amount(advised, 'V')} would be usual for ${amount(peakW, 'W')} on at once and ${amount(dailyWh, 'Wh')} a day, but raises more findings here.`,
      say`${amount(dailyWh, 'Wh')} × ${counted(design.bank.autonomyDays, 'day')} ÷ ${amount(need.depth * 100, '%')} depth ÷ cold at ${amount(need.batteryC, '°C', 0)} = ${amount(hand.sizing.needWh, 'Wh')}, ${amount(hand.sizing.needWh / bankNominalV(bank), 'Ah')} at ${amount(bankNominalV(bank), 'V')}.`,
      bank.inParallel < hand.sizing.inParallel
        ? say`${bank.inSeries} × ${bank.inParallel} of “${hand.part.name}”, the most strings it allows; ${hand.sizing.inParallel} would be needed. Larger cells, another chemistry, or fewer days.`
        : say`${bank.inSeries} × ${bank.inParallel} of “${hand.part.name}”: least money without too many strings in parallel${more > 0 ? say`, ${more} more than the days ask for so that fewer rules stand against it` : ''}.`,
      ...(best.design.inverter.part.id === design.inverter.part.id
        ? []
        : [say`The inverter was changed to “${best.design.inverter.part.name}” to match the bank’s voltage.`]),
      ...besideSays(design, best.design),
      ...stillToWatch(design, best),
    ],
  }
}

/** Strings by the hand method and some more, but no more than the part allows. */
const stringsFor = ({ part, sizing }: HandBank, more: number) =>
  Math.min(sizing.inParallel + more, part.parallelLimit, COUNTS.stringsOfBank)
/** What a bank lacks of what is needed, Wh. */
const lacking = ({ bank, hand }: BankChoice) =>
  Math.max(0, hand.sizing.inParallel - bank.inParallel) * ratedAh(bank.part) * bank.part.nominalV * bank.inSeries

const priceOf = ({ bank }: BankChoice) => bank.part.price * bank.inSeries * bank.inParallel

/** What carries the loads at another voltage, worked out once for each. */
type Carriers = Map<Bank['systemV'], Pick<Design, 'inverter' | 'loads' | 'controllers'>>

/** The design with another bank, and what follows from it: at another voltage the inverter and the strings of modules too. */
function withBank(design: Design, bank: Bank, carriers: Carriers): Design {
  const { systemV } = bank
  if (systemV === design.bank.systemV) return followed({ ...design, bank })
  const moved = followVoltage(systemV)({
    ...design,
    bank,
    generator: { ...design.generator, startV: startVoltsFor(systemV) },
  })
  if (!carriers.has(systemV)) {
    const { inverter, loads, controllers } = carryingInverters(moved)[0] ?? moved
    carriers.set(systemV, { inverter, loads, controllers })
  }
  const carried = fittedAnew(moved, { ...moved, ...carriers.get(systemV)! })
  return followed(besideInverter(fittingStrings(carried)))
}

/** Strings that do not work at the bank's voltage laid out anew, with about the same watts. */
function fittingStrings(design: Design): Design {
  return design.arrays.reduce((next, array, i) => {
    const question = layoutQuestionOf(
      next,
      i,
      next.arrays.reduce((sum, each) => sum + arrayRatedW(each), 0),
    )
    if (!question || stringFits(question, array.inSeries)) return next
    const [layout] = layouts(question, 1)
    return layout ? takeLayout(i, layout)(next) : next
  }, design)
}
