import { coldVoltage, hotVoltage } from '../array/voltage.ts'
import { arrayNeed } from '../array/need.ts'
import { moduleTemperature, modulePower } from '../array/power.ts'
import { layouts } from '../array/layouts.ts'
import { fittedModule, mismatch, type StringKind } from '../array/mismatch.ts'
import { atConditions, currentAt, openCircuitV, powerPoint, type ModuleSheet } from '../array/singleDiode.ts'
import { said } from '../units/words.ts'
import { choice, integer, list, number, numbers, object, optional } from './fields.ts'

import { type CalcFunction, watts, mounting, moduleSheet } from './inputs.ts'

/** Array, strings and modules, by name. */
export const ARRAY: Record<string, CalcFunction> = {
  'array.coldVoltage': {
    says: 'open-circuit voltage of a string on its coldest morning',
    inputs: {
      inSeries: integer('modules', 1, 100),
      vocV: number('V', 0.1, 200),
      betaVocPctPerK: number('%/K', -1, 0),
      coldestC: number('°C', -80, 60),
      method: optional(choice('coefficient', 'code-table', 'flat'), 'coefficient'),
    },
    outputs: { volts: 'V' },
    source: 'IEC 60891; NEC table 690.7(A)',
    run: (input) => ({ volts: coldVoltage(input.all()) }),
  },
  'array.hotVoltage': {
    says: 'power-point voltage of a string on its hottest afternoon',
    inputs: {
      inSeries: integer('modules', 1, 100),
      vmpV: number('V', 0.1, 200),
      betaVmpPctPerK: number('%/K', -1, 0),
      hottestCellC: number('°C', -40, 120),
    },
    outputs: { volts: 'V' },
    source: 'IEC 60891',
    run: (input) => ({ volts: hotVoltage(input.all()) }),
  },
  'array.need': {
    says: 'the array by the hand method: the month that asks for most, with its own sun',
    inputs: {
      dailyWh: numbers('Wh/d by month', 0, 1e7, 12),
      sunHours: numbers('h by month', 0, 24, 12),
      factor: optional(number('share of the sun that reaches the bank', 0.05, 1), 0.8),
      leastSunHours: optional(number('h, least sun of the months that count', 0, 24), 1),
    },
    outputs: { watts: 'W, rated', month: '1…12' },
    source: 'stand-alone sizing practice',
    run: (input) => {
      const { watts, month } = arrayNeed(
        input.numbers('dailyWh'),
        input.numbers('sunHours'),
        input.number('factor'),
        input.number('leastSunHours'),
      )
      return { watts, month: month + 1 }
    },
  },
  'array.moduleTemperature': {
    says: 'temperature of the cells',
    inputs: {
      irradianceWM2: number('W/m²', 0, 1600),
      airC: number('°C', -80, 60),
      windMS: number('m/s', 0, 60),
      mounting,
    },
    outputs: { cellC: '°C' },
    source: 'Faiman (2008)',
    run: (input) => ({
      cellC: moduleTemperature(
        input.number('irradianceWM2'),
        input.number('airC'),
        input.number('windMS'),
        input.text('mounting') as 'open-rack',
      ),
    }),
  },
  'array.power': {
    says: 'power of a module',
    inputs: {
      ratedW: watts,
      irradianceWM2: number('W/m²', 0, 1600),
      cellC: number('°C', -80, 120),
      gammaPctPerK: number('%/K', -1, 0),
    },
    outputs: { watts: 'W' },
    source: 'linear power coefficient of the data sheet',
    run: (input) => ({
      watts: modulePower(
        input.number('ratedW'),
        input.number('irradianceWM2'),
        input.number('cellC'),
        input.number('gammaPctPerK'),
      ),
    }),
  },
  'array.singleDiode': {
    says: 'five parameters of a module from its data sheet, and its power point at other light and heat',
    inputs: {
      ...moduleSheet,
      irradianceWM2: optional(number('W/m²', 1, 1600), 1000),
      cellC: optional(number('°C', -80, 120), 25),
    },
    outputs: {
      photocurrentA: 'A',
      saturationA: 'A',
      seriesOhm: 'Ω',
      shuntOhm: 'Ω',
      idealityV: 'V, ideality × cells × kT/q',
      mpp: '{volts, amps, watts}',
    },
    source: 'De Soto, Klein & Beckman (2006)',
    run: (input) => {
      const sheet = input.all<ModuleSheet>()
      const fit = atConditions(fittedModule(sheet), sheet, input.number('irradianceWM2'), input.number('cellC'))
      return { ...fit, mpp: powerPoint((volts) => currentAt(fit, volts), openCircuitV(fit)) }
    },
  },
  'array.mismatch': {
    says: 'what unlike strings lose in parallel on one controller',
    inputs: {
      strings: list('strings', {
        module: object('a module as in array.singleDiode', moduleSheet),
        inSeries: integer('modules', 1, 100),
        count: optional(integer('strings', 1, 1000), 1),
      }),
      irradianceWM2: optional(number('W/m²', 1, 1600), 1000),
      cellC: optional(number('°C', -80, 120), 25),
    },
    outputs: { combinedW: 'W', separateW: 'W', lossFraction: 'share' },
    source: 'De Soto et al. (2006); 1 − P(combined)/ΣP(each alone)',
    run: (input) => {
      const strings = input.rows('strings') as unknown as StringKind[]
      const { combined, separateW, lossFraction } = mismatch(
        strings,
        input.number('irradianceWM2'),
        input.number('cellC'),
      )
      return { combinedW: combined.watts, separateW, lossFraction }
    },
  },
  'array.layouts': {
    says: 'legal series × parallel × controller layouts, best first',
    inputs: {
      module: object('a module as in the document', {
        ratedW: number('W', 1, 2000),
        vocV: moduleSheet.vocV,
        iscA: moduleSheet.iscA,
        vmpV: moduleSheet.vmpV,
        betaVocPctPerK: moduleSheet.betaVocPctPerK,
        gammaPctPerK: number('%/K', -1, -0.01),
        maxSystemV: optional(number('V', 10, 2000), null),
        impA: optional(moduleSheet.impA, null),
        seriesFuseA: optional(number('A', 1, 100), null),
      }),
      controller: object('a controller part as in the document', {
        kind: optional(choice('tracker', 'pulse-width', 'ac-coupled'), 'tracker'),
        maxInputV: number('V', 5, 2000),
        minTrackV: number('V', 0, 2000),
        maxTrackV: number('V', 1, 2000),
        maxInputA: number('A', 0.1, 1000),
        outputA: number('A', 0.1, 1000),
        outputAcW: optional(number('W', 50, 200000), null),
        trackers: optional(integer('', 1, 8), 1),
        aboveBankV: optional(number('V', 0, 100), 5),
        maxOperatingA: optional(number('A', 0.1, 1000), null),
        maxTrackerW: optional(number('W', 1, 200000), null),
        maxArrayW: optional(number('W', 1, 500000), null),
      }),
      coldestC: number('°C', -80, 60),
      hottestCellC: number('°C', -40, 120),
      chargeV: number('V', 1, 100),
      maxModules: integer('modules', 1, 400),
      needW: optional(number('W', 0, 1e7), null),
    },
    outputs: { layouts: 'inSeries, inParallel, controllers, coldV, hotV, watts, remarks' },
    source: 'limits of the data sheets',
    run: (input) => ({
      layouts: layouts(input.all()).map((each) => ({ ...each, remarks: each.remarks.map((words) => said(words)) })),
    }),
  },
}
