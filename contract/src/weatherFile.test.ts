import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  climateAt,
  ImportRefused,
  packSeries,
  readTime,
  sunYear,
  unpackSeries,
  type DateOrder,
  type HourlySeries,
} from '@ambrel/core'
import { clockAt } from './timeZone.ts'
import {
  inspectWeather,
  readWeather,
  toCsv,
  type Inspected,
  type ReadWeather,
  countLines,
  parseTable,
} from './weatherFile.ts'

const valley = { latitudeDeg: 48.2, longitudeDeg: -115.4, utcOffsetH: -7 }
const sun = sunYear(valley)
const otherwise = { windMS: 2, snowfallCm: climateAt('cold-valley', 48.2).monthly.map((month) => month.snowfallCm) }
const bytesOf = (text: string) => new TextEncoder().encode(text)
const two = (value: number) => String(value).padStart(2, '0')

/** Sun at a fixed clearness and a temperature that tells its hour, so that a misplaced row shows at once. */
const ghiAt = (hourOfYear: number, clearness = 0.5) => clearness * sun.extraWhM2[hourOfYear]
const airAt = (hourOfYear: number) => -10 + (hourOfYear % 24) + Math.floor(hourOfYear / 24) / 100

interface Hour {
  year: number
  month: number
  day: number
  hour: number
  /** hour of a year without leap days; −1 on 29 February */
  at: number
}

/** Every hour of some years, leap days among them. */
function hoursOf(from: number, years: number): Hour[] {
  const hours: Hour[] = []
  for (let year = from; year < from + years; year++) {
    let at = 0
    for (let t = Date.UTC(year, 0, 1); t < Date.UTC(year + 1, 0, 1); t += 3_600_000) {
      const date = new Date(t)
      const leap = date.getUTCMonth() === 1 && date.getUTCDate() === 29
      hours.push({
        year,
        month: date.getUTCMonth() + 1,
        day: date.getUTCDate(),
        hour: date.getUTCHours(),
        at: leap ? -1 : at++,
      })
    }
  }
  return hours
}

type Cells = (hour: Hour) => string[]
const plainRow: Cells = ({ year, month, day, hour, at }) => [
  `${year}-${two(month)}-${two(day)} ${two(hour)}:00`,
  (at < 0 ? 0 : ghiAt(at)).toFixed(3),
  (at < 0 ? 0 : airAt(at)).toFixed(2),
]
const HEADER = ['time', 'GHI W/m2', 'temp C']
const csv = (hours: readonly Hour[], row: Cells = plainRow, header = HEADER) => toCsv([header, ...hours.map(row)])

function read(text: string | Uint8Array, change: (inspected: Inspected) => void = () => {}): ReadWeather {
  const bytes = typeof text === 'string' ? bytesOf(text) : text
  const inspected = inspectWeather(bytes, valley.utcOffsetH)
  change(inspected)
  return readWeather(bytes, inspected, valley, otherwise)
}

/** Every hour where it belongs: sun to 0.01 W/m², temperature to 0.01 °C. */
function expectInPlace(series: HourlySeries, firstDay = 0): void {
  expect(series.firstDay).toBe(firstDay)
  for (let i = 0; i < series.ghiWM2.length; i += 1) {
    const at = (firstDay * 24 + i) % 8760
    if (Math.abs(series.ghiWM2[i] - ghiAt(at)) > 0.01) expect.fail(`hour ${i}: ${series.ghiWM2[i]} for ${ghiAt(at)}`)
    if (Math.abs(series.airC[i] - airAt(at)) > 0.011) expect.fail(`hour ${i}: ${series.airC[i]} °C for ${airAt(at)}`)
  }
}

function refusal(run: () => unknown): ImportRefused {
  try {
    run()
  } catch (error) {
    if (error instanceof ImportRefused) return error
    throw error
  }
  return expect.fail('nothing was refused')
}

