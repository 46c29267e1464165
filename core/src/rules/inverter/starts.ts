import { softStarter } from './softStarter.ts'
import { inverterRating } from '../../inverter/service.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { amount, percent, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const starts: Rule = {
  id: 'inverter.starts',
  step: 'inverter',
  check: ({ design, derived: { worked, peak } }) => {
    const share = worked['inverter.surge-share'].value
    const more = { working: 'inverter.surge-share' }
    if (!peak.starter) return []
    if (share > 1)
      return [
        stop(
          'inverter',
          say`${peak.starter} will not start.`,
          say`It asks ${watts(peak.surgeW)} for ${amount(peak.startS, '')} s of ${watts(inverterRating(design, peak.startS).surgeW)}. A soft start or a larger inverter.`,
          { ...more, ...softStarter(design, peak.starter) },
        ),
      ]
    return [
      (share > 0.85 ? watch : sound)(
        'inverter',
        say`${peak.starter} starts at ${percent(share)} of the surge rating.`,
        share > 0.85 ? 'Close; a soft start would settle it.' : 'Room to spare.',
        more,
      ),
    ]
  },
}
