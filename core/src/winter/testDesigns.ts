import { larkspurBench } from '../design/samples.ts'
import type { Design, Load } from '../document/types.ts'
import type { YearHours } from './hours.ts'

/** The same day of sun on the bus, W by hour, 365 times. */
export function flatYear(pvW: number[], roomC = 20): YearHours {
  const pv = Float64Array.from({ length: 8760 }, (_, i) => pvW[i % 24])
  return {
    pvInW: pv,
    pvOutW: pv,
    acSourceW: null,
    dcSourceW: null,
    roomC: new Float32Array(8760).fill(roomC),
    coldShare: new Float32Array(365).fill(1),
  }
}

/** A design reduced to one flat 100 W DC load and an ideal 10 kWh battery, no generator: every figure by hand. */
export function tiny(change: (design: Design) => void = () => {}): Design {
  const design = larkspurBench()
  const [load] = design.loads
  design.loads = [
    {
      ...load,
      basis: 'rated',
      runningW: 100,
      hoursPerDay: 24,
      duty: 1,
      daysPerWeek: 7,
      leg: 'DC',
      hourShape: Array(24).fill(1),
      seasonShare: Array(12).fill(1),
      movable: false,
      priority: 'must',
    },
  ]
  design.generator.present = false
  design.inverter.part.idleW = 0
  design.controllers[0].part.selfW = 0
  design.controllers[0].part.efficiency = 1
  design.bank.inParallel = 1
  design.bank.part.capacities = [{ hours: 5, ampHours: 100 }]
  design.bank.part.nominalV = 51.2
  design.bank.part.selfDischargePctPerMonth = 0
  change(design)
  return design
}

/** A plain load of 1000 W, two hours a day, alike in every month, so that every figure can be worked out by hand. */
export const plainLoad = (change: Partial<Load>): Load => ({
  ...larkspurBench().loads[0],
  basis: 'rated',
  supply: 'electric',
  quantity: 1,
  runningW: 1000,
  hoursPerDay: 2,
  duty: 1,
  standbyW: 0,
  storeDays: 0,
  seasonShare: Array<number>(12).fill(1),
  ...change,
})
