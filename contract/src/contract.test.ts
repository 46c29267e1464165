import { describe, expect, it } from 'vitest'
import {
  DESIGN_VERSION,
  derive,
  larkspurBench,
  larkspurFlooded,
  newSource,
  SAMPLE_FAMILIES,
  newDesign,
  ILLUSTRATIVE_CLIMATES,
  type Design,
} from '@ambrel/core'
import { readFileSync } from 'node:fs'
import { readingSchema } from './api.ts'
import { formatPage } from './formatDoc.ts'
import { checkDesign, checkDesignText, problemsOf } from './problems.ts'
import { said } from '@ambrel/core/units'

describe('the published format', () => {
  it('is the page in docs, made from the schema', () => {
    const page = readFileSync(new URL('../../docs/file-format.md', import.meta.url), 'utf8')
    expect(page, 'run: npx ambrel format > docs/file-format.md').toBe(formatPage())
    expect(page).toContain('| `place.latitudeDeg` | number, -90 to 90, ° | Latitude. North is positive.')
    expect(page).toContain('| `loads[].leg` | one of `A`, `B`, `C`, `AB`, `ABC`, `DC` | Leg. ')
    expect(page).toContain('| `generator.fullChargeEveryDays` | number, 1 to 365, d, or null: never | ')
  })
})

