import { bankLink } from '../../bank/weakestLink.ts'
import { addString } from '../../change/bank.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { amps, volts, watts } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'

/** What the units may give for long, against what is on at once and against all the inverter can be asked for. */
export const discharge: Rule = {
  id: 'bank.discharge',
  step: 'bank',
  check: ({ design, derived: { link, peak, worked } }) => {
    const { bank, inverter } = design
    const lets = CHEMISTRIES[bank.part.chemistry].managed
      ? 'The management units switch the bank off'
      : 'The plates overheat and the voltage falls away'
    const fullA = worked['inverter.low-voltage-current'].value
    const mended = bankLink(addString(design), peak)
    /** a string more is offered where it is enough */
    const helped = (enough: boolean) => ({
      working: 'inverter.low-voltage-current',
      ...(enough ? { remedy: { label: 'one more string', apply: addString } } : {}),
    })
    const more = helped(mended.carries && !mended.sags)
    if (!link.carries)
      return [
        stop(
          'bank',
          say`What is on at once draws ${amps(link.loadA)} of a low bank; the units give ${amps(link.limitA)} for long.`,
          say`${lets}. More strings, larger units, or fewer loads at once.`,
          more,
        ),
      ]
    if (link.sags)
      return [
        stop(
          'bank',
          link.saggedV === null
            ? 'The bank cannot carry what is on at once at 30 % charge.'
            : say`What is on at once pulls a bank at 30 % to ${volts(link.saggedV)}.`,
          say`The inverter lets go at ${volts(inverter.part.lowCutV)} and the lights go out. More strings, larger units, or fewer loads at once.`,
          more,
        ),
      ]
    if (fullA > link.limitA)
      return [
        watch(
          'bank',
          say`Full load of the inverter draws ${amps(fullA)} of a low bank; the units give ${amps(link.limitA)} for long.`,
          say`What is on at once draws ${amps(link.loadA)}. ${lets} before ${watts(inverter.part.ratedW * inverter.quantity)} are reached: more strings, or a smaller inverter.`,
          helped(fullA <= mended.limitA),
        ),
      ]
    return [
      sound(
        'bank',
        say`The units give all the inverter can ask, ${amps(fullA)} of ${amps(link.limitA)}.`,
        say`What is on at once draws ${amps(link.loadA)}, at its lowest voltage.`,
      ),
    ]
  },
}
