import { BATTERY, CONTROLLER, GENERATOR_PART, INVERTER_PART, MODULE, type AnyTable, type Problem } from '@ambrel/core'
import { problemsOf } from './problems.ts'
import { objectOf } from './schemaOf.ts'

/** What a part of each kind on the shelf consists of. */
export const PART_TABLES = {
  battery: BATTERY,
  module: MODULE,
  controller: CONTROLLER,
  inverter: INVERTER_PART,
  generator: GENERATOR_PART,
} satisfies Record<string, AnyTable>

export type PartKind = keyof typeof PART_TABLES
export const PART_KINDS = Object.keys(PART_TABLES) as PartKind[]

const SCHEMAS = Object.fromEntries(PART_KINDS.map((kind) => [kind, objectOf(PART_TABLES[kind])]))

/** What keeps a part from being taken into a design, at its fields; nothing for a sound one. */
export const partProblems = (kind: PartKind, part: unknown): Problem[] =>
  problemsOf(SCHEMAS[kind], part, (path) => {
    const field = (PART_TABLES[kind] as AnyTable)[path.split('.')[0]]
    return field ? { label: field.label, unit: 'unit' in field ? field.unit : '' } : null
  })
