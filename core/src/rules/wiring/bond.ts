import type { Change } from '../../change/change.ts'
import { setField } from '../../change/field.ts'
import { bondingOf, type BondPlace, type FeedingMode } from '../../system/bond.ts'
import { joined, say, type Words } from '../../units/words.ts'
import { open, sound, stop, watch, type Remedy, type Rule } from '../rule.ts'

const PLACES: Readonly<Record<BondPlace, string>> = {
  panel: 'the house panel',
  inverter: 'the inverter',
  bypass: 'the changeover',
  generator: 'the generator',
  shore: 'the shore',
  grid: 'the grid’s service',
}
const FEEDING: Readonly<Record<FeedingMode, string>> = {
  inverter: 'the inverter feeds the house',
  generator: 'the generator runs',
  shore: 'the shore feeds',
  grid: 'the grid feeds',
  'past the inverter': 'the changeover passes the inverter by',
}

const chain =
  (...changes: Change[]): Change =>
  (design) =>
    changes.reduce((next, change) => change(next), design)
const off = setField('house.inverterBondOff', true)
const automatic = setField('house.bond', '')
const floating = setField('generator.neutral', 'floating')
const inPanel = setField('house.bond', 'panel')
const inChangeover = setField('house.bond', 'bypass')
/** Ways to have one bond, the least work first. */
const REMEDIES: readonly Remedy[] = [
  { label: 'the inverter’s own alone', apply: automatic },
  { label: 'the generator’s own taken out', apply: floating },
  { label: 'the inverter’s own taken off', apply: off },
  { label: 'in the panel, the inverter’s own off', apply: chain(off, inPanel) },
  { label: 'in the changeover, the inverter’s own off', apply: chain(off, inChangeover) },
  { label: 'the panel’s alone', apply: chain(off, inPanel, floating) },
  { label: 'the changeover’s alone', apply: chain(off, inChangeover, floating) },
]

/** Neutral and ground are joined once, in every way the house is fed. */
export const bond: Rule = {
  id: 'wiring.bond',
  step: 'wiring',
  check: ({ design }) => {
    const { place, modes } = bondingOf(design)
    const unknown = design.generator.neutral === 'unknown'
    // of a generator nobody has looked at, none here may be one there
    const right = (each: (typeof modes)[number]): boolean =>
      each.bonds.length === 1 || (unknown && fromGenerator(each) && each.bonds.length === 0)
    const wrong = modes.filter((each) => !right(each))
    const cures = REMEDIES.find(({ apply }) => bondingOf(apply(design)).modes.every(({ bonds }) => bonds.length === 1))
    const remedy = cures ? { remedy: cures } : {}
    const two = wrong.find(({ bonds }) => bonds.length > 1)
    const none = wrong.find(({ bonds }) => bonds.length === 0)
    const found = [
      ...(two
        ? [
            // whether an inverter parts its neutral from the shore nobody is asked
            (two.mode === 'shore' && design.house.bond === '' ? watch : stop)(
              'bond',
              say`Neutral and ground are joined twice while ${FEEDING[two.mode]}: ${namesOf(two.bonds)}.`,
              'Current of the neutral then flows through frames and cases, and a breaker for faults trips or does not.',
              remedy,
            ),
          ]
        : []),
      ...(none
        ? [
            stop(
              'bond',
              say`Neutral and ground are joined nowhere while ${FEEDING[none.mode]}.`,
              'A live wire that touches a case then opens no breaker, and the case stays live.',
              remedy,
            ),
          ]
        : []),
      ...(unknown && modes.some(fromGenerator)
        ? [
            open(
              'bond',
              'Nobody has looked whether the generator’s neutral is joined to its frame.',
              'If it is, there are two bonds while it runs. Its manual says so, or a meter between neutral and frame.',
            ),
          ]
        : []),
    ]
    return found.length > 0
      ? found
      : [sound('bond', say`Neutral and ground are joined once, in ${PLACES[place]}.`, BECAUSE)]

    function fromGenerator({ mode }: { mode: FeedingMode }): boolean {
      if (mode === 'generator') return true
      return mode === 'past the inverter' && !design.grid.present && design.generator.kind === 'generator'
    }
  },
}
const BECAUSE = 'So it is in every way the house is fed. Local code has the last word on where.'

const namesOf = (bonds: readonly BondPlace[]): Words =>
  joined(
    bonds.map((each) => PLACES[each]),
    ' and ',
  )
