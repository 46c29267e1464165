import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { larkspurBench } from '../design/samples.ts'
import type { Load } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { plainLoad } from '../winter/testDesigns.ts'
import { dailyEnergy } from './energy.ts'
import { dayOfUse, heaviestDay } from './heaviest.ts'

const load = plainLoad

describe('a day of use', () => {
  it.each([
    ['every day: its mean day', { daysPerWeek: 7 }, 2000],
    ['two days a week: the whole of its hours', { daysPerWeek: 2 }, 2000],
    ['every other week: still a whole day', { daysPerWeek: 0.5 }, 2000],
    ['never', { daysPerWeek: 0 }, 0],
    // 3000 Wh to 80 % through a charger of 0.8, once a week
    [
      'a pack charged once a week',
      { basis: 'cycle', cycleWh: 3000, cycleDepth: 0.8, cycleChargerEfficiency: 0.8, cyclesPerWeek: 1 },
      3000,
    ],
    [
      'charged twice a day',
      { basis: 'cycle', cycleWh: 3000, cycleDepth: 0.8, cycleChargerEfficiency: 0.8, cyclesPerWeek: 14 },
      6000,
    ],
    [
      'metered: what the meter says of a day',
      { basis: 'metered', meteredKWh: 7, meteredHours: 168, daysPerWeek: 2 },
      1000,
    ],
  ] as const)('%s', (_, change, wh) => {
    expect(dayOfUse(load(change as Partial<Load>), 0)).toBeCloseTo(wh, 9)
  })

  it('all on one day is never less than the mean day', () => {
    const { loads } = larkspurBench()
    for (let month = 0; month < 12; month++)
      expect(heaviestDay(loads, month).wh).toBeGreaterThanOrEqual(
        loads.reduce((sum, each) => sum + dailyEnergy(each, month), 0) - 1e-9,
      )
  })
})

describe('the heaviest day against the bank', () => {
  const check = (packWh: number) => {
    const design = larkspurBench()
    const pack = {
      basis: 'cycle' as const,
      cycleDepth: 1,
      cycleChargerEfficiency: 0.8,
      cyclesPerWeek: 1,
      cycleWh: packWh,
    }
    design.loads = design.loads.map((each) => ({ ...each, daysPerWeek: 7, cyclesPerWeek: 7 }))
    design.loads.push(load({ id: 'pack-1', ...pack }), load({ id: 'pack-2', ...pack }))
    return findings({ design, derived: derive(design), winter: null }).find(({ id }) => id === 'loads.heaviest-day')
  }

  it('two packs on one Saturday from a bank that holds half of them are not sound', () => {
    const finding = check(22_000)!
    expect(finding.level).toBe('watch')
    expect(said(finding.says)).toMatch(
      /^On the heaviest day \d+(\.\d)? kWh are drawn, more than the 2\d(\.\d)? kWh the bank gives/,
    )
  })

  it('small ones are, and are told as a share of the bank', () => {
    const finding = check(1000)!
    expect(finding.level).toBe('sound')
    expect(said(finding.says)).toMatch(/^The heaviest day takes \d+ % of what the bank gives/)
  })
})
