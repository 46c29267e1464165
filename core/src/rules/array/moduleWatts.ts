import { takeModule } from '../../change/array.ts'
import { watch, type Rule } from '../rule.ts'
import { amount, percent, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Sheets round; beyond this share one of the figures is wrong. */
const ROUNDING = 0.03

/** The watts of a module must be what its volts and amps make. */
export const moduleWatts: Rule = {
  id: 'array.module-watts',
  step: 'array',
  check: ({ design }) =>
    design.arrays.flatMap(({ id, name, module }, i) => {
      const madeW = module.vmpV * module.impA
      const off = module.ratedW / madeW - 1
      if (Math.abs(off) <= ROUNDING) return []
      const whole = Math.max(1, Math.round(madeW))
      return [
        watch(
          id,
          say`${name}: ${watts(module.ratedW)} a module, but Vmp × Imp make ${watts(madeW)}.`,
          say`${percent(Math.abs(off))} ${off > 0 ? 'too much' : 'too little'}: one of the three is not what the sheet says. ${amount(module.vmpV, 'V', 1)} × ${amount(module.impA, 'A', 1)}; which is right?`,
          { remedy: { label: say`${watts(whole)} a module`, apply: takeModule(i, { ...module, ratedW: whole }) } },
        ),
      ]
    }),
}
