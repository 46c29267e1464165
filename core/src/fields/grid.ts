import type { Grid } from '../document/types.ts'
import { choice, flag, number, numbers, share, whole, type FieldTable } from './field.ts'

/** No grid; what a place starts from that gets one. Designs before version 5 had it so: it never changes again. */
export const NO_GRID: Grid = {
  present: false,
  breakerA: 30,
  breakerV: 240,
  pricePerKWh: 0.2,
  chargeLimitA: null,
  chargeFromH: 0,
  chargeToH: 0,
  keepStateOfCharge: 1,
  failing: 'drawn',
  failuresByMonth: Array<number>(12).fill(1),
  failureH: 4,
  spellMonth: 1,
  spellDay: 10,
  spellDays: 7,
}

export const GRID: FieldTable<Grid> = {
  present: flag(
    'the grid is usually there',
    'It carries the house and keeps the bank; the bank carries what it can while it fails.',
  ),
  breakerA: number('Grid breaker', 'A', 1, 400, 'Rating of the breaker that feeds the inverter’s input.'),
  breakerV: number('Grid voltage', 'V', 90, 480, 'What the breaker gives: 120, 230 or 240 V.'),
  pricePerKWh: number('Grid price', 'money/kWh', 0, 1000, 'What a kilowatt-hour from the grid costs.', { step: 0.05 }),
  chargeLimitA: number(
    'Grid charges with at most',
    'A',
    1,
    4000,
    'Current the inverter’s charger is set to on the grid.',
    {
      empty: 'all the charger has',
      step: 5,
    },
  ),
  chargeFromH: whole(
    'Grid charging from',
    'h',
    0,
    23,
    'Hour of the day, where power is cheap at night; the same hour twice means all day.',
  ),
  chargeToH: whole('Grid charging until', 'h', 0, 23, 'Hour of the day.'),
  keepStateOfCharge: share(
    'Grid keeps the bank at',
    'Lead is kept full. Lithium lives longer at 0.8 to 0.9, and holds so much less when the grid fails.',
    { min: 0.3, step: 5 },
  ),
  failing: choice(
    'The grid fails',
    [
      { value: 'drawn', label: 'now and then' },
      { value: 'spell', label: 'once a year' },
    ],
    'Now and then: drawn from the seed by how often and how long. Once a year: one spell whose first day you name.',
  ),
  failuresByMonth: numbers(
    'Failures in the month',
    '',
    0,
    300,
    { count: 12 },
    'How many begin in each month, as a mean of many years. Where the utility tells hours a year: hours ÷ mean length.',
  ),
  failureH: number(
    'Failure lasts, on average',
    'h',
    1,
    720,
    'Mean length. Most are shorter and a few many times as long.',
  ),
  spellMonth: whole('Failure begins in month', '', 1, 12, 'Month of its first day.'),
  spellDay: whole('Failure begins on day', '', 1, 31, 'Its first day.'),
  spellDays: number('Failure lasts', 'd', 0.5, 90, 'From the first hour of that day on.', { step: 0.5 }),
}
