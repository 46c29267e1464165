import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { removeStrip, shareOut } from '../change/strips.ts'
import { larkspurBench } from '../design/samples.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { dailyEnergy, statedDailyEnergy } from './energy.ts'

/** Two loads of 100 W for 3 and 1 hours a day. */
function desk(): Design {
  const design = larkspurBench()
  const plain = { basis: 'rated' as const, duty: 1, daysPerWeek: 7, standbyW: 0, quantity: 1, runningW: 100 }
  const [first, second, ...others] = design.loads
  const seasonShare = Array<number>(12).fill(1)
  design.loads = [
    { ...first, ...plain, seasonShare, hoursPerDay: 3 },
    { ...second, ...plain, seasonShare, hoursPerDay: 1 },
    ...others,
  ]
  return design
}
const idsOf = (design: Design, count = 2) => new Set(design.loads.slice(0, count).map(({ id }) => id))
const told = (design: Design) =>
  findings({ design, derived: derive(design), winter: null }).filter(({ id }) => id === 'loads.strips')

describe('one meter on a strip', () => {
  it('is shared out by what each would use by its nameplate', () => {
    const design = desk()
    // 1.4 kWh in a week are 200 Wh a day, 3 to 1
    const shared = shareOut('Desk', idsOf(design), 1.4, 168)(design)
    expect(shared.loads.slice(0, 2).map(({ stripShare }) => stripShare)).toEqual([0.75, 0.25])
    expect(shared.loads.slice(0, 2).map((load) => dailyEnergy(load, 0))).toEqual([150, 50])
    expect(told(shared)).toEqual([])
  })
  it('is shared out whole, whatever the loads', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        (count, kWh, hours) => {
          const design = larkspurBench()
          const shared = shareOut('Strip', idsOf(design, count), kWh, hours)(design)
          const wh = shared.loads.slice(0, count).reduce((sum, load) => sum + statedDailyEnergy(load), 0)
          expect(wh).toBeCloseTo((kWh * 24000) / hours, -Math.log10(Math.max(1e-3, (kWh * 24000) / hours) / 500))
        },
      ),
    )
  })
  it('evenly where nothing says how much', () => {
    const design = desk()
    for (const load of design.loads) Object.assign(load, { hoursPerDay: 0, standbyW: 0 })
    expect(shareOut('Desk', idsOf(design), 1, 24)(design).loads[0].stripShare).toBe(0.5)
  })
  it('counts standby only while a load is not in use', () => {
    const design = desk()
    // 100 W for 3 h and 10 W for the other 21: 510 Wh; 100 W for 1 h: 100 Wh
    design.loads[0].standbyW = 10
    const shared = shareOut('Desk', idsOf(design), 1, 24)(design)
    expect(shared.loads[0].stripShare).toBeCloseTo(510 / 610, 4)
  })
  it('counts no standby twice, and all units of a load once', () => {
    const design = desk()
    Object.assign(design.loads[0], { standbyW: 5, quantity: 4 })
    const shared = shareOut('Desk', new Set([design.loads[0].id]), 2.4, 24)(design)
    expect(dailyEnergy(shared.loads[0], 0)).toBe(2400)
  })
  it('whose shares no longer make a whole is told, and mended', () => {
    const design = desk()
    const shared = shareOut('Desk', idsOf(design), 1.4, 168)(design)
    for (const change of [{ stripShare: 0.9 }, { meteredKWh: 3 }]) {
      const broken = { ...shared, loads: shared.loads.map((load, i) => (i === 0 ? { ...load, ...change } : load)) }
      const [found] = told(broken)
      expect(found.level).toBe('watch')
      expect(told(found.remedy!.apply(broken))).toEqual([])
    }
  })
  it('lets go of what is no longer on it, and of all of it', () => {
    const design = desk()
    const shared = shareOut('Desk', idsOf(design), 1.4, 168)(design)
    const fewer = shareOut('Desk', new Set([design.loads[0].id]), 1.4, 168)(shared)
    expect(fewer.loads.slice(0, 2).map(({ basis }) => basis)).toEqual(['strip', 'rated'])
    expect(fewer.loads[0].stripShare).toBe(1)
    expect(removeStrip('Desk')(shared).loads.slice(0, 2)).toEqual(
      design.loads.slice(0, 2).map((load) => ({ ...load, meteredKWh: null, meteredHours: null })),
    )
  })
})
