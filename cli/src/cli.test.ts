import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { DESIGN_VERSION, larkspurBench, type Design } from '@ambrel/core'
import { main } from './main.ts'

const bin = fileURLToPath(new URL('../bin/ambrel.mjs', import.meta.url))
let folder: string

beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'ambrel-cli-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

/** A command in this process, its output gathered; that the program itself starts has a test of its own. */
async function ambrel(args: string[], input = '') {
  const said = { stdout: '', stderr: '' }
  const into = (name: keyof typeof said) => ({ write: (text: string) => (said[name] += text) })
  const streams = { stdin: Readable.from([input]), stdout: into('stdout'), stderr: into('stderr') }
  return { status: await main(args, streams), ...said }
}

function file(change: (design: Design) => void = () => {}): string {
  const design = larkspurBench()
  change(design)
  const path = join(
    folder,
    `${Math.abs(JSON.stringify(design).length)}-${expect.getState().currentTestName!.length}.json`,
  )
  writeFileSync(path, JSON.stringify(design))
  return path
}

/** What a design keeps of a year of imported hours. */
const hoursOf = ({ monthly, persistence, windMS }: Design['place']): Design['place']['hours'] => ({
  fileId: '11111111-2222-4333-8444-555555555555',
  name: 'Valley',
  years: 1,
  utcOffsetH: -7,
  monthly,
  persistence,
  windMS,
  interannualPct: null,
  lowestC: -9,
  highestC: 30,
})
/** What a sum each year is worth today. */
const annuity = (years: number, rate: number) => (1 - (1 + rate) ** -years) / rate

