import { trackersApart } from '../../change/array.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const unlikeStrings: Rule = {
  id: 'array.unlike',
  step: 'array',
  check: ({ design, derived }) =>
    derived.unlike.map((group) => {
      const names = group.arrayIds.map((id) => design.arrays.find((array) => array.id === id)!.name)
      const loss = Math.max(group.brightLoss, group.dullLoss)
      return watch(
        group.arrayIds[0],
        say`${names.join(' and ')} are unlike and work on one tracker.`,
        say`They must share one voltage and lose ${percent(group.brightLoss)} in bright light, ${percent(group.dullLoss)} in dull. ${loss < 0.02 ? 'That is little; a second controller would hardly pay.' : 'A tracker for each gets it back.'}`,
        { remedy: { label: 'a tracker for each', apply: trackersApart(group.arrayIds) } },
      )
    }),
}
