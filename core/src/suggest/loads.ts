import type { Design, Load } from '../document/types.ts'
import { nextId, seasonsFor } from '../design/defaults.ts'
import { bestLegs } from '../inverter/legs.ts'
import { legsOfService, onLegsOf, serviceOf } from '../inverter/service.ts'
import { appliance, loadFromAppliance, type Appliance } from '../loads/appliances.ts'
import type { Suggestion } from './suggestion.ts'
import { faultsOf } from './tried.ts'
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

/** Adds the household loads that are missing by name and the hardware carries, and spreads those of one leg over the legs there are. */
export function suggestLoads(design: Design): Suggestion {
  const missing = HOUSEHOLD.map((id) => appliance(id)).filter(
    (from) => !design.loads.some((load) => load.name === from.name),
  )
  const stops = (each: Design) => faultsOf(each).filter(({ level }) => level === 'stop').length
  const before = stops(design)
  const whole = withAppliances(design, missing)
  const fits = stops(whole) <= before
  // one by one only where the whole list is too much for what there is
  const added = fits
    ? missing
    : missing.reduce<Appliance[]>((taken, from) => {
        const more = [...taken, from]
        return stops(withAppliances(design, more)) <= before ? more : taken
      }, [])
  const left = missing.filter((from) => !added.includes(from))
  return {
    design: fits ? whole : withAppliances(design, added),
    reasons: [
      added.length > 0
        ? say`Added what a small house nearly always has: ${added.map(({ name }) => name).join(', ')}.`
        : left.length > 0
          ? 'What a small house nearly always has is too much for the hardware as it stands.'
          : 'The usual household loads are all there.',
      ...(left.length > 0
        ? [
            say`Left out, because inverter or bank do not carry them as they are: ${left.map(({ name }) => name).join(', ')}.`,
          ]
        : []),
      'Watts and hours are nameplate guesses; a week on a meter replaces each.',
      legsOfService(serviceOf(design.inverter)).length > 1
        ? 'The loads of one leg are spread so that all legs carry about the same.'
        : 'The inverter has one leg; every AC load is on it.',
    ],
  }
}

/** The design with more appliances, its loads on one leg spread over the legs there are. */
function withAppliances(design: Design, more: readonly Appliance[]): Design {
  const loads = more.reduce<Load[]>(
    (all, from) => [...all, seasonsFor(design.place.latitudeDeg, loadFromAppliance(from, nextId('load', all)))],
    [...design.loads],
  )
  const fitting = onLegsOf({ ...design, loads })
  const legs = bestLegs(fitting.loads, serviceOf(design.inverter))
  return { ...design, loads: fitting.loads.map((load): Load => ({ ...load, leg: legs[load.id] ?? load.leg })) }
}
