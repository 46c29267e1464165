import { setField } from '../../change/field.ts'
import { say } from '../../units/words.ts'
import { stop, type Rule } from '../rule.ts'

/** A rod of its own at an array that is not bonded to the others is refused, whatever the school. */
export const electrodes: Rule = {
  id: 'wiring.electrodes',
  step: 'wiring',
  check: ({ design, derived: { system } }) =>
    design.schools.electrodes !== 'floating'
      ? []
      : system.nodes
          .filter(({ kind, id }) => kind === 'electrode' && id !== 'electrode')
          .map(({ id, name }) =>
            stop(
              id,
              say`${name} is bonded to nothing.`,
              'Lightning lifts one rod thousands of volts above the other, and the difference goes through modules, controller and house. Bond it, or leave it out.',
              { remedy: { label: 'bond it', apply: setField('schools.electrodes', 'bonded-second') } },
            ),
          ),
}
