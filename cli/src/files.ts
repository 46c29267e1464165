import { readFileSync } from 'node:fs'
import type { Design } from '@ambrel/core'
import { checkDesignText } from '@ambrel/contract'

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
    `${path}: ${problems.map((problem) => (problem.path ? `${problem.path}: ${problem.message}` : problem.message)).join('; ')}`,
  )
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
