import { boxed, isBoxed } from '../../inverter/service.ts'
import { watch, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

export const powerBox: Rule = {
  id: 'inverter.box',
  step: 'inverter',
  check: ({ design }) => {
    const { battery, name } = design.inverter.part
    if (battery === null || isBoxed(design)) return []
    return [
      watch(
        'inverter',
        say`The bank is not the battery inside “${name}”.`,
        'A power box works on its own battery; only its maker’s extra batteries go beside it, by its own plug. Nothing else is wired to it.',
        { remedy: { label: 'its own battery', apply: boxed } },
      ),
    ]
  },
}
