import { arrayNeed, knownNeed, LEAST_SUN_H } from '../array/need.ts'
import { arrayRatedW } from '../array/power.ts'
import { coldVoltage, hottestCellC, hotVoltage } from '../array/voltage.ts'
import { refillDayWh } from '../bank/layout.ts'
import type { Design } from '../document/types.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { climateOf } from '../weather/ruling.ts'
import { term, worked } from '../working/working.ts'
import { counted } from '../units/say.ts'
import { say } from '../units/words.ts'
import type { Add, DerivedArray } from './sheets.ts'
import { sunHoursOf } from '../plane/sunHoursOf.ts'

/** What each array comes to by itself: its sun, volts and currents. */
export function deriveArrays(design: Design): DerivedArray[] {
  const { place } = design
  const sun = sunHoursOf(design)
  return design.arrays.map((array, i) => {
    const { module, inSeries, inParallel } = array
    const string = { inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC: place.recordLowC }
    const sunHours = [...sun[i]]
    return {
      id: array.id,
      ratedW: arrayRatedW(array),
      cold: {
        coefficient: coldVoltage({ ...string, method: 'coefficient' }),
        'code-table': coldVoltage({ ...string, method: 'code-table' }),
        flat: coldVoltage({ ...string, method: 'flat' }),
      },
      hotV: hotVoltage({
        inSeries,
        vmpV: module.vmpV,
        betaVmpPctPerK: module.gammaPctPerK,
        hottestCellC: hottestCellC(place.recordHighC, array.module),
      }),
      iscA: module.iscA * inParallel,
      sunHours,
      worstSunHours: Math.min(...sunHours),
      handWh: sunHours.map((hours) => arrayRatedW(array) * hours * design.schools.handFactor),
    }
  })
}

/** Sun hours of all arrays together, weighted by their rating; of the level ground where there is no array. */
export function combinedSun(design: Design, arrays: readonly DerivedArray[]): number[] {
  const total = arrays.reduce((sum, array) => sum + array.ratedW, 0)
  if (total <= 0) return climateOf(design.place).monthly.map((month) => month.ghiKWhM2Day)
  return Array.from(
    { length: 12 },
    (_, m) => arrays.reduce((sum, array) => sum + array.sunHours[m] * array.ratedW, 0) / total,
  )
}

/**
 * Worked sheets of all arrays.
 * @param batteryWh what the bank is asked for on a mean day of each month, Wh
 * @param sunHours of all arrays together, by month
 * @param batteryC °C of the cells in the coldest month
 */
export function arraySheets(
  design: Design,
  arrays: readonly DerivedArray[],
  batteryWh: readonly number[],
  sunHours: readonly number[],
  batteryC: number,
  add: Add,
): void {
  const rated = add(
    worked(
      'array.rated',
      'Array',
      arrays.reduce((sum, array) => sum + array.ratedW, 0),
      'W',
      {
        says: 'modules × rated watts',
        terms: design.arrays.map((array) =>
          term(array.name, arrayRatedW(array), 'W', `${array.inSeries} × ${array.inParallel}`),
        ),
        source: 'data sheet',
      },
    ),
  )
  const { handFactor } = design.schools
  const refill = refillDayWh(design, batteryC)
  const inDays = say`usable ÷ ${counted(design.bank.rechargeDays ?? 0, 'day')}`
  const refills = refill > 0 ? [term('to fill the bank again', refill, 'Wh/d', inDays)] : []
  const askedWh = batteryWh.map((wh) => wh + refill)
  const { watts, month } = arrayNeed(askedWh, sunHours, handFactor)
  const dull = sunHours.filter((hours) => hours < LEAST_SUN_H).length
  const left = dull > 0 && dull < 12 ? `; months under ${LEAST_SUN_H} h of sun are left to the backup` : ''
  const need = add(
    worked('array.need', 'Array by the hand method', watts, 'W', {
      says: `largest of the months’ daily need${refill > 0 ? ' with what refills the bank' : ''} ÷ (sun hours × system factor): ${MONTH_NAMES[month]}${left}`,
      terms: [
        term(`daily need at the battery, ${MONTH_NAMES[month]}`, batteryWh[month], 'Wh/d'),
        ...refills,
        term(`sun hours, ${MONTH_NAMES[month]}`, sunHours[month], 'h'),
        term('system factor', handFactor, ''),
      ],
      school: `${handFactor} system factor`,
      source: 'stand-alone sizing practice; the winter run uses named losses instead',
    }),
  )
  const { knownSunHours } = design.place
  if (knownSunHours !== null) {
    const known = knownNeed(askedWh, knownSunHours, handFactor)
    const hours = knownSunHours[knownSunHours.length === 1 ? 0 : known.month]
    add(
      worked('array.need-known', 'Array by your sun hours', known.watts, 'W', {
        says: `daily need ÷ (the sun hours you know × system factor)${knownSunHours.length === 1 ? ', the worst month alone' : `: ${MONTH_NAMES[known.month]}`}`,
        terms: [
          term(`daily need at the battery, ${MONTH_NAMES[known.month]}`, batteryWh[known.month], 'Wh/d'),
          ...refills,
          term('sun hours you know', hours, 'h', 'step Place'),
          term('by the climate', sunHours[known.month], 'h'),
          term('system factor', handFactor, ''),
        ],
        school: `${handFactor} system factor`,
        source: 'stand-alone sizing practice; the climate’s figure stands beside it',
      }),
    )
  }
  add(
    worked('array.cover', 'Cover of the hand method', need > 0 ? rated / need : 0, 'share', {
      says: 'array ÷ array by the hand method',
      terms: [term('array', rated, 'W'), term('by the hand method', need, 'W')],
      source: 'as above',
    }),
  )
  design.arrays.forEach((array, i) => {
    const { module, inSeries } = array
    const { coldVoltage: school } = design.schools
    add(
      worked(`array.cold-voltage.${array.id}`, `${array.name}: coldest dawn`, arrays[i].cold[school], 'V', {
        says:
          school === 'coefficient'
            ? 'n × Voc × (1 + β × (record low − 25))'
            : school === 'code-table'
              ? 'n × Voc × code table factor'
              : 'n × Voc × 1.25',
        terms: [
          term('in series', inSeries, ''),
          term('Voc', module.vocV, 'V', module.name),
          term('β of Voc', module.betaVocPctPerK, '%/K'),
          term('record low', design.place.recordLowC, '°C', 'step Place'),
          term('by coefficient', arrays[i].cold.coefficient, 'V'),
          term('by the code table', arrays[i].cold['code-table'], 'V'),
          term('by flat 1.25', arrays[i].cold.flat, 'V'),
        ],
        school,
        source: 'IEC 60891 with the data sheet’s β; NEC table 690.7(A)',
      }),
    )
    add(
      worked(`array.hot-voltage.${array.id}`, `${array.name}: hottest afternoon`, arrays[i].hotV, 'V', {
        says: 'n × Vmp × (1 + γ × (cell − 25)), cell = record high + (NOCT − 20) × 1.4',
        terms: [
          term('in series', inSeries, ''),
          term('Vmp', module.vmpV, 'V', module.name),
          term('γ', module.gammaPctPerK, '%/K'),
          term('cell', hottestCellC(design.place.recordHighC, array.module), '°C'),
        ],
        source: 'IEC 60891; Faiman 2008 for the cell',
      }),
    )
  })
}
