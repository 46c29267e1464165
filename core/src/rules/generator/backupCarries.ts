import { setField } from '../../change/field.ts'
import { ownCharger } from '../../change/generator.ts'
import { backupPower, mostChargerA } from '../../generator/backup.ts'
import { isTaken } from '../../generator/taken.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** What is drawn of a set or cord: the house that runs through it and what can be on then, or the charger behind it. */
export const backupCarries: Rule = {
  id: 'generator.carries',
  step: 'generator',
  check: ({ design, derived: { peak } }) => {
    const { kind, part } = design.generator
    const { passesHouse, realW, chargerAcW } = backupPower(design)
    const name = kind === 'shore' ? 'the cord' : say`“${part.name}”`
    if (isTaken(design) && !passesHouse && chargerAcW > realW) {
      const amps = Math.floor(mostChargerA(design))
      return [
        stop(
          'generator',
          say`The charger draws ${amount(chargerAcW, 'W')}; ${name} gives ${amount(realW, 'W')}.`,
          say`A charger of its own takes what it is set to: ${kind === 'shore' ? 'the breaker of the cord opens' : 'the set stalls or its breaker opens'}. Turn it down, a smaller one, or more power.`,
          amps >= 1
            ? {
                remedy: {
                  label: say`set the charger to ${amount(amps, 'A')}`,
                  apply: setField('generator.chargeLimitA', amps),
                },
              }
            : {},
        ),
      ]
    }
    if (!isTaken(design) || !passesHouse || peak.continuousW <= realW) return []
    return [
      watch(
        'generator',
        say`${amount(peak.continuousW, 'W')} can be on at once; ${name} gives ${amount(realW, 'W')}.`,
        say`While it runs the inverter passes the house through it. The rest must come from the bank, which not every inverter adds: else ${kind === 'shore' ? 'its breaker opens' : 'it stalls or its breaker opens'}. Larger loads while it rests, more power, or a charger of its own on the bank.`,
        { working: 'loads.peak', remedy: { label: 'a charger of its own, on the bank', apply: ownCharger } },
      ),
    ]
  },
}
