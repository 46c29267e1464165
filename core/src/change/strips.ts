import type { Load } from '../document/types.ts'
import { dailyEnergy } from '../loads/energy.ts'
import type { Change } from './change.ts'

const ALL_YEAR = Array<number>(12).fill(1)
/** What a load says of its use itself, standing by included, Wh a day: by it a strip's reading is shared out. */
const ownWh = (load: Load): number =>
  dailyEnergy({ ...load, basis: 'rated', supply: 'electric', seasonShare: ALL_YEAR }, 0)

/**
 * What one meter counted on a strip, shared out over the loads on it by what each would use by its nameplate and hours; evenly
 * where none says anything. Loads that hung on the strip and no longer do go back to their nameplate.
 *
 * @param strip what it is called
 * @param ids of the loads on it, one at least
 * @param kWh counted ≥ 0
 * @param hours it counted, above 0
 */
export const shareOut =
  (strip: string, ids: ReadonlySet<string>, kWh: number, hours: number): Change =>
  (design) => {
    const on = design.loads.filter(({ id }) => ids.has(id))
    const total = on.reduce((sum, load) => sum + ownWh(load), 0)
    const shareOf = (load: Load) => Number((total > 0 ? ownWh(load) / total : 1 / on.length).toFixed(4))
    return {
      ...design,
      loads: design.loads.map((load): Load => {
        if (ids.has(load.id))
          return { ...load, basis: 'strip', strip, stripShare: shareOf(load), meteredKWh: kWh, meteredHours: hours }
        if (load.basis === 'strip' && load.strip === strip) return offStrip(load)
        return load
      }),
    }
  }

const offStrip = (load: Load): Load => ({
  ...load,
  basis: 'rated',
  strip: '',
  stripShare: 1,
  meteredKWh: null,
  meteredHours: null,
})

/** Takes a strip apart: its loads go back to their nameplates. */
export const removeStrip =
  (strip: string): Change =>
  (design) => ({
    ...design,
    loads: design.loads.map((load) => (load.basis === 'strip' && load.strip === strip ? offStrip(load) : load)),
  })
