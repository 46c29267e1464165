import { setRun } from '../../change/work.ts'
import type { Design } from '../../document/types.ts'
import { cableName, sizeFor, type WorkedRun } from '../../wiring/runs.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'
import { amount, amps } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const runsCarry: Rule = {
  id: 'wiring.runs',
  step: 'wiring',
  check: ({ design, derived: { runs } }) => {
    const bad = runs.filter((run) => !run.sound)
    return bad.length > 0
      ? bad.map((worked) => finding(design, worked))
      : [
          sound(
            'wiring',
            'Every run carries its current and keeps its drop.',
            'By table and temperature; local code and the inspector have the last word.',
          ),
        ]
  },
}

function finding(design: Design, worked: WorkedRun) {
  const { run, ampacityA, designA, deviceA, dropPct, carries } = worked
  const remedy = thicker(design, worked)
  const named = say`${run.name}: ${cableName(run)}`
  if (carries)
    return watch(
      run.id,
      say`${run.name} loses ${amount(dropPct, '%', 1)}, ${amount(run.allowedDropPct, '%')} wanted.`,
      'Thicker cable, or a higher string voltage.',
      { remedy },
    )
  if (deviceA === null)
    return stop(
      run.id,
      say`${run.name} needs ${amps(designA)}.`,
      'No single standard device is made for that. Split it into two circuits.',
    )
  if (ampacityA < designA)
    return stop(
      run.id,
      say`${named} carries ${amps(ampacityA)}, ${amps(designA)} needed.`,
      'An overloaded cable burns its insulation. Thicker, or two in parallel by the code.',
      { remedy },
    )
  return stop(
    run.id,
    say`${named} is not protected by the ${amps(deviceA)} device it needs.`,
    'A device larger than the cable lets it burn before it opens. Thicker cable.',
    { remedy },
  )
}

function thicker(design: Design, { run }: WorkedRun): Remedy | undefined {
  const better = sizeFor(design, run)
  if (better.size === run.size && better.parallel === run.parallel) return undefined
  return {
    label: cableName(better),
    apply: setRun(run.id, better),
  }
}
