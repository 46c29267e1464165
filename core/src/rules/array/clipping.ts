import { passesW, trackerInputs } from '../../array/controllers.ts'
import { watch, type Rule } from '../rule.ts'
import { amps, percent, watts } from '../../units/say.ts'
import { say, type Words } from '../../units/words.ts'

/** Up to this the bright hours that are lost hardly show in a year, and the dull months gain: nothing to look at. */
const WORTH_SAYING = 1.25

export const clipping: Rule = {
  id: 'array.clipping',
  step: 'array',
  check: ({ design, derived }) =>
    design.controllers.flatMap((controller) => {
      const { part, name } = controller
      const inputs = trackerInputs(controller, design.arrays)
      const ratedW = inputs.reduce((sum, input) => sum + input.ratedW, 0)
      const byAmps = inputs.reduce((sum, input) => sum + input.takesW, 0)
      const overA = inputs.find(({ operatingA }) => operatingA > (part.maxOperatingA ?? Infinity))
      const limits: { limitW: number; says: Words }[] = [
        { limitW: passesW(controller, derived.chargeV), says: say`${name} passes` },
        { limitW: part.maxArrayW ?? Infinity, says: say`The maker of ${part.name} allows` },
        {
          limitW: byAmps,
          says: overA
            ? say`Its inputs take ${amps(part.maxOperatingA!)} of the strings’ ${amps(overA.operatingA)}: ${name} uses`
            : say`Its inputs may have, and ${name} uses`,
        },
      ]
      const { limitW, says } = limits.reduce((least, each) => (each.limitW < least.limitW ? each : least))
      const overWatts =
        inputs.some((input) => input.ratedW > (part.maxTrackerW ?? Infinity)) || ratedW > (part.maxArrayW ?? Infinity)
      return ratedW > limitW * (overWatts ? 1 : WORTH_SAYING)
        ? [
            watch(
              controller.id,
              say`${says} ${watts(limitW)} of ${watts(ratedW)}.`,
              say`The rest of a bright noon is clipped, ${percent(1 - limitW / ratedW)} at most. ${overWatts ? 'It is more array than the maker states; ask whether the warranty allows it.' : 'Harmless, and often worth it for dull days; the step shows the kWh of a year.'}`,
            ),
          ]
        : []
    }),
}
