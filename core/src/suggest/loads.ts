import type { Design, Load } from '../design/types.ts'
import { nextId, seasonsFor } from '../design/defaults.ts'
import { bestLegs } from '../inverter/legs.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import type { Suggestion } from './suggestion.ts'

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

/** Adds the household loads that are missing by name and spreads the 120 V loads over the legs there are. */
export function suggestLoads(design: Design): Suggestion {
  const split = design.inverter.part.topology === 'split-phase'
  const loads: Load[] = [...design.loads]
  const added: string[] = []
  for (const id of HOUSEHOLD) {
    const from = appliance(id)
    if (loads.some((load) => load.name === from.name)) continue
    loads.push(seasonsFor(design.place.latitudeDeg, loadFromAppliance(from, nextId('load', loads))))
    added.push(from.name)
  }
  const legsOf = bestLegs(loads)
  const placed = loads.map((load): Load => {
    if (load.leg === 'DC') return load
    if (!split) return { ...load, leg: 'A' }
    return load.leg === 'AB' ? load : { ...load, leg: legsOf[load.id] }
  })
  return {
    design: { ...design, loads: placed },
    reasons: [
      added.length > 0
        ? `Added what a small house nearly always has: ${added.join(', ')}.`
        : 'The usual household loads are all there.',
      'Watts and hours are nameplate guesses; a week on a meter replaces each.',
      split
        ? 'The 120 V loads are spread so that both legs carry about the same.'
        : 'The inverter has one leg; every AC load is on it.',
    ],
  }
}