describe('the contract of a design', () => {
  it('accepts every sample and every new design', () => {
    for (const make of SAMPLE_FAMILIES.flat()) expect(checkDesign(make()).problems).toEqual([])
    for (const { id } of ILLUSTRATIVE_CLIMATES)
      for (const latitudeDeg of [-78, -43, 0, 48, 69])
        expect(
          checkDesign(newDesign('x', { label: 'x', latitudeDeg, longitudeDeg: 12, climate: id })).problems,
        ).toEqual([])
  })

  const set = (path: string, value: unknown) => {
    const design = larkspurBench()
    const keys = path.split('.')
    const last = keys.pop()!
    const holder = keys.reduce<Record<string, unknown>>(
      (at, key) => at[key] as Record<string, unknown>,
      design as unknown as Record<string, unknown>,
    )
    holder[last] = value
    return design
  }

  const stream = newSource('source-1', 'stream', 80)
  it('takes the hours of a year of another source', () => {
    expect(checkDesign(set('sources', [{ ...stream, hourlyW: Array(8760).fill(7) }])).problems).toEqual([])
  })

  it.each<[string, unknown, string, string?]>([
    ['place.latitudeDeg', 95, 'Latitude: 95 ° is too large; at most 90 °'],
    ['loads.2.runningW', -5, 'Running watts: −5 W is too small; at least 0 W'],
    ['loads.2.runningW', '1100 W', 'Running watts: "1100 W" is not a number'],
    ['loads.0.hoursPerDay', 30, 'Hours a day: 30 h is too large; at most 24 h'],
    ['loads', [], 'the load list is empty; add at least one load'],
    ['bank.part.nominalV', 36, 'do not divide the 48 V bank'],
    ['bank.inParallel', 1.5, 'Strings in parallel: 1.5 must be a whole number'],
    ['bank.systemV', 36, 'System voltage: 36 is not allowed; one of 48, 24, 12'],
    ['circuits.0.size', '7 AWG', 'Conductor: "7 AWG" is not allowed; one of 14 AWG'],
    ['name', '', 'Name is empty'],
    ['place.monthly', [], 'Months has 0 entries; exactly 12'],
    ['version', DESIGN_VERSION + 1, `version ${DESIGN_VERSION + 1} was written by a newer Ambrel`],
    ['arrays.0.colour', 'blue', 'colour is not a field of this document'],
    ['generator.startStateOfCharge', NaN, 'Starts at a charge of: NaN is not a number'],
    ['generator.kind', 'candle', 'Backup: "candle" is not allowed; one of generator, shore, vehicle'],
    ['generator.holdMin', -1, 'Voltage low for: −1 min is too small; at least 0 min'],
    ['winter.years', 0, 'Years: 0 years is too small; at least 1 year'],
    ['place.climate', 'Mars', 'Climate the rows came from: "Mars" is not allowed; one of cold-valley'],
    ['inverter.part.deratePctPerK', 20, 'leave nothing of'],
    ['arrays.0.module.vmpV', 12, 'of Voc 37.4 V; a module has 0.6 to 0.88 of it'],
    ['arrays.0.module.impA', 2, 'a module has 0.7 to 0.995 of it'],
    ['arrays.0.module.cells', 1, '1 cells of Voc 37.4 V would give 37.4 V each; 0.25 to 2 V is possible'],
    ['winter.stepMin', 5, 'Step: 5 is not allowed; one of 60, 15'],
    [
      'household.away',
      [{ fromMonth: 13, fromDay: 1, toMonth: 1, toDay: 2 }],
      'Away from, month: 13 is too large; at most 12',
      'household.away.0.fromMonth',
    ],
    [
      'household.away',
      [{ fromMonth: 2, fromDay: 30, toMonth: 3, toDay: 31 }],
      'Feb has no day 30; at most 28',
      'household.away.0.fromDay',
    ],
    [
      'sources',
      [{ ...stream, wattsByMonth: [[1]] }],
      'Watts by month and hour has 1 entries; exactly 12',
      'sources.0.wattsByMonth',
    ],
    [
      'sources',
      [{ ...stream, hourlyW: [1, 2] }],
      'Watts of the hours of a year has 2 entries; exactly 8760',
      'sources.0.hourlyW',
    ],
    [
      'sources',
      [{ ...stream, hourlyW: Array(8760).fill(-3) }],
      'hour 1 is -3 W; 0 to 200000 W is allowed',
      'sources.0.hourlyW',
    ],
  ])('%s = %j is named', (path, value, message, at = path) => {
    const { problems } = checkDesign(set(path, value))
    expect(problems.map((problem) => problem.path)).toContain(at)
    expect(said(problems.find((problem) => problem.path === at)!.message)).toContain(message)
  })

  it.each(['loads', 'arrays', 'controllers', 'circuits', 'sources', 'budget.extras'] as const)(
    'takes no id twice among the %s',
    (path) => {
      const design = larkspurBench()
      design.sources = [stream]
      const list = (path === 'budget.extras' ? design.budget.extras : design[path]) as { id: string }[]
      const { problems } = checkDesign({
        ...design,
        ...(path === 'budget.extras'
          ? { budget: { ...design.budget, extras: [list[0], list[0]] } }
          : { [path]: [...list, list[0]] }),
      })
      expect(problems.map((problem) => problem.path)).toContain(
        path === 'budget.extras' ? 'budget.extras.1.id' : `${path}.${list.length}.id`,
      )
    },
  )

  it('finds several problems at once', () => {
    const design = set('place.latitudeDeg', 95) as Design
    design.loads[0].duty = 7
    expect(checkDesign(design).problems).toHaveLength(2)
  })

  it('says what a missing field is', () => {
    const design = larkspurBench() as Partial<Design>
    delete design.bank
    expect(checkDesign(design).problems[0]).toMatchObject({ path: 'bank', message: 'Bank is missing' })
  })

  it('reads text with a byte order mark and names broken JSON', () => {
    expect(checkDesignText(`\uFEFF${JSON.stringify(larkspurBench())}`).problems).toEqual([])
    expect(checkDesignText('{"format": ').problems[0].message).toContain('not JSON')
  })

  it('names a reading that cannot be', () => {
    const reading = {
      at: '2026-01-02T08:00:00Z',
      batteryV: 52,
      batteryA: null,
      stateOfCharge: 1.4,
      arrayW: null,
      loadW: null,
      generatorOn: false,
      note: '',
    }
    expect(problemsOf(readingSchema, reading)[0].path).toBe('stateOfCharge')
  })
})

