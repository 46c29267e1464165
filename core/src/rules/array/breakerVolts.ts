import { breakerVoltsFor } from '../../array/voltage.ts'
import { setField } from '../../change/field.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { celsius, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Breaker, switch and fuses meet the same coldest dawn as the controller. */
export const breakerVolts: Rule = {
  id: 'array.breaker-volts',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap(({ id, name, breakerV }, i) => {
      if (breakerV === null) return []
      const { cold } = derived.arrays[i]
      const coldV = cold[design.schools.coldVoltage]
      const most = Math.max(coldV, ...Object.values(cold))
      const wantedV = breakerVoltsFor(coldV > breakerV ? coldV : most)
      const more = {
        working: `array.cold-voltage.${id}`,
        remedy:
          wantedV === null
            ? undefined
            : { label: say`made for ${volts(wantedV)}`, apply: setField(`arrays.${i}.breakerV`, wantedV) },
      }
      if (coldV > breakerV)
        return [
          stop(
            id,
            say`Breaker and switch of ${name} are made for ${volts(breakerV)}; the coldest dawn brings ${volts(coldV)}.`,
            say`Above its volts a breaker may not put out the arc, and burns. At ${celsius(design.place.recordLowC)} ${wantedV === null ? 'no usual class will do: fewer modules in series' : say`one for ${volts(wantedV)} direct current is needed`}.`,
            more,
          ),
        ]
      if (most > breakerV)
        return [
          watch(
            id,
            say`Breaker and switch of ${name} are made for ${volts(breakerV)}; by another method the coldest dawn brings ${volts(most)}.`,
            'Take the next class up, or look at all three on the ruler.',
            more,
          ),
        ]
      return [
        sound(
          id,
          say`Breaker and switch are made for ${volts(breakerV)}; ${volts(coldV)} on the coldest dawn.`,
          'All three methods agree.',
          { working: more.working },
        ),
      ]
    }),
}
