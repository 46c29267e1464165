import { arrayGrowth } from './array/growth.ts'
import type { Design, Touched } from '../document/types.ts'
import { bankClass } from './array/bankClass.ts'
import { breakerVolts } from './array/breakerVolts.ts'
import { clipping } from './array/clipping.ts'
import { coldVoltageRule } from './array/coldVoltage.ts'
import { hotVoltageRule } from './array/hotVoltage.ts'
import { inputCurrent } from './array/inputCurrent.ts'
import { missingArray } from './array/missing.ts'
import { moduleWatts } from './array/moduleWatts.ts'
import { pulseWidth } from './array/pulseWidth.ts'
import { stringFuses } from './array/stringFuses.ts'
import { systemVoltage } from './array/systemVoltage.ts'
import { unlikeStrings } from './array/unlike.ts'
import { autonomy } from './bank/autonomy.ts'
import { bankFuses } from './bank/bankFuses.ts'
import { bankGrowth } from './bank/growth.ts'
import { recharge } from './bank/recharge.ts'
import { chargeRate } from './bank/chargeRate.ts'
import { cold } from './bank/cold.ts'
import { discharge } from './bank/discharge.ts'
import { parallelLimit } from './bank/parallelLimit.ts'
import { seriesLimit } from './bank/seriesLimit.ts'
import { sharing } from './bank/sharing.ts'
import { weakUnits } from './bank/weak.ts'
import { dumpLoad } from './generator/dumpLoad.ts'
import { startLevel } from './generator/startLevel.ts'
import { chargerOverBank } from './generator/chargerOverBank.ts'
import { equalising } from './generator/equalising.ts'
import { fuelStore } from './generator/fuelStore.ts'
import { generatorLoad } from './generator/generatorLoad.ts'
import { gridCarries } from './generator/gridCarries.ts'
import { gridFails } from './generator/gridFails.ts'
import { gridKeeps } from './generator/gridKeeps.ts'
import { gridOutput } from './generator/gridOutput.ts'
import { nobodyHome } from './generator/nobodyHome.ts'
import { output } from './generator/output.ts'
import { refill } from './generator/refill.ts'
import { carries } from './inverter/carries.ts'
import { starts } from './inverter/starts.ts'
import { acCoupled } from './inverter/acCoupled.ts'
import { derated } from './inverter/derated.ts'
import { frequency } from './inverter/frequency.ts'
import { letDown } from './bank/letDown.ts'
import { lowCut } from './inverter/lowCut.ts'
import { facing } from './array/facing.ts'
import { losses } from './array/losses.ts'
import { trackRange } from './array/trackRange.ts'
import { backupCarries } from './generator/backupCarries.ts'
import { highCut } from './inverter/highCut.ts'
import { idleDraw } from './inverter/idleDraw.ts'
import { powerBox } from './inverter/box.ts'
import { legsThere } from './inverter/legsThere.ts'
import { searchMode } from './inverter/searchMode.ts'
import { transferRelay } from './inverter/transferRelay.ts'
import { waveform } from './inverter/waveform.ts'
import { voltageClass } from './inverter/voltageClass.ts'
import { heaviestDay } from './loads/heaviestDay.ts'
import { electricHeat } from './loads/electricHeat.ts'
import { blank } from './loads/blank.ts'
import { pumpWater } from './loads/pumpWater.ts'
import { strips } from './loads/strips.ts'
import { unmetered } from './loads/unmetered.ts'
import { groups } from './cost/groups.ts'
import { kits } from './cost/kits.ts'
import { phases } from './cost/phases.ts'
import { prices } from './cost/prices.ts'
import { quotes } from './cost/quotes.ts'
import { stated } from './cost/stated.ts'
import { clock } from './place/clock.ts'
import { darkMonth } from './place/darkMonth.ts'
import { illustrativeClimate } from './place/illustrativeClimate.ts'
import { weatherFile } from './place/weatherFile.ts'
import { ESTIMATES } from './parts/estimates.ts'
import type { Finding, Level, Rule, RuleInput, Step } from './rule.ts'
import { coldLock } from './winter/coldLock.ts'
import { generatorHours } from './winter/generatorHours.ts'
import { shortHours } from './winter/shortHours.ts'
import { stepOfRun } from './winter/stepOfRun.ts'
import { bond } from './wiring/bond.ts'
import { circuitsCarry } from './wiring/circuits.ts'
import { electrodes } from './wiring/electrodes.ts'
import { lengths } from './wiring/lengths.ts'
import { mainFuse } from './wiring/mainFuse.ts'
import { poles } from './wiring/poles.ts'
import { wall } from './wiring/wall.ts'

