import { sound, watch, type Rule } from '../rule.ts'
import { amount, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Of a day on which no more is used than on a mean one there is nothing to say. */
const HEAVIER = 1.02

export const heaviestDay: Rule = {
  id: 'loads.heaviest-day',
  step: 'loads',
  check: ({ derived: { worked } }) => {
    const heaviest = worked['loads.heaviest-day'].value
    const mean = worked['loads.battery-day'].value
    if (mean <= 0 || heaviest < HEAVIER * mean) return []
    const usable = worked['bank.days'].value * mean
    const more = { working: 'loads.heaviest-day' }
    return heaviest > usable
      ? [
          watch(
            'loads',
            say`On the heaviest day ${amount(heaviest / 1000, 'kWh')} are drawn, more than the ${amount(usable / 1000, 'kWh')} the bank gives.`,
            'What is used on some days of the week may all fall on one. Spread it over the week, or do it while the sun or the generator carries it.',
            more,
          ),
        ]
      : [
          sound(
            'loads',
            say`The heaviest day takes ${percent(heaviest / usable)} of what the bank gives.`,
            say`${amount(heaviest / 1000, 'kWh')}, where all that is used on some days of the week falls on one.`,
            more,
          ),
        ]
  },
}
