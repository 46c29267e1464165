import { setField } from '../../change/field.ts'
import type { Design } from '../../document/types.ts'
import type { Remedy } from '../rule.ts'
import { celsius } from '../../units/say.ts'
import { say } from '../../units/words.ts'

const ROOM_C = 8

/** A room that is kept warm enough for any bank. */
export const heatedRoom = ({ place }: Pick<Design, 'place'>): Remedy => ({
  label: say`heated room, ${celsius(ROOM_C)}`,
  apply: setField('place.batteryRoom', { ...place.batteryRoom, kind: 'heated', setC: ROOM_C }),
})
