import type { Design } from '../document/types.ts'
import type { WinterEngine } from '../winter/engine.ts'
import { suggestArray } from './array.ts'
import { suggestBank } from './bank.ts'
import { suggestGenerator } from './generator.ts'
import { suggestInverter } from './inverter.ts'
import { suggestLoads } from './loads.ts'
import { suggestPlace } from './place.ts'
import { proved } from './proved.ts'
import type { Suggestion } from './suggestion.ts'
import { suggestWhole } from './whole.ts'
import { suggestWiring } from './wiring.ts'

/** What can be suggested: a step, or the whole system from its place and loads. */
export type Suggested = 'place' | 'loads' | 'bank' | 'array' | 'inverter' | 'generator' | 'wiring' | 'whole'

/** How each is made, and whether its winters tell whether it will do. */
const SUGGESTS: Record<Suggested, { suggest: (design: Design) => Suggestion; winters: number }> = {
  place: { suggest: suggestPlace, winters: 0 },
  loads: { suggest: suggestLoads, winters: 0 },
  bank: { suggest: suggestBank, winters: 10 },
  array: { suggest: suggestArray, winters: 10 },
  inverter: { suggest: suggestInverter, winters: 10 },
  generator: { suggest: suggestGenerator, winters: 10 },
  wiring: { suggest: suggestWiring, winters: 0 },
  whole: { suggest: suggestWhole, winters: 20 },
}

/** A suggestion held against all rules, without its winters. */
export const suggestionByRules = (what: Suggested, design: Design): Suggestion => SUGGESTS[what].suggest(design)

/** A suggestion held against all rules and, where they tell, run through its winters. */
export function suggestionFor(what: Suggested, engine: WinterEngine, design: Design): Suggestion {
  const { suggest, winters } = SUGGESTS[what]
  const { reasons, ...made } = suggest(design)
  if (winters === 0) return { design: made.design, reasons }
  return proved(engine, { ...made, reasons }, { years: winters, seed: design.winter.seed }, design)
}

/** The steps that can be suggested, in their order. */
export const SUGGESTED_STEPS = (Object.keys(SUGGESTS) as Suggested[]).filter(
  (what): what is Exclude<Suggested, 'whole'> => what !== 'whole',
)
