import { addString } from '../change/bank.ts'
import { invariantProblems } from '../design/invariants.ts'
import type { Design } from '../document/types.ts'
import { bill as billOf } from '../money/bill.ts'
import { atPhase, type Phase } from '../money/phases.ts'
import { followed } from '../sizing/follow.ts'
import { worstOf } from '../winter/figures.ts'
import { lifeOf, meanYear, type Life, type LifeRun } from './life.ts'
import { paysBackAfter } from './way.ts'
import { otherWays, type OtherWay } from './ways.ts'

/** What a design gives in its winters once a phase is bought; null figures where there is no system yet. */
export interface PhaseRun extends Phase {
  sum: number
  gives: {
    /** of 1 year in 10, the worst priority */
    shortHours: number
    /** of the median year */
    generatorHours: number
    fuelL: number
    /** of 1 year in 10 */
    lowestStateOfCharge: number
  } | null
}

/** One more string of batteries now against the fuel it saves later. */
export interface MoreBattery {
  /** what it adds to the bill */
  price: number
  /** litres, and money for fuel and energy, that a mean year takes less */
  litresSaved: number
  savedYearly: number
  presentValue: number
  /** years until it has cost less than the design as it is; null where it never has */
  payback: number | null
}

export interface CostOverLife {
  /** winters it rests on */
  years: number
  life: Life
  ways: OtherWay[]
  phases: PhaseRun[]
  /** null where no more units may be added, or there is no backup whose fuel they could save */
  moreBattery: MoreBattery | null
}

/**
 * What a design costs over its life, against the other ways to have power; what each phase of buying gives in the winters;
 * and whether one more string of batteries is worth the fuel it saves. All of it over the same weather.
 *
 * @param run runs a design's winters and wears its bank
 * @param onProgress share done; return false to cancel
 * @returns null where it was cancelled
 */
export async function costOverLife(
  design: Design,
  run: (each: Design) => Promise<LifeRun> | LifeRun,
  onProgress: (share: number) => boolean = () => true,
): Promise<CostOverLife | null> {
  const bill = billOf(design)
  const larger = design.generator.present || design.grid.present ? followed(addString(design)) : design
  const isLarger = larger.bank.inParallel > design.bank.inParallel
  const stages = bill.phases.map((_, k) => atPhase(design, k))
  let done = 0
  const wanted = () => onProgress(++done / (1 + stages.length + (isLarger ? 1 : 0)))

  const own = await run(design)
  const life = lifeOf(design, { bill, run: own })
  if (!wanted()) return null
  const phases: PhaseRun[] = []
  for (const [k, stage] of stages.entries()) {
    phases.push({ ...bill.phases[k], gives: stage && (await given(stage, stage === design ? own : null, run)) })
    if (!wanted()) return null
  }
  let moreBattery: MoreBattery | null = null
  if (isLarger) {
    const more = lifeOf(larger, { bill: billOf(larger), run: await run(larger) })
    moreBattery = {
      price: boughtIn(more) - boughtIn(life),
      litresSaved: life.fuelL - more.fuelL,
      savedYearly: life.fuel - more.fuel,
      presentValue: more.presentValue - life.presentValue,
      payback: paysBackAfter(more.paid, life.paid),
    }
    if (!wanted()) return null
  }
  const { servedKWh, unmetKWh } = meanYear(own.winter)
  return {
    years: own.winter.years,
    life,
    ways: otherWays(design, { bill, life, wantedKWh: servedKWh + unmetKWh }),
    phases,
    moreBattery,
  }
}

/** What is bought now and in later phases, before anything wears out. */
const boughtIn = ({ first, later }: Life): number => later.reduce((sum, { cost }) => sum + cost, first)

async function given(
  stage: Design,
  known: LifeRun | null,
  run: (each: Design) => Promise<LifeRun> | LifeRun,
): Promise<PhaseRun['gives']> {
  // what is left may contradict itself: half of a split pair
  if (!known && invariantProblems(stage).length > 0) return null
  const { winter } = known ?? (await run(stage))
  return {
    shortHours: worstOf(winter.oneInTen.shortHours),
    generatorHours: winter.median.generatorHours,
    fuelL: meanYear(winter).fuelL,
    lowestStateOfCharge: winter.oneInTen.lowestStateOfCharge,
  }
}
