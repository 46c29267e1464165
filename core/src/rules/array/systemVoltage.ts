import { setInSeries } from '../../change/array.ts'
import { stop, type Rule } from '../rule.ts'
import { celsius, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** What the modules themselves are insulated for. */
export const systemVoltage: Rule = {
  id: 'array.system-voltage',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap((array, i) => {
      const { maxSystemV, name } = array.module
      const coldV = derived.arrays[i].cold[design.schools.coldVoltage]
      if (maxSystemV === null || coldV <= maxSystemV) return []
      const most = Math.floor(maxSystemV / (coldV / array.inSeries))
      return [
        stop(
          array.id,
          say`${array.name} reaches ${volts(coldV)} at ${celsius(design.place.recordLowC)}; “${name}” is insulated for ${volts(maxSystemV)}.`,
          'Above it the current finds its way through the frame: fire and shock. Fewer modules in series.',
          {
            working: `array.cold-voltage.${array.id}`,
            remedy: most >= 1 ? { label: say`${most} in series`, apply: setInSeries(array.id, most) } : undefined,
          },
        ),
      ]
    }),
}