/** Every rule there is, in the order of the steps. */
export const RULES: readonly Rule[] = [
  darkMonth,
  illustrativeClimate,
  weatherFile,
  clock,
  blank,
  unmetered,
  electricHeat,
  heaviestDay,
  strips,
  pumpWater,
  autonomy,
  parallelLimit,
  seriesLimit,
  sharing,
  bankFuses,
  discharge,
  weakUnits,
  chargeRate,
  recharge,
  bankGrowth,
  cold,
  letDown,
  missingArray,
  facing,
  losses,
  moduleWatts,
  bankClass,
  coldVoltageRule,
  systemVoltage,
  breakerVolts,
  hotVoltageRule,
  trackRange,
  inputCurrent,
  stringFuses,
  unlikeStrings,
  pulseWidth,
  clipping,
  arrayGrowth,
  legsThere,
  carries,
  starts,
  voltageClass,
  highCut,
  lowCut,
  derated,
  transferRelay,
  idleDraw,
  searchMode,
  waveform,
  frequency,
  acCoupled,
  powerBox,
  generatorLoad,
  startLevel,
  dumpLoad,
  output,
  backupCarries,
  chargerOverBank,
  equalising,
  refill,
  fuelStore,
  nobodyHome,
  gridOutput,
  gridFails,
  gridKeeps,
  gridCarries,
  shortHours,
  generatorHours,
  coldLock,
  stepOfRun,
  circuitsCarry,
  lengths,
  mainFuse,
  bond,
  electrodes,
  poles,
  wall,
  prices,
  quotes,
  groups,
  stated,
  kits,
  phases,
  ...ESTIMATES,
]

const WORST_FIRST: Record<Level, number> = { stop: 0, watch: 1, open: 2, sound: 3 }

/** All findings about a design, worst first. */
export const findings = (input: RuleInput): Finding[] =>
  worstFirst(RULES.flatMap((rule) => foundBy(rule, input))).map(({ remedy, ...finding }) => {
    const known = typeof remedy === 'function' ? remedy() : remedy
    return known ? { ...finding, remedy: known } : finding
  })

/** What of some steps is found, a rule after the other in their order, with no remedy looked for. */
export function* findingsOf(steps: ReadonlySet<Step>, input: RuleInput): Generator<Omit<Finding, 'remedy'>> {
  for (const rule of RULES) if (steps.has(rule.step)) yield* foundBy(rule, input)
}

const foundBy = ({ id, step, check }: Rule, input: RuleInput) => check(input).map((body) => ({ id, step, ...body }))

/** Worst first, those of a level as they came. */
export const worstFirst = <T extends Pick<Finding, 'level'>>(all: readonly T[]): T[] =>
  [...all].sort((a, b) => WORST_FIRST[a.level] - WORST_FIRST[b.level])

/** The mark of a step: its worst finding. */
export function stepLevel(all: readonly Finding[], step: Step): Level {
  const of = all.filter((finding) => finding.step === step)
  return of.reduce<Level>((worst, { level }) => (WORST_FIRST[level] < WORST_FIRST[worst] ? level : worst), 'sound')
}

/** Steps whose figures the winters are made of. */
const BEFORE_WINTER = ['place', 'loads', 'bank', 'array', 'inverter', 'generator'] as const

/** As {@link stepLevel}; what nobody has been through is open, however sound it looks. */
export function stepMark(all: readonly Finding[], step: Step, { touched }: Pick<Design, 'touched'>): Level {
  const level = stepLevel(all, step)
  if (level !== 'sound') return level
  const seen = step === 'winter' ? BEFORE_WINTER.every((each) => touched[each]) : touched[step as keyof Touched]
  return seen === false ? 'open' : level
}
