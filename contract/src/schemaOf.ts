import Joi from 'joi'
import type { AnyTable, Field, TextForm } from '@ambrel/core'
import { calendarDay, plainText } from './text.ts'

/** A finite number within bounds; text that looks like a number is refused, not converted. */
const numberWithin = (min: number, max: number, whole: boolean): Joi.NumberSchema => {
  const number = Joi.number().strict().min(min).max(max)
  return whole ? number.integer() : number
}

const TEXTS: Record<TextForm, (most: number) => Joi.StringSchema> = {
  name: (most) => plainText().trim().min(1).max(most),
  words: (most) => plainText().allow('').max(most),
  id: () => Joi.string().pattern(/^[\w-]{1,60}$/),
  circuit: () => Joi.string().pattern(/^[\w:-]{1,80}$/),
  day: () => calendarDay(),
  currency: () => Joi.string().pattern(/^[A-Z]{3}$/),
  file: () => Joi.string().guid(),
}

/** So many figures are looked through by hand: a schema an item would take longer than the rest of the document. */
const LONG = 1000

/** What a field of a table may hold. */
export function schemaOf(field: Field): Joi.Schema {
  switch (field.kind) {
    case 'number':
      return orEmpty(numberWithin(field.min, field.max, field.whole), field.empty)
    case 'choice':
      return Joi.valid(...field.options.map(({ value }) => value)).required()
    case 'flag':
      return Joi.boolean().strict().required()
    case 'text':
      return orEmpty(TEXTS[field.form](field.most), field.empty)
    case 'texts':
      return Joi.array().items(plainText().max(field.letters)).max(field.most).required()
    case 'numbers': {
      if (field.count !== undefined && field.count > LONG)
        return orEmpty(longList(field.count, field.min, field.max, field.unit), field.empty)
      let list = Joi.array().items(numberWithin(field.min, field.max, field.whole))
      if (field.count !== undefined) list = list.length(field.count)
      if (field.most !== undefined) list = list.max(field.most)
      if (field.unique) list = list.unique()
      return orEmpty(field.rows === undefined ? list : Joi.array().items(list).length(field.rows), field.empty)
    }
    case 'rows': {
      const list = Joi.array().items(objectOf(field.of))
      const sized = field.least === field.most ? list.length(field.most) : list.min(field.least).max(field.most)
      return (field.unique === undefined ? sized : sized.unique(field.unique)).required()
    }
    case 'part':
      return orEmpty(objectOf(field.of), field.empty)
  }
}

const orEmpty = (schema: Joi.Schema, empty: string | undefined): Joi.Schema =>
  (empty === undefined ? schema : schema.allow(null)).required()

/** Schemas do not change, and to make one takes longer than to ask it. */
const made = new WeakMap<AnyTable, Joi.ObjectSchema>()

/** An object that has every field of a table and no other. */
export function objectOf(table: AnyTable): Joi.ObjectSchema {
  const known = made.get(table)
  if (known) return known
  const fields = Object.entries(table)
  const schema = Joi.object(Object.fromEntries(fields.map(([key, field]) => [key, schemaOf(field)])))
  made.set(table, schema)
  return schema
}

const longList = (count: number, min: number, max: number, unit: string): Joi.Schema =>
  Joi.array()
    .length(count)
    .custom((values: unknown[], helpers) => {
      const wrong = values.findIndex((each) => !(typeof each === 'number' && each >= min && each <= max))
      return wrong < 0 ? values : helpers.error('hours.value', { hour: wrong + 1, given: values[wrong] })
    })
    .messages({ 'hours.value': `hour {{#hour}} is {{#given}} ${unit}; ${min} to ${max} ${unit} is allowed` })
