import { setField } from '../../change/field.ts'
import { MOST_FROM_SUN_H } from '../../calendar/clock.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const clock: Rule = {
  id: 'place.clock',
  step: 'place',
  check: ({ design: { place } }) => {
    const solar = place.longitudeDeg / 15
    const off = Math.abs(place.utcOffsetH - solar)
    return Math.min(off, 24 - off) <= MOST_FROM_SUN_H
      ? []
      : [
          watch(
            'place',
            say`Noon by this clock is ${amount(Math.min(off, 24 - off), 'h')} away from the sun’s.`,
            'Loads would run in the wrong hours of sun. Check the clock, and whether east and west are mixed up.',
            {
              remedy: {
                label: say`set the clock to ${amount(Math.round(solar), 'h')}`,
                apply: setField('place.utcOffsetH', Math.round(solar)),
              },
            },
          ),
        ]
  },
}
