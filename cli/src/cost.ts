import {
  atOnce,
  bankWear,
  costOverLife,
  derive,
  readPriceList,
  summariseWinter,
  takePrices,
  WEAR_YEARS,
  WinterEngine,
  yearsOfRun,
  type Bill,
  type BillRow,
  type Design,
  type HourlySeries,
  type Life,
} from '@ambrel/core'
import { said } from '@ambrel/core/units'

const lineOf = ({ key, group, name, unit, quantity, unitPrice, status, sample }: BillRow) => ({
  key,
  group,
  what: said(name),
  unit: unit || 'piece',
  quantity,
  unitPrice,
  status,
  sample,
})

/** Everything a design takes, beside its major parts, as plain JSON. */
export const materialList = (design: Design) => derive(design).bill.rows.map(lineOf)

/** What a design costs, line by line and in all. */
export function cost(design: Design) {
  const { bill } = derive(design)
  const { rows, partsSum, tax, freight, labour, contingency, incentives, total, phases, later, anyway } = bill
  return {
    currency: design.budget.currency,
    lines: rows.map((row) => ({
      ...lineOf(row),
      owned: row.owned,
      inKit: row.inKit,
      later: row.comes.slice(1).reduce((sum, count) => sum + count, 0),
      sum: row.sum,
    })),
    partsSum,
    discount: design.budget.discount,
    tax,
    freight,
    labour,
    contingency,
    incentives,
    total,
    statedTotal: design.budget.statedTotal,
    phases: phases.map(({ name, buyOn, sum }) => ({ name, buyOn, sum })),
    later,
    anyway,
    unquoted: unquotedOf(bill),
  }
}

const unquotedOf = ({ rows }: Bill): number =>
  rows.filter(({ sample, comes }) => sample && comes.some((count) => count > 0)).length

/** What a design costs over its life, against the other ways somebody put a price to. @param series as for a run */
export async function costOfLife(design: Design, series: HourlySeries | null, years: number) {
  const engine = new WinterEngine()
  if (series) engine.provide(design.place.hours!.fileId, series)
  const request = { years: yearsOfRun(design.place, years), seed: design.winter.seed }
  const found = (await costOverLife(design, (each) => ({
    winter: summariseWinter(engine.run(each, request), each),
    bankLife: atOnce(bankWear(engine, each, WEAR_YEARS)),
  })))!
  const { life, ways, phases, moreBattery } = found
  return {
    years: design.budget.life.years,
    over: request.years,
    ...wayOf(life),
    fuelYearly: life.fuel,
    bankYears: life.bankYears,
    bankPerUsableKWh: life.bankPerUsableKWh,
    wearing: life.wearing.map(({ name, lasts, cost: anew, bought, left }) => ({
      what: said(name),
      lasts,
      cost: anew,
      boughtAfter: bought.map(({ year }) => year),
      left,
    })),
    byYear: life.years.map((year) => ({ ...year, paid: life.paid[year.year] })),
    phases,
    moreBattery,
    ways: ways.map((way) => ({
      id: way.id,
      name: way.name,
      says: said(way.says),
      ...wayOf(way),
      payback: way.payback,
    })),
  }
}

const wayOf = ({ first, energyYearly, upkeepYearly, endValue, kWhPerYear, presentValue, costPerKWh }: Way) => ({
  first,
  energyYearly,
  upkeepYearly,
  endValue,
  kWhPerYear,
  presentValue,
  costPerKWh,
})
type Way = Pick<
  Life,
  'first' | 'energyYearly' | 'upkeepYearly' | 'endValue' | 'kWhPerYear' | 'presentValue' | 'costPerKWh'
>

/** The design with the prices of a list, and what of the list could not be taken. Of several prices for one line none is. */
export function withPrices(design: Design, cells: readonly (readonly string[])[]) {
  const list = readPriceList(cells, derive(design).bill.rows, { currency: design.budget.currency })
  const clear = list.matches.filter(({ lines }) => lines.length === 1)
  const asked = list.matches.filter(({ lines }) => lines.length > 1)
  return {
    design: takePrices(clear.map(({ key, lines: [line] }) => ({ ...line, key })))(design),
    prices: {
      taken: clear.length,
      notOnTheBill: list.prices.filter(({ key }) => key === '').length,
      severalPrices: asked.map(({ key, lines }) => ({
        key,
        lines: lines.map(({ line, unitPrice }) => ({ line, unitPrice })),
      })),
      total: list.total,
      problems: list.problems.map(({ message }) => said(message)),
    },
  }
}
