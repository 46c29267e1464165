import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { gannetSkerry, larkspurBench, type Design } from '@ambrel/core'
import { merged } from './merge.ts'
import { checkDesign } from './problems.ts'
import { rulingOf } from './ruling.ts'
import { waitingEntries } from './waiting.ts'

const entered = (...changes: ((design: Design) => void)[]) => {
  const design = larkspurBench()
  changes.forEach((change) => change(design))
  return design
}

describe('a bad value never rules', () => {
  it('what is sound rules as it was entered', () => {
    const design = entered((d) => (d.loads[0].runningW = 77))
    expect(rulingOf(design, larkspurBench())).toEqual({ document: design, problems: [] })
  })

  it.each<[string, (design: Design) => void, string]>([
    ['a number out of range', (d) => (d.budget.taxPct = -1), 'budget.taxPct'],
    ['a name with a space behind it', (d) => (d.name = 'Larkspur '), 'name'],
    ['a load of the middle', (d) => (d.loads[3].runningW = -5), 'loads.3.runningW'],
    ['an empty list', (d) => (d.loads = []), 'loads'],
    ['a contradiction within a part', (d) => (d.generator.stopStateOfCharge = 0.01), 'generator.startStateOfCharge'],
    ['a contradiction between parts', (d) => (d.bank.systemV = 24), 'inverter.part.bankV'],
  ])('%s waits; the rest is taken', (_, wrong, path) => {
    const last = larkspurBench()
    const { document, problems } = rulingOf(
      entered(wrong, (d) => (d.place.elevationM = 321)),
      last,
    )
    expect(problems.map((problem) => problem.path)).toContain(path)
    expect(checkDesign(document).problems).toEqual([])
    expect(document).toEqual({ ...last, place: { ...last.place, elevationM: 321 } })
  })

  it('follows a load by its id when others are removed', () => {
    const last = larkspurBench()
    const { document } = rulingOf(
      entered(
        (d) => (d.loads[4].hoursPerDay = 99),
        (d) => d.loads.splice(1, 1),
      ),
      last,
    )
    expect(document.loads.map(({ id }) => id)).toEqual(last.loads.filter((_, i) => i !== 1).map(({ id }) => id))
    expect(document.loads[3]).toEqual(last.loads[4])
  })

  it('a thing that was never good is left out until it is', () => {
    const last = larkspurBench()
    const { document } = rulingOf(
      entered((d) => d.loads.push({ ...d.loads[0], id: 'new', quantity: -1 })),
      last,
    )
    expect(document.loads).toEqual(last.loads)
  })

  it('whatever is entered, what rules is sound, and has each right value', () => {
    const paths = [
      'place',
      'loads',
      'bank',
      'arrays',
      'inverter',
      'generator',
      'budget',
      'household',
      'winter',
    ] as const
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...paths), fc.nat(60), fc.constantFrom(-1, 0, 1e9, 0.5, 'x', null, [], {}))),
        (changes) => {
          const design = larkspurBench()
          for (const [section, nth, value] of changes) {
            const places = leaves(design[section])
            places[nth % places.length]?.(value)
          }
          const { document, problems } = rulingOf(design, larkspurBench())
          expect(checkDesign(document).problems).toEqual([])
          if (problems.length === 0) expect(document).toEqual(design)
        },
      ),
      { numRuns: 150 },
    )
  })

  it('tells what waits by its place', () => {
    const last = larkspurBench()
    const design = entered((d) => (d.loads[2].quantity = -3))
    expect([...waitingEntries(design, rulingOf(design, last).document)]).toEqual([['loads.2.quantity', -3]])
    const empty = entered((d) => (d.loads = []))
    expect([...waitingEntries(empty, rulingOf(empty, last).document)]).toEqual([['loads', []]])
  })
})

/** Setters of every value within a value. */
function leaves(value: unknown): ((next: unknown) => void)[] {
  if (typeof value !== 'object' || value === null) return []
  const box = value as Record<string, unknown>
  return Object.keys(box).flatMap((key) => {
    const inner = leaves(box[key])
    return inner.length > 0 ? inner : [(next: unknown) => (box[key] = next)]
  })
}

describe('two changes brought together', () => {
  const base = larkspurBench()
  const mine = entered(
    (d) => (d.loads[0].runningW = 1),
    (d) => d.loads.splice(2, 1),
  )
  const theirs = entered(
    (d) => (d.bank.inParallel = 9),
    (d) => (d.loads[1].quantity = 7),
    (d) => d.loads.push({ ...d.loads[0], id: 'theirs' }),
  )

  it('takes from each what only it changed', () => {
    const both = merged(base, mine, theirs)
    expect(both.bank.inParallel).toBe(9)
    expect(both.loads[0].runningW).toBe(1)
    expect(both.loads[1].quantity).toBe(7)
    expect(both.loads.map(({ id }) => id)).toEqual([
      ...base.loads.filter((_, i) => i !== 2).map(({ id }) => id),
      'theirs',
    ])
  })

  it('mine stands where both changed the same', () => {
    const other = entered((d) => (d.loads[0].runningW = 2))
    expect(merged(base, mine, other).loads[0].runningW).toBe(1)
  })

  it('with nothing changed on a side gives the other', () => {
    expect(merged(base, mine, larkspurBench())).toEqual(mine)
    expect(merged(base, larkspurBench(), theirs)).toEqual(theirs)
    expect(merged(base, gannetSkerry(), gannetSkerry())).toEqual(gannetSkerry())
  })
})
