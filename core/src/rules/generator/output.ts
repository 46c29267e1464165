import { ownCharger } from '../../change/generator.ts'
import type { Design } from '../../document/types.ts'
import { isOfOtherHz, takenShare } from '../../generator/taken.ts'
import { takenVolts } from '../../generator/words.ts'
import { acrossVolts, legVolts } from '../../inverter/service.ts'
import { turning } from '../inverter/frequency.ts'
import { open, stop, watch, type Rule } from '../rule.ts'
import { amount, volts } from '../../units/say.ts'
import { say, type Words } from '../../units/words.ts'

/** The volts that a backup gives. */
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

/** A set of another frequency that the inverter lets through. */
const throughHz = ({ generator, inverter }: Design) =>
  watch(
    'generator',
    say`While “${generator.part.name}” runs the house has ${amount(Number(generator.part.frequencyHz), 'Hz')} instead of ${amount(inverter.part.frequencyHz, 'Hz')}.`,
    say`The inverter lets it through as it comes: motors turn ${turning(inverter.part.frequencyHz, Number(generator.part.frequencyHz))}, and clocks go wrong. Look at the plates of what runs then.`,
  )

const unknown = (name: Words, inverter: Design['inverter']) =>
  open(
    'generator',
    say`What the outlet of ${name} gives is not known; the inverter takes ${takenVolts(inverter)}.`,
    'Many sets give one voltage alone. What does not fit charges nothing, and a set that feeds one winding gives half. Its plate says which.',
  )

/** Whether its volts are those of the inverter, whatever its frequency. */
const fitsByVolts = ({ generator, inverter }: Design): boolean =>
  takenShare({ inverter, generator: { ...generator, part: { ...generator.part, frequencyHz: 'unknown' } } }) > 0

/** Why nothing of a backup is taken. */
function refused(design: Design): { says: Words; why: string } {
  const { generator, inverter } = design
  const name = nameOf(design)
  const ownHz = amount(inverter.part.frequencyHz, 'Hz')
  if (isOfOtherHz(design)) {
    const hertz = amount(Number(generator.part.frequencyHz), 'Hz')
    if (fitsByVolts(design))
      return {
        says: say`${name} makes ${hertz}, the inverter ${ownHz}.`,
        why: 'An inverter passes on what comes in: most refuse another frequency, and then nothing is charged. Another set, one set to it by its governor as its maker allows, or a charger of its own on the bank.',
      }
    return {
      says: say`${name} gives ${given(design)} at ${hertz}; the inverter takes ${takenVolts(inverter)} at ${ownHz}.`,
      why: OTHER_VOLTS,
    }
  }
  return {
    says: say`${name} gives ${given(design)}; the inverter takes ${takenVolts(inverter)}.`,
    why: generator.kind === 'shore' && generator.cordV > acrossVolts(inverter) ? TOO_MANY_VOLTS : OTHER_VOLTS,
  }
}

const TOO_MANY_VOLTS =
  'So many volts destroy it, and with it what it passes them on to. Another outlet, a transformer between, or a charger of its own on the bank.'
const OTHER_VOLTS =
  'An inverter passes on what comes in: most refuse it, and where one lets it through, one leg and all that runs across two stay dark. Another set, a transformer between, or a charger of its own on the bank.'

const nameOf = ({ generator: { kind, part } }: Design): Words => (kind === 'shore' ? 'The cord' : say`“${part.name}”`)

/** What the backup gives is what the inverter takes. */
export const output: Rule = {
  id: 'generator.output',
  step: 'generator',
  check: ({ design }) => {
    const { generator, inverter } = design
    if (!generator.present) return []
    const share = takenShare(design)
    const name = nameOf(design)
    if (share === 1 && isOfOtherHz(design)) return [throughHz(design)]
    if (share === 1) return isOpen(design) ? [unknown(name, inverter)] : []
    if (share > 0)
      return [
        watch(
          'generator',
          say`${name} gives ${amount(Math.round(share * 100), '%')} of its power here.`,
          say`Its windings share it, and ${takenVolts(inverter)} takes one of them. A selector that puts all on one voltage, or a transformer, gives the rest; then say so at the set.`,
        ),
      ]
    const { says, why } = refused(design)
    return [stop('generator', says, why, { remedy: { label: 'a charger of its own, on the bank', apply: ownCharger } })]
  },
}
