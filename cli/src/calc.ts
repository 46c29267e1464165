import { createInterface } from 'node:readline'
import { CALC_FUNCTIONS, calculate, describeField, WinterEngine, requireYears } from '@ambrel/core'
import { InputError, readDesign, withWeather } from './files.ts'
import { balanceOf } from './run.ts'

/** Functions that need a file, which the core cannot read. */
const FILE_FUNCTIONS: Record<
  string,
  { inputs: Record<string, string>; outputs: Record<string, string>; source: string; says: string }
> = {
  'winter.balance': {
    says: 'energy balance of each year of a run',
    inputs: { designFile: 'path of a design file', years: 'whole number from 1 to 1000', seed: 'whole number' },
    outputs: { years: 'per year: sourcesWh, servedWh, lossesWh, storedChangeWh, curtailedWh, residualRelative' },
    source: 'hourly run with exact balance',
  },
}

/** One call; every refusal names the field, its value and what is allowed. */
export function calc(name: unknown, input: unknown): Record<string, unknown> {
  if (typeof name !== 'string') throw new InputError(`name ${JSON.stringify(name)} must be text`)
  if (name === 'winter.balance') return winterBalance(input)
  try {
    return calculate(name, input)
  } catch (error) {
    if (error instanceof RangeError) throw new InputError(error.message)
    throw error
  }
}

function winterBalance(input: unknown): Record<string, unknown> {
  const { designFile, years, seed } = (input ?? {}) as Record<string, unknown>
  if (typeof designFile !== 'string') throw new InputError('designFile is missing; path of a design file')
  if (!Number.isInteger(seed)) throw new InputError(`seed ${JSON.stringify(seed)} must be a whole number`)
  try {
    requireYears(years as number)
  } catch (error) {
    throw new InputError((error as Error).message)
  }
  const results = new WinterEngine().run(withWeather(readDesign(designFile), undefined).design, {
    years: years as number,
    seed: seed as number,
  })
  return { years: results.map(balanceOf) }
}

/** Every function with its inputs, outputs, units, ranges and source. */
export function listFunctions() {
  const core = Object.entries(CALC_FUNCTIONS).map(([name, { says, inputs, outputs, source }]) => ({
    name,
    says,
    with: Object.fromEntries(
      Object.entries(inputs).map(([field, spec]) => [
        field,
        'fallback' in spec ? `${describeField(spec)}; default ${spec.fallback ?? 'none'}` : describeField(spec),
      ]),
    ),
    gives: outputs,
    source,
  }))
  const files = Object.entries(FILE_FUNCTIONS).map(([name, { says, inputs, outputs, source }]) => ({
    name,
    says,
    with: inputs,
    gives: outputs,
    source,
  }))
  return [...core, ...files]
}

/** Answers one JSON line after another from a stream; a bad one is answered and the rest go on. */
export async function calcLines(input: NodeJS.ReadableStream, print: (line: string) => void): Promise<void> {
  for await (const line of createInterface({ input })) {
    if (line.trim() === '') continue
    print(JSON.stringify(answer(line)))
  }
}

function answer(line: string): Record<string, unknown> {
  try {
    const { name, with: input } = JSON.parse(line) as { name?: unknown; with?: unknown }
    return calc(name, input ?? {})
  } catch (error) {
    return { error: error instanceof SyntaxError ? `not JSON: ${error.message}` : (error as Error).message }
  }
}
