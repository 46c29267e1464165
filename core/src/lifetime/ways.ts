import type { Design } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { fuelLitres } from '../generator/power.ts'
import { pricedOf, type Bill } from '../money/bill.ts'
import { amount } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { Life } from './life.ts'
import { everySoOften, leftAfter, paysBackAfter, wayOf, type Way } from './way.ts'

/** Another way to have power in the same house. */
export interface OtherWay extends Way {
  id: 'grid' | 'generator' | 'unit' | 'nothing'
  name: string
  /** what it is reckoned with, in a sentence */
  says: Words
  /** years after which the design has cost less, what would be bought anyway left out; null where it never has */
  payback: number | null
}

const DAYS = 365

/**
 * The other ways to have power that somebody has put a price to: bringing in the grid, a generator alone, a bought power
 * unit, and going on as things are. Each but the last two gives what the design gives and what it falls short of.
 *
 * @param wantedKWh a year: served and not served
 * Money is reckoned by {@link wayOf}, the fuel of a generator by its Willans line.
 */
export function otherWays(
  design: Design,
  { bill, life, wantedKWh }: { bill: Bill; life: Life; wantedKWh: number },
): OtherWay[] {
  const { others, life: terms } = design.budget
  const money = (value: number) => amount(value, design.budget.currency)
  // the rest is what this design adds to what is bought in any case
  const paid = life.paid.map((sum) => sum - bill.anyway)
  const way = (
    id: OtherWay['id'],
    name: string,
    says: Words,
    given: Partial<Parameters<typeof wayOf>[0]>,
  ): OtherWay => {
    const full = { first: 0, energyYearly: 0, upkeepYearly: 0, dated: [], endValue: 0, kWhPerYear: wantedKWh, ...given }
    const reckoned = wayOf(full, terms)
    return { ...reckoned, id, name, says, payback: paysBackAfter(paid, reckoned.paid) }
  }
  const list: OtherWay[] = []
  if (others.gridQuote !== null)
    list.push(
      way(
        'grid',
        'The grid brought in',
        say`${money(others.gridQuote)} to bring it in, ${money(others.gridMonthly)} a month, and ${amount(wantedKWh, 'kWh')} a year at ${money(others.gridPerKWh)}.`,
        {
          first: others.gridQuote,
          upkeepYearly: 12 * others.gridMonthly,
          energyYearly: wantedKWh * others.gridPerKWh,
        },
      ),
    )
  list.push(...generatorAlone(design, wantedKWh, way))
  if (others.unitPrice !== null) {
    const gives = Math.min(wantedKWh, DAYS * others.unitKWhPerDay)
    list.push(
      way(
        'unit',
        'A bought power unit',
        say`${amount(others.unitKWhPerDay, 'kWh')} a day of the ${amount(wantedKWh / DAYS, 'kWh')} that are wanted; bought anew every ${amount(others.unitYears, 'years')}.`,
        {
          first: others.unitPrice,
          dated: everySoOften(others.unitYears, terms.years, others.unitPrice),
          endValue: terms.endValue ? others.unitPrice * leftAfter(others.unitYears, terms.years) : 0,
          kWhPerYear: gives,
        },
      ),
    )
  }
  if (others.nothingYearly !== null)
    list.push(
      way('nothing', 'As things are', say`${money(others.nothingYearly)} a year go on, and nothing more is on.`, {
        energyYearly: others.nothingYearly,
        kWhPerYear: 0,
      }),
    )
  return list
}

type MakeWay = (id: OtherWay['id'], name: string, says: Words, given: Partial<Parameters<typeof wayOf>[0]>) => OtherWay

/** The design's own set without bank and modules, so many hours a day; none where its fuel has no price. */
function generatorAlone(design: Design, wantedKWh: number, way: MakeWay): OtherWay[] {
  const { generator, budget } = design
  const { part, fuelPricePerL, oilEveryH } = generator
  if (fuelPricePerL <= 0 || (generator.present && generator.kind !== 'generator')) return []
  const { generatorHoursPerDay: perDay } = budget.others
  const hours = DAYS * perDay
  const meanW = (1000 * wantedKWh) / hours
  if (meanW > backupPower({ ...design, generator: { ...generator, kind: 'generator', adapted: true } }).realW) return []
  const litres = fuelLitres(part.ratedW, meanW, hours, part.fuel)
  const { taxed } = pricedOf(design, 'generator')
  const anew = part.price * (taxed ? 1 + budget.taxPct / 100 : 1)
  const lasts = budget.life.generatorHours / hours
  const isThere = budget.owned.some(({ key, partId }) => key === 'generator' && partId === part.id)
  return [
    way(
      'generator',
      'A generator alone',
      say`“${part.name}” ${amount(perDay, 'h')} a day at ${amount(meanW, 'W')} on average: ${amount(litres, 'L')} of fuel a year, and a new one after every ${amount(budget.life.generatorHours, 'h')}.`,
      {
        first: isThere ? 0 : anew,
        energyYearly: litres * fuelPricePerL,
        upkeepYearly: Math.ceil(hours / oilEveryH) * budget.life.oilChange,
        dated: everySoOften(lasts, budget.life.years, anew),
        endValue: budget.life.endValue ? anew * leftAfter(lasts, budget.life.years) : 0,
      },
    ),
  ]
}
