import { continuousShare, legLevel } from '../../inverter/apparent.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'
import { amps, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const carries: Rule = {
  id: 'inverter.carries',
  step: 'inverter',
  check: ({ derived: { worked, link } }) => {
    const ruling = continuousShare(worked)
    const share = ruling.value
    const more = { working: ruling.id }
    const level = legLevel(share)
    if (level === 'stop')
      return [
        stop(
          'inverter',
          say`${ruling.label} is at ${percent(share)}.`,
          'The inverter trips. Move loads between legs, spread them over the day, or take a larger one.',
          more,
        ),
      ]
    if (!link.carries || link.sags)
      return [
        stop(
          'inverter',
          link.carries
            ? 'The bank is the weakest link: its voltage does not hold under what is on at once.'
            : say`The bank is the weakest link: ${amps(link.loadA)} are drawn of the ${amps(link.limitA)} it gives for long.`,
          'The inverter would carry what is on at once; the bank lets go before. More strings, larger units, or fewer loads at once.',
          more,
        ),
      ]
    if (level === 'watch')
      return [
        watch(
          'inverter',
          say`${ruling.label} is at ${percent(share)}.`,
          'Little is left for what you forgot, or for a hot day.',
          more,
        ),
      ]
    return [sound('inverter', say`${ruling.label} at ${percent(share)}.`, 'Carries what is on at once.', more)]
  },
}
