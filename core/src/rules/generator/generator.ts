import { stringsAtLimit } from '../../bank/strings.ts'
import { CHEMISTRIES } from '../../bank/chemistry.ts'
import { backupPower } from '../../generator/backup.ts'
import type { Design } from '../../document/types.ts'
import { significant } from '../../units/format.ts'
import { percent } from '../say.ts'
import { sound, stop, watch, type Rule } from '../rule.ts'

/** The economical range of small sets, and where they glaze. */
const GLAZES = 0.3
const LONG_RUN = 0.8

export const generatorLoad: Rule = {
  id: 'generator.load',
  step: 'generator',
  check: ({ design, derived: { worked } }) => {
    const { generator } = design
    if (!generator.present || generator.kind !== 'generator') return []
    const share = worked['generator.load-share'].value
    const says = `It works at ${percent(share)} of its power while charging.`
    const more = { working: 'generator.load-share' }
    if (share < GLAZES)
      return [
        watch('generator', says, 'Under 30 % it glazes and wastes fuel. A bigger charger or a smaller set.', more),
      ]
    if (share >= LONG_RUN - 1e-9) {
      const amps = Math.floor(worked['generator.charge-limit'].value)
      return [
        watch('generator', says, 'The house comes on top. Seventy per cent is where a long run is quiet and thrifty.', {
          ...more,
          remedy: {
            label: `set the charger to ${amps} A`,
            apply: (d: Design) => ({ ...d, generator: { ...d.generator, chargeLimitA: amps } }),
          },
        }),
      ]
    }
    return [sound('generator', says, 'Fifty to seventy-five per cent is the economical range.', more)]
  },
}

export const chargerOverBank: Rule = {
  id: 'generator.charger-over-bank',
  step: 'generator',
  check: ({ design }) => {
    const { generator, bank } = design
    if (!generator.present) return []
    const { chargeA } = backupPower(design)
    const { managed } = CHEMISTRIES[bank.part.chemistry]
    const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
    if (chargeA <= limitA) return []
    const remedy = {
      label: `set the charger to ${Math.floor(limitA)} A`,
      apply: (d: Design) => ({ ...d, generator: { ...d.generator, chargeLimitA: Math.floor(limitA) } }),
    }
    return [
      (managed ? watch : stop)(
        'generator',
        `The charger can push ${significant(chargeA)} A; the bank takes ${significant(limitA)} A.`,
        managed
          ? 'The management units disconnect under it. Turn the charger down.'
          : 'Beyond its limit the bank overheats and gasses. Turn the charger down.',
        limitA >= 1 ? { remedy } : {},
      ),
    ]
  },
}

export const equalising: Rule = {
  id: 'generator.equalise',
  step: 'generator',
  check: ({ design: { generator, bank } }) =>
    generator.present && generator.equaliseEveryDays !== null && CHEMISTRIES[bank.part.chemistry].equaliseV === null
      ? [
          watch(
            'generator',
            `${CHEMISTRIES[bank.part.chemistry].name} is not equalised; the run leaves it out.`,
            'Sealed cells lose water they cannot get back, and lithium is damaged. Only flooded banks are equalised.',
            {
              remedy: {
                label: 'no equalising',
                apply: (d) => ({ ...d, generator: { ...d.generator, equaliseEveryDays: null } }),
              },
            },
          ),
        ]
      : [],
}

export const fuelStore: Rule = {
  id: 'generator.fuel-store',
  step: 'generator',
  check: ({ design: { generator }, winter }) => {
    if (!generator.present || generator.kind !== 'generator' || !winter || generator.tankL === null) return []
    const needL = winter.oneInTen.fuelBetweenTripsL
    const says = `${significant(needL)} L burn in the worst ${significant(generator.fuelTripDays)} days, 1 winter in 10; ${significant(generator.tankL)} L are stored.`
    return needL > generator.tankL
      ? [watch('generator', says, 'Store more, or be sure of the road in that week.')]
      : [sound('generator', says, `Over ${winter.years} years.`)]
  },
}

export const nobodyHome: Rule = {
  id: 'generator.nobody-home',
  step: 'generator',
  check: ({ design: { generator, household } }) =>
    generator.present && household.away.length > 0 && (generator.kind === 'vehicle' || generator.startBy === 'morning')
      ? [
          watch(
            'generator',
            'Nobody is there to start it while you are away.',
            'What stays on then lives off sun and bank alone; the run counts it so.',
          ),
        ]
      : [],
}

export const refill: Rule = {
  id: 'generator.refill',
  step: 'generator',
  check: ({ design: { generator }, derived: { worked } }) => {
    if (!generator.present || generator.kind === 'vehicle') return []
    const hours = worked['generator.refill-hours']?.value ?? 0
    const more = { working: 'generator.refill-hours' }
    return hours > generator.maxRunH
      ? [
          watch(
            'generator',
            `A refill takes ${significant(hours, 2)} h; the longest run is ${generator.maxRunH} h.`,
            'The bank never comes back in one go. More charger, or longer runs.',
            more,
          ),
        ]
      : [sound('generator', `A refill takes ${significant(hours, 2)} h.`, 'Within the longest run allowed.', more)]
  },
}

const CAUTIONS = {
  generator: {
    says: 'Outside, far from openings, with a carbon-monoxide alarm.',
    because:
      'Exhaust kills without smell. Transfer switch or interlock, never a cord with two plugs: back-feed kills people on the line.',
  },
  shore: {
    says: 'Through an inlet and a transfer switch, on its own breaker.',
    because:
      'Never a cord with two plugs: back-feed kills people on the line. Neutral and earth are bonded at one place only.',
  },
  vehicle: {
    says: 'In the open, a fuse at each end of the cable, plus first.',
    because:
      'Exhaust kills without smell; an unfused cable across a bank welds and burns. An alternator is not made for hours at full current.',
  },
}

export const generatorSafety: Rule = {
  id: 'generator.safety',
  step: 'generator',
  check: ({ design: { generator } }) => {
    const { says, because } = CAUTIONS[generator.kind]
    return generator.present ? [watch('generator', says, because)] : []
  },
}
