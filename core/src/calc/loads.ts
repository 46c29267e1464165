import type { Load } from '../document/types.ts'
import { dailyEnergy } from '../loads/energy.ts'
import { coincidentPeak } from '../loads/peak.ts'
import { choice, integer, list, object, optional } from './fields.ts'

import { type CalcFunction, loadFields } from './inputs.ts'

/** Loads, by name. */
export const LOADS: Record<string, CalcFunction> = {
  'loads.dailyEnergy': {
    says: 'energy of a load on an average day of a month',
    inputs: { load: object('a load as in the document', loadFields), month: integer('month', 1, 12) },
    outputs: { whPerDay: 'Wh/day' },
    source: 'IEEE 1013 load audit',
    run: (input) => ({ whPerDay: dailyEnergy(input.object('load') as unknown as Load, input.number('month') - 1) }),
  },
  'loads.coincidentPeak': {
    says: 'how much is on at once, and the largest start on top',
    inputs: {
      loads: list('loads as in the document, DC ones left out', loadFields),
      school: optional(choice('coincidence', 'everything'), 'coincidence'),
    },
    outputs: { continuousW: 'W', surgeW: 'W', starter: 'the load that makes the surge', startS: 's it lasts' },
    source: 'practice: worst hour of the hour shapes, or everything at once + 20 %',
    run: (input) => {
      const loads = input.rows('loads') as unknown as Load[]
      const ac = loads.filter((load) => load.leg !== 'DC')
      return { ...coincidentPeak(ac, input.text('school') as 'coincidence') }
    },
  },
}
