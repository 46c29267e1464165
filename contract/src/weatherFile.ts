import Papa from 'papaparse'
import {
  assembleHours,
  epwLayout,
  fitClimate,
  guessMapping,
  ImportRefused,
  RowReader,
  sunYear,
  tmy3Layout,
  type ColumnMapping,
  type FittedClimate,
  type HourlySeries,
  type ImportReport,
  type Location,
  type Station,
} from '@ambrel/core'

/** Largest file that is read, bytes. */
export const LARGEST_FILE = 32 * 1024 * 1024
const PREVIEW_ROWS = 40
const CELL_SHOWN = 48
const CHUNK = 256 * 1024

/** What a file turned out to be, before its hours are read. */
export interface Inspected {
  kind: 'epw' | 'tmy3' | 'csv'
  encoding: string
  station: Station | null
  header: string[]
  /** some rows with hours, cells cut short */
  sample: string[][]
  mapping: ColumnMapping
}

/** What came of reading it whole. */
export interface ReadWeather {
  series: HourlySeries
  report: ImportReport
  fitted: FittedClimate
  station: Station | null
}

/**
 * Text of a file in whatever encoding it is likely to have: by its byte-order mark, else UTF-8, else Windows-1252.
 * @throws ImportRefused for an empty file, one too large, or one that is not text
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: string } {
  if (bytes.byteLength === 0) throw new ImportRefused('the file is empty')
  if (bytes.byteLength > LARGEST_FILE)
    throw new ImportRefused(
      `the file has ${Math.round(bytes.byteLength / 1024 / 1024)} MB; at most ${LARGEST_FILE / 1024 / 1024} MB`,
    )
  const decode = (encoding: string) => new TextDecoder(encoding, { fatal: true }).decode(bytes)
  const wide =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : null
  if (wide) return { text: decode(wide), encoding: wide }
  if (bytes.subarray(0, 4096).includes(0))
    throw new ImportRefused('the file is not text; a table of hours is needed (CSV, EPW or TMY3)')
  try {
    return { text: decode('utf-8'), encoding: 'utf-8' }
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' }
  }
}

/** Lines with anything on them, without reading what. */
export function countLines(text: string): number {
  let lines = 0
  for (let from = 0; from < text.length;) {
    const to = text.indexOf('\n', from)
    const end = to < 0 ? text.length : to
    if (text.slice(from, end).trim() !== '') lines++
    from = end + 1
  }
  return lines
}

/** Rows of a small table, whatever its delimiter. */
export function parseTable(text: string): string[][] {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: DELIMITERS,
    skipEmptyLines: false,
  })
  return data.map((row) => row.map(plainCell))
}

/**
 * What a spreadsheet would run as a formula: an apostrophe before it makes it text, and is taken off again when the
 * table is read. Plain negative numbers are numbers.
 */
const FORMULA = /^'*(?:[=@\t\r]|[+-](?!\d*[.,]?\d+(?:e[+-]?\d+)?$)).*$/is
const plainCell = (cell: string): string => (cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell)

