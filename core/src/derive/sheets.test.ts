import { describe, expect, it } from 'vitest'
import { pricedOf } from '../money/bill.ts'
import { materialsOf } from '../money/materials.ts'
import { newDesign } from '../design/defaults.ts'
import { larkspurBench } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { derive } from './derive.ts'

/** A house in round figures, so that each of its sheets can be worked on paper. */
function handDesign(): Design {
  const design = newDesign('By hand', {
    label: 'By hand',
    latitudeDeg: 48,
    longitudeDeg: -115,
    elevationM: 750,
    climate: 'cold-valley',
  })
  const [first] = design.loads
  const load = { ...first, duty: 1, daysPerWeek: 7, standbyW: 0, seasonShare: Array<number>(12).fill(1), startS: null }
  const at = (...hours: number[]) => Array.from({ length: 24 }, (_, hour) => (hours.includes(hour) ? 1 : 0))
  const rated = { basis: 'rated' as const, supply: 'electric' as const }
  design.loads = [
    {
      ...{ ...load, ...rated, id: 'load-1', quantity: 1, runningW: 250, hoursPerDay: 24 },
      ...{ hourShape: Array<number>(24).fill(1), leg: 'A', startKind: 'none', startW: null, priority: 'must' },
    },
    {
      ...{ ...load, ...rated, id: 'load-2', quantity: 2, runningW: 600, hoursPerDay: 2, duty: 0.25 },
      ...{ hourShape: at(8, 20), leg: 'B', startKind: 'induction-tool', startW: null, priority: 'canWait' },
    },
  ]
  Object.assign(design.place, { recordLowC: -35, recordHighC: 35, batteryRoom: { kind: 'heated', setC: 10 } })
  Object.assign(design.bank, {
    systemV: 48,
    inSeries: 1,
    inParallel: 4,
    autonomyDays: 3,
    allowedDepth: 0.8,
    cutoffStateOfCharge: 0.1,
  })
  Object.assign(design.bank.part, { nominalV: 51.2, capacities: [{ hours: 5, ampHours: 100 }], resistanceMilliohm: 20 })
  Object.assign(design.bank.part, { maxChargeA: 200, price: 1000 })
  Object.assign(design.arrays[0], { inSeries: 5, inParallel: 2 })
  const module = { ratedW: 400, vocV: 50, iscA: 10.5, vmpV: 40, impA: 10, betaVocPctPerK: -0.3, gammaPctPerK: -0.4 }
  Object.assign(design.arrays[0].module, { ...module, noctC: 45, price: 200 })
  Object.assign(design.controllers[0].part, { kind: 'tracker', outputA: 60, outputAcW: null, selfW: 2, price: 500 })
  design.inverter = { ...design.inverter, quantity: 1, stacking: 'parallel', search: false, hottestC: 30 }
  // input = 20 + 1.05 P + 0.00002 P²: 1090 W in at 1000 W out, 4540 W at 4000 W
  const curve = {
    idleW: 20,
    ratedW: 4000,
    peakAtFraction: 0.25,
    peakEfficiency: 1000 / 1090,
    fullLoadEfficiency: 4000 / 4540,
  }
  Object.assign(design.inverter.part, {
    ...curve,
    topology: 'split-phase',
    surgeW: 9000,
    surgeS: 2,
    bankV: 48,
    lowCutV: 44,
  })
  Object.assign(design.inverter.part, { derateAboveC: 25, deratePctPerK: 1, derateAboveM: 1000, chargerA: 50 })
  Object.assign(design.inverter.part, { chargerEfficiency: 0.9, transferA: 50, price: 2000, controller: null })
  Object.assign(design.generator, { present: true, kind: 'generator', charger: 'inverter', chargeLimitA: null })
  Object.assign(design.generator, { startStateOfCharge: 0.3, stopStateOfCharge: 0.9, loadShareLimit: 0.8 })
  Object.assign(design.generator.part, { fuel: 'petrol', ratedW: 5000, price: 1500 })
  design.sources = []
  Object.assign(design.budget, { discount: 1000, taxPct: 5, freight: 300, labour: 250, contingencyPct: 10, extras: [] })
  // its materials are there already
  design.budget.priced = materialsOf(design).map(({ key }) => ({ ...pricedOf(design, key), status: 'owned' }))
  Object.assign(design.schools, { coldVoltage: 'coefficient', peak: 'coincidence', handFactor: 0.8 })
  return design
}

/** Days of the months, for the mean of a year. */
const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

/**
 * Every sheet by hand. The sun of the darkest month, `sun`, comes from elsewhere (its own tests) and is what some rest on;
 * `need` is 6600 + 846.3 + 48 = 7494.3 Wh.
 */
