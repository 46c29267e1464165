import type { Design } from '../document/types.ts'
import { say } from '../units/words.ts'
import { batterySide } from './battery.ts'
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
  const lengths = new Map(design.circuits.map(({ id, oneWayM }) => [id, oneWayM]))
  batterySide(builder)
  solarSide(builder, (id, usualM) => lengths.get(id) ?? usualM)
  houseSide(builder)
  grounding(builder)
  return builder.system
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
  builder.lead('bond', 'Bond of neutral and ground', 'panel', 'ground-bar', 'ground', size, bondWords(design))
  for (const { id, name, site } of design.arrays) {
    if (design.schools.electrodes !== 'bonded-second' || site !== 'ground') continue
    const rod = builder.node({
      id: `electrode:${id}`,
      kind: 'electrode',
      name: `Electrode at ${name}`,
      rating: 'bonded to the others',
      site: 'array',
      step: 'wiring',
    })
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

const bondWords = ({ generator, grid }: Design) =>
  grid.present
    ? 'the grid’s service makes the one bond; none at inverter or generator, whose own is taken off'
    : generator.present && generator.kind === 'generator'
      ? 'the one bond, in the house panel; take off the one inside of the generator, and of an inverter that makes its own'
      : 'the one bond, in the house panel; an inverter that makes its own has it taken off or this one left out'
