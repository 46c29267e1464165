import { describe, expect, it } from 'vitest'
import { derive } from '../derive/derive.ts'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design, Load } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { said } from '../units/words.ts'
import { startsOf } from './start.ts'

const pump: Partial<Load> = {
  runningW: 1000,
  quantity: 1,
  startW: 5000,
  startKind: 'submersible-pump',
  supply: 'electric',
}
/** Only one load, on a leg. */
const alone = (leg: Load['leg'], change: Partial<Load> = {}): Design => {
  const design = larkspurBench()
  const [load] = design.loads
  design.loads = [{ ...load, ...pump, basis: 'rated', standbyW: 0, leg, hourShape: Array(24).fill(1), ...change }]
  Object.assign(design.inverter.part, { surgeW: 8000, surgeS: 5 })
  return design
}

const hardestStart = (design: Design) => startsOf(design)[0]

describe('a start on a leg', () => {
  it.each([
    // 5000 W of the 4000 W a leg has; of all it would be five eighths
    ['A', 'A', 5000 / 4000],
    ['B', 'B', 5000 / 4000],
    // half of it on each leg, and all of it on both
    ['AB', 'all', 5000 / 8000],
  ] as const)('%s: met at %s', (leg, at, share) => {
    const start = hardestStart(alone(leg))
    expect(start.share).toBeCloseTo(share, 9)
    if (leg !== 'AB') expect(start.at).toBe(at)
  })

  it('meets what else is on that leg, not on the other', () => {
    const design = alone('A')
    const heater = {
      ...design.loads[0],
      id: 'heater',
      name: 'Heater',
      runningW: 1500,
      startW: null,
      startKind: 'none' as const,
    }
    const other = { ...design, loads: [...design.loads, { ...heater, leg: 'B' as const }] }
    const same = { ...design, loads: [...design.loads, { ...heater, leg: 'A' as const }] }
    expect(hardestStart(other).share).toBeCloseTo(hardestStart(design).share, 9)
    expect(hardestStart(same).share).toBeGreaterThan(hardestStart(design).share + 0.2)
  })

  it('lamps and ovens are no starters, what was seen starting is not judged', () => {
    expect(startsOf(alone('A', { startKind: 'none', startW: null }))).toEqual([])
    expect(startsOf(alone('A', { seenStarting: true }))).toEqual([])
  })
})

describe('the one verdict on starts', () => {
  const verdict = (design: Design) => derive(design).start

  it('a stated start that its leg does not carry is a stop, with what it asks of that leg', () => {
    const { level, says, because } = verdict(alone('A'))
    expect([level, said(says)]).toEqual(
      ['stop', 'Submersible well pump will not start.'].map((text) =>
        text.replace('Submersible well pump', alone('A').loads[0].name),
      ),
    )
    expect(said(because)).toContain('asks 5 kW of the 4 kW surge of leg A')
  })

  it('a guessed one is a range to be measured, and never a stop', () => {
    const { level, says, because } = verdict(alone('A', { startW: null }))
    expect(level).toBe('watch')
    expect(said(says)).toMatch(/may not start: the usual of its kind is 3 kW to 6 kW/)
    expect(said(because)).toMatch(/Measure its start, or tick that it was seen starting/)
  })

  it('a worse one behind a guess is not hidden by it', () => {
    const design = alone('A', { startW: null, runningW: 1500 })
    design.loads.push({ ...design.loads[0], id: 'second', name: 'Press', leg: 'B', startW: 4600 })
    expect(verdict(design)).toMatchObject({ level: 'stop' })
    expect(said(verdict(design).says)).toBe('Press will not start.')
  })

  it('a bank that is pulled down only when low and cold is told with that charge and cold', () => {
    const design = larkspurFlooded()
    design.bank.part.resistanceMilliohm = 10
    design.place.batteryRoom.setC = 2
    const { level, says, failing, rows } = verdict(design)
    expect(level).toBe('watch')
    expect(failing).toMatchObject({ starts: false, limitedBy: 'voltage' })
    expect(rows[0].starts).toBe(true)
    expect(said(says)).toMatch(/will not start on a bank at \d+ % and -?\d/)
  })

  it('is what the finding says, word for word', () => {
    for (const design of [alone('A'), alone('AB'), larkspurFlooded()]) {
      const derived = derive(design)
      const finding = findings({ design, derived, winter: null }).find(({ id }) => id === 'inverter.starts')!
      expect(finding.level).toBe(derived.start.level)
      expect(finding.says).toEqual(derived.start.says)
    }
  })
})

describe('strings that can feed each other', () => {
  it('all strings on a tracker count, whatever array they belong to', () => {
    const design = larkspurBench()
    const [array] = design.arrays
    array.inParallel = 1
    const fused = (each: Design) =>
      findings({ design: each, derived: derive(each), winter: null }).some(({ id }) => id === 'array.string-fuses')
    expect(fused(design)).toBe(false)
    const more = (tracker: number) => ({
      ...design,
      arrays: [1, 2, 3].map((n) => ({ ...array, id: `array-${n}`, tracker: n === 1 ? 1 : tracker })),
    })
    expect(fused(more(1))).toBe(true)
    design.controllers[0].part.trackers = 2
    expect(fused(more(2))).toBe(false)
  })
})

describe('the array by the hand method', () => {
  it('names the month that asks for most, with its own need and its own sun', () => {
    const design = larkspurBench()
    // all use in July: December asks for little
    design.loads = design.loads.map((load) => ({
      ...load,
      basis: 'rated',
      standbyW: 0,
      seasonShare: Array.from({ length: 12 }, (_, month) => (month === 6 ? 5 : 0)),
    }))
    const { worked, batteryWh, sunHours } = derive(design)
    expect(said(worked['array.need'].says)).toContain('Jul')
    expect(worked['array.need'].value).toBeCloseTo(batteryWh[6] / (sunHours[6] * 0.8), 6)
    design.schools.handFactor = 0.5
    expect(derive(design).worked['array.need'].value).toBeCloseTo(batteryWh[6] / (sunHours[6] * 0.5), 6)
  })
})
