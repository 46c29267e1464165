import type { Design } from '../document/types.ts'
import { acrossVolts, serviceOf } from '../inverter/service.ts'
import { volts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

type Backed = Pick<Design, 'generator'>
const NAMES = { generator: 'generator', shore: 'shore power', vehicle: 'vehicle' } as const
const THE = { generator: 'the generator', shore: 'shore power', vehicle: 'the vehicle' } as const

/** What backs this design up, in a word; a cord or a vehicle is never a generator. */
export const backupName = ({ generator: { present, kind } }: Backed): string => (present ? NAMES[kind] : 'backup')

/** The same where it does something, within a sentence. */
export const theBackup = ({ generator: { present, kind } }: Backed): string => (present ? THE[kind] : 'the backup')

/** The same at the head of a sentence. */
export function backupSays(design: Backed): string {
  const name = theBackup(design)
  return name[0].toUpperCase() + name.slice(1)
}

/** What the inverter takes at its AC input. */
export function takenVolts(inverter: Design['inverter']): Words {
  const service = serviceOf(inverter)
  if (service === 'split-phase') return '120/240 V'
  return service === 'three-phase' ? 'three phases' : say`${volts(acrossVolts(inverter))}`
}
