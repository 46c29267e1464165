import { busAmps } from '../../array/controllers.ts'
import type { Design } from '../../document/types.ts'
import { moreArray } from '../../suggest/moreArray.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Rate an added array brings the bank to: inside the wanted range, short of its upper end. */
const WANTED_RATE = 0.1

/** Offered only where the shelf has an array that brings it there. */
const addedArray = (design: Design): { remedy?: Remedy } =>
  moreArray(design, WANTED_RATE) === design
    ? {}
    : { remedy: { label: 'add an array', apply: (d) => moreArray(d, WANTED_RATE) } }

export const chargeRate: Rule = {
  id: 'bank.charge-rate',
  step: 'bank',
  check: ({ design, derived: { worked } }) => {
    const { bank, controllers } = design
    const rate = worked['bank.charge-rate'].value
    const { chargeRate: wanted, managed } = CHEMISTRIES[bank.part.chemistry]
    const { low, high } = wanted
    const shown = say`${amount(rate * 100, '%')} of capacity an hour`
    const more = { working: 'bank.charge-rate' }
    const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
    const outputA = busAmps(controllers)
    if (managed)
      return outputA > limitA
        ? [
            watch(
              'bank',
              say`Controllers can push ${amount(outputA, 'A')}; the units take ${amount(limitA, 'A')}.`,
              'Set the controllers’ charge limit, or the management unit will disconnect on a bright day.',
              more,
            ),
          ]
        : [sound('bank', say`Charged at up to ${shown}.`, 'Within what the units accept.', more)]
    if (rate > high)
      return [
        stop(
          'bank',
          say`Charged at ${shown}.`,
          say`Over ${amount(high * 100, '%')} this bank overheats and gasses. Limit the controllers or enlarge the bank.`,
          more,
        ),
      ]
    if (rate < low)
      return [
        watch(
          'bank',
          say`Charged at only ${shown}.`,
          say`Under ${amount(low * 100, '%')} the acid never mixes, an equalising charge is never reached and the bank sulphates. More array, or a smaller bank.`,
          { ...more, ...addedArray(design) },
        ),
      ]
    return [sound('bank', say`Charged at up to ${shown}.`, 'Within what it wants.', more)]
  },
}
