import { setField } from '../../change/field.ts'
import { sourceMost } from '../../generator/sources.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { amount, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Wind and water drive on when the bank is full: what they give then needs somewhere to go. */
export const dumpLoad: Rule = {
  id: 'generator.dump-load',
  step: 'generator',
  check: ({ design, winter }) =>
    design.sources.flatMap((source, i) => {
      if (source.side !== 'dc' || source.kind === 'other') return []
      const spilledWh = winter?.median.spilledDcWh ?? 0
      // the run knows them only together
      const left = say`the sources on the bank’s side give ${amount(spilledWh / 1000, 'kWh')} a year more than it takes`
      if (source.surplus !== 'none')
        return winter
          ? [
              sound(
                source.id,
                say`${source.name}: ${left}, and ${source.surplus === 'brake' ? 'a brake holds it then' : 'a dump load takes its part'}.`,
                say`${source.surplus === 'brake' ? 'The brake' : 'The dump load'} must carry ${watts(sourceMost(source))} by itself, with the bank taken off.`,
              ),
            ]
          : []
      const level = spilledWh >= 1000 ? stop : watch
      return [
        level(
          source.id,
          winter
            ? say`${source.name} has nowhere to go: ${left}.`
            : say`${source.name} has nowhere to go when the bank is full.`,
          'A turbine without load runs away and drives the bank over its voltage. A dump load or a brake that works without the bank holds it.',
          { remedy: { label: 'plan a dump load', apply: setField(`sources.${i}.surplus`, 'dump-load') } },
        ),
      ]
    }),
}
