import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { stringsAtLimit } from '../../bank/strings.ts'
import { restedBankV, sag } from '../../bank/voltage.ts'
import { bankOhm } from '../../bank/layout.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'

/** A bank is asked for what it must give while it is not full any more. */
const CHARGE = 0.3

/** What the units may give, against what is on at once and against the largest start. */
export const discharge: Rule = {
  id: 'bank.discharge',
  step: 'bank',
  check: ({ design, derived: { peak } }) => {
    const { bank, inverter } = design
    const openV = restedBankV(bank, CHARGE)
    /** null where the bank's resistance keeps it from giving that power at any current */
    const drawn = (outputW: number) => {
      const inputW = outputW / inverter.part.fullLoadEfficiency
      const { volts } = sag(openV, bankOhm(bank), inputW)
      return volts === null ? null : inputW / volts
    }
    const strings = stringsAtLimit(bank)
    const lastingA = bank.part.maxDischargeA * strings
    const surgeA = bank.part.surgeA * strings
    const onA = drawn(peak.continuousW)
    const startA = drawn(peak.surgeW)
    const lets = CHEMISTRIES[bank.part.chemistry].managed
      ? 'The management units switch the bank off'
      : 'The plates overheat and the voltage falls away'
    if (onA === null)
      return [
        stop(
          'bank',
          'The bank cannot carry what is on at once at 30 % charge.',
          'Its voltage collapses and the lights go out. More strings, larger units, or fewer loads at once.',
        ),
      ]
    if (onA > lastingA)
      return [
        stop(
          'bank',
          say`What is on at once draws ${amps(onA)}; the units give ${amps(lastingA)} for long.`,
          say`${lets}. More strings, larger units, or fewer loads at once.`,
        ),
      ]
    // a start that the bank cannot carry at all is told where the inverter meets it
    if (startA === null) return []
    if (peak.starter && startA > surgeA)
      return [
        watch(
          'bank',
          say`${peak.starter}’s start draws ${amps(startA)}; the units give ${amps(surgeA)} for a moment.`,
          say`${lets}. More strings, units of a higher surge rating, or a soft start.`,
        ),
      ]
    return [
      sound(
        'bank',
        say`The units give what is on at once, ${amps(onA)} of ${amps(lastingA)}.`,
        'And the largest start.',
      ),
    ]
  },
}
