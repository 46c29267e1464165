import { watch, type Rule } from '../rule.ts'
import { amount, percent, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Share of a day's need from which the draw at rest is worth a word. */
const IDLE_SHARE = 0.15

export const idleDraw: Rule = {
  id: 'inverter.idle',
  step: 'inverter',
  check: ({ derived: { worked } }) => {
    const idleWh = worked['inverter.idle-day'].value
    const dayWh = worked['loads.worst-day'].value
    if (dayWh <= 0 || idleWh < IDLE_SHARE * dayWh) return []
    return [
      watch(
        'inverter',
        say`Its own draw is ${amount(idleWh, 'Wh')} a day, ${percent(idleWh / dayWh)} of what the loads take.`,
        say`It eats ${watts(worked['inverter.idle-panels'].value)} of modules in the darkest month. A smaller inverter, or search mode where nothing has to stay awake.`,
        { working: 'inverter.idle-panels' },
      ),
    ]
  },
}
