import { TiltedPlane } from '../plane/plane.ts'
import { clearnessCumulative, clearnessDistribution } from '../weather/clearness.ts'
import { darkSpells, dailyPlaneEnergy } from '../plane/darkSpells.ts'
import { fitPersistence } from '../weather/fitPersistence.ts'
import { seasonOfMonths } from '../weather/season.ts'
import { interannual, summariseWeather } from '../weather/summary.ts'
import { number, numbers, optional } from './fields.ts'

import { type CalcFunction, climateOf, weatherInputs, madeYears, groundOf, horizon } from './inputs.ts'

/** Weather, by name. */
export const WEATHER: Record<string, CalcFunction> = {
  'weather.clearnessDistribution': {
    says: 'distribution of daily clearness about a monthly mean',
    inputs: { meanClearness: number('', 0, 1), at: optional(number('', 0, 1), null) },
    outputs: { gamma: '', minimum: '', maximum: '', cumulative: 'share of days up to `at`' },
    source: 'Bendt et al. (1981)',
    run: (input) => {
      const distribution = clearnessDistribution(input.number('meanClearness'))
      return input.has('at')
        ? { ...distribution, cumulative: clearnessCumulative(distribution, input.number('at')) }
        : { ...distribution }
    },
  },
  'weather.generate': {
    says: 'summary of years made from monthly rows',
    inputs: weatherInputs,
    outputs: {
      monthlyGhiKWhM2Day: '12',
      monthlyMeanC: '12',
      lag1: 'of the Gaussian series',
      firstDays: '30 daily sums, kWh/m²',
    },
    source: 'Bendt et al. (1981); Graham et al. (1988); Collares-Pereira & Rabl (1979)',
    run: (input) => ({ ...summariseWeather(madeYears(input).years) }),
  },
  'weather.interannual': {
    says: 'how much the sun of made years differs from year to year',
    inputs: weatherInputs,
    outputs: { monthlyCv: '12, share', winterCv: 'share, of the four darkest months’ total' },
    source: 'standard deviation ÷ mean over the years',
    run: (input) => {
      const { months } = seasonOfMonths(input.number('latitudeDeg'), climateOf(input))
      return { ...interannual(madeYears(input).years, months.slice(1, 5)) }
    },
  },
  'weather.darkSpells': {
    says: 'runs of days under a threshold on a tilted plane, by return period',
    inputs: {
      ...weatherInputs,
      tiltDeg: number('°', 0, 90),
      azimuthDeg: number('°', -360, 360),
      thresholdKWhM2: optional(number('kWh/m²·day', 0.01, 14), 1),
      horizon,
    },
    outputs: { longestByReturnPeriod: 'days once in 2, 5, 10, 20 years', count: 'spells a year', daysPerYear: 'days' },
    source: 'ranked yearly longest spells of made years',
    run: (input) => {
      const { years, sun } = madeYears(input)
      const surface = { tiltDeg: input.number('tiltDeg'), azimuthDeg: input.number('azimuthDeg'), ...groundOf(input) }
      return { ...darkSpells(dailyPlaneEnergy(new TiltedPlane(sun, surface), years), input.number('thresholdKWhM2')) }
    },
  },
  'weather.fitPersistence': {
    says: 'lag-1 persistence of a sequence of daily clearnesses',
    inputs: {
      dailyClearness: numbers('0…1, days in order', 0, 1),
      meanClearness: optional(numbers('0…1, twelve', 0, 1), null),
    },
    outputs: { persistence: '' },
    source: 'Graham, Hollands & Huget (1988)',
    run: (input) => ({
      persistence: fitPersistence(
        input.numbers('dailyClearness'),
        input.has('meanClearness') ? input.numbers('meanClearness') : undefined,
      ),
    }),
  },
}
