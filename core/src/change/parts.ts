import type { InverterPart } from '../document/types.ts'
import type { Change } from './change.ts'
import { setField } from './field.ts'
import { takeInverter } from './inverter.ts'

/** The estimated figures of a part are as its data sheet says. @param path dotted, where the part stands */
export const sheetsRead = (path: string): Change => setField(`${path}.estimated`, [])

/** What comes out of one inverter, as somebody says of it. */
export const setTopology =
  (topology: InverterPart['topology']): Change =>
  (design) =>
    takeInverter(setField('inverter.part.topology', topology)(design).inverter.part)(design)