/** An EPW file of the published layout: eight header rows, thirty-five columns, hours 1…24 named by their end. */
function epw(hours: readonly Hour[]): string {
  const head = [
    'LOCATION,Larkspur Bench,MT,USA,made up,999999,48.20,-115.40,-7.0,940.0',
    'DESIGN CONDITIONS,0',
    'TYPICAL/EXTREME PERIODS,0',
    'GROUND TEMPERATURES,0',
    'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
    'COMMENTS 1,made up for a test',
    'COMMENTS 2,none',
    'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
  ]
  const rows = hours.map(({ year, month, day, hour, at }) => {
    const cells = Array<string>(35).fill('0')
    const put = (column: number, value: number, decimals = 3) => (cells[column] = value.toFixed(decimals))
    put(0, year, 0)
    put(1, month, 0)
    put(2, day, 0)
    put(3, hour + 1, 0)
    put(4, 60, 0)
    cells[5] = '?9?9?9'
    put(6, airAt(at))
    put(13, ghiAt(at))
    cells[14] = '9999'
    put(15, ghiAt(at) / 2)
    cells[21] = '999'
    put(30, month === 1 ? 10 + Math.floor((day * 24 + hour) / 24) : 0, 0)
    return cells.join(',')
  })
  return `${[...head, ...rows].join('\r\n')}\r\n`
}

/** A TMY3 file of the published layout: a station row, a header row, hours 01:00…24:00. */
function tmy3(hours: readonly Hour[]): string {
  const head = [
    '999999,"LARKSPUR BENCH",MT,-7.0,48.200,-115.400,940',
    'Date (MM/DD/YYYY),Time (HH:MM),ETR (W/m^2),ETRN (W/m^2),GHI (W/m^2),GHI source,GHI uncert (%),DNI (W/m^2),DNI source,DNI uncert (%),DHI (W/m^2),DHI source,DHI uncert (%),Dry-bulb (C),Dry-bulb source,Dry-bulb uncert (code),Wspd (m/s)',
  ]
  const rows = hours.map(({ year, month, day, hour, at }) =>
    [
      `${two(month)}/${two(day)}/${year}`,
      `${two(hour + 1)}:00`,
      '0,0',
      ghiAt(at).toFixed(3),
      '2,15',
      '-9900',
      '2,15',
      (ghiAt(at) / 2).toFixed(3),
      '2,15',
      airAt(at).toFixed(2),
      'A,7',
      '3.5',
    ].join(','),
  )
  return `${[...head, ...rows].join('\n')}\n`
}

describe('published layouts', () => {
  it('an EPW file is read back: hours by their end, diffuse, snow from its depth, missing wind left out', () => {
    const { series, report, station } = read(epw(hoursOf(2001, 1)))
    expect(station).toEqual({
      name: 'Larkspur Bench',
      latitudeDeg: 48.2,
      longitudeDeg: -115.4,
      utcOffsetH: -7,
      elevationM: 940,
    })
    expectInPlace(series)
    expect(series.dhiWM2![12]).toBeCloseTo(ghiAt(12) / 2, 2)
    expect(series.windMS).toBeNull()
    expect(series.snowfallCm!.reduce((sum, fall) => sum + fall, 0)).toBe(30)
    expect(report.notes.join(' ')).toContain('wind misses 8760 hours')
  })

  it('an EPW temperature of 99.9 and irradiance of 9999 are missing, 999 W/m² is not', () => {
    const text = epw(hoursOf(2001, 1)).split('\r\n')
    const edit = (line: number, column: number, value: string) => {
      const cells = text[line].split(',')
      cells[column] = value
      text[line] = cells.join(',')
    }
    edit(8 + 4000, 6, '99.9')
    edit(8 + 4000, 13, '9999')
    const { series, report } = read(text.join('\r\n'))
    expect(report.filledHours).toBe(2)
    expect(report.filled[0]).toMatchObject({ fromRow: 4009, toRow: 4009 })
    expect(series.airC[4000]).toBeCloseTo((airAt(3999) + airAt(4001)) / 2, 1)
    expect(series.ghiWM2[4000]).toBeCloseTo(ghiAt(4000), 0)
  })

  it('a TMY3 file is read back, its months from different years as one typical year', () => {
    const from = [1991, 2003, 1988, 1999, 2001, 1987, 2002, 1995, 1990, 1998, 2005, 1986]
    const hours = hoursOf(2001, 1).map((hour) => ({ ...hour, year: from[hour.month - 1] }))
    const { series, report } = read(tmy3(hours))
    expectInPlace(series)
    expect(report.years).toBe(1)
    expect(report.notes.join(' ')).toContain('typical year')
    expect(series.windMS![0]).toBe(3.5)
  })

  it('a TMY3 file without its temperature column says which', () => {
    const text = tmy3(hoursOf(2001, 1)).replace('Dry-bulb (C)', 'Something else')
    expect(refusal(() => read(text)).message).toContain('dry-bulb')
  })
})

