import { cableName, sizeFor } from '../../wiring/runs.ts'
import { amps } from '../say.ts'
import { decimal } from '../../units/format.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'

export const runsCarry: Rule = {
  id: 'wiring.runs',
  step: 'wiring',
  check: ({ design, derived: { runs } }) => {
    const findings = runs
      .filter((run) => !run.sound)
      .map((worked) => {
        const { run, ampacityA, designA, dropPct } = worked
        const better = sizeFor(design, run)
        const remedy =
          better.size === run.size && better.parallel === run.parallel
            ? undefined
            : {
                label: cableName(better),
                apply: (d: typeof design) => ({
                  ...d,
                  runs: d.runs.map((each) => (each.id === run.id ? { ...each, ...better } : each)),
                }),
              }
        return ampacityA < designA
          ? stop(
              run.id,
              `${run.name}: ${cableName(run)} carries ${amps(ampacityA)}, ${amps(designA)} needed.`,
              'An overloaded cable burns its insulation. Thicker, or two in parallel by the code.',
              { remedy },
            )
          : watch(
              run.id,
              `${run.name} loses ${decimal(dropPct, 1)} %, ${run.allowedDropPct} % wanted.`,
              'Thicker cable, or a higher string voltage.',
              { remedy },
            )
      })
    return findings.length > 0
      ? findings
      : [
          sound(
            'wiring',
            'Every run carries its current and keeps its drop.',
            'By table and temperature; local code and the inspector have the last word.',
          ),
        ]
  },
}
