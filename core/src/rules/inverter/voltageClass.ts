import { watch, type Rule } from '../rule.ts'
import { amount, amps, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const voltageClass: Rule = {
  id: 'inverter.voltage-class',
  step: 'inverter',
  check: ({ design: { bank, inverter }, derived: { worked } }) => {
    const ratedW = inverter.part.ratedW * inverter.quantity
    const better = ratedW > 3000 || worked['loads.worst-day'].value > 4000 ? 48 : ratedW > 1500 ? 24 : 12
    return bank.systemV < better
      ? [
          watch(
            'inverter',
            say`${amount(better, 'V')} would suit this system better than ${amount(bank.systemV, 'V')}.`,
            say`${watts(ratedW)} draws ${amps(worked['inverter.low-voltage-current'].value)} from this bank at its lowest; at ${amount(better, 'V')} it is ${amount(Math.round((bank.systemV / better) * 100), '%')} of that, and so is the copper.`,
            { working: 'inverter.low-voltage-current' },
          ),
        ]
      : []
  },
}
