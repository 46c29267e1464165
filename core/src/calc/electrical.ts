import { derate, fuelLitres } from '../generator/power.ts'
import { refillHours } from '../generator/refill.ts'
import { inverterCurve, inverterInput } from '../inverter/efficiency.ts'
import { legs } from '../inverter/legs.ts'
import { legChoices, type Service } from '../inverter/service.ts'
import { startOnLeg } from '../inverter/start.ts'
import { surge } from '../inverter/surge.ts'
import { choice, list, number, optional } from './fields.ts'

import { type CalcFunction, share, watts, fuel, kinetic } from './inputs.ts'

/** Inverter and generator, by name. */
export const ELECTRICAL: Record<string, CalcFunction> = {
  'inverter.input': {
    says: 'DC input of an inverter',
    inputs: {
      idleW: number('W', 0, 10000),
      ratedW: number('W', 1, 1e6),
      peakEfficiency: share,
      peakAtFraction: share,
      fullLoadEfficiency: share,
      watts,
    },
    outputs: { inputW: 'W', efficiency: 'share' },
    source: 'idle + a·P + b·P² through three points',
    run: (input) => {
      const inputW = inverterInput(inverterCurve(input.all()), input.number('watts'))
      return { inputW, efficiency: inputW > 0 ? input.number('watts') / inputW : 0 }
    },
  },
  'inverter.legs': {
    says: 'power on each leg and neutral current',
    inputs: {
      loads: list('loads on the legs the service has', { watts, leg: choice('A', 'B', 'C', 'AB', 'ABC') }),
      service: optional(choice('split-phase', 'three-phase', 'single-120', 'single-230'), 'split-phase'),
      volts: optional(number('V, leg to neutral', 1, 1000), 120),
    },
    outputs: { legAW: 'W', legBW: 'W', legCW: 'W', neutralA: 'A' },
    source: 'Kirchhoff’s current law at the neutral, unity power factor',
    run: (input) => {
      const service = input.text('service') as Service
      const loads = input.rows('loads') as unknown as Parameters<typeof legs>[0]
      const choices = legChoices(service).filter((leg) => leg !== 'DC')
      loads.forEach(({ leg }, i) => {
        if (!choices.includes(leg))
          throw new RangeError(`loads.${i}.leg "${leg}" is not on a ${service} service; one of ${choices.join(', ')}`)
      })
      return { ...legs(loads, service, input.number('volts')) }
    },
  },
  'inverter.surge': {
    says: 'whether a start is carried by the inverter, the bank’s voltage and the bank’s current',
    inputs: {
      baseW: watts,
      startW: watts,
      surgeRatingW: watts,
      efficiency: optional(number('share', 0.01, 1), 0.9),
      openCircuitV: number('V', 0.1, 1000),
      ohm: number('Ω', 0, 100),
      lowCutV: number('V', 0, 1000),
      surgeLimitA: optional(number('A', 0, 1e6), 1e6),
    },
    outputs: {
      starts: '',
      limitedBy: 'none, inverter, voltage, bank-current',
      outputW: 'W',
      volts: 'V, null when not carried',
      amps: 'A',
    },
    source: 'V = (E + √(E² − 4PR))/2 against the low cut-out',
    run: (input) => ({ ...surge(input.all()) }),
  },
  'inverter.start': {
    says: 'a start against the surge its leg has',
    inputs: {
      topology: choice('split-phase', 'single'),
      ratedW: watts,
      surgeW: number('W, of the whole inverter', 1, 1e7),
      leg: choice('A', 'B', 'AB'),
      runningW: watts,
      startW: watts,
    },
    outputs: { share: 'of the surge there', carries: '' },
    source: 'a leg of a split-phase inverter has half of its surge',
    run: (input) => ({ ...startOnLeg(input.all()) }),
  },
  'generator.refillHours': {
    says: 'hours a charger takes from one state of charge to another, the absorption tail with it',
    inputs: {
      ...kinetic,
      from: share,
      to: share,
      chargeA: number('A', 1e-6, 1e5),
      efficiency: optional(number('share', 0.01, 1), 0.85),
      ratedAh: optional(number('Ah, in which the levels are counted; qmaxAh where it is left out', 1e-6, 1e6), null),
    },
    outputs: {
      hours: 'h, null when not within 96 h',
      tailHours: 'h',
      meanShare: 'mean share of the charger’s current',
    },
    source: 'Manwell & McGowan (1993), stepped by 3 minutes',
    run: (input) => {
      const { hours, ...rest } = refillHours(
        input.all(),
        input.number('from'),
        input.number('to'),
        input.number('chargeA'),
        input.number('efficiency'),
        input.has('ratedAh') ? input.number('ratedAh') : undefined,
      )
      return { hours: Number.isFinite(hours) ? hours : null, ...rest }
    },
  },
  'generator.derate': {
    says: 'power a generator really gives at a place',
    inputs: { ratedW: number('W', 1, 1e6), elevationM: number('m', -430, 6000), airC: number('°C', -60, 60), fuel },
    outputs: { watts: 'W' },
    source: 'makers’ de-rating rules',
    run: (input) => ({
      watts: derate(
        input.number('ratedW'),
        input.number('elevationM'),
        input.number('airC'),
        input.text('fuel') as 'petrol',
      ),
    }),
  },
  'generator.fuel': {
    says: 'fuel burnt',
    inputs: { ratedW: number('W', 1, 1e6), watts, hours: number('h', 0, 10000), fuel },
    outputs: { litres: 'L' },
    source: 'straight Willans line',
    run: (input) => ({
      litres: fuelLitres(
        input.number('ratedW'),
        input.number('watts'),
        input.number('hours'),
        input.text('fuel') as 'petrol',
      ),
    }),
  },
}
