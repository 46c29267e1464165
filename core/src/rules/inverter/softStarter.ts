import { softStart } from '../../change/loads.ts'
import type { Design } from '../../document/types.ts'
import type { Remedy } from '../rule.ts'
import { say } from '../../units/words.ts'

/** A pump that starts hard can be given a soft starter. */
export function softStarter(design: Design, starter: string): { remedy?: Remedy } {
  const pump = design.loads.find(({ name, startKind }) => name === starter && startKind === 'submersible-pump')
  if (!pump) return {}
  return {
    remedy: {
      label: say`soft starter for ${pump.name}`,
      apply: softStart(pump.id),
    },
  }
}
