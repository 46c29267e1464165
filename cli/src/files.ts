import { readFileSync, writeFileSync } from 'node:fs'
import { ImportRefused, type Design, type HourlySeries } from '@ambrel/core'
import { checkDesignText } from '@ambrel/contract/check'
import { decodeText, inspectWeather, parseTable, readWeather } from '@ambrel/contract/weather'
import { said } from '@ambrel/core/units'

/** Wrong use or bad input: one clear line and exit code 2. */
export class InputError extends Error {}

/**
 * Reads a design file.
 * @throws InputError naming every problem on one line
 */
export function readDesign(path: string): Design {
  let source: string
  try {
    source = readFileSync(path, 'utf8')
  } catch (error) {
    throw new InputError(`${path}: ${(error as Error).message}`)
  }
  const { design, problems } = checkDesignText(source)
  if (design) return design
  throw new InputError(
    `${path}: ${problems.map((problem) => (problem.path ? `${problem.path}: ${said(problem.message)}` : said(problem.message))).join('; ')}`,
  )
}

/**
 * Writes a text to a file that an option names.
 * @throws InputError naming the option and why it cannot be written
 */
export function writeText(option: string, path: string, text: string): void {
  try {
    writeFileSync(path, text)
  } catch (error) {
    throw new InputError(`${option} ${path}: ${(error as Error).message}`)
  }
}

/**
 * Rows of a CSV file that an option names.
 * @throws InputError naming the option and why it cannot be read
 */
export function readTable(option: string, path: string): string[][] {
  try {
    return parseTable(decodeText(readFileSync(path)).text)
  } catch (error) {
    throw new InputError(`${option} ${path}: ${(error as Error).message}`)
  }
}

/**
 * A whole number given on the command line.
 * @throws InputError naming the option, its value and the range
 */
export function wholeNumber(option: string, value: string, min: number, max: number): number {
  const parsed = Number(value)
  if (!Number.isInteger(parsed) || value.trim() === '' || parsed < min || parsed > max)
    throw new InputError(`${option} ${value} is not allowed; a whole number from ${min} to ${max}`)
  return parsed
}

const WEATHER_ID = '00000000-0000-4000-8000-000000000000'

/**
 * A design set to the hours of a weather file; unchanged without one.
 * @throws InputError with the rows of what the file cannot give, or where the design refers to hours that are not here
 */
export function withWeather(design: Design, path: string | undefined): { design: Design; series: HourlySeries | null } {
  if (path === undefined) {
    if (design.place.source === 'hours')
      throw new InputError(
        `place.hours: the design runs on “${design.place.hours!.name}”; give that file with --weather`,
      )
    return { design, series: null }
  }
  const { place } = design
  try {
    const bytes = readFileSync(path)
    const inspected = inspectWeather(bytes, place.utcOffsetH)
    const snowfallCm = place.monthly.map((month) => month.snowfallCm)
    const { series, fitted } = readWeather(bytes, inspected, place, { windMS: place.windMS, snowfallCm })
    const { years, utcOffsetH } = series
    const hours = { ...fitted, fileId: WEATHER_ID, name: path, years, utcOffsetH }
    return { design: { ...design, place: { ...place, source: 'hours', hours, utcOffsetH } }, series }
  } catch (error) {
    if (!(error instanceof ImportRefused) && !(error instanceof Error && 'code' in error)) throw error
    const rows = error instanceof ImportRefused ? error.rows.slice(0, 5) : []
    const where = rows.map(({ fromRow, toRow, says }) => `rows ${fromRow}–${toRow}: ${says}`)
    throw new InputError([`${path}: ${error.message}`, ...where].join('; '), { cause: error })
  }
}
