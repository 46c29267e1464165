import { describe, expect, it } from 'vitest'
import { dateOfDay, DAYS, MONTH_DAYS, MONTH_START } from './calendar.ts'

describe('the date of a day of the year', () => {
  it.each([
    [0, 1, 'Jan'],
    [30, 31, 'Jan'],
    [31, 1, 'Feb'],
    [58, 28, 'Feb'],
    [59, 1, 'Mar'],
    [364, 31, 'Dec'],
    [365, 1, 'Jan'],
    [400, 5, 'Feb'],
  ])('%i is %i %s', (of, day, month) => {
    expect(dateOfDay(of)).toEqual({ day, month })
  })

  it('goes through every day of every month once', () => {
    const all = Array.from({ length: DAYS }, (_, day) => dateOfDay(day))
    MONTH_DAYS.forEach((days, month) => {
      const own = all.slice(MONTH_START[month], MONTH_START[month] + days)
      expect(own.map(({ day }) => day)).toEqual(Array.from({ length: days }, (_, i) => i + 1))
      expect(new Set(own.map((date) => date.month)).size).toBe(1)
    })
  })
})
