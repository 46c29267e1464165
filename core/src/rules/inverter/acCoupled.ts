import { stop, watch, type Rule } from '../rule.ts'
import { watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const acCoupled: Rule = {
  id: 'inverter.ac-coupled',
  step: 'inverter',
  check: ({ design: { controllers, sources, inverter } }) => {
    const arrayW = controllers.reduce((sum, { part }) => sum + (part.outputAcW ?? 0), 0)
    const otherW = sources
      .filter(({ side }) => side === 'ac')
      .reduce((sum, { wattsByMonth, hourlyW }) => sum + Math.max(...(hourlyW ?? wattsByMonth.flat())), 0)
    const feedW = arrayW + otherW
    const ratedW = inverter.part.ratedW * inverter.quantity
    if (feedW === 0) return []
    return feedW > ratedW
      ? [
          stop(
            'inverter',
            say`${watts(feedW)} feed the AC side of an inverter of ${watts(ratedW)}.`,
            'When the house drops its load all of it runs back through the inverter, which must carry it until the frequency rises. No more than its rating.',
          ),
        ]
      : [
          watch(
            'inverter',
            say`${watts(feedW)} feed the AC side.`,
            'The inverter’s maker must allow it and must raise the frequency when the bank is full; while a backup carries the house they are held off.',
          ),
        ]
  },
}
