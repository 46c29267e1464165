import type { InverterCurve } from '../inverter/efficiency.ts'
import type { LoadTables } from './loadTables.ts'

/** What shed loads add up to by the rows of {@link EasyTables.servedBefore}: W times steps, and steps in which they are short. */
export interface ShedTables {
  should: Float64Array
  canWait: Float64Array
  shortShould: Float64Array
  shortCanWait: Float64Array
  /** either of them */
  short: Float64Array
}

/**
 * What a step needs in which all is served that is not shed and no AC source gives. By the place of a step among the
 * loads, first with nothing shed; then, where anything may be, with what is shed first, and with all that can be.
 */
export interface EasyTables {
  /** entries from one level of shedding to the next, and of what is looked up once a day */
  levelSize: number
  levelPots: number
  /** usable charge below which the first and the second level is shed; −Infinity for never */
  shedBelow: readonly [number, number]
  /** asked for and not shed, AC and DC, W */
  acW: Float64Array
  dcW: Float64Array
  /** drawn from the bus while the inverter is awake: what sun and DC sources give beyond it is left over, W */
  awakeW: Float64Array
  /** drawn from the bus, self-discharge left aside, W; Infinity where the inverter cannot carry it */
  needW: Float64Array
  /** lost in the inverter, its draw at rest among it, W */
  conversionW: Float64Array
  idleW: Float64Array
  /** served, lost in the inverter and drawn at rest before each step of a day and after its last: W times steps, by pot × (steps + 1) */
  servedBefore: Float64Array
  conversionBefore: Float64Array
  idleBefore: Float64Array
  /** empty where nothing is ever shed */
  shed: ShedTables
  /** most that any of these steps draws from the bus, W */
  mostW: number
}

/** Of an inverter, what its loads cost. */
interface InverterDraw {
  curve: InverterCurve
  searchW: number
  searchWakeW: number
  inverterW: Float64Array
  selfW: number
}

/** What is short by less is not short, W. */
export const TINY_W = 1e-6

/**
 * Works the loads of every hour into what an easy step needs.
 * @param shedShould usable charge below which what should run is shed, and below which what can wait is; −Infinity for never
 */
export function easyTables(
  loads: LoadTables,
  inverter: InverterDraw,
  { shedShould, shedCanWait }: { shedShould: number; shedCanWait: number },
): EasyTables {
  const { acMust, acShould, acCanWait, dc, dcShouldSwitched, dcCanWaitSwitched, parts } = loads
  const { curve, searchW, searchWakeW, inverterW, selfW } = inverter
  const size = acMust.length
  const slots = 24 * parts
  const pots = size / slots
  const first = Math.max(shedShould, shedCanWait)
  const levels = first === -Infinity ? 1 : 3
  const table = () => new Float64Array(size * levels)
  const before = () => new Float64Array((size + pots) * levels)
  const shedBefore = () => (levels > 1 ? before() : new Float64Array(0))
  const easy: EasyTables = {
    levelSize: size,
    levelPots: pots,
    shedBelow: [first, Math.min(shedShould, shedCanWait)],
    acW: table(),
    dcW: table(),
    awakeW: table(),
    needW: table(),
    conversionW: table(),
    idleW: table(),
    servedBefore: before(),
    conversionBefore: before(),
    idleBefore: before(),
    shed: {
      should: shedBefore(),
      canWait: shedBefore(),
      shortShould: shedBefore(),
      shortCanWait: shedBefore(),
      short: shedBefore(),
    },
    mostW: 0,
  }
  for (let level = 0; level < levels; level++) {
    const shedsShould = level === 2 || (level === 1 && shedShould > shedCanWait)
    const shedsCanWait = level === 2 || (level === 1 && shedShould <= shedCanWait)
    for (let of = 0; of < size; of++) {
      const at = level * size + of
      const should = shedsShould ? acShould[of] + dcShouldSwitched[of] : 0
      const canWait = shedsCanWait ? acCanWait[of] + dcCanWaitSwitched[of] : 0
      const ac = acMust[of] + (shedsShould ? 0 : acShould[of]) + (shedsCanWait ? 0 : acCanWait[of])
      const onDc = dc[of] - (shedsShould ? dcShouldSwitched[of] : 0) - (shedsCanWait ? dcCanWaitSwitched[of] : 0)
      const idle = ac < searchWakeW ? searchW : curve.idleW
      const conversion = idle + ac * (curve.a + curve.b * ac) - ac
      const carries = ac <= inverterW[((of / parts) | 0) % inverterW.length]
      easy.acW[at] = ac
      easy.dcW[at] = onDc
      easy.awakeW[at] = selfW + onDc + curve.idleW + ac * (curve.a + curve.b * ac)
      easy.needW[at] = carries ? selfW + onDc + ac + conversion : Infinity
      if (carries) easy.mostW = Math.max(easy.mostW, easy.needW[at])
      easy.conversionW[at] = conversion
      easy.idleW[at] = idle
      const row = at + Math.floor(at / slots)
      sumUp(easy.servedBefore, row, ac + onDc)
      sumUp(easy.conversionBefore, row, conversion)
      sumUp(easy.idleBefore, row, idle)
      if (level > 0) sumUpShed(easy.shed, row, should, canWait)
    }
  }
  return easy
}

/** Writes into the row after one what it holds and what its step adds. */
function sumUp(before: Float64Array, row: number, added: number): void {
  before[row + 1] = before[row] + added
}

function sumUpShed(shed: ShedTables, row: number, shouldW: number, canWaitW: number): void {
  const shortShould = shouldW > TINY_W ? 1 : 0
  const shortCanWait = canWaitW > TINY_W ? 1 : 0
  sumUp(shed.should, row, shortShould * shouldW)
  sumUp(shed.canWait, row, shortCanWait * canWaitW)
  sumUp(shed.shortShould, row, shortShould)
  sumUp(shed.shortCanWait, row, shortCanWait)
  sumUp(shed.short, row, shortShould | shortCanWait)
}
