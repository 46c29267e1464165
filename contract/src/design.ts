import Joi from 'joi'
import { DESIGN, type AnyTable, type Design } from '@ambrel/core'
import { objectOf, schemaOf } from './schemaOf.ts'

/** What a document is made of, a schema each: shape and ranges; what contradicts itself is found by the core's invariants. */
export const SECTIONS = Object.fromEntries(
  Object.entries(DESIGN).map(([key, field]) => [key, schemaOf(field)]),
) as Record<keyof Design, Joi.Schema>

const listOf = ({ of, most }: { of: AnyTable; most: number }) => ({ item: objectOf(of).required(), most })

/** Lists of the document whose items are checked one by one: a long one is refused by its length before any of it is looked at. */
export const LISTS = {
  loads: listOf(DESIGN.loads),
  arrays: listOf(DESIGN.arrays),
  controllers: listOf(DESIGN.controllers),
  sources: listOf(DESIGN.sources),
  circuits: listOf(DESIGN.circuits),
}

/** All of it as one schema, for whoever makes documents from it; `checkDesign` asks part by part. */
export const designSchema = (): Joi.ObjectSchema => Joi.object(SECTIONS)
