import { invariantProblems } from '../../design/invariants.ts'
import { atPhase } from '../../money/phases.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** Phases after which there is no system that could run. */
export const phases: Rule = {
  id: 'cost.phases',
  step: 'cost',
  check: ({ design, derived: { bill } }) =>
    bill.phases.slice(0, -1).flatMap(({ id, name }, k) => {
      const stage = atPhase(design, k)
      if (stage && invariantProblems(stage).length === 0) return []
      return [
        watch(
          id,
          stage
            ? say`After “${name}” inverters are missing that only work together.`
            : say`After “${name}” there is no bank or no inverter, and nothing runs.`,
          'What waits on a shelf ages and its warranty runs. Batteries that wait want half a charge, a cool dry place and a look every few months.',
        ),
      ]
    }),
}
