import { ownCharger } from '../../change/generator.ts'
import { backupPower } from '../../generator/backup.ts'
import { isTaken } from '../../generator/taken.ts'
import { watch, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** A set or cord through which the house runs while it charges, and what can be on then. */
export const backupCarries: Rule = {
  id: 'generator.carries',
  step: 'generator',
  check: ({ design, derived: { peak } }) => {
    const { kind, part } = design.generator
    const { passesHouse, realW } = backupPower(design)
    if (!isTaken(design) || !passesHouse || peak.continuousW <= realW) return []
    const name = kind === 'shore' ? 'the cord' : say`“${part.name}”`
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
