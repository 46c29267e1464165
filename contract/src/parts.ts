import Joi from 'joi'
import {
  BATTERY,
  CONTROLLER,
  GENERATOR_PART,
  INVERTER_PART,
  MODULE,
  partInvariants,
  type AnyTable,
  type LabelKind,
  type PartOfKind,
  type Problem,
} from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { problemsOf } from './problems.ts'
import { objectOf } from './schemaOf.ts'

/** What a part of each kind on the shelf consists of. */
export const PART_TABLES = {
  battery: BATTERY,
  module: MODULE,
  controller: CONTROLLER,
  inverter: INVERTER_PART,
  generator: GENERATOR_PART,
} satisfies Record<LabelKind, AnyTable>

export type PartKind = keyof typeof PART_TABLES
export const PART_KINDS = Object.keys(PART_TABLES) as PartKind[]

/** Where a part of each kind stands in a design; helps and units of its fields are found there. */
export const PART_PLACES: Record<PartKind, string> = {
  battery: 'bank.part',
  module: 'arrays.0.module',
  controller: 'controllers.0.part',
  inverter: 'inverter.part',
  generator: 'generator.part',
}

/** What keeps a part from being taken into a design, at its fields; nothing for a sound one. */
export function partProblems(kind: PartKind, part: unknown): Problem[] {
  const problems = problemsOf(objectOf(PART_TABLES[kind]), part, (path) => {
    const field = (PART_TABLES[kind] as AnyTable)[path.split('.')[0]]
    return field ? { label: field.label, unit: 'unit' in field ? field.unit : '' } : null
  })
  return problems.length > 0 ? problems : partInvariants(kind, part as PartOfKind[PartKind])
}

/** A part of one's own as it is handed over: the shelf gives it its id. */
export interface OwnPart {
  kind: PartKind
  part: Record<string, unknown>
}

const body = {
  kind: Joi.valid(...PART_KINDS).required(),
  part: Joi.object().unknown(true).required(),
}
export const newPartsSchema = Joi.object({
  parts: Joi.array().items(Joi.object(body)).min(1).max(LIMITS.ownParts).required(),
})
export const partSchema = Joi.object({
  version: Joi.number().strict().integer().min(1).max(LIMITS.version).required(),
  part: body.part,
})
