import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import {
  copperDraw,
  derive,
  findings,
  gannetSkerry,
  inverterChoices,
  larkspurBench,
  larkspurFlooded,
  legsAtOnce,
  onLegsOf,
  runningLegs,
  worstLegHour,
  type Design,
  type WinterSummary,
} from '@ambrel/core'
import { quantity, said } from '@ambrel/core/units'
import PercentileTable from '../drawing/PercentileTable.vue'
import StateMark from '../drawing/StateMark.vue'
import WeekBars from '../drawing/WeekBars.vue'
import { useWinter } from '../stores/winter.ts'
import { rendered, rowsOf, wordsOf, type Reader } from '../testing/rendered.ts'
import { stubBrowser } from '../testing/stubs.ts'
import BackupYear from './generator/BackupYear.vue'
import InverterChoices from './inverter/InverterChoices.vue'
import LegPicture from './inverter/LegPicture.vue'
import SurgePicture from './inverter/SurgePicture.vue'
import YearTables from './winter/YearTables.vue'

vi.mock('../drawing/Chart.vue', async () => (await import('../testing/stubs.ts')).chartInWords)
vi.mock('../workers/winterWorkers.ts', async () => (await import('../testing/stubs.ts')).silentWorker)
beforeEach(stubBrowser)
afterEach(() => {
  vi.unstubAllGlobals()
})

const SAMPLES = [larkspurBench, larkspurFlooded, gannetSkerry, copperDraw]
function changed(make: () => Design, change: (design: Design) => unknown): Design {
  const design = make()
  change(design)
  return design
}
/** The summary of the winters a view was drawn with, handed to it as a property. */
function withSummary(name: string): Reader {
  const props: Record<string, unknown> = {}
  return { props, before: () => (props[name] = useWinter().winters!.summary) }
}
const shown = (): WinterSummary => useWinter().winters!.summary
/** What a chart was given to draw. */
const charts = (html: string) =>
  [...html.matchAll(/<pre[^>]*>([\s\S]*?)<\/pre>/g)].map(
    ([, json]) =>
      JSON.parse(json.replace(/&quot;/g, '"').replace(/&amp;/g, '&')) as {
        series: { name: string; data: number[] }[]
        categories: string[]
      },
  )

describe('the legs', () => {
  it.each(SAMPLES)('of %o carry what hangs on them, with the neutral and the worst hour', async (make) => {
    const design = make()
    const words = wordsOf(await rendered(LegPicture, design))
    const { legAW, legBW, neutralA } = runningLegs(design)
    expect(words).toContain(quantity(legAW, 'W'))
    if (words.includes('Leg B')) {
      expect(words).toContain(quantity(legBW, 'W'))
      expect(words).toContain(`${quantity(neutralA, 'A')} in the neutral`)
    }
    const worst = worstLegHour(design.loads, words.includes('Leg B') ? 'split-phase' : 'single-230')
    expect(words).toContain(`${worst.hour}–${worst.hour + 1} h with ${quantity(worst.watts, 'W')}`)
  })

  it.each(SAMPLES)('of %o are as full, and as the finding judges them, by either method', async (make) => {
    for (const school of ['coincidence', 'everything'] as const)
      for (const powerFactor of [1, 0.4]) {
        const design = make()
        design.schools.peak = school
        design.loads = design.loads.map((load) => ({ ...load, powerFactor }))
        const derived = derive(design)
        const html = await rendered(LegPicture, design)
        const heads = [...html.matchAll(/class="([^"]*)"[^>]*data-at-once[^>]*>([^<]*)</g)]
        const { A, B, C } = legsAtOnce(onLegsOf(design), school)
        expect(heads.map(([, , figure]) => wordsOf(figure))).toEqual(
          [A, B, C].slice(0, heads.length).map((watts) => quantity(watts, 'W')),
        )
        const finding = findings({ design, derived, winter: null }).find(({ id }) => id === 'inverter.carries')!
        const worst = (['stop', 'watch', 'sound'] as const).find((level) => heads.some(([, of]) => of === level))
        // a bank that lets go before the inverter does is a stop of its own
        if (finding.level !== 'stop' || derived.link.carries) expect(worst, school).toBe(finding.level)
      }
  })

  it('each load hangs on its leg once, those on propane and on DC on none', async () => {
    const design = larkspurBench()
    design.loads[0].supply = 'propane'
    design.loads[1].leg = 'DC'
    const html = await rendered(LegPicture, design)
    for (const { name, leg, supply } of design.loads) {
      const here = leg !== 'DC' && supply === 'electric'
      expect(html.split(`title="${name}"`).length - 1, name).toBe(here ? 1 : 0)
    }
  })
})

