import { describe, expect, it } from 'vitest'
import { gannetSkerry } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { newSource } from '../generator/sources.ts'
import { acrossVolts } from '../inverter/service.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { WinterEngine } from './engine.ts'
import { arrayYield } from './yields.ts'
import { atOnce } from '../math/pieces.ts'

/** Places of numbers in a part of the document, the first of each list standing for all of them. */
function numbersIn(value: unknown, path: string[]): string[][] {
  if (typeof value === 'number') return [path]
  if (Array.isArray(value)) return numbersIn(value[0], [...path, '0'])
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([key, each]) => numbersIn(each, [...path, key]))
}

function moved(design: Design, path: string[]): Design {
  const next = structuredCloneOf(design)
  const holder = path.slice(0, -1).reduce<Record<string, never>>((at, key) => at[key], next as never)
  const key = path.at(-1)!
  const before: number = holder[key]
  holder[key] = (before === 0 ? 0.01 : Number.isInteger(before) && before > 1 ? before + 1 : before * 0.97) as never
  return next
}

const base: Design = {
  ...gannetSkerry(),
  loads: gannetSkerry().loads.slice(0, 2),
  sources: [newSource('source-1', 'stream', 60)],
}
const places = (
  ['place', 'loads', 'household', 'bank', 'arrays', 'controllers', 'inverter', 'generator', 'grid', 'sources'] as const
)
  .flatMap((part) => numbersIn(base[part], [part]))
  .filter((path) => !/price|weightKg|fileId/.test(path.join('.')))

describe('what an engine keeps', () => {
  const warm = new WinterEngine()
  const figures = ({ shortHours, ...year }: ReturnType<WinterEngine['year']>) => JSON.stringify([shortHours, year])

  it('never answers for another design: any figure moved gives what a fresh engine gives', () => {
    expect(places.length).toBeGreaterThan(120)
    for (const path of places) {
      warm.year(base, 1, 0)
      const design = moved(base, path)
      expect(figures(warm.year(design, 1, 0)), path.join('.')).toBe(figures(new WinterEngine().year(design, 1, 0)))
    }
  })

  it('is a year that an edit leaves as it was: it is not run again, after that edit or after another is undone', () => {
    const year = warm.year(base, 1, 0)
    const priced = {
      ...base,
      name: 'Another name',
      budget: { ...base.budget, taxPct: 20 },
      loads: base.loads.map((load) => ({ ...load, name: 'Another', room: 'Shed' })),
      bank: { ...base.bank, part: { ...base.bank.part, price: 99 } },
      arrays: base.arrays.map((array) => ({ ...array, name: 'Another', module: { ...array.module, price: 9 } })),
      controllers: base.controllers.map((each) => ({ ...each, name: 'Another', part: { ...each.part, price: 9 } })),
      sources: base.sources.map((source) => ({ ...source, name: 'Another' })),
    }
    expect(warm.year(priced, 1, 0)).toBe(year)
    const fewer = { ...base, loads: base.loads.slice(1) }
    expect(warm.year(fewer, 1, 0)).not.toBe(year)
    expect(warm.year({ ...base, loads: [...base.loads] }, 1, 0)).toBe(year)
    expect(warm.hasRun(base, 1, 1)).toBe(true)
    expect(warm.hasRun(base, 1, 2)).toBe(false)
    // other weather, and what is written down of a year, is run
    expect(warm.year(base, 2, 0)).not.toBe(year)
    const charge = new Float32Array(8760)
    const written = warm.year(base, 1, 0, { charge })
    expect(figures(written)).toBe(figures(year))
    expect(warm.year(base, 1, 0)).not.toBe(written)
    expect(charge.some((share) => share > 0)).toBe(true)
  })

  it('is of the document as it was: one that is changed in place is run anew', () => {
    const engine = new WinterEngine()
    const design = structuredCloneOf({ ...base, winter: { ...base.winter, ageing: true } })
    const { grid, bank, loads, arrays } = design
    Object.assign(grid, { present: true, failing: 'drawn', failureH: 20, failuresByMonth: Array<number>(12).fill(1) })
    grid.breakerV = acrossVolts(design.inverter)
    const changes = [
      () => grid.failuresByMonth.fill(9),
      () => (bank.part.calendarYears = 2),
      () => Object.assign(loads[0], { basis: 'rated', runningW: 4 * loads[0].runningW }),
      () => (arrays[0].inParallel += 1),
      () => (arrays[0].wiringLoss = 0.2),
    ]
    let before = engine.run(design, { years: 2, seed: 1 })
    for (const change of changes) {
      change()
      const after = engine.run(design, { years: 2, seed: 1 })
      expect(after).not.toEqual(before)
      expect(after).toEqual(new WinterEngine().run(design, { years: 2, seed: 1 }))
      before = after
    }
  })

  it('ages a bank by the life of its part, also where nothing else is another', () => {
    const ageing = { ...base, winter: { ...base.winter, ageing: true } }
    const shortLived = {
      ...ageing,
      bank: { ...ageing.bank, part: { ...ageing.bank.part, calendarYears: 2 } },
    }
    for (const design of [base, ageing, shortLived])
      expect(figures(warm.year(design, 1, 3))).toBe(figures(new WinterEngine().year(design, 1, 3)))
  })

  it('is handed to an engine beside it, which pushes nothing of it out, and answers as a fresh one', () => {
    const engine = new WinterEngine()
    const beside = engine.beside()
    engine.year(base, 1, 0)
    const weather = engine.weatherOf(base, 1, 0)
    expect(beside.weatherOf(base, 1, 0)).toBe(weather)
    expect(beside.weatherOf(base, 1, 1)).toBe(engine.weatherOf(base, 1, 1))
    const elsewhere = { ...base, place: { ...base.place, latitudeDeg: base.place.latitudeDeg - 7 } }
    const larger = { ...base, arrays: base.arrays.map((array) => ({ ...array, inParallel: array.inParallel + 1 })) }
    for (const design of [elsewhere, larger, base])
      expect(figures(beside.year(design, 1, 0))).toBe(figures(new WinterEngine().year(design, 1, 0)))
    expect(beside.weatherOf(elsewhere, 1, 0)).not.toBe(weather)
    expect(engine.weatherOf(base, 1, 0)).toBe(weather)
    expect(figures(engine.year(base, 1, 0))).toBe(figures(new WinterEngine().year(base, 1, 0)))
  })

  it('tells what is clipped at the absorption voltage that is set', () => {
    const bright = structuredCloneOf(base)
    bright.controllers[0].part.outputA /= 3
    const at = (absorbV: number) =>
      atOnce(arrayYield(warm, { ...bright, bank: { ...bright.bank, absorbV } }, 1)).clippedKWh
    expect(at(bright.bank.systemV * 1.24)).toBeLessThan(at(bright.bank.systemV * 1.12))
  })
})
