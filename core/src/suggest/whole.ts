import type { Design } from '../document/types.ts'
import { say, type Words } from '../units/words.ts'
import { suggestArray } from './array.ts'
import { suggestBank } from './bank.ts'
import { suggestGenerator } from './generator.ts'
import { suggestInverter } from './inverter.ts'
import type { Suggestion } from './suggestion.ts'
import { thinnestCircuits } from '../change/circuits.ts'

/** A choice early in the order may rest on what a later one changes; after so many rounds they stand. */
const ROUNDS = 3

/**
 * A whole design from its place and its loads: bank, inverter, array, backup where there is one, and cables, each after the
 * rules, until none changes another.
 */
export function suggestWhole(design: Design): Suggestion {
  let next = design
  let reasons: Words[] = []
  for (let round = 0; round < ROUNDS; round++) {
    const before = JSON.stringify(next)
    const parts: [string, Suggestion][] = []
    const take = (step: string, suggest: (each: Design) => Suggestion) => {
      const made = suggest(next)
      next = made.design
      parts.push([step, made])
    }
    take('Inverter', suggestInverter)
    take('Bank', suggestBank)
    take('Inverter', suggestInverter)
    take('Array', suggestArray)
    if (next.generator.present && next.generator.kind === 'generator') take('Backup', suggestGenerator)
    next = thinnestCircuits(next)
    reasons = parts.slice(1).flatMap(([step, made]) => made.reasons.map((reason) => say`${step}: ${reason}`))
    if (JSON.stringify(next) === before) break
  }
  return {
    design: next,
    reasons: [...reasons, 'Wiring: every circuit in the thinnest conductor that carries it and keeps its drop.'],
  }
}
