import { onTheBus, passesW } from '../../array/controllers.ts'
import { arrayRatedW } from '../../array/power.ts'
import { addController } from '../../change/array.ts'
import { COUNTS } from '../../fields/limits.ts'
import { watch, type Rule } from '../rule.ts'
import { watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const arrayGrowth: Rule = {
  id: 'array.growth',
  step: 'array',
  check: ({ design, derived: { chargeV } }) => {
    const { growth, controllers, arrays } = design
    if (growth.arrayW === 0 || controllers.length === 0) return []
    const passed = controllers.reduce((sum, each) => sum + passesW(each, chargeV), 0)
    const now = arrays.reduce((sum, each) => sum + arrayRatedW(each), 0)
    if (passed >= now + growth.arrayW) return []
    const roomW = Math.max(0, passed - now)
    return [
      watch(
        'array',
        say`${watts(growth.arrayW)} of modules are to come later; the controllers have room for ${watts(roomW)}.`,
        'A larger controller now costs less than a second one later. Suggest takes the growth into account.',
        onTheBus(controllers).length > 0 && controllers.length < COUNTS.controllers
          ? { remedy: { label: 'another controller like it', apply: addController } }
          : {},
      ),
    ]
  },
}
