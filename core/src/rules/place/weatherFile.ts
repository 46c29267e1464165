import { setField } from '../../change/field.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount, counted } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** With fewer years than this a one-in-ten winter is not in the file. */
const YEARS_FOR_ONE_IN_TEN = 10

export const weatherFile: Rule = {
  id: 'place.weather-file',
  step: 'place',
  check: ({ design: { place } }) => {
    const { hours, source } = place
    if (!hours || source === 'monthly') return []
    const findings = [
      source === 'hours' && hours.years < YEARS_FOR_ONE_IN_TEN
        ? watch(
            'place',
            say`${counted(hours.years, 'year')} of hours cannot show a 1-in-10 winter.`,
            'A typical year is chosen to be typical. Let years be made from these hours, with their persistence, to see the bad ones.',
            {
              remedy: {
                label: 'make years from these hours',
                apply: setField('place.source', 'fitted'),
              },
            },
          )
        : sound(
            'place',
            say`The weather comes from “${hours.name}”.`,
            say`${counted(hours.years, 'year')} of hours, ${source === 'hours' ? 'run as they were' : 'made into as many years as you like'}.`,
          ),
    ]
    if (hours.lowestC < place.recordLowC)
      findings.push(
        watch(
          'place',
          say`The imported hours reach ${amount(hours.lowestC, '°C')}, below the record low of ${amount(place.recordLowC, '°C')}.`,
          'String voltage, freezing and cold capacity are judged at the record low; it should be the lowest you know of.',
          {
            remedy: {
              label: say`set the record low to ${amount(Math.floor(hours.lowestC), '°C')}`,
              apply: setField('place.recordLowC', Math.floor(hours.lowestC)),
            },
          },
        ),
      )
    return findings
  },
}
