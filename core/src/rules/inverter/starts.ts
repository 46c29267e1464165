import type { Design } from '../../document/types.ts'
import { inverterRating } from '../../inverter/service.ts'
import { significant } from '../../units/format.ts'
import { percent, watts } from '../../units/say.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'

/** A pump that starts hard can be given a soft starter. */
function softStart(design: Design, starter: string): { remedy?: Remedy } {
  const pump = design.loads.find(({ name, startKind }) => name === starter && startKind === 'submersible-pump')
  if (!pump) return {}
  return {
    remedy: {
      label: `soft starter for ${pump.name}`,
      apply: (d) => ({
        ...d,
        loads: d.loads.map((load) =>
          load.id === pump.id ? { ...load, startKind: 'soft-start-pump', startW: null } : load,
        ),
      }),
    },
  }
}

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
          { ...more, ...softStart(design, peak.starter) },
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