describe('ambrel', () => {
  it('starts as a program, reads its input line by line, and ends with its code', () => {
    const lines = '{"name":"sun.diffuseFraction","with":{"clearness":0.35}}\nnonsense\n'
    const { status, stdout } = spawnSync(process.execPath, [bin, 'calc', '-'], { encoding: 'utf8', input: lines })
    expect(status).toBe(0)
    expect(stdout.trim().split('\n')).toHaveLength(2)
    const refused = spawnSync(process.execPath, [bin, 'frobnicate'], { encoding: 'utf8' })
    expect([refused.status, refused.stdout]).toEqual([2, ''])
    expect(refused.stderr).toContain('frobnicate')
  })

  it('check prints findings', async () => {
    const { status, stdout } = await ambrel(['check', file(), '--years', '2'])
    expect(status).toBe(0)
    const { findings } = JSON.parse(stdout)
    expect(findings.length).toBeGreaterThan(10)
    for (const finding of findings) {
      expect(Object.keys(finding)).toEqual(['id', 'step', 'level', 'subject', 'says', 'because'])
      expect(['sound', 'watch', 'stop', 'open']).toContain(finding.level)
    }
  })

  it('derive prints worked values by id', async () => {
    const worked = JSON.parse((await ambrel(['derive', file()])).stdout)
    expect(worked['bank.days']).toMatchObject({ unit: 'd', source: expect.any(String) })
  })

  it('run starts its years in the month asked for, with a full bank, and names a month that is none', async () => {
    const path = file()
    const csv = join(folder, 'from.csv')
    const { status } = await ambrel(['run', path, '--years', '1', '--from', '11', '--trace', csv])
    expect(status).toBe(0)
    const [header, first] = readFileSync(csv, 'utf8').split('\n')
    expect(header).toContain('year,hour,stateOfCharge,arrayW')
    expect(Number(first.split(',')[2])).toBeGreaterThan(0.95)
    const refused = await ambrel(['run', path, '--from', '13'])
    expect(refused.status).toBe(2)
    expect(refused.stderr).toContain('--from 13')
  })

  it('materials and cost print everything a design takes, to the cent', async () => {
    const list = JSON.parse((await ambrel(['materials', file()])).stdout)
    expect(list.find(({ key }: { key: string }) => key === 'connectors')).toMatchObject({ quantity: 2, unit: 'piece' })
    const { stdout } = await ambrel(['materials', file(), '--csv'])
    expect(stdout.trim().split('\n')).toHaveLength(list.length + 1)
    const sums = JSON.parse((await ambrel(['cost', file()])).stdout)
    const goods = sums.lines.reduce((all: number, { sum }: { sum: number }) => all + Math.round(sum * 100), 0)
    expect(Math.round(sums.partsSum * 100)).toBe(goods)
    expect(sums.unquoted).toBeGreaterThan(10)
    expect(sums.total).toBeGreaterThan(sums.partsSum)
  })

  it('cost reckons the life over the run, and takes the prices of a list', async () => {
    const { overLife } = JSON.parse((await ambrel(['cost', file(), '--years', '5'])).stdout)
    expect(overLife).toMatchObject({ years: 25, over: 5 })
    expect(overLife.byYear).toHaveLength(25)
    expect(overLife.costPerKWh).toBeCloseTo(overLife.presentValue / (overLife.kWhPerYear * annuity(25, 0.03)), 6)
    expect(overLife.ways.map(({ id }: { id: string }) => id)).toEqual(['grid', 'generator', 'unit', 'nothing'])
    const list = join(folder, 'list.csv')
    writeFileSync(list, 'key,item,price\nbank,,1300\ninverter,,1\ninverter,,2\nbank2,gnome,5\nlabel,,0\n')
    const run = await ambrel(['cost', file(), '--years', '1', '--prices', list])
    const { prices, lines } = JSON.parse(run.stdout)
    expect(prices).toMatchObject({ taken: 1, notOnTheBill: 1, severalPrices: [{ key: 'inverter' }] })
    expect(prices.problems).toEqual(['Line 6: the price of “label” is 0; it must be above 0.'])
    expect(lines.find(({ key }: { key: string }) => key === 'bank').unitPrice).toBe(1300)
    const none = await ambrel(['cost', file(), '--prices', join(folder, 'none.csv')])
    expect(none.status).toBe(2)
    expect(none.stderr).toContain('--prices')
  })

  it('cost of a design that runs on a weather file is a bill without a life, until the file is given', async () => {
    const path = file((design) => {
      design.place.source = 'hours'
      design.place.hours = hoursOf(design.place)
    })
    const { total, overLife } = JSON.parse((await ambrel(['cost', path])).stdout)
    expect(total).toBeGreaterThan(0)
    expect(overLife).toBeNull()
  })

  it('wire prints every circuit with its conductor and device', async () => {
    const { status, stdout } = await ambrel(['wire', file()])
    expect(status).toBe(0)
    const { circuits, leads, nodes } = JSON.parse(stdout)
    const array = circuits.find(({ id }: { id: string }) => id === 'array:array-1')
    expect(array).toMatchObject({
      from: 'combiner:array-1',
      to: 'controller:controller-1',
      oneWayM: 60,
      measured: true,
    })
    expect(array.inline.map(({ kind }: { kind: string }) => kind)).toEqual(['switch', 'arrester', 'arrester'])
    const main = circuits.find(({ id }: { id: string }) => id === 'bank-main')
    expect(main.device).toMatchObject({ kind: 'class-t', poles: 1, at: 'bank' })
    expect(main.faults).toEqual([])
    expect(leads.map(({ id }: { id: string }) => id)).toContain('bond')
    expect(nodes.length).toBeGreaterThan(10)
  })

  it('draw writes the one-line drawing, in the units asked for', async () => {
    const out = join(folder, 'one-line.svg')
    const { status } = await ambrel(['draw', file(), '--out', out, '--units', 'imperial'])
    expect(status).toBe(0)
    const svg = readFileSync(out, 'utf8')
    expect(svg).toMatch(/^<svg /)
    expect(svg).toContain('197 ft')
    expect((await ambrel(['draw', file()])).stdout).toContain('60 m')
    const refused = await ambrel(['draw', file(), '--units', 'feet'])
    expect(refused.status).toBe(2)
    expect(refused.stderr).toContain('--units feet')
    expect((await ambrel(['draw', file(), '--out', join(folder, 'none', 'a.svg')])).stderr).toContain('--out')
  })

  it('run prints years, median and 1 in 10, the same for the same seed', async () => {
    const path = file()
    const first = await ambrel(['run', path, '--years', '3', '--seed', '5'])
    expect(first.status).toBe(0)
    const result = JSON.parse(first.stdout)
    expect(result.years).toHaveLength(3)
    expect(Object.keys(result.years[0].shortHours)).toEqual(['must', 'should', 'canWait'])
    for (const year of result.years) expect(year.residualRelative).toBeLessThan(1e-9)
    expect((await ambrel(['run', path, '--years', '3', '--seed', '5'])).stdout).toBe(first.stdout)
  })

  it('calc runs one function, a list of them, and many lines', async () => {
    const one = await ambrel(['calc', 'sun.diffuseFraction', '{"clearness":0.35}'])
    expect(JSON.parse(one.stdout).fraction).toBeCloseTo(0.90425, 5)
    const names = JSON.parse((await ambrel(['calc', '--list'])).stdout).map((each: { name: string }) => each.name)
    for (const name of ['sun.position', 'weather.generate', 'bank.kineticStep', 'winter.balance'])
      expect(names).toContain(name)
    const { stdout } = await ambrel(
      ['calc', '-'],
      [
        '{"name":"array.coldVoltage","with":{"inSeries":9,"vocV":49.8,"betaVocPctPerK":-0.26,"coldestC":-31}}',
        '{"name":"array.coldVoltage","with":{"inSeries":0,"vocV":49.8,"betaVocPctPerK":-0.26,"coldestC":-31}}',
        'nonsense',
        `{"name":"winter.balance","with":{"designFile":${JSON.stringify(file())},"years":1,"seed":3}}`,
      ].join('\n'),
    )
    const lines = stdout
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line))
    expect(lines[0].volts).toBeCloseTo(513.5, 1)
    expect(lines[1].error).toContain('inSeries 0')
    expect(lines[2].error).toContain('not JSON')
    expect(lines[3].years[0].residualRelative).toBeLessThan(1e-9)
  })

  it.each([
    [['run', 'no-such-file.json'], 'no-such-file.json'],
    [['calc', 'sun.position', '{"latitudeDeg":95,"longitudeDeg":0,"at":"2024-01-01T00:00:00Z"}'], 'latitudeDeg 95'],
    [['calc', 'sun.position', '{'], 'not JSON'],
    [['calc', 'nothing'], 'name "nothing" is not a function'],
    [['calc'], 'name is missing'],
    [['frobnicate'], 'frobnicate'],
    [['run'], 'file'],
  ])('%j ends with code 2 and one line', async (args, message) => {
    const { status, stdout, stderr } = await ambrel(args)
    expect(status).toBe(2)
    expect(stdout).toBe('')
    expect(stderr.trim().split('\n')).toHaveLength(1)
    expect(stderr).toContain(message)
  })

  it.each([
    ['loads: the load list is empty', (d: Design): unknown => (d.loads = [])],
    [
      `version ${DESIGN_VERSION + 1} was written by a newer`,
      (d: Design): unknown => ((d as { version: number }).version = DESIGN_VERSION + 1),
    ],
    ['do not divide the 48 V bank', (d: Design): unknown => (d.bank.part.nominalV = 36)],
    ['place.latitudeDeg: Latitude: 95 °', (d: Design): unknown => (d.place.latitudeDeg = 95)],
  ])('a file is refused: %s', async (message, change) => {
    const { status, stderr } = await ambrel(['check', file(change)])
    expect(status).toBe(2)
    expect(stderr).toContain(message)
  })

  it('refuses a run of no years', async () => {
    const { status, stderr } = await ambrel(['run', file(), '--years', '0'])
    expect(status).toBe(2)
    expect(stderr).toContain('--years 0 is not allowed; a whole number from 1 to 1000')
  })

  describe('on a weather file', () => {
    const rows = (change: (row: string, hour: number) => string | null = (row) => row) =>
      Array.from({ length: 8760 }, (_, hour) => {
        const at = new Date(Date.UTC(2001, 0, 1) + hour * 3_600_000)
        const sun = Math.max(0, Math.sin(((at.getUTCHours() - 5) / 14) * Math.PI)) * 120
        return change(`${at.toISOString().slice(0, 16)},${sun.toFixed(1)},-4`, hour)
      })
    const weather = (lines: (string | null)[]) => {
      const path = join(folder, `hours-${lines.filter(Boolean).length}.csv`)
      writeFileSync(path, ['time,GHI,temp', ...lines.filter((line) => line !== null)].join('\n'))
      return path
    }

    it('runs the years it holds, and says its balance', async () => {
      const { status, stdout, stderr } = await ambrel(['run', file(), '--years', '5', '--weather', weather(rows())])
      expect(stderr).toContain('holds 1 of the 5 years asked for')
      expect(status).toBe(0)
      const { years } = JSON.parse(stdout)
      expect(years).toHaveLength(1)
      expect(years[0].residualRelative).toBeLessThan(1e-9)
    })

    it('refuses one with a gap, naming its rows, and one that is not there', async () => {
      const broken = weather(rows((row, hour) => (hour > 900 && hour < 920 ? null : row)))
      const { status, stderr } = await ambrel(['run', file(), '--weather', broken])
      expect(status).toBe(2)
      expect(stderr).toContain('19 hours without sun')
      expect(stderr).toContain('rows 902–903')
      expect((await ambrel(['run', file(), '--weather', 'nowhere.csv'])).status).toBe(2)
    })

    it('asks for the hours a design refers to', async () => {
      const { status, stderr } = await ambrel([
        'run',
        file(({ place }) => {
          place.hours = hoursOf(place)
          place.source = 'hours'
        }),
      ])
      expect(status).toBe(2)
      expect(stderr).toContain('give that file with --weather')
    })
  })
})
