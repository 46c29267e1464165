import { setOfLoads } from '../../change/loads.ts'
import type { Design, Leg } from '../../document/types.ts'
import { serviceOf, type Service } from '../../inverter/service.ts'
import { stop, type Body, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

/** What a service cannot give, whatever way it is wired: two legs of 120 V, or three phases. */
const LACKS: Record<Service, { legs: readonly Leg[]; needs: string; gives: string; to: Leg }> = {
  'single-120': { legs: ['AB', 'ABC'], needs: '240 V across two legs', gives: 'one leg of 120 V', to: 'A' },
  'single-230': { legs: ['ABC'], needs: 'three phases', gives: 'one', to: 'A' },
  'split-phase': { legs: ['ABC'], needs: 'three phases', gives: 'two legs', to: 'AB' },
  'three-phase': { legs: [], needs: '', gives: '', to: 'A' },
}

/**
 * A house of two legs of 120 V behind an inverter of 230 V: what hangs on one leg gets twice its volts. That something lies
 * across two legs tells it from one of three phases.
 */
function ofOtherVolts({ inverter, loads }: Design): Body[] {
  if (serviceOf(inverter) !== 'single-230') return []
  const electric = loads.filter(({ supply, leg }) => supply === 'electric' && leg !== 'DC')
  if (!electric.some(({ leg }) => leg === 'AB')) return []
  const doubled = electric.filter(({ leg }) => leg === 'A' || leg === 'B')
  if (doubled.length === 0) return []
  return [
    stop(
      'inverter',
      say`The loads lie on two legs of 120 V; the inverter gives one of 230 V.`,
      say`What is made for 120 V burns on it: ${doubled[0].name}${doubled.length > 1 ? say` and ${doubled.length - 1} more` : ''}. An inverter of two legs, or appliances made for 230 V.`,
      {
        remedy: {
          label: 'all are made for 230 V',
          apply: setOfLoads(new Set(electric.map(({ id }) => id)), 'leg', 'A'),
        },
      },
    ),
  ]
}

export const legsThere: Rule = {
  id: 'inverter.legs-there',
  step: 'inverter',
  check: ({ design }) => {
    const { legs, needs, gives, to } = LACKS[serviceOf(design.inverter)]
    const lacking = design.loads
      .filter(({ leg, supply }) => supply === 'electric' && legs.includes(leg))
      .map((load) =>
        stop(
          load.id,
          say`${load.name} needs ${needs}; the inverter gives ${gives}.`,
          say`It does not run, or burns. An inverter that gives it, or a ${load.name.charAt(0).toLowerCase()}${load.name.slice(1)} made for what there is. Until then it is reckoned as if it ran.`,
          {
            remedy: {
              label: to === 'A' ? 'it is one for this output' : 'it is one for 240 V',
              apply: setOfLoads(new Set([load.id]), 'leg', to),
            },
          },
        ),
      )
    return [...ofOtherVolts(design), ...lacking]
  },
}
