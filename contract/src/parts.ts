import Joi from 'joi'
import { partInvariants, type AnyTable, type PartOfKind, type Problem } from '@ambrel/core'
import { LIMITS } from './limits.ts'
import { PART_KINDS, PART_TABLES, type PartKind } from './partTables.ts'
import { problemsOf } from './problems.ts'
import { objectOf } from './schemaOf.ts'
import { isSoundPart } from './sound.ts'

/** What keeps a part from being taken into a design, at its fields; nothing for a sound one. */
export function partProblems(kind: PartKind, part: unknown): Problem[] {
  if (isSoundPart(PART_TABLES[kind], part)) return partInvariants(kind, part as PartOfKind[PartKind])
  const problems = problemsOf(objectOf(PART_TABLES[kind]), part, (path) => {
    const field = (PART_TABLES[kind] as AnyTable)[path.split('.')[0]]
    return field ? { label: field.label, unit: 'unit' in field ? field.unit : '' } : null
  })
  return problems.length > 0 ? problems : partInvariants(kind, part as PartOfKind[PartKind])
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
