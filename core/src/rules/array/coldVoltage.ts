import { setInSeries } from '../../change/array.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { celsius, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const coldVoltageRule: Rule = {
  id: 'array.cold-voltage',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap((array, i) => {
      const controller = design.controllers.find(({ id }) => id === array.controllerId)
      if (!controller) return []
      const coldV = derived.arrays[i].cold[design.schools.coldVoltage]
      const { maxInputV } = controller.part
      const more = { working: `array.cold-voltage.${array.id}` }
      const most = Math.floor(maxInputV / (coldV / array.inSeries))
      if (coldV > maxInputV)
        return [
          stop(
            array.id,
            say`${array.name} reaches ${volts(coldV)} at ${celsius(design.place.recordLowC)}.`,
            say`${controller.part.name} is destroyed above ${volts(maxInputV)}. Put fewer modules in series.`,
            {
              ...more,
              remedy: most >= 1 ? { label: say`${most} in series`, apply: setInSeries(array.id, most) } : undefined,
            },
          ),
        ]
      const others = Object.values(derived.arrays[i].cold).filter((each) => each > maxInputV).length
      if (others > 0)
        return [
          watch(
            array.id,
            say`${array.name}: ${volts(coldV)} on the coldest dawn, by the chosen method.`,
            say`Another method puts it over the ${volts(maxInputV)} limit. Look at all three on the ruler.`,
            more,
          ),
        ]
      return [
        sound(
          array.id,
          say`${volts(coldV)} on the coldest dawn, ${volts(maxInputV)} allowed.`,
          'All three methods agree.',
          more,
        ),
      ]
    }),
}
