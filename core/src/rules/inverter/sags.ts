import { softStarter } from './softStarter.ts'
import { watch, type Rule } from '../rule.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const sags: Rule = {
  id: 'inverter.sag',
  step: 'inverter',
  check: ({ design, derived: { worked, peak } }) => {
    const sagged = worked['inverter.sag'].value
    const { lowCutV } = design.inverter.part
    if (!peak.starter || sagged >= lowCutV) return []
    const says =
      sagged === 0
        ? say`The bank cannot carry ${peak.starter}’s start at 30 % charge.`
        : say`${peak.starter}’s start pulls a 30 % bank to ${volts(sagged)}.`
    return [
      watch(
        'inverter',
        says,
        say`The inverter lets go at ${volts(lowCutV)}. More strings in parallel, a soft start, or start it only on a fuller bank.`,
        { working: 'inverter.sag', ...softStarter(design, peak.starter) },
      ),
    ]
  },
}
