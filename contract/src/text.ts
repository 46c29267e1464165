import Joi from 'joi'
import { isCalendarDay, UNKEEPABLE } from './letters.ts'

/** Text that can be kept. */
export const plainText = () => Joi.string().pattern(UNKEEPABLE, { name: 'letters', invert: true })

/** A day of the calendar, `2026-01-31`; one that no month has is refused. */
export const calendarDay = () =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .custom((day: string, helpers) => (isCalendarDay(day) ? day : helpers.error('day.none')))
    .messages({ 'day.none': '{{#label}} is no day of the calendar' })

/** Moments a log may hold; the database takes more, a clock does not. */
const EARLIEST = Date.UTC(1970, 0, 1)
const LATEST = Date.UTC(2200, 0, 1)

/** A moment as ISO 8601 writes it, on a day that the calendar has, between 1970 and 2199. */
export const moment = () =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}(:\d{2}(\.\d{1,9})?)?(Z|[+-]\d{2}:\d{2})$/)
    .custom((text: string, helpers) => {
      const at = Date.parse(text)
      if (Number.isNaN(at) || !isCalendarDay(text.slice(0, 10))) return helpers.error('moment.none')
      return at >= EARLIEST && at < LATEST ? text : helpers.error('moment.far')
    })
    .messages({
      'moment.none': '{{#label}} is no moment of the calendar',
      'moment.far': '{{#label}} lies outside the years 1970 to 2199',
    })