describe('documents of version 4', () => {
  it('are read as the present version: no days are named, no grid, nothing seen starting, the hand method as it was', () => {
    const now = larkspurFlooded()
    const { grid: _grid, ...rest } = now
    const { handFactor: _factor, ...schools } = now.schools
    const { weekdays: _days, ...household } = now.household
    const old = {
      ...rest,
      version: 4,
      schools,
      household,
      loads: now.loads.map(({ weekdays: _weekdays, seenStarting: _seen, ...load }) => load),
      arrays: now.arrays.map(({ orientation: _orientation, ...array }) => array),
    }
    const { design, problems } = checkDesign(old)
    expect(problems).toEqual([])
    expect(design).toEqual(now)
    expect(design).toMatchObject({
      grid: { present: false },
      schools: { handFactor: 0.8 },
      household: { weekdays: null },
    })
    expect(design!.loads[0]).toMatchObject({ weekdays: null, seenStarting: false })
    expect(design!.arrays[0].orientation).toBe('portrait')
  })
})

describe('documents of version 3', () => {
  const old = (): Record<string, unknown> => {
    const { startWhenEmpty: _start, ...generator } = larkspurFlooded().generator
    const { depthM: _depth, ...batteryRoom } = larkspurFlooded().place.batteryRoom
    const { surplus: _surplus, ...source } = newSource('source-1', 'stream', 60)
    return {
      ...larkspurFlooded(),
      version: 3,
      generator,
      place: { ...larkspurFlooded().place, batteryRoom },
      sources: [source],
      loads: larkspurFlooded().loads.map(({ switched: _switched, ...load }) => load),
    }
  }
  it('are read as the present version: the backup starts before loads are dropped, as inverters do by themselves', () => {
    const { design, problems } = checkDesign(old())
    expect(problems).toEqual([])
    expect(design).toEqual({ ...larkspurFlooded(), sources: [newSource('source-1', 'stream', 60)] })
    expect(design!.generator.startWhenEmpty).toBe(true)
    expect(design!.sources[0].surplus).toBe('none')
  })
  it('open though a month has more sun than a sky lets through: it is held to what the run had made of it', () => {
    const bright = old() as { place: { monthly: { ghiKWhM2Day: number }[] } }
    bright.place.monthly[11].ghiKWhM2Day = 9
    const { design, problems } = checkDesign(bright)
    expect(problems).toEqual([])
    // 80 % of what arrives above the atmosphere at 48.2° in December
    expect(design!.place.monthly[11].ghiKWhM2Day).toBeCloseTo(0.8 * 2.44, 2)
    expect(design!.place.monthly.slice(0, 11)).toEqual(larkspurFlooded().place.monthly.slice(0, 11))
    // a design of this version is told instead
    const now = larkspurFlooded()
    now.place.monthly[11].ghiKWhM2Day = 9
    expect(checkDesign(now).problems[0].path).toBe('place.monthly.11.ghiKWhM2Day')
  })
})

describe('documents of version 2', () => {
  const old = (): Record<string, unknown> => {
    const { sources: _sources, household: _household, ...rest } = structuredClone(larkspurFlooded())
    const { years, seed } = rest.winter
    const { present, part, startStateOfCharge, stopStateOfCharge, minRunH, maxRunH } = rest.generator
    const { quietFromH, quietToH, fullChargeEveryDays, loadShareLimit, fuelPricePerL } = rest.generator
    const { absorbV: _absorb, ...bank } = rest.bank
    return {
      ...rest,
      version: 2,
      bank,
      loads: rest.loads.map(({ storeDays: _store, whenAway: _away, startS: _start, ...load }) => load),
      inverter: { part: rest.inverter.part, quantity: rest.inverter.quantity },
      generator: {
        present,
        part,
        startStateOfCharge,
        stopStateOfCharge,
        minRunH,
        maxRunH,
        quietFromH,
        quietToH,
        fullChargeEveryDays,
        loadShareLimit,
        fuelPricePerL,
      },
      winter: { years, seed },
    }
  }
  it('are read as the present version; what they could not say is as the run had it then', () => {
    const { design, problems } = checkDesign(old())
    expect(problems).toEqual([])
    expect(design!.generator).toMatchObject({
      kind: 'generator',
      startBy: 'charge',
      warmUpMin: 0,
      equaliseEveryDays: null,
    })
    expect(design!.sources).toEqual([])
    expect(design!.winter).toMatchObject({ ageing: false, stepMin: 60 })
    expect(design!.loads.every(({ storeDays, whenAway }) => storeDays === 0 && whenAway)).toBe(true)
  })
  it.each([
    ['a generator that is none', { generator: 3 }],
    ['no inverter', { inverter: null }],
    ['an inverter without a part', { inverter: { quantity: 1 } }],
    ['no winter', { winter: [] }],
  ])('with %s are refused, not broken', (_, change) => {
    expect(checkDesign({ ...old(), ...change }).problems.length).toBeGreaterThan(0)
  })
})