const BY_HAND: Record<string, (sun: number, months: readonly number[]) => number> = {
  'place.worst-month-sun': (_, months) => Math.min(...months),
  'place.annual-sun': (_, months) => months.reduce((sum, hours, m) => sum + hours * DAYS[m], 0) / 365,
  // 250 W × 24 h + 2 × 600 W × 2 h × 0.25
  'loads.worst-day': () => 6600,
  // at eight: 250 W, and 2 × 600 W for a quarter of the hour, one of them at full watts: 250 + 300 + 300
  'loads.peak': () => 850,
  // an induction tool starts at four times its watts: 3 × 600 W more
  'loads.surge': () => 2650,
  // at a mean of 275 W the inverter takes 20 + 275 × (1.05 + 0.0055) = 310.2625 W; the controller 2 W × 24 h
  'loads.battery-day': () => 7494.3,
  // everything is used every day
  'loads.heaviest-day': () => 7494.3,
  'bank.rated': () => 20_480,
  // lithium at 10 °C gives 0.97
  'bank.usable': () => 15_892.48,
  'bank.need': () => 28_972.8093,
  'bank.days': () => 2.1206,
  // 600 Wh of 6600 can wait, and take 666.67 Wh of the battery: 15,892.48 ÷ 6827.63 Wh
  'bank.days-must': () => 2.32767,
  // 4000 W ÷ 51.2 V = 78.1 A, but the controller passes 60 A, into 400 Ah
  'bank.charge-rate': () => 0.15,
  'bank.surplus': (sun) => 4000 * sun * 0.8 - 7494.3,
  'array.rated': () => 4000,
  'array.need': (sun) => 7494.3 / (sun * 0.8),
  'array.cover': (sun) => (4000 * sun * 0.8) / 7494.3,
  // 5 × 50 V × (1 + 0.003 × 60)
  'array.cold-voltage.array-1': () => 295,
  // cells at 35 + 25 × 1.4 = 70 °C: 5 × 40 V × (1 − 0.004 × 45)
  'array.hot-voltage.array-1': () => 164,
  'inverter.rating': () => 3800,
  // on leg B 2 × 600 W for a quarter of the hour, one of them at full watts: (300 + 300) W ÷ 1900 W
  'inverter.leg-share': () => 0.315789,
  // on leg B 600 W are on at once and 1800 W come on top, of half the surge; of all of it 2650 W of 9000
  'inverter.surge-share': () => 2400 / 4500,
  // 4540 W ÷ 44 V
  'inverter.low-voltage-current': () => 103.181818,
  'inverter.idle-day': () => 480,
  'inverter.idle-panels': (sun) => 600 / sun,
  // E = 16 × 3.256667 V, R = 5 mΩ ÷ 0.97, P = 2650 W × 1.135
  'inverter.sag': () => 51.807407,
  // 5000 W × (1 − 0.035 × 600/300) = 4650 W; ÷ 240 V ÷ 50 A
  'inverter.transfer-share': () => 0.3875,
  'generator.power': () => 4650,
  'generator.planned': () => 3720,
  // 50 A × 51.2 V ÷ 0.9 = 2844.44 W
  'generator.load-share': () => 0.611708,
  'generator.charge-limit': () => 50,
  // 0.12 × 5 + 0.3 × 2.84444
  'generator.fuel-hour': () => 1.453333,
  // 240 Ah ÷ (50 A × 0.95) = 5.05 h, told in steps of three minutes
  'generator.refill-hours': () => 5.1,
  // (10000 − 1000) × 1.05 + 550 = 10000, and a tenth of it
  'money.total': () => 11_000,
}

describe('the worked sheets', () => {
  const derived = derive(handDesign())
  const months = derived.sunHours
  const sun = Math.min(...months)

  it('are all in the table', () => {
    const others = Object.keys(derive(larkspurBench()).worked)
    expect(new Set([...Object.keys(derived.worked), ...others])).toEqual(new Set(Object.keys(BY_HAND)))
  })

  it.each(Object.keys(BY_HAND))('%s is what it is by hand', (id) => {
    const byHand = BY_HAND[id](sun, months)
    expect(Math.abs(derived.worked[id].value / byHand - 1)).toBeLessThan(1e-4)
  })

  it('the charger is turned down to seventy per cent of the generator where it could give more', () => {
    const strong = handDesign()
    strong.inverter.part.chargerA = 70
    // 4650 W × 0.7 × 0.9 ÷ 51.2 V
    expect(derive(strong).worked['generator.charge-limit'].value).toBeCloseTo(57.2168, 3)
  })
})
