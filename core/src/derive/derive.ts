import { unlikeGroups, type UnlikeGroup } from '../array/unlike.ts'
import { designBatteryC } from '../bank/roomTemperature.ts'
import { bankShares } from '../bank/strings.ts'
import { checklist, type BuildTask } from '../build/checklist.ts'
import type { Design } from '../document/types.ts'
import type { LegBalance } from '../inverter/legs.ts'
import { loadCosts, type LoadCost } from '../loads/cost.ts'
import type { CoincidentPeak } from '../loads/peak.ts'
import { onLegsOf } from '../inverter/service.ts'
import { inWeek } from '../loads/week.ts'
import { monthlyEnergy } from '../loads/profile.ts'
import { bill, type Bill } from '../money/bill.ts'
import { materialsOf } from '../money/materials.ts'
import { snowOfMonths } from '../weather/snow.ts'
import { pumpLitres } from '../pump/direct.ts'
import { climateOf } from '../weather/ruling.ts'
import { absorptionV } from '../bank/layout.ts'
import type { System } from '../system/graph.ts'
import { systemOf } from '../system/systemOf.ts'
import { workedCircuits, type WorkedCircuit } from '../system/work.ts'
import { term, worked, type Worked } from '../working/working.ts'
import { arraySheets, combinedSun, deriveArrays } from './array.ts'
import { bankSheets } from './bank.ts'
import { generatorSheets } from './generator.ts'
import { gridSheets } from './grid.ts'
import { inverterSheets } from './inverter.ts'
import { bankLink, type BankLink } from '../bank/weakestLink.ts'
import { startsOf } from '../inverter/start.ts'
import { startVerdict, type StartVerdict } from '../inverter/startVerdict.ts'
import { runningLegs } from '../inverter/legs.ts'
import { loadSheets, peaks } from './loads.ts'
import { worstSun, yearSun } from './place.ts'
import type { DerivedArray } from './sheets.ts'

/** Everything a design comes to without running a winter. */
export interface Derived {
  worked: Record<string, Worked>
  /** peak sun hours by month on the arrays together, and their worst month 0…11 */
  sunHours: number[]
  worstMonth: number
  loadsWh: number[]
  /** what the bank is asked for on a mean day of each month, Wh */
  batteryWh: number[]
  /** what of the loads' energy the battery gives, more than one for what is lost on the way */
  atBattery: number
  /** in the order of the loads */
  loadCosts: LoadCost[]
  peak: CoincidentPeak
  otherPeak: CoincidentPeak
  legs: LegBalance
  /** what is on at once against the bank's units, and the one verdict on starts */
  link: BankLink
  start: StartVerdict
  batteryC: number
  chargeV: number
  shares: number[]
  arrays: DerivedArray[]
  /** of each pump on its own modules, litres on a mean day of each month */
  pumpLitres: number[][]
  /** unlike strings on one tracker, with what they lose */
  unlike: UnlikeGroup[]
  /** the equipment and every circuit between it, and these worked out */
  system: System
  circuits: WorkedCircuit[]
  bill: Bill
  tasks: BuildTask[]
}

/**
 * Derives every closed-form figure of a design with its worked sheet.
 * @param given a document the contract accepts
 */
export function derive(given: Design): Derived {
  const design = inWeek(onLegsOf(given))
  const sheets: Record<string, Worked> = {
    get 'money.total'() {
      return money().total
    },
  }
  const add = (sheet: Worked) => {
    sheets[sheet.id] = sheet
    return sheet.value
  }
  const arrays = deriveArrays(design)
  const sunHours = combinedSun(design, arrays)
  const worstMonth = sunHours.indexOf(Math.min(...sunHours))
  const loadsWh = monthlyEnergy(design.loads)
  const { peak, otherPeak } = peaks(design)
  const { monthly } = climateOf(design.place)
  const batteryC = designBatteryC(
    design.place.batteryRoom,
    monthly.map((month) => month.meanC),
    snowOfMonths(monthly),
  )
  const chargeV = absorptionV(design.bank)

  add(worstSun(sunHours, worstMonth))
  add(yearSun(sunHours))
  const batteryWh = loadSheets(design, loadsWh, peak, add)
  const batteryDayWh = Math.max(...batteryWh)
  bankSheets(design, batteryWh, batteryC, sunHours, arrays, add)
  arraySheets(design, arrays, batteryWh, sunHours, batteryC, add)
  const starts = startsOf(design)
  const start = startVerdict(design, starts, peak.continuousW, batteryC)
  inverterSheets(design, peak, { hardest: starts[0] ?? null, start }, batteryC, sunHours[worstMonth], add)
  generatorSheets(design, add)
  gridSheets(design, batteryDayWh, batteryC, add)
  // much of the work, and many a design that is only held against some of the rules never asks for it
  const system = once(() => systemOf(design))
  const circuits = once(() => workedCircuits(design, system()))
  const money = once(() => {
    const bills = bill(design, materialsOf(design, system(), circuits()))
    return { bills, total: totalSheet(bills, design.budget) }
  })
  const atBattery = Math.max(...loadsWh) > 0 ? batteryDayWh / Math.max(...loadsWh) : 1
  const costs = once(() => loadCosts(design, { atBattery, worstMonth, sunHours: sunHours[worstMonth], batteryC }))
  const litres = once(() => design.pumps.map((pump) => pumpLitres(design, pump)))
  const unlike = once(() => unlikeGroups(design))
  const tasks = once(() => checklist(design))
  return {
    worked: sheets,
    sunHours,
    worstMonth,
    loadsWh,
    batteryWh,
    atBattery,
    get loadCosts() {
      return costs()
    },
    peak,
    otherPeak,
    legs: runningLegs(design),
    link: bankLink(design, peak),
    start,
    batteryC,
    chargeV,
    shares: bankShares(design.bank),
    arrays,
    get pumpLitres() {
      return litres()
    },
    get unlike() {
      return unlike()
    },
    get system() {
      return system()
    },
    get circuits() {
      return circuits()
    },
    get bill() {
      return money().bills
    },
    get tasks() {
      return tasks()
    },
  }
}

function once<T>(make: () => T): () => T {
  let made: T | undefined
  return () => (made ??= make())
}

const totalSheet = (bills: Bill, { currency, discount, taxPct, contingencyPct }: Design['budget']): Worked =>
  worked('money.total', 'Total', bills.total, currency, {
    says: '(parts and materials − discount) + tax + freight + labour, contingency on all of it, less incentives',
    terms: [
      term('parts and materials', bills.partsSum, currency, 'to be bought now'),
      term('discount', discount, currency),
      term('tax', bills.tax, currency, `${taxPct} %`),
      term('freight', bills.freight, currency),
      term('labour', bills.labour, currency),
      term('contingency', bills.contingency, currency, `${contingencyPct} %`),
      ...(bills.incentives > 0 ? [term('incentives', -bills.incentives, currency)] : []),
    ],
    source: 'plain addition, each line to the cent',
  })