describe('any hourly table', () => {
  it('drops leap days with a note and keeps every other hour where it was', () => {
    const { series, report } = read(csv(hoursOf(2019, 3)))
    expect(series.years).toBe(3)
    expectInPlace(series)
    expect(report.notes).toEqual(['24 rows of 29 February were left out; every year has 365 days here.'])
  })

  // what a file may look like: its rows, and how its mapping must be set where it cannot be guessed
  const one = hoursOf(2001, 1)
  const cases: [string, () => string | Uint8Array, ((inspected: Inspected) => void)?][] = [
    [
      'hours named by their end',
      () => csv(one, (hour) => [endOf(hour), ...plainRow(hour).slice(1)]),
      (file) => (file.mapping.label = 'ending'),
    ],
    [
      'hours named by their middle',
      () => csv(one, (hour) => [plainRow(hour)[0].replace(':00', ':30'), ...plainRow(hour).slice(1)]),
    ],
    [
      'year, month, day and hour in columns of their own',
      () =>
        csv(
          one,
          (hour) => [
            String(hour.year),
            String(hour.month),
            String(hour.day),
            String(hour.hour),
            ...plainRow(hour).slice(1),
          ],
          ['Year', 'Month', 'Day', 'Hour', 'GHI', 'T2m'],
        ),
    ],
    [
      'packed times',
      () =>
        csv(
          one,
          (hour) => [`${hour.year}${two(hour.month)}${two(hour.day)}:${two(hour.hour)}00`, ...plainRow(hour).slice(1)],
          ['time', 'G(h)', 'T2m'],
        ),
    ],
    [
      'day before month',
      () =>
        csv(one, (hour) => [`${hour.day}.${hour.month}.${hour.year} ${two(hour.hour)}:00`, ...plainRow(hour).slice(1)]),
    ],
    [
      'date and time apart, the American way',
      () =>
        csv(
          one,
          (hour) => [`${hour.month}/${hour.day}/${hour.year}`, `${two(hour.hour)}:00`, ...plainRow(hour).slice(1)],
          ['Date', 'Time', 'Solar rad', 'Air temp'],
        ),
    ],
    [
      'twelve-hour clock',
      () =>
        csv(one, (hour) => [
          `${hour.month}/${hour.day}/${hour.year} ${hour.hour % 12 === 0 ? 12 : hour.hour % 12}:00 ${hour.hour < 12 ? 'AM' : 'PM'}`,
          ...plainRow(hour).slice(1),
        ]),
    ],
    ['a byte-order mark', () => `\uFEFF${csv(one)}`],
    ['UTF-16', () => utf16(csv(one))],
    ['Windows-1252 with a degree sign', () => latin(csv(one, plainRow, ['time', 'GHI W/m2', 'temp °C']))],
    [
      'semicolons and decimal commas',
      () =>
        [HEADER, ...one.map(plainRow)].map((row) => row.map((cell) => cell.replace('.', ',')).join(';')).join('\r\n'),
    ],
    ['rows of words before the header', () => `Station of nobody\nmade up\n${csv(one)}`],
    [
      'Fahrenheit and MJ',
      () =>
        csv(
          one,
          (hour) => [plainRow(hour)[0], (ghiAt(hour.at) * 0.0036).toFixed(7), (airAt(hour.at) * 1.8 + 32).toFixed(3)],
          ['time', 'GHI MJ/m2', 'temp (F)'],
        ),
    ],
    [
      'a clock in UTC',
      () =>
        csv(one, (hour) => [
          new Date(Date.UTC(hour.year, hour.month - 1, hour.day, hour.hour + 7)).toISOString(),
          ...plainRow(hour).slice(1),
        ]),
    ],
    [
      'direct and diffuse without the global',
      () =>
        csv(one, (hour) => [plainRow(hour)[0], ...beamOf(hour.at), airAt(hour.at).toFixed(2)], [
          'time',
          'DNI',
          'DHI',
          'temp',
        ]),
    ],
  ]
  it.each(cases)('%s', (_, make, change) => {
    const { series, report } = read(make(), change)
    expect(report.refusedCount).toBe(0)
    const shift = (series.utcOffsetH - valley.utcOffsetH + 24) % 24
    if (shift === 0) expectInPlace(series)
    else expect(series.ghiWM2[12 + shift]).toBeCloseTo(ghiAt(12), 1)
    expect(report.notes.filter((note) => note.includes('clock'))).toEqual([])
  })

  it('averages quarter hours', () => {
    const quarters = one.flatMap((hour) => [0, 15, 30, 45].map((minute) => ({ ...hour, minute })))
    const text = toCsv([
      HEADER,
      ...quarters.map((each) => [
        plainRow(each)[0].replace(':00', `:${two(each.minute)}`),
        (ghiAt(each.at) * (each.minute < 30 ? 0.8 : 1.2)).toFixed(3),
        airAt(each.at).toFixed(2),
      ]),
    ])
    const { series, report } = read(text)
    expectInPlace(series)
    expect(report.notes).toEqual(['Rows every 15 minutes were averaged to hours.'])
  })

  it('starts on any day and runs on from its last year to its first', () => {
    const hours = hoursOf(2001, 3).slice(8760 - 4416, 8760 * 2 + 4344)
    const { series, report } = read(csv(hours))
    expect(series.years).toBe(2)
    expectInPlace(series, 365 - 184)
    expect(report.notes).toEqual([])
  })
})

