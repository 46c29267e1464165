import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { absorptionV, compensationV } from '../../bank/layout.ts'
import { stop, watch, type Rule } from '../rule.ts'
import { amount, celsius, kelvin, volts } from '../../units/say.ts'
import { say, type Words } from '../../units/words.ts'

/** An inverter that saves itself from the voltage its bank is charged at. */
export const highCut: Rule = {
  id: 'inverter.high-cut',
  step: 'inverter',
  check: ({ design, derived: { batteryC } }) => {
    const { bank, generator, inverter } = design
    const { highCutV } = inverter.part
    if (highCutV === null) return []
    const { equaliseV, compensationMVPerCellK } = CHEMISTRIES[bank.part.chemistry]
    const moreV = compensationV(bank, batteryC)
    const absorbedV = absorptionV(bank) + moreV
    const why: Words =
      moreV > 0
        ? say`Lead is charged ${amount(compensationMVPerCellK, 'mV')} a cell higher for each ${kelvin(1)} below ${celsius(25)}, and this bank gets as cold as ${celsius(batteryC)}. `
        : ''
    if (absorbedV > highCutV)
      return [
        stop(
          'inverter',
          say`The bank is charged at ${volts(absorbedV)}; the inverter switches off at ${volts(highCutV)}.`,
          say`${why}The lights go out whenever the bank is nearly full. A lower absorption voltage where the battery’s manual allows it, a warmer room, or another inverter.`,
        ),
      ]
    const equalises = generator.present && generator.equaliseEveryDays !== null && equaliseV !== null
    if (equalises && (bank.systemV / 12) * equaliseV[0] + moreV > highCutV)
      return [
        watch(
          'inverter',
          say`Equalising takes ${volts((bank.systemV / 12) * equaliseV[0] + moreV)}; the inverter switches off at ${volts(highCutV)}.`,
          say`${why}The house is dark while the bank is equalised, unless the backup carries it. Equalise in warm weather.`,
        ),
      ]
    return []
  },
}
