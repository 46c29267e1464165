import type { Design } from '../document/types.ts'
import { amount, counted } from '../units/say.ts'
import { say } from '../units/words.ts'
import { term, worked, type Worked } from '../working/working.ts'
import { usableWh } from '../bank/layout.ts'
import type { Life } from './life.ts'

/** The sheets behind the figures of a life: all of it in money of today, a kilowatt-hour served, and one of the bank. */
export function lifeSheets(design: Design, life: Life): { present: Worked; perKWh: Worked; perUsableKWh: Worked } {
  const { budget } = design
  const { years, discountPct, energyRisePct } = budget.life
  const rate = discountPct / 100
  const money = budget.currency
  const at = (year: number) => (1 + rate) ** -year
  const sum = (pick: (year: number) => number) =>
    life.years.reduce((total, { year }) => total + pick(year) * at(year), 0)
  const bought = life.dated.reduce((total, { year, cost }) => total + cost * at(year), 0)
  const energy = sum((year) => life.years[year - 1].energy)
  const served = sum(() => life.kWhPerYear)
  const source = 'NREL/TP-462-5173; NIST Handbook 135'
  const over = say`of ${counted(years, 'year')} at ${amount(discountPct, '%')}, discounted`
  const bank = life.wearing.find(({ key }) => key === 'bank')!
  return {
    present: worked('money.presentValue', 'Over its life', life.presentValue, money, {
      says: 'what is bought now + fuel + upkeep + what is bought later and again − what is left at the end, each in money of today',
      terms: [
        term('bought now', life.first, money),
        term('fuel, shore and grid', energy, money, say`${over}; prices rise ${amount(energyRisePct, '%')} a year`),
        term(
          'upkeep',
          sum(() => life.upkeepYearly),
          money,
          over,
        ),
        term('bought later and again', bought, money, say`bank after ${amount(life.bankYears, 'years', 1)}`),
        term('left at the end', -life.endValue * at(years), money, 'by the share of its life each part still has'),
      ],
      source,
    }),
    perKWh: worked('money.perKWh', 'A kilowatt-hour served', life.costPerKWh ?? 0, `${money}/kWh`, {
      says: 'all of it in money of today ÷ kilowatt-hours served, discounted alike',
      terms: [
        term('over its life', life.presentValue, money),
        term('served', served, 'kWh', say`${over}; ${amount(life.kWhPerYear, 'kWh')} a year`),
      ],
      source,
    }),
    perUsableKWh: worked(
      'money.perUsableKWh',
      'A usable kilowatt-hour of the bank',
      life.bankPerUsableKWh ?? 0,
      money,
      {
        says: 'the bank’s units with their tax ÷ what they give from full to the depth that is allowed, at 25 °C',
        terms: [term('units', bank.cost, money), term('usable', usableWh(design.bank, 25), 'Wh')],
        source: 'plain division',
      },
    ),
  }
}
