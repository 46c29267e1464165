import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { setField } from '../../change/field.ts'
import { watch, type Rule } from '../rule.ts'
import { percent, volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Volts of a cell under load at which nothing more should be taken. Source: IEEE 485, end-of-discharge voltage. */
const EMPTY_CELL_V = 1.75
/** Low cut-outs of inverters lie a little under it, for the dip of a start: 10 V for 12. */
const DIP = 0.95

/** A bank that nothing takes off before it is harmed: by the charge it is let down to, and by the volts it is let go at. */
export const lowCut: Rule = {
  id: 'inverter.low-cut',
  step: 'inverter',
  check: ({ design: { bank, inverter } }) => {
    const { managed, name, cutoff, classCellV } = CHEMISTRIES[bank.part.chemistry]
    if (managed) return []
    const emptyV = (bank.systemV / classCellV) * EMPTY_CELL_V
    const { lowCutV } = inverter.part
    return [
      ...(bank.cutoffStateOfCharge < cutoff - 1e-9
        ? [
            watch(
              'bank',
              say`The bank is let down to ${percent(bank.cutoffStateOfCharge)}.`,
              say`${name} is ruined by it in a few deep winters, and freezes where it is cold. Let the loads go at ${percent(cutoff)}.`,
              {
                remedy: {
                  label: say`let go at ${percent(cutoff)}`,
                  apply: setField('bank.cutoffStateOfCharge', cutoff),
                },
              },
            ),
          ]
        : []),
      ...(lowCutV < emptyV * DIP
        ? [
            watch(
              'inverter',
              say`The inverter lets go at ${volts(lowCutV)}; this bank is empty at ${volts(emptyV)} under load.`,
              'What is drawn below that ruins the plates. Set a higher cut-out, or a monitor that lets the loads go before.',
            ),
          ]
        : []),
    ]
  },
}
