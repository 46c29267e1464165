import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { watch, type Rule } from '../rule.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Volts of a cell under load at which nothing more should be taken. Source: IEEE 485, end-of-discharge voltage. */
const EMPTY_CELL_V = 1.75
/** Low cut-outs of inverters lie a little under it, for the dip of a start: 10 V for 12. */
const DIP = 0.95

/** An inverter that lets go of a bank too late, where no management unit does before. */
export const lowCut: Rule = {
  id: 'inverter.low-cut',
  step: 'inverter',
  check: ({ design: { bank, inverter } }) => {
    const { managed, classCellV } = CHEMISTRIES[bank.part.chemistry]
    const emptyV = (bank.systemV / classCellV) * EMPTY_CELL_V
    const { lowCutV } = inverter.part
    if (managed || lowCutV >= emptyV * DIP) return []
    return [
      watch(
        'inverter',
        say`The inverter lets go at ${volts(lowCutV)}; this bank is empty at ${volts(emptyV)} under load.`,
        'What is drawn below that ruins the plates. Set a higher cut-out, or a monitor that lets the loads go before.',
      ),
    ]
  },
}
