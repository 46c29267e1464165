import type { Design, Load } from '../document/types.ts'
import { nextId, seasonsFor } from '../design/defaults.ts'
import { bestLegs } from '../inverter/legs.ts'
import { legsOfService, onLegsOf, serviceOf } from '../inverter/service.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import type { Suggestion } from './suggestion.ts'
import { say } from '../units/words.ts'

/** What a small house nearly always has; each is a guess until metered. */
const HOUSEHOLD = [
  'fridge',
  'well-pump',
  'lights',
  'router',
  'phones',
  'laptop',
  'washer',
  'circulator',
  'alarm',
  'phantom',
]

/** Adds the household loads that are missing by name and spreads those of one leg over the legs there are. */
export function suggestLoads(design: Design): Suggestion {
  const service = serviceOf(design.inverter)
  const loads: Load[] = [...design.loads]
  const added: string[] = []
  for (const id of HOUSEHOLD) {
    const from = appliance(id)
    if (loads.some((load) => load.name === from.name)) continue
    loads.push(seasonsFor(design.place.latitudeDeg, loadFromAppliance(from, nextId('load', loads))))
    added.push(from.name)
  }
  const fitting = onLegsOf({ ...design, loads })
  const legsOf = bestLegs(fitting.loads, service)
  const placed = fitting.loads.map((load): Load => ({ ...load, leg: legsOf[load.id] ?? load.leg }))
  return {
    design: { ...design, loads: placed },
    reasons: [
      added.length > 0
        ? say`Added what a small house nearly always has: ${added.join(', ')}.`
        : 'The usual household loads are all there.',
      'Watts and hours are nameplate guesses; a week on a meter replaces each.',
      legsOfService(service).length > 1
        ? 'The loads of one leg are spread so that all legs carry about the same.'
        : 'The inverter has one leg; every AC load is on it.',
    ],
  }
}