describe('the largest start', () => {
  it.each(SAMPLES)('of %o is told for each charge and temperature as the core has it', async (make) => {
    const design = make()
    const html = await rendered(SurgePicture, design)
    const { rows: table, start } = derive(design).start
    const charges = [...new Set(table.map(({ stateOfCharge }) => stateOfCharge))]
    const cells = rowsOf(html)
    expect(cells).toHaveLength(charges.length)
    charges.forEach((charge, i) => {
      const rows = table.filter(({ stateOfCharge }) => stateOfCharge === charge)
      rows.forEach((row, k) => {
        const cell = cells[i][k + 1]
        expect(cell.includes('starts')).toBe(row.starts)
        expect(cell).toContain(quantity(row.volts, 'V'))
        expect(cell).toContain(quantity(row.amps, 'A'))
      })
    })
    expect(wordsOf(html)).toContain(quantity(start!.limitW, 'W'))
  })

  it('says on how full a bank it fails, and why', async () => {
    const soft = changed(larkspurBench, (d) => (d.bank.part.resistanceMilliohm = 900))
    const words = wordsOf(await rendered(SurgePicture, soft))
    const { says, failing } = derive(soft).start
    expect(failing).not.toBeNull()
    expect(words).toContain(said(says))
    expect(words).toMatch(/pulled below the cut-out|over what the bank may give|over the inverter’s surge/)
  })
})

describe('the inverters to choose from', () => {
  it.each(SAMPLES)('for %o are all told with what they idle away; the chosen one is marked', async (make) => {
    const design = make()
    const html = await rendered(InverterChoices, design)
    const { peak, otherPeak, sunHours, worstMonth } = derive(design)
    const choices = inverterChoices(design, peak, otherPeak, sunHours[worstMonth])
    const rows = rowsOf(html)
    expect(rows).toHaveLength(choices.length)
    choices.forEach(({ part, idleWhDay }, i) => {
      expect(rows[i][0]).toContain(part.name)
      expect(rows[i].join(' ')).toContain(quantity(idleWhDay, 'Wh'))
    })
  })
})

describe('what the backup does in a year', () => {
  const COLUMNS = ['median', 'oneInFive', 'oneInTen', 'worst'] as const

  it('stands in four columns, no better to the right, its hours by month from July', async () => {
    const html = await rendered(BackupYear, larkspurFlooded(), withSummary('winter'))
    const rows = new Map(rowsOf(html).map(([name, ...cells]) => [name, cells]))
    const summary = shown()
    expect(rows.get('backup')).toEqual(COLUMNS.map((column) => quantity(summary[column].generatorHours, 'h')))
    expect(rows.get('fuel')).toEqual(COLUMNS.map((column) => quantity(summary[column].fuelL, 'L')))
    expect(rows.get('equalising charges')).toEqual(COLUMNS.map((column) => String(summary[column].equalisations)))
    const [{ series, categories }] = charts(html)
    expect(categories[0]).toBe('Jul')
    expect(series[0].data[6]).toBeCloseTo(summary.months.generatorHours[0], 1)
  })

  it.each<[string, (design: Design) => unknown, string[], string[]]>([
    ['a set', () => {}, ['starts of the backup', 'backup', 'fuel'], ['equalising charges']],
    ['the shore', (d) => (d.generator.kind = 'shore'), ['starts of the backup', 'backup'], ['fuel']],
  ])('of %s has the rows that apply', async (_, change, there, away) => {
    const html = await rendered(BackupYear, changed(larkspurBench, change), withSummary('winter'))
    const names = rowsOf(html).map(([name]) => name)
    for (const name of there) expect(names).toContain(name)
    for (const name of away) expect(names).not.toContain(name)
    expect(names.some((name) => name.startsWith('oil changes'))).toBe(!there.includes('fuel') ? false : true)
  })
})

