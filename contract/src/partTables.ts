import { BATTERY, CONTROLLER, GENERATOR_PART, INVERTER_PART, MODULE, type AnyTable, type LabelKind } from '@ambrel/core'

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

/** A part of one's own as it is handed over: the shelf gives it its id. */
export interface OwnPart {
  kind: PartKind
  part: Record<string, unknown>
}
