import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { sound, watch, type Rule } from '../rule.ts'

/** A total that somebody was told against the sum of its lines. */
export const stated: Rule = {
  id: 'cost.stated',
  step: 'cost',
  check: ({ design: { budget }, derived: { bill } }) => {
    const { statedTotal, currency } = budget
    if (statedTotal === null) return []
    const off = bill.total - statedTotal
    const money = (value: number) => amount(value, currency, 2)
    if (Math.abs(off) < 0.005)
      return [sound('cost', say`The lines come to the ${money(statedTotal)} you were told.`, '', SHEET)]
    return [
      watch(
        'cost',
        say`You were told ${money(statedTotal)}; the lines come to ${money(bill.total)}, ${money(Math.abs(off))} ${off > 0 ? 'more' : 'less'}.`,
        'A total that is not the sum of its lines leaves something out or counts something twice. Ask which before you agree to it.',
        SHEET,
      ),
    ]
  },
}
const SHEET = { working: 'money.total' }
