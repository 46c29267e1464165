import { judged, type Asked, type Chosen } from './choose.ts'
import { conductor, CONDUCTORS } from './conductors.ts'
import { wireLossShare } from './loss.ts'

/** What copper and its losses are reckoned with. */
export interface CopperPrices {
  /** of a metre of cable, for each mm² of its copper, ≥ 0 */
  perMm2M: number
  /** what a kilowatt-hour lost is worth, ≥ 0 */
  perKWh: number
  /** conductors that carry current */
  wires: number
  /** kilowatt-hours a year that go through it */
  yearKWh: number
}
export interface Economy extends Chosen {
  /** of its cable, and of a year's loss in it */
  copper: number
  lossKWh: number
  yearly: number
  /** both over its life, at today's worth */
  whole: number
}

/** A cable is weighed over so many years, at so much a year. Source: IEC 60287-3-2 takes 20 to 30 years. */
const YEARS = 20
const RATE = 0.03
/** What a yearly sum over those years is worth today. */
const COPPER_YEARS = (1 - (1 + RATE) ** -YEARS) / RATE

/** Price of the cable of a line, there and back and in parallel. */
export const copperPrice = (
  { size, parallel }: Pick<Chosen, 'size' | 'parallel'>,
  oneWayM: number,
  { perMm2M, wires }: Pick<CopperPrices, 'perMm2M' | 'wires'>,
): number => conductor(size).areaMm2 * parallel * wires * oneWayM * perMm2M

/** A conductor with what it costs and what it loses. */
export function economyOf(asked: Asked, of: Chosen, prices: CopperPrices): Economy {
  const lossKWh = prices.yearKWh * wireLossShare(of.dropPct)
  const copper = copperPrice(of, asked.oneWayM, prices)
  const yearly = lossKWh * prices.perKWh
  const { size, parallel, ampacityA, dropV, dropPct } = of
  return { size, parallel, ampacityA, dropV, dropPct, copper, lossKWh, yearly, whole: copper + yearly * COPPER_YEARS }
}

/**
 * The conductor whose cable and losses together cost the least over its life, of those that carry their current behind
 * their device and keep their drop.
 *
 * @param asked of the line; `prices` ≥ 0
 * @returns null where none does
 * Source: IEC 60287-3-2, economic optimization of conductor size: dearer copper against the present worth of its losses.
 * @example economicalConductor({ basis: 'metric', designA: 20, oneWayM: 60, workingA: 18, volts: 370, allowedDropPct: 3,
 * insulationC: 90, ambientC: 30, conductors: 2 }, { perMm2M: 0.28, perKWh: 0, wires: 2, yearKWh: 5000 }).size → '6 mm2'
 */
export function economicalConductor(asked: Asked, prices: CopperPrices): Economy | null {
  let best: Economy | null = null
  for (const { size, basis } of CONDUCTORS) {
    if (basis !== asked.basis) continue
    const { fails, ...laid } = judged(asked, size, 1)
    if (fails.length > 0) continue
    const found = economyOf(asked, laid, prices)
    if (!best || found.whole < best.whole - 1e-9) best = found
  }
  return best
}