describe('a year in tables', () => {
  it.each(SAMPLES)(
    'of %o has energy by month from the summary, percentiles and losses, largest first',
    async (make) => {
      const html = await rendered(YearTables, make(), withSummary('summary'))
      const summary = shown()
      const [{ series }] = charts(html)
      const drawn = (name: string) => series.find((each) => each.name === name)?.data.reduce((a, b) => a + b, 0) ?? 0
      const sum = (kWh: readonly number[]) => kWh.reduce((a, b) => a + b, 0)
      expect(Math.abs(drawn('array to bank') - sum(summary.months.toBankKWh))).toBeLessThan(6.01)
      expect(Math.abs(drawn('array to loads') + drawn('array to bank') - sum(summary.months.arrayKWh))).toBeLessThan(
        12.01,
      )
      expect(Math.abs(drawn('backup') - sum(summary.months.generatorKWh))).toBeLessThan(6.01)
      const rows = new Map(rowsOf(html).map(([name, ...cells]) => [name, cells]))
      expect(rows.get('lowest charge')![0]).toBe(quantity(summary.median.lowestStateOfCharge, 'share'))
      expect(rows.get('curtailed')![2]).toBe(quantity(summary.oneInTen.curtailedWh, 'Wh'))
      const widths = [...html.split('data-losses')[1].matchAll(/width:([\d.]+)%/g)].map(([, width]) => Number(width))
      expect(widths[0]).toBeCloseTo(100, 6)
      expect(widths).toEqual([...widths].sort((a, b) => b - a))
    },
  )
})

describe('small pictures', () => {
  it('a week’s bar is as high as its charge, never quite gone, and in full has 1 in 10 and its short weeks', async () => {
    const week = { startDay: 0, lowTypical: 0.5, lowOneInTen: 0.2, shortMean: 0, shortOneInTen: 0, generatorMean: 0 }
    const weeks = [week, { ...week, lowTypical: 0 }, { ...week, lowTypical: 1, shortOneInTen: 4 }]
    const draw = (full: boolean) =>
      rendered(WeekBars, larkspurBench(), { noWinter: true, props: { weeks, width: 90, height: 30, full } })
    const bars = [...(await draw(false)).matchAll(/ height="([\d.]+)" fill/g)].map(([, height]) => Number(height))
    expect(bars).toEqual([15, 2, 30])
    expect(await draw(false)).not.toContain('class="bad"')
    const full = await draw(true)
    expect(full.match(/class="bad"/g)).toHaveLength(3)
    expect(full.match(/class="short"/g)).toHaveLength(1)
  })

  it.each(['sound', 'watch', 'stop', 'open'] as const)('the mark of %s is told in words', async (level) => {
    expect(await rendered(StateMark, larkspurBench(), { noWinter: true, props: { level } })).toContain(
      `aria-label="${level}"`,
    )
  })

  it('a percentile table has a row for each figure and a column for each percentile', async () => {
    const reader = withSummary('summary')
    reader.props!.rows = [{ name: 'hours', of: (year: { generatorHours: number }) => year.generatorHours.toFixed(3) }]
    const html = await rendered(PercentileTable, larkspurBench(), reader)
    const { median, oneInFive, oneInTen, worst } = shown()
    expect(rowsOf(html)).toEqual([
      ['hours', ...[median, oneInFive, oneInTen, worst].map(({ generatorHours }) => generatorHours.toFixed(3))],
    ])
  })
})
