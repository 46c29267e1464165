import { significant } from '../../units/format.ts'
import { watch, type Rule } from '../rule.ts'

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
        `Search mode never sleeps: ${significant(keptW)} W are always on, and ${significant(inverter.part.searchWakeW)} W wake it.`,
        `${awake
          .map(({ name }) => name)
          .slice(0, 3)
          .join(', ')} keep it awake. Put them on direct current or on a switch.`,
      ),
    ]
  },
}
