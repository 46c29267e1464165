import { setOfLoads } from '../../change/loads.ts'
import type { Leg } from '../../document/types.ts'
import { serviceOf, type Service } from '../../inverter/service.ts'
import { stop, type Rule } from '../rule.ts'
import { say } from '../../units/words.ts'

/** What a service cannot give, whatever way it is wired: two legs of 120 V, or three phases. */
const LACKS: Record<Service, { legs: readonly Leg[]; needs: string; gives: string; to: Leg }> = {
  'single-120': { legs: ['AB', 'ABC'], needs: '240 V across two legs', gives: 'one leg of 120 V', to: 'A' },
  'single-230': { legs: ['ABC'], needs: 'three phases', gives: 'one', to: 'A' },
  'split-phase': { legs: ['ABC'], needs: 'three phases', gives: 'two legs', to: 'AB' },
  'three-phase': { legs: [], needs: '', gives: '', to: 'A' },
}

export const legsThere: Rule = {
  id: 'inverter.legs-there',
  step: 'inverter',
  check: ({ design }) => {
    const { legs, needs, gives, to } = LACKS[serviceOf(design.inverter)]
    return design.loads
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
  },
}
