import { setCircuit } from '../../change/circuits.ts'
import { meetingAmps } from '../../system/battery.ts'
import { deviceFor } from '../../wiring/conductors.ts'
import { amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** A fuse of the fastest class carries this many times its rating for the seconds of a start. Source: makers' time-current curves. */
const STARTS_TIMES = 2.5

/** The main fuse against the inverter's surge, and against what charges the bank. */
export const mainFuse: Rule = {
  id: 'wiring.main-fuse',
  step: 'wiring',
  check: ({ design, derived: { circuits } }) => {
    const main = circuits.find(({ circuit }) => circuit.id === 'bank-main')
    const fuseA = main?.device?.amps
    if (!main || !fuseA || main.choice.unused) return []
    const { part, quantity } = design.inverter
    const surgeA = (part.surgeW * quantity) / (part.fullLoadEfficiency * part.lowCutV)
    const { inA } = meetingAmps(design)
    if (surgeA > fuseA * STARTS_TIMES) {
      const better = deviceFor(surgeA / STARTS_TIMES, design.place.wiringBasis)
      return [
        watch(
          'bank-main',
          say`The main fuse of ${amps(fuseA)} may open when the inverter surges to ${amps(surgeA)}.`,
          say`A fast fuse carries about ${STARTS_TIMES} times its rating for the seconds of a start; its curve has the last word.`,
          better && better > fuseA
            ? { remedy: { label: say`${amps(better)}`, apply: setCircuit('bank-main', { deviceA: better }) } }
            : {},
        ),
      ]
    }
    if (inA > fuseA)
      return [
        watch(
          'bank-main',
          say`The main fuse of ${amps(fuseA)} opens when sun and charger bring ${amps(inA)} together.`,
          'A bank that parts from its chargers in full sun sends their volts into the inverter.',
        ),
      ]
    return []
  },
}
