import type { Design, Load } from '../document/types.ts'
import { dailyEnergy } from './energy.ts'

/** What may be tried with a load before it is decided. */
export type LoadChange = 'out' | 'half' | 'propane'

export interface Trial {
  loadId: string
  change: LoadChange
}

/** The load after a change; taken out and on propane it stays in the list and can come back. */
export function changedLoad(load: Load, change: LoadChange): Load {
  if (change !== 'half') return { ...load, supply: change }
  const half = (value: number | null) => (value === null ? null : value / 2)
  return {
    ...load,
    hoursPerDay: load.hoursPerDay / 2,
    meteredKWh: half(load.meteredKWh),
    cyclesPerWeek: half(load.cyclesPerWeek),
    monthKWh: half(load.monthKWh),
  }
}

/** The design with all these changes to its loads. */
export function withTrials(design: Design, trials: readonly Trial[]): Design {
  const byLoad = new Map(trials.map(({ loadId, change }) => [loadId, change]))
  return {
    ...design,
    loads: design.loads.map((load) => {
      const change = byLoad.get(load.id)
      return change ? changedLoad(load, change) : load
    }),
  }
}

/** Heat of a litre of liquid propane, Wh (lower heating value, 25.3 MJ/L). Source: NIST chemistry webbook. */
export const PROPANE_WH_PER_L = 7030
/** Share of that heat that does the appliance's work. */
export const PROPANE_APPLIANCE_EFFICIENCY = 0.75

/**
 * Propane that would do a load's work for a year, L. Fair for heat (cooking, water, drying); an absorption refrigerator
 * takes several times as much.
 */
export function propaneLitresAYear(load: Load): number {
  const asElectric: Load = { ...load, supply: 'electric' }
  let wh = 0
  for (let month = 0; month < 12; month++) wh += (dailyEnergy(asElectric, month) * 365) / 12
  return wh / (PROPANE_WH_PER_L * PROPANE_APPLIANCE_EFFICIENCY)
}
