import { MONTH_NAMES } from '../../calendar/calendar.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const darkMonth: Rule = {
  id: 'place.dark-month',
  step: 'place',
  check: ({ derived: { sunHours, worstMonth } }) => {
    const hours = sunHours[worstMonth]
    const says = say`${MONTH_NAMES[worstMonth]} gives ${amount(hours, 'h')} of sun.`
    return hours < 1.5
      ? [
          watch(
            'place',
            says,
            'Under an hour and a half the sun alone rarely carries a house; a generator or a smaller load belongs in the plan.',
            { working: 'place.worst-month-sun' },
          ),
        ]
      : [
          sound('place', says, 'Enough that the array can be sized for the worst month.', {
            working: 'place.worst-month-sun',
          }),
        ]
  },
}
