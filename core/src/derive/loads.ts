import { selfDayWh } from '../array/controllers.ts'
import type { Design } from '../document/types.ts'
import { curveOf, inverterInput } from '../inverter/efficiency.ts'
import { heaviestDay } from '../loads/heaviest.ts'
import { coincidentPeak, type CoincidentPeak } from '../loads/peak.ts'
import { WEEKDAY_NAMES } from '../loads/week.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'

/** The most that is on at once, by the school the design has chosen and by the other. */
export function peaks(design: Design) {
  const ac = design.loads.filter((load) => load.leg !== 'DC')
  const other = design.schools.peak === 'coincidence' ? 'everything' : 'coincidence'
  return { peak: coincidentPeak(ac, design.schools.peak), otherPeak: coincidentPeak(ac, other) }
}

/**
 * Worked sheets of the loads.
 * @param loadsWh by month, Wh a day
 * @returns Wh the bank is asked for on a mean day of each month
 */
export function loadSheets(design: Design, loadsWh: readonly number[], peak: CoincidentPeak, add: Add): number[] {
  const worstLoad = loadsWh.indexOf(Math.max(...loadsWh))
  const dayWh = add(
    worked('loads.worst-day', 'Household, worst month', loadsWh[worstLoad], 'Wh/d', {
      says: `sum of every load on an average day of ${MONTH_NAMES[worstLoad]}`,
      terms: design.loads.length <= 40 ? [term('loads', design.loads.length, '', 'step Loads')] : [],
      source: 'IEEE 1013 load audit; meter before nameplate',
    }),
  )
  const curve = curveOf(design.inverter.part, design.inverter.quantity)
  const conversionOf = (wh: number) => inverterInput(curve, wh / 24) * 24 - wh
  const conversionWh = conversionOf(dayWh)
  const selfWh = selfDayWh(design.controllers.map(({ part }) => part))
  add(
    worked('loads.peak', 'On at once', peak.continuousW, 'W', {
      says:
        peak.school === 'everything'
          ? 'all running watts × 1.2'
          : 'worst hour of the load day, with its largest load at full watts',
      terms: [],
      school: peak.school === 'everything' ? 'everything at once + 20 %' : 'realistic coincidence',
      source: 'practice; both methods are shown',
    }),
  )
  add(
    worked('loads.surge', 'Largest start', peak.surgeW, 'W', {
      says: 'what is on at once + the extra watts of the largest start',
      terms: [
        term('on at once', peak.continuousW, 'W'),
        term(`start of ${peak.starter || 'nothing'}`, peak.surgeW - peak.continuousW, 'W'),
      ],
      source: 'motor-start multiples of practice where no start watts are stated',
    }),
  )
  const batteryDayWh = add(
    worked('loads.battery-day', 'Daily need at the battery', dayWh + conversionWh + selfWh, 'Wh/d', {
      says: 'household + inverter conversion and idle draw + controllers',
      terms: [
        term('household', dayWh, 'Wh/d', 'step Loads'),
        term('inverter: conversion and idle', conversionWh, 'Wh/d', 'step Inverter'),
        term('controllers', selfWh, 'Wh/d', 'step Array'),
      ],
      source: 'inverter curve idle + a·P + b·P² at the mean power',
    }),
  )
  heaviestSheet(design, batteryDayWh - dayWh, add)
  return loadsWh.map((wh) => wh + conversionOf(wh) + selfWh)
}

/** @param aroundWh what inverter and controllers take of a day */
function heaviestSheet({ loads }: Design, aroundWh: number, add: Add): void {
  const days = MONTH_NAMES.map((_, month) => heaviestDay(loads, month))
  const month = days.reduce((most, { wh }, i) => (wh > days[most].wh ? i : most), 0)
  const { wh, weekday } = days[month]
  const named = loads.some(({ weekdays }) => weekdays !== null)
  add(
    worked('loads.heaviest-day', 'Heaviest day at the battery', wh + aroundWh, 'Wh/d', {
      says: `all that is used on some days of the week on one ${named ? WEEKDAY_NAMES[weekday] : 'day'} of ${MONTH_NAMES[month]}, with inverter and controllers`,
      terms: [
        term('household on that day', wh, 'Wh/d', 'step Loads'),
        term('inverter and controllers', aroundWh, 'Wh/d'),
      ],
      source: 'days of use a week; what has none is used every day',
    }),
  )
}
