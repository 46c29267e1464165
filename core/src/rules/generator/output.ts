import { ownCharger } from '../../change/generator.ts'
import type { Design } from '../../document/types.ts'
import { takenShare } from '../../generator/taken.ts'
import { takenVolts } from '../../generator/words.ts'
import { acrossVolts, legVolts } from '../../inverter/service.ts'
import { open, stop, watch, type Rule } from '../rule.ts'
import { amount, volts } from '../../units/say.ts'
import { say, type Words } from '../../units/words.ts'

function given({ generator: { kind, cordV, part }, inverter }: Design): Words {
  if (kind === 'shore') return say`${volts(cordV)}`
  if (part.output === 'three-phase') return 'three phases'
  const legV = legVolts(inverter)
  return part.output === 'split' && legV < 200 ? '120/240 V' : say`${volts(legV)} alone`
}

/** Whether nobody knows what comes in, and one of the usual outlets would not bring all. */
const isOpen = ({ generator, inverter }: Design): boolean =>
  generator.part.output === 'unknown' &&
  (['single', 'split'] as const).some(
    (each) => takenShare({ inverter, generator: { ...generator, part: { ...generator.part, output: each } } }) < 1,
  )

const unknown = (name: Words, inverter: Design['inverter']) =>
  open(
    'generator',
    say`What the outlet of ${name} gives is not known; the inverter takes ${takenVolts(inverter)}.`,
    'Many sets give one voltage alone. What does not fit charges nothing, and a set that feeds one winding gives half. Its plate says which.',
  )

/** What the backup gives is what the inverter takes. */
export const output: Rule = {
  id: 'generator.output',
  step: 'generator',
  check: ({ design }) => {
    const { generator, inverter } = design
    if (!generator.present) return []
    const share = takenShare(design)
    const name = generator.kind === 'shore' ? 'The cord' : say`“${generator.part.name}”`
    if (share === 1) return isOpen(design) ? [unknown(name, inverter)] : []
    if (share > 0)
      return [
        watch(
          'generator',
          say`${name} gives ${amount(Math.round(share * 100), '%')} of its power here.`,
          say`Its windings share it, and ${takenVolts(inverter)} takes one of them. A selector that puts all on one voltage, or a transformer, gives the rest; then say so at the set.`,
        ),
      ]
    return [
      stop(
        'generator',
        say`${name} gives ${given(design)}; the inverter takes ${takenVolts(inverter)}.`,
        generator.kind === 'shore' && generator.cordV > acrossVolts(inverter)
          ? 'So many volts destroy it, and with it what it passes them on to. Another outlet, a transformer between, or a charger of its own on the bank.'
          : 'An inverter passes on what comes in: most refuse it, and where one lets it through, one leg and all that runs across two stay dark. Another set, a transformer between, or a charger of its own on the bank.',
        { remedy: { label: 'a charger of its own, on the bank', apply: ownCharger } },
      ),
    ]
  },
}
