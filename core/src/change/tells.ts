import type { Design } from '../document/types.ts'
import { say, type Words } from '../units/words.ts'
import { amount } from '../units/say.ts'

/**
 * What an edit changes beside what it is asked for, in words: units, inverter, controllers, arrays and start volts. A reader is told
 * before a choice in one place moves parts in others.
 */
export function changesBeside(before: Design, after: Design): Words[] {
  const told: Words[] = []
  const { bank: was, inverter, generator } = before
  if (
    after.bank.part.name !== was.part.name ||
    after.bank.inSeries !== was.inSeries ||
    after.bank.inParallel !== was.inParallel
  )
    told.push(
      say`the bank: ${was.inSeries} × ${was.inParallel} of “${was.part.name}” becomes ${after.bank.inSeries} × ${after.bank.inParallel} of “${after.bank.part.name}”`,
    )
  if (after.inverter.part.name !== inverter.part.name || after.inverter.quantity !== inverter.quantity)
    told.push(
      say`the inverter: ${inverter.quantity} × “${inverter.part.name}” becomes ${after.inverter.quantity} × “${after.inverter.part.name}”`,
    )
  const partsOf = ({ controllers }: Design) => controllers.map(({ part }) => part.name).join(', ')
  if (partsOf(after) !== partsOf(before))
    told.push(say`the controllers: ${partsOf(before)} become ${partsOf(after) || 'none'}`)
  if (after.bank.absorbV !== was.absorbV) told.push('the absorption voltage goes back to the usual')
  if (generator.present && after.generator.startV !== generator.startV)
    told.push(
      say`start volts of the backup: ${amount(generator.startV, 'V')} become ${amount(after.generator.startV, 'V')}`,
    )
  return told
}
