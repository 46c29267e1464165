import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const searchMode: Rule = {
  id: 'inverter.search',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    if (!inverter.search) return []
    const awake = loads.filter(
      (load) =>
        load.leg !== 'DC' &&
        load.supply === 'electric' &&
        (load.standbyW > 0 || load.hourShape.every((weight) => weight > 0)),
    )
    const keptW = awake.reduce(
      (sum, load) => sum + Math.max(load.standbyW, load.duty === 1 ? load.runningW : 0) * load.quantity,
      0,
    )
    if (keptW < inverter.part.searchWakeW) return []
    return [
      watch(
        'inverter',
        say`Search mode never sleeps: ${amount(keptW, 'W')} are always on, and ${amount(inverter.part.searchWakeW, 'W')} wake it.`,
        say`${awake
          .map(({ name }) => name)
          .slice(0, 3)
          .join(', ')} keep it awake. Put them on direct current or on a switch.`,
      ),
    ]
  },
}
