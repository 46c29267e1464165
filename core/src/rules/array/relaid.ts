import type { ArrayField } from '../../document/types.ts'
import { relayStrings, stringsOfLength } from '../../change/array.ts'
import type { Remedy } from '../rule.ts'
import { counted } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The same modules in strings of another length. */
export const relaid = (array: ArrayField, inSeries: number): Remedy => ({
  label: say`${inSeries} in series, ${counted(stringsOfLength(array, inSeries), 'string')}`,
  apply: relayStrings(array.id, inSeries),
})
