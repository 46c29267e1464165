import { freezingPointC } from '../bank/chemistry.ts'
import { floorStateOfCharge, usableShare } from '../bank/usable.ts'
import { currentShares } from '../bank/currentShares.ts'
import { fitKinetic, kineticCapacity, kineticStep } from '../bank/kinetic.ts'
import { lifeYears } from '../bank/life.ts'
import { rainflow } from '../bank/rainflow.ts'
import { sizeByHand } from '../bank/sizeByHand.ts'
import { stateFromRest } from '../bank/stateFromRest.ts'
import { weakestLink, type LinkQuestion } from '../bank/weakestLink.ts'
import type { Chemistry } from '../document/types.ts'
import { sag } from '../bank/voltage.ts'
import { choice, integer, list, number, numbers, optional } from './fields.ts'

import { type CalcFunction, share, watts, chemistry, kinetic } from './inputs.ts'

/** Batteries, by name. */
export const BANK: Record<string, CalcFunction> = {
  'bank.sizeByHand': {
    says: 'the bank by the hand method',
    inputs: {
      dailyWh: number('Wh/d', 0, 1e7),
      days: number('d', 0.1, 60),
      depth: number('share', 0.01, 1),
      batteryC: number('°C', -60, 60),
      chemistry,
      systemV: number('V', 12, 48),
      unitV: number('V', 1, 60),
      unitAh: number('Ah', 1, 5000),
    },
    outputs: { needWh: 'Wh', needAh: 'Ah', inSeries: '', inParallel: '' },
    source: 'IEEE 1013',
    run: (input) => sizeByHand(input.all()),
  },
  'bank.weakestLink': {
    says: 'whether the units of a bank may give a load and a start at the lowest voltage',
    inputs: {
      inParallel: integer('strings', 1, 1000),
      maxDischargeA: number('A a string, lasting', 0, 1e5),
      surgeA: number('A a string, for a moment', 0, 1e5),
      watts,
      startWatts: watts,
      lowV: number('V', 1, 1000),
      efficiency: number('share', 0.01, 1),
      fuseA: optional(number('A', 0, 1e5), null),
    },
    outputs: {
      loadA: 'A',
      startA: 'A',
      limitA: 'A',
      surgeLimitA: 'A',
      carries: '',
      starts: '',
      limit: 'management unit, fuse',
    },
    source: 'watts ÷ (efficiency × low voltage) against strings × limit',
    run: (input) => {
      const { fuseA, ...question } = input.all() as LinkQuestion & { fuseA: number | null }
      return { ...weakestLink(fuseA === null ? question : { ...question, fuseA }) }
    },
  },
  'bank.stateFromRest': {
    says: 'state of charge by rested volts, and between what it lies with a hand meter',
    inputs: {
      chemistry,
      volts: number('V, of the whole bank', 0.1, 1000),
      nominalV: number('V, of the whole bank', 1, 1000),
      batteryC: optional(number('°C', -60, 60), 25),
    },
    outputs: { stateOfCharge: '0…1', low: '0…1', high: '0…1' },
    source: 'rested curves of the chemistries',
    run: (input) => ({
      ...stateFromRest(
        input.text('chemistry') as Chemistry,
        input.number('volts'),
        input.number('nominalV'),
        input.number('batteryC'),
      ),
    }),
  },
  'bank.fitKinetic': {
    says: 'kinetic model from rated capacities',
    inputs: { points: list('rated capacities', { hours: number('h', 1e-3, 1000), ampHours: number('Ah', 1e-3, 1e5) }) },
    outputs: { qmaxAh: 'Ah', c: 'share', kPerH: '1/h', worstResidual: 'share' },
    source: 'Manwell & McGowan (1993)',
    run: (input) => ({
      ...fitKinetic(input.rows('points') as never),
    }),
  },
  'bank.kineticCapacity': {
    says: 'capacity at the constant current that empties a full battery in so many hours',
    inputs: { ...kinetic, hours: number('h', 1e-6, 10000) },
    outputs: { ampHours: 'Ah' },
    source: 'Manwell & McGowan (1993)',
    run: (input) => ({ ampHours: kineticCapacity(input.all(), input.number('hours')) }),
  },
  'bank.kineticStep': {
    says: 'one step of the kinetic model',
    inputs: {
      ...kinetic,
      availableAh: number('Ah', 0, 1e6),
      boundAh: number('Ah', 0, 1e6),
      currentA: number('A, discharge positive', -1e6, 1e6),
      hours: number('h', 1e-6, 10000),
    },
    outputs: {
      availableAh: 'Ah',
      boundAh: 'Ah',
      maxDischargeA: 'A, from the given state',
      maxChargeA: 'A, from the given state',
    },
    source: 'Manwell & McGowan (1993)',
    run: (input) =>
      kineticStep(
        input.all(),
        { availableAh: input.number('availableAh'), boundAh: input.number('boundAh') },
        input.number('currentA'),
        input.number('hours'),
      ),
  },
  'bank.rainflow': {
    says: 'rainflow cycles of a series',
    inputs: { series: numbers('any, at least two', -1e12, 1e12) },
    outputs: { cycles: '{range, mean, count}, count ½ or 1' },
    source: 'ASTM E1049-85, three-point method',
    run: (input) => ({ cycles: rainflow(input.numbers('series')) }),
  },
  'bank.lifeYears': {
    says: 'years until a bank is worn out, by cycles or by calendar',
    inputs: {
      stateOfCharge: numbers('0…1, in order', 0, 1),
      yearsCovered: number('years', 1e-6, 1000),
      cycles: list('points of the data sheet', { depth: number('share', 1e-3, 1), cycles: number('', 1, 1e7) }),
      calendarYears: number('years', 0.1, 100),
    },
    outputs: {
      years: 'the smaller',
      cyclicYears: 'years, null for never',
      calendarYears: 'years',
      limitedBy: 'cycles or calendar',
      wearPerYear: 'share',
      equivalentCyclesPerYear: 'cycles of 80 % depth',
    },
    source: 'ASTM E1049-85; Palmgren–Miner',
    run: (input) => {
      if (input.numbers('stateOfCharge').length < 2) throw new RangeError('stateOfCharge has 1 value; at least 2')
      const part = { cycles: input.rows('cycles') as never, calendarYears: input.number('calendarYears') }
      const life = lifeYears(input.numbers('stateOfCharge'), input.number('yearsCovered'), part)
      return { ...life, cyclicYears: Number.isFinite(life.cyclicYears) ? life.cyclicYears : null }
    },
  },
  'bank.currentShares': {
    says: 'share of the current each parallel string carries',
    inputs: {
      milliohm: numbers('mΩ per string', 1e-6, 1e6),
      linkMilliohm: number('mΩ', 0, 1e6),
      takeoff: choice('one-end', 'opposite-corners', 'equal-leads'),
    },
    outputs: { sharesPct: '% per string' },
    source: 'nodal analysis of the ladder',
    run: (input) => ({
      sharesPct: currentShares(
        input.numbers('milliohm'),
        input.number('linkMilliohm'),
        input.text('takeoff') as 'one-end',
      ),
    }),
  },
  'bank.sag': {
    says: 'terminal voltage under a constant power',
    inputs: { openCircuitV: number('V', 0.1, 1000), ohm: number('Ω', 0, 100), watts },
    outputs: { carries: 'whether it can be carried', volts: 'V, null when not' },
    source: 'V = (E + √(E² − 4PR))/2',
    run: (input) => sag(input.number('openCircuitV'), input.number('ohm'), input.number('watts')),
  },
  'winter.usable': {
    says: 'what a bank can still give at a temperature, and where it lets go',
    inputs: { chemistry, batteryC: number('°C', -60, 60), cutoff: share, stateOfCharge: share },
    outputs: { usableShare: '0…1', floorStateOfCharge: '0…1 of C20' },
    source: 'floor = 1 − cold capacity factor × (1 − cut-out)',
    run: (input) => {
      const of = input.text('chemistry') as 'lfp'
      const [batteryC, cutoff] = [input.number('batteryC'), input.number('cutoff')]
      return {
        usableShare: usableShare(of, batteryC, cutoff, input.number('stateOfCharge')),
        floorStateOfCharge: floorStateOfCharge(of, batteryC, cutoff),
      }
    },
  },
  'bank.freezingPoint': {
    says: 'freezing point of lead-acid electrolyte',
    inputs: { stateOfCharge: share },
    outputs: { celsius: '°C' },
    source: 'sulphuric acid tables',
    run: (input) => ({ celsius: freezingPointC(input.number('stateOfCharge')) }),
  },
}