describe('documents of version 1', () => {
  const old = (): Record<string, unknown> => {
    const document = structuredClone(larkspurBench()) as unknown as Record<string, never>
    const { source: _source, hours: _hours, ...place } = document.place as Record<string, unknown>
    const loads = (document.loads as Record<string, unknown>[]).map(
      ({ meterReadings: _readings, standbyW: _standby, supply: _supply, ...load }) => load,
    )
    return { ...document, version: 1, place, loads }
  }
  it('are read as the present version, with nothing changed that they said', () => {
    expect(checkDesign(old())).toEqual({ design: larkspurBench(), problems: [] })
  })
  it.each([
    ['no loads', { loads: 'none' }],
    ['no place', { place: null }],
    ['a load that is none', { loads: [3] }],
  ])('with %s are refused, not broken', (_, change) => {
    expect(checkDesign({ ...old(), ...change }).problems.length).toBeGreaterThan(0)
  })
})

describe('data sheets', () => {
  // what is typed, and what is said about it
  it.each<[string, (design: Design) => unknown, string, RegExp]>([
    [
      'a coefficient with the wrong sign',
      (d) => (d.arrays[0].module.betaVocPctPerK = 0.26),
      'arrays.0.module.betaVocPctPerK',
      /too large; at most −0.01 %\/K/,
    ],
    [
      'a coefficient in mV/K',
      (d) => (d.arrays[0].module.betaVocPctPerK = -97),
      'arrays.0.module.betaVocPctPerK',
      /too small; at least −1 %\/K/,
    ],
    ['Vmp over Voc', (d) => (d.arrays[0].module.vmpV = 60), 'arrays.0.module.vmpV', /Vmp 60 V must lie below Voc/],
    ['Isc under Imp', (d) => (d.arrays[0].module.iscA = 5), 'arrays.0.module.impA', /must lie below Isc 5 A/],
    [
      'a controller without limits',
      (d) => (d.controllers[0].part.maxInputV = 0),
      'controllers.0.part.maxInputV',
      /too small; at least 5/,
    ],
    ['a series that does not divide', (d) => (d.bank.inSeries = 3), 'bank.inSeries', /do not make 48 V; 1 do/],
    [
      'no capacity at all',
      (d) => (d.bank.part.capacities = []),
      'bank.part.capacities',
      /Capacities has 0 entries; at least 1/,
    ],
    [
      'a weak unit stronger than a new one',
      (d) => d.bank.weak.push({ unit: 1, capacityShare: 1.2, resistanceFactor: 1 }),
      'bank.weak.0.capacityShare',
      /120 % is too large; at most 100 %/,
    ],
    [
      'a season on no day',
      (d) => d.arrays[0].tiltSeasons.push({ month: 13, day: 1, tiltDeg: 30 }),
      'arrays.0.tiltSeasons.0.month',
      /at most 12/,
    ],
  ])('%s is named', (_, change, path, says) => {
    const design = larkspurBench()
    change(design)
    const problem = checkDesign(design).problems.find((each) => each.path === path)
    expect(said(problem!.message)).toMatch(says)
  })

  it('a bank of two hundred units is taken and worked out', () => {
    const design = larkspurBench()
    design.bank.inParallel = 200
    design.bank.takeoff = 'one-end'
    expect(checkDesign(design).problems).toEqual([])
    expect(derive(design).shares.reduce((a, b) => a + b, 0)).toBeCloseTo(100, 6)
  })
})
