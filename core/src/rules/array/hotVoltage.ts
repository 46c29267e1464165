import { trackerNeedsV, trackerStartsV } from '../../array/layouts.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const hotVoltageRule: Rule = {
  id: 'array.hot-voltage',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap((array, i) => {
      const controller = design.controllers.find(({ id }) => id === array.controllerId)
      if (controller?.part.kind !== 'tracker') return []
      const { hotV } = derived.arrays[i]
      const openV = (hotV * array.module.vocV) / array.module.vmpV
      const needed = trackerNeedsV(controller.part, derived.chargeV)
      const more = { working: `array.hot-voltage.${array.id}` }
      const startsV = trackerStartsV(controller.part, derived.chargeV)
      if (openV < startsV)
        return [
          watch(
            array.id,
            say`${array.name} opens at ${volts(openV)} when hot; charging starts from ${volts(startsV)}.`,
            'It may not start again after a hot noon. Put more modules in series.',
            more,
          ),
        ]
      return hotV < needed
        ? [
            watch(
              array.id,
              say`${array.name} falls to ${volts(hotV)} on a hot afternoon.`,
              say`The tracker needs ${volts(needed)}; below it charging stops. Put more modules in series.`,
              more,
            ),
          ]
        : [
            sound(
              array.id,
              say`${volts(hotV)} on the hottest afternoon.`,
              say`Above the ${volts(needed)} the tracker needs.`,
              more,
            ),
          ]
    }),
}
