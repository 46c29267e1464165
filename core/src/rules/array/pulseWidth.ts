import { stop, watch, type Rule } from '../rule.ts'
import { percent, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const pulseWidth: Rule = {
  id: 'array.pulse-width',
  step: 'array',
  check: ({ design, derived }) =>
    design.arrays.flatMap((array) => {
      const controller = design.controllers.find(({ id }) => id === array.controllerId)
      if (controller?.part.kind !== 'pulse-width') return []
      const vmp = array.inSeries * array.module.vmpV
      const thrown = 1 - derived.chargeV / vmp
      if (vmp < derived.chargeV)
        return [
          stop(
            array.id,
            say`${array.name} works at ${volts(vmp)}; the bank charges at ${volts(derived.chargeV)}.`,
            'A pulse-width controller cannot raise the voltage: it never charges full. More modules in series, or a tracking controller.',
          ),
        ]
      return [
        watch(
          array.id,
          say`${controller.name} throws away about ${percent(thrown)} of ${array.name}.`,
          say`It holds the array at the bank’s voltage, ${volts(derived.chargeV)} instead of ${volts(vmp)}. A tracking controller uses both.`,
        ),
      ]
    }),
}