/** Rows as CSV, for a spreadsheet. */
export const toCsv = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(rows as string[][], { newline: '\n', escapeFormulae: FORMULA })}\n`

const DELIMITERS = ['\t', ';', ',', '|']

/**
 * Looks at the first rows: which layout, which columns, which separators.
 * @param utcOffsetH clock of the place, a first guess for a file that does not say
 * @throws ImportRefused where this is no table at all
 */
export function inspectWeather(bytes: Uint8Array, utcOffsetH: number): Inspected {
  const { text, encoding } = decodeText(bytes)
  const { data: rows, meta } = Papa.parse<string[]>(text.slice(0, CHUNK), {
    delimitersToGuess: DELIMITERS,
    preview: PREVIEW_ROWS,
  })
  const published = asRefusal(() => epwLayout(rows) ?? tmy3Layout(rows))
  if (published) {
    const { kind, station, mapping } = published
    const numbers = [station.latitudeDeg, station.longitudeDeg, station.utcOffsetH, station.elevationM]
    if (!numbers.every(Number.isFinite))
      throw new ImportRefused(
        'row 1 does not give the latitude, longitude, clock and elevation of the station as numbers',
      )
    return {
      kind,
      encoding,
      station,
      header: rows[mapping.firstRow - 2]?.map(shown) ?? [],
      sample: rows.slice(mapping.firstRow - 1).map((row) => row.map(shown)),
      mapping,
    }
  }
  const headerRow = headerRowOf(rows)
  const header = headerRow > 0 ? rows[headerRow - 1] : (rows[0] ?? []).map((_, i) => `column ${i + 1}`)
  const sample = rows.slice(headerRow)
  if (Math.max(...rows.map((row) => row.length)) < 2)
    throw new ImportRefused('the file is not a table: no comma, semicolon or tab parts its rows into columns')
  const guessed = guessMapping(header, [...sample, ...rowsFurtherOn(text, meta.delimiter)], headerRow, utcOffsetH)
  const year = guessed.time.length === 0 ? yearOfRows(countLines(text) - headerRow) : null
  return {
    kind: 'csv',
    encoding,
    station: null,
    header: header.map(shown),
    sample: sample.map((row) => row.map(shown)),
    mapping: year === null ? guessed : { ...guessed, hourlyFrom: year },
  }
}

const YEAR_HOURS = 8760
/**
 * The year rows without times may begin in: rows of whole years an hour apart, or of one leap year.
 * @returns null where they are neither
 */
function yearOfRows(rows: number): number | null {
  if (rows === YEAR_HOURS + 24) return 2004
  return rows > 0 && rows % YEAR_HOURS === 0 ? 2001 : null
}

const LOOKS = 24

/** Single rows from all over the file. */
function rowsFurtherOn(text: string, delimiter: string): string[][] {
  const lines = Array.from({ length: LOOKS }, (_, i) => {
    const from = text.indexOf('\n', Math.floor(((i + 1) * text.length) / (LOOKS + 1))) + 1
    const to = text.indexOf('\n', from)
    return from > 0 && to > from && to - from < 2000 ? text.slice(from, to) : ''
  }).filter((line) => line.trim() !== '')
  return Papa.parse<string[]>(lines.join('\n'), { delimiter }).data
}

const shown = (cell: string) => (cell.length > CELL_SHOWN ? `${cell.slice(0, CELL_SHOWN - 1)}…` : cell)

/** The last row of words before the rows of figures, from 1; 0 where figures begin at once. */
function headerRowOf(rows: readonly string[][]): number {
  const figures = (row: readonly string[]) => row.filter((cell) => /^\s*-?[\d.,]+\s*$/.test(cell)).length
  const most = Math.max(...rows.slice(-10).map(figures))
  const first = rows.findIndex((row) => row.length > 1 && figures(row) >= Math.max(1, most - 1))
  if (first <= 0) return 0
  return rows[first - 1].length > 1 ? first : 0
}

/**
 * Reads the hours of a file by a mapping, in slices so that a reader can watch.
 *
 * @param bytes the file
 * @param mapping columns, units and clock
 * @param location of the place; a file that names its station is checked against that instead
 * @param otherwise what stands in for wind or snow the file does not hold
 * @param onProgress share read, 0…1
 * @throws ImportRefused naming what is wrong and, where it can, the rows
 */
export function readWeather(
  bytes: Uint8Array,
  { mapping, station }: Pick<Inspected, 'mapping' | 'station'>,
  location: Pick<Location, 'latitudeDeg' | 'longitudeDeg'>,
  otherwise: { windMS: number; snowfallCm: readonly number[] },
  onProgress: (share: number) => void = () => {},
): ReadWeather {
  const { text } = decodeText(bytes)
  const reader = asRefusal(() => new RowReader(mapping))
  let row = 0
  asRefusal(() =>
    Papa.parse<string[]>(text, {
      delimitersToGuess: DELIMITERS,
      chunkSize: CHUNK,
      chunk: ({ data, meta }: Papa.ParseResult<string[]>) => {
        for (const cells of data) reader.add(cells, ++row)
        onProgress(Math.min(1, meta.cursor / text.length))
      },
      complete: () => onProgress(1),
    }),
  )
  const { latitudeDeg, longitudeDeg } = station ?? location
  const sun = sunYear({ latitudeDeg, longitudeDeg, utcOffsetH: mapping.utcOffsetH })
  const { series, report } = assembleHours(reader, mapping, sun)
  return { series, report, fitted: fitClimate(series, sun, otherwise), station }
}

/** Runs something of the core and hands on its RangeError as a refusal. */
function asRefusal<T>(run: () => T): T {
  try {
    return run()
  } catch (error) {
    if (error instanceof RangeError) throw new ImportRefused(error.message)
    throw error
  }
}
