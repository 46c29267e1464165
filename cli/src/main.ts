import { Command, CommanderError } from 'commander'
import {
  bill,
  billCells,
  derive,
  findings,
  larkspurBench,
  MAX_YEARS,
  MONTH_START,
  summariseWinter,
  WinterEngine,
  yearsOfRun,
} from '@ambrel/core'
import { formatPage } from '@ambrel/contract/check'
import { toCsv } from '@ambrel/contract/weather'
import { calc, calcLines, listFunctions } from './calc.ts'
import { InputError, readDesign, readTable, wholeNumber, withWeather, writeText } from './files.ts'
import { runDesign } from './run.ts'
import { cost, costOfLife, materialList, withPrices } from './cost.ts'
import { drawing, wiring } from './wire.ts'

const WRONG_INPUT = 2
const WEATHER_HELP = 'runs the years of an EPW, TMY3 or hourly CSV file in place of made ones'
interface RunOptions {
  years?: string
  seed?: string
  trace?: string
  weather?: string
  from?: string
}

/** Where a command reads and writes. */
export interface Streams {
  stdin: NodeJS.ReadableStream
  stdout: { write: (text: string) => unknown }
  stderr: { write: (text: string) => unknown }
}

function program({ stdin, stdout, stderr }: Streams): Command {
  const print = (value: unknown): void => void stdout.write(`${JSON.stringify(value, null, 2)}\n`)
  const ambrel = new Command('ambrel').description(
    'the computation of Ambrel from a shell, on a design file; prints JSON',
  )
  ambrel.exitOverride().configureOutput({ writeErr: () => {}, writeOut: (text) => void stdout.write(text) })

  ambrel
    .command('check <file>')
    .description('what the rules say about a design')
    .option('--years <n>', 'weather years for the winter rules', '30')
    .option('--weather <file>', WEATHER_HELP)
    .action((file: string, options: { years: string; weather?: string }) => {
      const { design, series } = withWeather(readDesign(file), options.weather)
      const years = wholeNumber('--years', options.years, 1, MAX_YEARS)
      const engine = new WinterEngine()
      if (series) engine.provide(design.place.hours!.fileId, series)
      const results = engine.run(design, { years, seed: design.winter.seed })
      const winter = summariseWinter(results, design)
      const all = findings({ design, derived: derive(design), winter })
      print({
        findings: all.map(({ id, step, level, subject, says, because }) => ({
          id,
          step,
          level,
          subject,
          says,
          because,
        })),
      })
    })

  ambrel
    .command('derive <file>')
    .description('every worked value by id')
    .action((file: string) => print(derive(readDesign(file)).worked))

  ambrel
    .command('run <file>')
    .description('runs winters hour by hour')
    .option('--years <n>', `1 to ${MAX_YEARS}`)
    .option('--seed <n>', 'whole number')
    .option('--trace <csv>', 'writes every hour to this file')
    .option('--weather <file>', WEATHER_HELP)
    .option('--from <month>', '1 to 12: every year starts on the first of this month with a full bank')
    .action((file: string, options: RunOptions) => {
      const { design, series } = withWeather(readDesign(file), options.weather)
      const years =
        options.years === undefined ? design.winter.years : wholeNumber('--years', options.years, 1, MAX_YEARS)
      const seed = options.seed === undefined ? design.winter.seed : wholeNumber('--seed', options.seed, 0, 2147483647)
      const from = options.from === undefined ? null : MONTH_START[wholeNumber('--from', options.from, 1, 12) - 1]
      const held = yearsOfRun(design.place, years)
      if (held < years)
        stderr.write(`ambrel: the weather file holds ${held} of the ${years} years asked for; so many are run\n`)
      print(runDesign(design, series, { years: held, seed, from }, options.trace))
    })

  ambrel
    .command('calc [name] [input]')
    .description('a public function of the core by name; “-” reads one JSON call per line')
    .option('--list', 'every function with inputs, outputs, units, ranges and source')
    .action(async (name: string | undefined, input: string | undefined, options: { list?: boolean }) => {
      if (options.list) return print(listFunctions())
      if (name === '-') return calcLines(stdin, (line) => void stdout.write(`${line}\n`))
      if (!name) throw new InputError('name is missing; --list names every function')
      print(calc(name, parse(input ?? '{}')))
    })

  ambrel
    .command('wire <file>')
    .description('every circuit with its conductor, device, ground and drop, and what is wrong with it')
    .action((file: string) => print(wiring(readDesign(file))))

  ambrel
    .command('draw <file>')
    .description('the one-line drawing as SVG')
    .option('--out <svg>', 'writes it to this file')
    .option('--units <system>', 'metric or imperial', 'metric')
    .action((file: string, { out, units }: { out?: string; units: string }) => {
      if (units !== 'metric' && units !== 'imperial')
        throw new InputError(`--units ${units} is not allowed; metric or imperial`)
      const svg = drawing(readDesign(file), units)
      if (out === undefined) return void stdout.write(`${svg}\n`)
      writeText('--out', out, svg)
      print({ out, bytes: Buffer.byteLength(svg) })
    })

  ambrel
    .command('materials <file>')
    .description('everything the design takes: parts, boxes, fuses, cable by the metre, lugs, racks')
    .option('--csv', 'as a table instead')
    .action((file: string, { csv }: { csv?: boolean }) => {
      const design = readDesign(file)
      if (csv) stdout.write(`${toCsv(billCells(design, bill(design)).map((row) => row.map(String)))}\n`)
      else print(materialList(design))
    })

  ambrel
    .command('cost <file>')
    .description('what the design costs, line by line, in all, and over its life')
    .option('--years <n>', 'weather years its life is reckoned by', '30')
    .option('--weather <file>', WEATHER_HELP)
    .option('--prices <csv>', 'a price list that is held against the bill')
    .action(async (file: string, { years, weather, prices }: { years: string; weather?: string; prices?: string }) => {
      const count = wholeNumber('--years', years, 1, MAX_YEARS)
      const read = readDesign(file)
      const isRunnable = weather !== undefined || read.place.source !== 'hours'
      const { design, series } = isRunnable ? withWeather(read, weather) : { design: read, series: null }
      const priced = prices === undefined ? { design } : withPrices(design, readTable('--prices', prices))
      print({
        ...cost(priced.design),
        // a life takes a run, and a run its weather file
        overLife: isRunnable ? await costOfLife(priced.design, series, count) : null,
        ...('prices' in priced ? { prices: priced.prices } : {}),
      })
    })

  ambrel
    .command('sample')
    .description('prints the demo design, to start a file from')
    .action(() => print(larkspurBench()))

  ambrel
    .command('format')
    .description('prints the page that describes the design file')
    .action(() => void stdout.write(formatPage()))

  return ambrel
}

function parse(input: string): unknown {
  try {
    return JSON.parse(input)
  } catch (error) {
    throw new InputError(`not JSON: ${(error as Error).message}`)
  }
}

/** Runs a command line. @returns the exit code: 0, or 2 for wrong use and bad input after one clear line */
export async function main(args: readonly string[], streams: Streams = process): Promise<number> {
  try {
    await program(streams).parseAsync([...args], { from: 'user' })
    return 0
  } catch (error) {
    if (error instanceof CommanderError) {
      if (error.exitCode === 0) return 0
      streams.stderr.write(`ambrel: ${error.message.replace(/^error: /, '')}\n`)
      return WRONG_INPUT
    }
    if (!(error instanceof InputError)) throw error
    streams.stderr.write(`ambrel: ${error.message.replace(/\s*\n\s*/g, ' ')}\n`)
    return WRONG_INPUT
  }
}
