import { softStarter } from './softStarter.ts'
import { inverterRating } from '../../inverter/service.ts'
import { significant } from '../../units/format.ts'
import { percent, watts } from '../../units/say.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'

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
          `${peak.starter} will not start.`,
          `It asks ${watts(peak.surgeW)} for ${significant(peak.startS)} s of ${watts(inverterRating(design, peak.startS).surgeW)}. A soft start or a larger inverter.`,
          { ...more, ...softStarter(design, peak.starter) },
        ),
      ]
    return [
      (share > 0.85 ? watch : sound)(
        'inverter',
        `${peak.starter} starts at ${percent(share)} of the surge rating.`,
        share > 0.85 ? 'Close; a soft start would settle it.' : 'Room to spare.',
        more,
      ),
    ]
  },
}
