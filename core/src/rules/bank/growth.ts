import { ratedWh } from '../../bank/layout.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const bankGrowth: Rule = {
  id: 'bank.growth',
  step: 'bank',
  check: ({ design: { bank, growth } }) => {
    if (growth.bankKWh === 0) return []
    const stringWh = ratedWh({ ...bank, inParallel: 1 })
    const strings = bank.inParallel + Math.ceil((growth.bankKWh * 1000) / stringWh - 1e-9)
    if (strings <= bank.part.parallelLimit) return []
    return [
      watch(
        'bank',
        say`${amount(growth.bankKWh, 'kWh')} are to come later: that makes ${strings} strings, and the part allows ${bank.part.parallelLimit}.`,
        'Larger units leave places free. Units added later should be of the same make and at most about a year younger, or each string ages the other.',
      ),
    ]
  },
}
