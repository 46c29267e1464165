import { layouts } from '../../array/layouts.ts'
import { takeLayout } from '../../change/array.ts'
import type { Design } from '../../document/types.ts'
import { layoutQuestionOf } from '../../sizing/layoutQuestion.ts'
import { watch, type Remedy, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The target is met within so much. */
const NEAR = 1.02

export const recharge: Rule = {
  id: 'bank.recharge',
  step: 'bank',
  check: ({ design, derived: { worked } }) => {
    const wanted = design.bank.rechargeDays
    if (wanted === null || design.arrays.length === 0) return []
    const days = worked['bank.recharge-days']?.value ?? null
    if (days !== null && days <= wanted * NEAR) return []
    return [
      watch(
        'bank',
        days === null
          ? say`The darkest month fills nothing again; ${amount(wanted, 'd')} are wanted.`
          : say`An empty bank takes ${amount(days, 'd')} to fill in the darkest month, ${amount(wanted, 'd')} wanted.`,
        say`${amount(worked['array.need'].value, 'W')} of modules would carry the loads and fill it in that time. Months with next to no sun are left to the backup.`,
        {
          working: days === null ? 'bank.surplus' : 'bank.recharge-days',
          ...modules(design, worked['array.need'].value),
        },
      ),
    ]
  },
}

/** Offered where the array's controller takes a layout that is enough. */
function modules(design: Design, needW: number): { remedy?: Remedy } {
  const question = layoutQuestionOf(design, 0, needW)
  const [layout] = question ? layouts(question, 1) : []
  return question && layout && layout.watts >= (question.needW ?? 0)
    ? { remedy: { label: say`${layout.inSeries} × ${layout.inParallel} modules`, apply: takeLayout(0, layout) } }
    : {}
}
