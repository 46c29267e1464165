import { sunChargeA } from '../../array/controllers.ts'
import { bankNominalV, ratedAh } from '../../bank/layout.ts'
import { limitControllers } from '../../change/array.ts'
import type { Design } from '../../document/types.ts'
import { moreArray } from '../../sizing/moreArray.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Rate an added array brings the bank to: inside the wanted range, short of its upper end. */
const WANTED_RATE = 0.1

/** Offered only where the shelf has an array that brings it there. */
const addedArray = (design: Design) => ({
  remedy: (): Remedy | null =>
    moreArray(design, WANTED_RATE) === design
      ? null
      : { label: 'add an array', apply: (d) => moreArray(d, WANTED_RATE) },
})

/** What the controllers are set to, where they can be so that no more comes. */
function setTo(design: Design, mostA: number): { remedy?: Remedy } {
  const amps = Math.floor(mostA)
  const set = amps >= 1 ? limitControllers(amps)(design) : design
  if (set === design || sunChargeA(set, bankNominalV(set.bank)) > mostA) return {}
  return { remedy: { label: say`set the controllers to ${amount(amps, 'A')}`, apply: limitControllers(amps) } }
}

export const chargeRate: Rule = {
  id: 'bank.charge-rate',
  step: 'bank',
  check: ({ design, derived: { worked } }) => {
    const { bank } = design
    const rate = worked['bank.charge-rate'].value
    const { chargeRate: wanted, managed } = CHEMISTRIES[bank.part.chemistry]
    const { low, high } = wanted
    const shown = say`${amount(rate * 100, '%')} of capacity an hour`
    const more = { working: 'bank.charge-rate' }
    const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
    const chargeA = sunChargeA(design, bankNominalV(bank))
    // by what the chemistry stands the maker's own limit is not yet kept
    if (chargeA > limitA && (managed || rate <= high)) {
      const set = setTo(design, limitA)
      const happens = managed ? 'the management unit disconnects on a bright day' : 'the bank overheats and gasses'
      return [
        (set.remedy ? watch : stop)(
          'bank',
          say`The sun can push ${amount(chargeA, 'A')}; the units take ${amount(limitA, 'A')}.`,
          set.remedy
            ? `Set the controllers’ charging current, or ${happens}.`
            : `Its controllers cannot be set, and ${happens}. Less array, or a larger bank.`,
          { ...more, ...set },
        ),
      ]
    }
    if (managed) return [sound('bank', say`Charged at up to ${shown}.`, 'Within what the units accept.', more)]
    if (rate > high) {
      const set = setTo(design, Math.min(high * ratedAh(bank.part) * bank.inParallel, limitA))
      return [
        (set.remedy ? watch : stop)(
          'bank',
          say`Charged at ${shown}.`,
          set.remedy
            ? say`Over ${amount(high * 100, '%')} this bank overheats and gasses. Set the controllers’ charging current, or enlarge the bank.`
            : say`Over ${amount(high * 100, '%')} this bank overheats and gasses, and its controllers cannot be set. Less array, or a larger bank.`,
          { ...more, ...set },
        ),
      ]
    }
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
