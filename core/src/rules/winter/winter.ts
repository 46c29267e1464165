import { significant } from '../../units/format.ts'
import { open, sound, stop, watch, type Rule } from '../rule.ts'

export const shortHours: Rule = {
  id: 'winter.short-hours',
  step: 'winter',
  check: ({ winter }) => {
    if (!winter)
      return [
        open(
          'winter',
          'No winter has been run yet.',
          'The run starts by itself as soon as the steps before are filled in.',
        ),
      ]
    const { must, should, canWait } = winter.oneInTen.shortHours
    const all = Math.max(must, should, canWait)
    if (must >= 1)
      return [
        stop(
          'winter',
          `What must run is off ${significant(must, 2)} h in 1 winter of 10.`,
          'Storage, sun or generator is too small. “What next” ranks what helps most.',
        ),
      ]
    if (all >= 1)
      return [
        watch(
          'winter',
          `Lights out ${significant(all, 2)} h in 1 winter of 10.`,
          'Only loads that should run or can wait drop out; what must run keeps running.',
        ),
      ]
    return [
      sound(
        'winter',
        'Nothing is short, 9 winters in 10.',
        `Over ${winter.years} made years; the run knows no breakdowns.`,
      ),
    ]
  },
}

export const generatorHours: Rule = {
  id: 'winter.generator-hours',
  step: 'winter',
  check: ({ design, winter }) => {
    if (!winter || !design.generator.present) return []
    const hours = winter.median.generatorHours
    return hours > 300
      ? [
          watch(
            'winter',
            `The generator runs ${significant(hours)} h in a typical year.`,
            'That is a generator house with panels. See what a steeper array or more storage saves.',
          ),
        ]
      : [
          sound(
            'winter',
            `The generator runs ${significant(hours)} h in a typical year.`,
            `${significant(winter.median.generatorStarts)} starts; ${significant(winter.oneInTen.generatorHours)} h in 1 of 10.`,
          ),
        ]
  },
}

export const coldLock: Rule = {
  id: 'winter.cold-lock',
  step: 'winter',
  check: ({ winter }) =>
    winter && winter.median.coldLockHours > 0
      ? [
          stop(
            'winter',
            `Charging is locked by cold for ${significant(winter.median.coldLockHours)} h a year.`,
            'Lithium must not be charged at or below 0 °C. Heat the room.',
            {
              remedy: {
                label: 'heated room, 8 °C',
                apply: (d) => ({ ...d, place: { ...d.place, batteryRoom: { kind: 'heated', setC: 8 } } }),
              },
            },
          ),
        ]
      : [],
}

/** A refill quicker than this is cut short by whole hours; a leg fuller than this is passed by bursts within the hour. */
const QUICK_REFILL_H = 2
const FULL_LEG = 0.8

export const stepOfRun: Rule = {
  id: 'winter.step',
  step: 'winter',
  check: ({ design, derived: { worked } }) => {
    if (design.winter.stepMin === 15) return []
    const refillH = worked['generator.refill-hours']?.value ?? Infinity
    const quick = refillH < QUICK_REFILL_H
    if (!quick && worked['inverter.leg-share'].value <= FULL_LEG) return []
    return [
      watch(
        'winter',
        'Whole hours are coarse for this design.',
        quick
          ? `A refill takes ${significant(refillH, 2)} h, and the run can only stop it on the hour: backup hours come out too high.`
          : 'Bursts within the hour pass what the inverter carries, and hours do not see them.',
        {
          remedy: {
            label: 'run in quarters of an hour',
            apply: (d) => ({ ...d, winter: { ...d.winter, stepMin: 15 } }),
          },
        },
      ),
    ]
  },
}
