import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { watch, type Rule } from '../rule.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Low cut-outs of inverters lie a little under it, for the dip of a start: 10 V for 12. */
const DIP = 0.95

/** An inverter that lets go of a bank too late, where no management unit does before. */
export const lowCut: Rule = {
  id: 'inverter.low-cut',
  step: 'inverter',
  check: ({ design: { bank, inverter } }) => {
    const { managed, classCellV, emptyCellV } = CHEMISTRIES[bank.part.chemistry]
    const emptyV = (bank.systemV / classCellV) * emptyCellV
    const { lowCutV } = inverter.part
    if (managed || lowCutV >= emptyV * DIP) return []
    return [
      watch(
        'inverter',
        say`The inverter lets go at ${volts(lowCutV)}; this bank is empty at ${volts(emptyV)} under load.`,
        'What is drawn below that harms it for good. Set a higher cut-out, or a monitor that lets the loads go before.',
      ),
    ]
  },
}
