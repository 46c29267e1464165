import type { Design } from '../../document/types.ts'
import { volts } from '../../units/say.ts'
import { watch, type Remedy, type Rule } from '../rule.ts'

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
