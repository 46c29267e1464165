import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** Kits that hold more than the design takes, and lines of them that it does not have. */
export const kits: Rule = {
  id: 'cost.kits',
  step: 'cost',
  check: ({ design: { budget }, derived: { bill } }) => {
    const rows = new Map(bill.rows.map((row) => [row.key, row]))
    return budget.kits.flatMap(({ id, name, of }) => {
      const over = of.flatMap(({ key, quantity }) => {
        const row = rows.get(key)
        const taken = row?.kit === id ? row.inKit : 0
        return taken < quantity ? [{ what: row?.name ?? key, left: quantity - taken }] : []
      })
      if (over.length === 0) return []
      const [{ what, left }] = over
      return [
        watch(
          id,
          say`“${name}” holds ${amount(left, '')} of ${what} more than the design takes.`,
          'What comes in a kit is paid for, used or not. Change what is in it, or buy its lines by themselves.',
        ),
      ]
    })
  },
}
