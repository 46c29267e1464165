import type { Design } from '../../document/types.ts'
import { inverterRating } from '../../inverter/service.ts'
import { significant } from '../../units/format.ts'
import { percent, volts, watts } from '../say.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'

export const carries: Rule = {
  id: 'inverter.carries',
  step: 'inverter',
  check: ({ derived: { worked } }) => {
    const share = worked['inverter.leg-share'].value
    const more = { working: 'inverter.leg-share' }
    if (share > 1)
      return [
        stop(
          'inverter',
          `${worked['inverter.leg-share'].label} is at ${percent(share)}.`,
          'The inverter trips. Move loads between legs, spread them over the day, or take a larger one.',
          more,
        ),
      ]
    if (share > 0.8)
      return [
        watch(
          'inverter',
          `${worked['inverter.leg-share'].label} is at ${percent(share)}.`,
          'Little is left for what you forgot, or for a hot day.',
          more,
        ),
      ]
    return [
      sound(
        'inverter',
        `${worked['inverter.leg-share'].label} at ${percent(share)}.`,
        'Carries what is on at once.',
        more,
      ),
    ]
  },
}

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

export const sags: Rule = {
  id: 'inverter.sag',
  step: 'inverter',
  check: ({ design, derived: { worked, peak } }) => {
    const sagged = worked['inverter.sag'].value
    const { lowCutV } = design.inverter.part
    if (!peak.starter || sagged >= lowCutV) return []
    const says =
      sagged === 0
        ? `The bank cannot carry ${peak.starter}’s start at 30 % charge.`
        : `${peak.starter}’s start pulls a 30 % bank to ${volts(sagged)}.`
    return [
      watch(
        'inverter',
        says,
        `The inverter lets go at ${volts(lowCutV)}. More strings in parallel, a soft start, or start it only on a fuller bank.`,
        { working: 'inverter.sag', ...softStart(design, peak.starter) },
      ),
    ]
  },
}
