import type { ArrayField, Design } from '../document/types.ts'
import { trackerInputs } from './controllers.ts'
import { mismatch, type StringKind } from './mismatch.ts'

/** Arrays that share one tracker of one controller and are not alike. */
export interface UnlikeGroup {
  controllerId: string
  tracker: number
  arrayIds: string[]
  strings: Required<StringKind>[]
  /** share lost at 1000 W/m² on warm cells, and at 200 W/m² on cool ones */
  brightLoss: number
  dullLoss: number
}

const BRIGHT = { irradianceWM2: 1000, cellC: 45 }
const DULL = { irradianceWM2: 200, cellC: 10 }

/** Strings of one kind go together without loss. */
export const stringKind = ({ module, inSeries }: Pick<ArrayField, 'module' | 'inSeries'>) =>
  [module.vocV, module.iscA, module.vmpV, module.impA, module.cells, inSeries].join('|')

let last: { key: string; groups: UnlikeGroup[] } | null = null

/**
 * Where unlike strings work in parallel, and what that costs. A pulse-width controller holds every string at the
 * bank's voltage anyway and is left out. The last answer is kept because every edit asks for it.
 */
export function unlikeGroups(design: Pick<Design, 'arrays' | 'controllers'>): UnlikeGroup[] {
  const { arrays, controllers } = design
  const key = JSON.stringify([arrays, controllers])
  if (last?.key !== key) last = { key, groups: findGroups(design) }
  return last.groups
}

function findGroups({ arrays, controllers }: Pick<Design, 'arrays' | 'controllers'>): UnlikeGroup[] {
  return controllers
    .filter(({ part }) => part.kind === 'tracker')
    .flatMap((controller) =>
      trackerInputs(controller, arrays)
        .filter((input) => new Set(input.arrays.map(stringKind)).size > 1)
        .map((input) => {
          const strings = input.arrays.map(({ module, inSeries, inParallel }) => ({
            module,
            inSeries,
            count: inParallel,
          }))
          return {
            controllerId: controller.id,
            tracker: input.tracker,
            arrayIds: input.arrays.map((array) => array.id),
            strings,
            brightLoss: mismatch(strings, BRIGHT.irradianceWM2, BRIGHT.cellC).lossFraction,
            dullLoss: mismatch(strings, DULL.irradianceWM2, DULL.cellC).lossFraction,
          }
        }),
    )
}

/** Share an array loses to unlike neighbours at an irradiance: straight between dull and bright light. */
export function unlikeLossAt({ brightLoss, dullLoss }: UnlikeGroup, irradianceWM2: number): number {
  const along = Math.min(1, Math.max(0, (irradianceWM2 - DULL.irradianceWM2) / (1000 - DULL.irradianceWM2)))
  return dullLoss + along * (brightLoss - dullLoss)
}
