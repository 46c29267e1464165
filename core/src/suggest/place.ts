import { MOST_FROM_SUN_H } from '../calendar/clock.ts'
import type { Design } from '../document/types.ts'
import { climateAt, ILLUSTRATIVE_CLIMATES } from '../weather/climates.ts'
import type { Suggestion } from './suggestion.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

/**
 * The climate rows, extremes and clock of a place from its coordinates. An own climate is left alone; an illustrative
 * one is recomputed for the latitude, since the sun above it may have moved.
 */
export function suggestPlace(design: Design): Suggestion {
  const { place } = design
  const solar = place.longitudeDeg / 15
  const kept = Math.abs(place.utcOffsetH - solar) <= MOST_FROM_SUN_H
  const utcOffsetH = kept ? place.utcOffsetH : Math.round(solar)
  const reasons = [
    say`Standard time UTC${utcOffsetH >= 0 ? '+' : '−'}${Math.abs(utcOffsetH)}${kept ? ', as it was: it fits the longitude.' : ', the hour nearest to the longitude.'}`,
  ]
  if (place.source !== 'monthly')
    return {
      design: { ...design, place: { ...place, utcOffsetH } },
      reasons: [
        ...reasons,
        say`The weather is that of “${place.hours!.name}”; the monthly rows were left as they are.`,
      ],
    }
  if (place.climate === 'own')
    return {
      design: { ...design, place: { ...place, utcOffsetH } },
      reasons: [...reasons, 'Your own monthly figures were left as they are.'],
    }
  const climate = ILLUSTRATIVE_CLIMATES.find(({ id }) => id === place.climate)!
  reasons.push(
    say`Twelve rows of “${climate.name}” under the sun of ${amount(Math.abs(place.latitudeDeg), '°', 1)} ${place.latitudeDeg >= 0 ? 'N' : 'S'}: a rounded illustration.`,
    say`Record low ${amount(climate.recordLowC, '°C')} and high ${amount(climate.recordHighC, '°C')} of the same illustration; a neighbour’s thermometer is better.`,
  )
  return {
    design: { ...design, place: { ...place, utcOffsetH, ...climateAt(place.climate, place.latitudeDeg) } },
    reasons,
  }
}