describe('what a file may lack', () => {
  const one = hoursOf(2001, 1)
  const without = (from: number, count: number, years = one) =>
    csv([...years.slice(0, from), ...years.slice(from + count)])

  it('six hours are filled and reported with their rows', () => {
    const { series, report } = read(without(4330, 6))
    expectInPlace({ ...series, airC: series.airC.map((value, i) => (i >= 4330 && i < 4336 ? airAt(i) : value)) })
    expect(report.filledHours).toBe(12)
    expect(report.filled[0]).toMatchObject({ fromRow: 4331, toRow: 4332 })
    expect(report.filled[0].says).toContain('6 h')
  })

  it('seven hours refuse the file, naming the rows', () => {
    const refused = refusal(() => read(without(4330, 7)))
    expect(refused.message).toContain('7 hours without sun')
    expect(refused.rows[0]).toMatchObject({ fromRow: 4331, toRow: 4332 })
  })

  it('of several years only the one with the gap is left out, and the report says so', () => {
    const { series, report } = read(without(12000, 40, hoursOf(2001, 3)))
    expect(series.years).toBe(2)
    expect(report.notes.join(' ')).toMatch(/1 of 3 years were left out.*rows 12001–12002 \(40 hours without sun\)/)
  })

  it('rows of a whole year without a time are its hours in order, which the mapping says', () => {
    const text = toCsv([
      ['GHI', 'Temp (°F)'],
      ...one.map(({ at }) => [ghiAt(at).toFixed(3), (airAt(at) * 1.8 + 32).toFixed(3)]),
    ])
    const { mapping } = inspectWeather(bytesOf(text), valley.utcOffsetH)
    expect(mapping).toMatchObject({ time: [], hourlyFrom: 2001 })
    expectInPlace(read(text).series)
  })

  it.each<[string, () => string | Uint8Array, RegExp]>([
    ['empty', () => new Uint8Array(0), /file is empty/],
    ['half a year', () => csv(one.slice(0, 4380)), /cover 182 days; a whole year of 365/],
    [
      'no time',
      () => toCsv([['a', 'GHI', 'temp'], ...one.slice(0, 8000).map((hour) => ['x', ...plainRow(hour).slice(1)])]),
      /no column is chosen for the time|hold no date/,
    ],
    ['no irradiance', () => csv(one, plainRow, ['time', 'something', 'temp']), /choose the column of the global/],
    [
      'no temperature',
      () => csv(one, plainRow, ['time', 'GHI', 'something']),
      /choose the column of the air temperature/,
    ],
    ['rows of three hours', () => csv(one.filter(({ hour }) => hour % 3 === 0)), /180 minutes apart/],
    ['a day only', () => csv(one.slice(0, 24)), /only 24 rows/],
    ['no sun in it', () => csv(one, (hour) => [plainRow(hour)[0], '0', '1']), /no sun at all/],
    ['one column', () => one.map((hour) => plainRow(hour)[0]).join('\n'), /not a table/],
    [
      'bytes that are no text',
      () => Uint8Array.from({ length: 30_000 }, (_, i) => (i * 7919) % 251),
      /not text|not a table/,
    ],
    ['too large', () => new Uint8Array(33 * 1024 * 1024).fill(65), /33 MB; at most 32 MB/],
  ])('%s', (_, make, says) => {
    expect(refusal(() => read(make())).message).toMatch(says)
  })

  it('thirty megabytes of printable noise end soon with a reason', () => {
    let state = 7
    const noise = Uint8Array.from({ length: 30 * 1024 * 1024 }, () => {
      state = (Math.imul(state, 1103515245) + 12345) >>> 0
      return state % 19 === 0 ? 44 : state % 61 === 0 ? 10 : 33 + ((state >>> 9) % 90)
    })
    const refused = refusal(() =>
      read(noise, ({ mapping }) => {
        mapping.time = [0]
        mapping.columns = { ghiWM2: { column: 1, unit: 'W/m²' }, airC: { column: 2, unit: '°C' } }
      }),
    )
    expect(refused.message).toMatch(/first 500 rows hold no date|only \d+ rows/)
  })

  it('text in numbers and figures out of range are refused by row, their hours filled', () => {
    const rows = [HEADER, ...one.map(plainRow)]
    rows[100][2] = 'frozen'
    rows[200][1] = '12000'
    const { report } = read(toCsv(rows))
    expect(report.refused).toEqual([
      { fromRow: 101, toRow: 101, says: 'air temperature “frozen” is not a number' },
      { fromRow: 201, toRow: 201, says: 'global horizontal irradiance 12000 W/m² lies outside 0 to 1600 W/m²' },
    ])
    expect(report.filledHours).toBe(2)
  })

  it('an hour said twice is noted', () => {
    const rows = one.map(plainRow)
    rows.splice(51, 0, rows[50])
    const { series, report } = read(toCsv([HEADER, ...rows]))
    expectInPlace(series)
    expect(report.refused[0]).toMatchObject({ fromRow: 53, says: expect.stringContaining('an earlier row') })
  })

  it('a wrong clock is noticed', () => {
    const { report } = read(csv(one), ({ mapping }) => (mapping.utcOffsetH = -4))
    expect(report.notes.join(' ')).toMatch(/stands 3 h early/)
  })

  it('no hour holds more than the extraterrestrial', () => {
    const { series, report } = read(csv(one, (hour) => [plainRow(hour)[0], '400', '1']))
    series.ghiWM2.forEach((value, i) => {
      if (value > sun.extraWhM2[i] + 1e-3) expect.fail(`hour ${i}: ${value}`)
    })
    expect(report.notes.join(' ')).toContain('more sun than stands outside')
  })
})

