import { Fields } from './fields.ts'
import { SUN } from './sun.ts'
import { WEATHER } from './weather.ts'
import { LOADS } from './loads.ts'
import { ARRAY } from './array.ts'
import { BANK } from './bank.ts'
import { ELECTRICAL } from './electrical.ts'
import { MONEY } from './money.ts'
import { WIRING } from './wiring.ts'
import { PARTS } from './parts.ts'
import { type CalcFunction } from './inputs.ts'

export type { CalcFunction }

/** Every public function of the core by its name. */
export const CALC_FUNCTIONS: Record<string, CalcFunction> = {
  ...SUN,
  ...WEATHER,
  ...LOADS,
  ...ARRAY,
  ...BANK,
  ...ELECTRICAL,
  ...WIRING,
  ...MONEY,
  ...PARTS,
}

/**
 * Runs a public function by name on plain JSON input.
 * @throws RangeError naming the function or the field, its value and what is allowed
 */
export function calculate(name: string, input: unknown): Record<string, unknown> {
  const found = CALC_FUNCTIONS[name]
  if (!found) throw new RangeError(`name ${JSON.stringify(name)} is not a function; --list names them all`)
  return found.run(new Fields(found.inputs, input))
}
