import type { Design } from '../document/types.ts'

/** Where neutral and ground are joined. */
export type BondPlace = 'panel' | 'inverter' | 'bypass' | 'generator' | 'shore' | 'grid'
/** What feeds the house: the inverter, a source it passes on, or a source past it. */
export type FeedingMode = 'inverter' | 'generator' | 'shore' | 'grid' | 'past the inverter'

export interface Bonding {
  /** where the one bond belongs, by what was chosen or by the inverter's kind */
  place: BondPlace
  /** every way the house is fed, and the bonds that are closed then: one each, where it is right */
  modes: { mode: FeedingMode; bonds: BondPlace[] }[]
}

/** The node of the system that a bond is at. */
export const BOND_NODES: Readonly<Record<BondPlace, string>> = {
  panel: 'panel',
  inverter: 'inverter',
  bypass: 'bypass',
  generator: 'backup',
  shore: 'backup',
  grid: 'grid',
}

/** Whether a generator's or shore's alternating current goes to the inverter, which passes it on to the house. */
const passedOn = ({ generator }: Pick<Design, 'generator'>): 'generator' | 'shore' | null => {
  if (!generator.present || generator.kind === 'vehicle') return null
  if (generator.kind === 'shore') return 'shore'
  return generator.charger === 'inverter' ? 'generator' : null
}

/** What a changeover gives the house past the inverter: the grid where there is one, else the backup; null for none. */
export function pastInverter({
  generator,
  grid,
  house,
}: Pick<Design, 'generator' | 'grid' | 'house'>): BondPlace | null {
  if (!house.bypass) return null
  if (grid.present) return 'grid'
  if (!generator.present || generator.kind === 'vehicle') return null
  return generator.kind
}

/**
 * Where neutral and ground are joined in each way the house is fed.
 * Source: NEC 250.24(A), 250.30(A), 250.142; IEC 60364-4-41 411.4: one bond for each source that feeds.
 * @example bondingOf(larkspurBench()).place → 'panel'
 */
export function bondingOf(design: Pick<Design, 'inverter' | 'generator' | 'grid' | 'house'>): Bonding {
  const { inverter, generator, grid, house } = design
  const own = house.inverterBondOff ? 'none' : inverter.part.bond
  const place: BondPlace =
    house.bond !== '' ? house.bond : own !== 'none' ? 'inverter' : grid.present ? 'grid' : 'panel'
  // a bond in a changeover that is not there is none
  const past = pastInverter(design)
  const standing: BondPlace[] = place === 'panel' || (place === 'bypass' && past) ? [place] : []
  const fixed: BondPlace[] = own === 'fixed' ? ['inverter'] : []
  const ofSource = (source: BondPlace): BondPlace[] =>
    source === 'generator' && generator.neutral !== 'bonded' ? [] : [source]
  // where nothing but the grid's service joins them, its neutral is never parted from the house
  const service: BondPlace[] = grid.present && place === 'grid' ? ['grid'] : []
  const modes: Bonding['modes'] = [
    { mode: 'inverter', bonds: [...standing, ...(own === 'none' ? service : (['inverter'] as const))] },
  ]
  const backup = passedOn(design)
  if (backup) modes.push({ mode: backup, bonds: [...standing, ...fixed, ...service, ...ofSource(backup)] })
  if (grid.present) modes.push({ mode: 'grid', bonds: [...standing, ...fixed, 'grid'] })
  if (past) modes.push({ mode: 'past the inverter', bonds: [...standing, ...ofSource(past)] })
  return { place, modes }
}