describe('packed hours', () => {
  it('come back as they went, and wrong ones are refused by name', () => {
    const { series } = read(epw(hoursOf(2001, 1)))
    const { shape, bytes } = packSeries(series)
    expect(unpackSeries(shape, bytes)).toEqual(series)
    expect(() => unpackSeries({ ...shape, years: 2 }, bytes)).toThrow('hours hold')
    new DataView(bytes.buffer).setFloat32(40, NaN, true)
    expect(() => unpackSeries(shape, bytes)).toThrow('ghiWM2.10 NaN')
  })
})

describe('times', () => {
  it('every hour of two centuries is read back in every order', () => {
    const orders: [DateOrder, (y: number, m: number, d: number) => string][] = [
      ['ymd', (y, m, d) => `${y}-${m}-${d}`],
      ['dmy', (y, m, d) => `${d}.${m}.${y}`],
      ['mdy', (y, m, d) => `${m}/${d}/${y}`],
    ]
    fc.assert(
      fc.property(
        fc.integer({ min: -600_000, max: 1_100_000 }),
        fc.constantFrom(...orders),
        (hours, [order, write]) => {
          const at = new Date(hours * 3_600_000)
          const text = `${write(at.getUTCFullYear(), at.getUTCMonth() + 1, at.getUTCDate())} ${at.getUTCHours()}:00`
          expect(readTime(text, order)).toBe(hours * 60)
        },
      ),
    )
  })

  it.each(['', 'noon', '2001-02-30 10:00', '2001-13-01 00:00', '01/31/2001', '99999'])('“%s” is no time', (text) => {
    expect(readTime(text, 'ymd')).toBeNull()
  })
})

