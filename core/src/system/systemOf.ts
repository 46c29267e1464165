import type { Design } from '../document/types.ts'
import { say, type Words } from '../units/words.ts'
import { batterySide } from './battery.ts'
import { BOND_NODES, bondingOf, type BondPlace } from './bond.ts'
import { Builder } from './builder.ts'
import type { System } from './graph.ts'
import { houseSide } from './house.ts'
import { solarSide } from './solar.ts'

/** Copper from the ground bar to the electrodes. Source: NEC 250.66(A), 250.166; IEC 60364-5-54 542.3. */
const ELECTRODE_LEAD = { awg: '6 AWG', metric: '16 mm2' } as const

/**
 * The equipment of a design and every circuit between it: derived from the steps before, never drawn by hand.
 * Every array, controller, bank, inverter, source and branch has its circuits, whatever was chosen about them.
 */
export function systemOf(design: Design): System {
  const builder = new Builder(design)
  batterySide(builder)
  solarSide(builder)
  houseSide(builder)
  grounding(builder)
  // a power box has its bars inside
  const { nodes, circuits, leads } = builder.system
  const onBars = circuits.some(({ from, to }) => from === 'bars' || to === 'bars')
  return onBars ? builder.system : { nodes: nodes.filter(({ id }) => id !== 'bars'), circuits, leads }
}

/** One ground bar, one electrode system, one bond of neutral and ground; frames and cases on it. */
function grounding(builder: Builder): void {
  const { design } = builder
  const size = ELECTRODE_LEAD[design.place.wiringBasis]
  builder.node({
    id: 'ground-bar',
    kind: 'ground-bar',
    name: 'Ground bar',
    rating: 'every case and frame comes here',
    site: 'house',
    step: 'wiring',
  })
  builder.node({
    id: 'electrode',
    kind: 'electrode',
    name: 'Earth electrodes',
    rating: 'rods or what the ground asks, all bonded',
    site: 'yard',
    step: 'wiring',
  })
  builder.lead(
    'electrode',
    'Lead to the electrodes',
    'ground-bar',
    'electrode',
    'ground',
    size,
    'it need not be thicker to rods, whatever the service',
  )
  const { place } = bondingOf(design)
  const at = builder.has(BOND_NODES[place]) ? BOND_NODES[place] : 'panel'
  builder.lead('bond', 'Bond of neutral and ground', at, 'ground-bar', 'ground', size, BOND_WORDS[place])
  for (const { id, name, site } of design.arrays) {
    if (design.schools.electrodes === 'one' || site !== 'ground') continue
    const bonded = design.schools.electrodes === 'bonded-second'
    const rod = builder.node({
      id: `electrode:${id}`,
      kind: 'electrode',
      name: `Electrode at ${name}`,
      rating: bonded ? 'bonded to the others' : 'bonded to nothing',
      site: 'array',
      step: 'wiring',
    })
    if (!bonded) continue
    builder.lead(
      `bonded:${id}`,
      `Bond of the electrode at ${name}`,
      rod,
      'electrode',
      'ground',
      size,
      say`a rod that is not bonded to the others brings lightning’s volts into the house`,
    )
  }
}

const BOND_WORDS: Readonly<Record<BondPlace, Words>> = {
  panel: 'the one bond, in the house panel: none inside of inverter or source',
  inverter: 'the inverter’s own bond is the one: none in the panel',
  bypass: 'the one bond, in the changeover: none in panel, inverter or source',
  generator: 'the generator’s own bond',
  shore: 'the shore’s own bond',
  grid: 'the grid’s service makes the one bond: none at the inverter or another source, whose own is taken off',
}
