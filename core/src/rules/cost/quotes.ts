import { daysLater } from '../../calendar/days.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { open, watch, type Rule } from '../rule.ts'

/** Quotes that end before what they are for is bought. */
export const quotes: Rule = {
  id: 'cost.quotes',
  step: 'cost',
  check: ({ design: { budget }, derived: { bill } }) => {
    const dated = bill.rows.flatMap(({ name, quotedOn, comes }) => {
      const phase = comes.findIndex((count) => count > 0)
      if (quotedOn === null || phase < 0) return []
      return [{ name, quotedOn, ends: daysLater(quotedOn, budget.quoteDays), phase: bill.phases[phase] }]
    })
    const undated = dated.filter(({ phase }) => phase.buyOn === null)
    const ended = dated.filter(({ ends, phase }) => phase.buyOn !== null && ends < phase.buyOn)
    const [first] = [...ended].sort((a, b) => a.ends.localeCompare(b.ends))
    return [
      ...(first
        ? [
            watch(
              'cost',
              ended.length === 1
                ? say`The quote for ${first.name} ends ${first.ends}, before it is bought on ${first.phase.buyOn!}.`
                : say`${ended.length} quotes end before what they are for is bought, that for ${first.name} on ${first.ends}.`,
              say`A quote is taken to hold ${amount(budget.quoteDays, 'd')}. Ask again before you order, or buy earlier.`,
            ),
          ]
        : []),
      ...(undated.length > 0
        ? [
            open(
              undated[0].phase.id,
              say`${undated.length} quote${undated.length === 1 ? ' has' : 's have'} a date, but nobody said when “${undated[0].phase.name}” is bought.`,
              'Without that day nobody can tell whether they still hold.',
            ),
          ]
        : []),
    ]
  },
}