describe('the clock of a place', () => {
  // standard time of the zones, never summer time
  it.each([
    [48.2, -115.4, 'America/Denver', -7],
    [57.4, -6.1, 'Europe/London', 0],
    [-41.3, 174.8, 'Pacific/Auckland', 12],
    [28.6, 77.2, 'Asia/Kolkata', 5.5],
  ])('%s, %s', (latitudeDeg, longitudeDeg, zone, utcOffsetH) => {
    expect(clockAt(latitudeDeg, longitudeDeg)).toEqual({ zone, utcOffsetH })
  })
})

function endOf({ year, month, day, hour }: Hour): string {
  return `${year}-${two(month)}-${two(day)} ${two(hour + 1)}:00`
}

function beamOf(at: number): string[] {
  const ghi = ghiAt(at)
  const cosine = Math.max(0, sun.cosZenith[at])
  const diffuse = cosine > 0.05 ? ghi * 0.6 : ghi
  return [cosine > 0.05 ? ((ghi - diffuse) / cosine).toFixed(6) : '0', diffuse.toFixed(6)]
}

function utf16(text: string): Uint8Array {
  const out = new Uint8Array(2 + text.length * 2)
  out.set([0xff, 0xfe])
  for (let i = 0; i < text.length; i++) out[2 + 2 * i] = text.charCodeAt(i)
  return out
}

const latin = (text: string) => Uint8Array.from(text, (char) => char.charCodeAt(0))

describe('tables for a spreadsheet', () => {
  it.each(['=1+2', '@SUM(A1)', '+cmd|calc', '-2+3', '\tx', "'=quoted", "''@twice", '=HYPERLINK("x";"y")'])(
    'hold no formula: %s goes out as text and comes back as it was',
    (cell) => {
      const csv = toCsv([['name', cell]])
      expect(csv).toContain("'")
      expect(parseTable(csv)[0]).toEqual(['name', cell])
    },
  )

  it('leave numbers and plain words as they are', () => {
    const row = ['-5', '+3.2', '-1e3', '1,5', 'Freezer', "it's", "'tis"]
    expect(toCsv([row]).trim()).toBe('-5,+3.2,-1e3,"1,5",Freezer,it\'s,\'tis')
    expect(parseTable(toCsv([row]))[0]).toEqual(row)
  })

  it('count their lines without being read', () => {
    expect(countLines('a\n\nb\r\n  \nc')).toBe(3)
    expect(countLines('x\n'.repeat(500_000))).toBe(500_000)
    expect(countLines('')).toBe(0)
  })
})
