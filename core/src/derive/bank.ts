import { brightAmps, onTheBus, sunChargeA } from '../array/controllers.ts'
import { coldFactor } from '../bank/chemistry.ts'
import { bankNominalV, ratedAh, ratedWh, usableWh } from '../bank/layout.ts'
import { capacityLeft } from '../bank/strings.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { CONVERSION } from '../loads/cost.ts'
import { dailyEnergy } from '../loads/energy.ts'
import type { Design } from '../document/types.ts'
import { term, worked } from '../working/working.ts'
import type { Add, DerivedArray } from './sheets.ts'
import { celsius, counted } from '../units/say.ts'
import { said, say } from '../units/words.ts'

/**
 * Worked sheets of the bank.
 * @param batteryWh what it is asked for on a mean day of each month, Wh
 * @param batteryC °C of the cells in the coldest month
 */
export function bankSheets(
  design: Design,
  batteryWh: readonly number[],
  batteryC: number,
  sunHours: readonly number[],
  arrays: readonly DerivedArray[],
  add: Add,
): void {
  const { bank } = design
  const batteryDayWh = Math.max(...batteryWh)
  const cold = coldFactor(bank.part.chemistry, batteryC)
  const volts = bankNominalV(bank)
  const rated = add(
    worked('bank.rated', 'Rated energy', ratedWh(bank), 'Wh', {
      says: 'unit V × unit Ah × series × parallel',
      terms: [
        term('unit', bank.part.nominalV, 'V', bank.part.name),
        term('unit, 20 h rate or nearest', ratedAh(bank.part), 'Ah'),
        term('in series', bank.inSeries, ''),
        term('in parallel', bank.inParallel, ''),
      ],
      source: 'data sheet',
    }),
  )
  const usable = add(
    worked('bank.usable', 'Usable energy', usableWh(bank, batteryC), 'Wh', {
      says: 'rated × what aged units leave × depth allowed × cold factor',
      terms: [
        term('rated', rated, 'Wh'),
        term('left by aged units', capacityLeft(bank), 'share'),
        term('depth allowed', bank.allowedDepth, 'share'),
        term(say`cold factor at ${celsius(batteryC)}`, cold, ''),
      ],
      source: 'IEEE 1013 temperature multipliers; makers’ curves for LFP',
    }),
  )
  add(
    worked(
      'bank.need',
      'Bank by the hand method',
      (batteryDayWh * bank.autonomyDays) / bank.allowedDepth / cold,
      'Wh',
      {
        says: 'daily need × days without sun ÷ depth allowed ÷ cold factor',
        terms: [
          term('daily need at the battery', batteryDayWh, 'Wh/d'),
          term('days without sun', bank.autonomyDays, 'd'),
          term('depth allowed', bank.allowedDepth, 'share'),
          term('cold factor', cold, ''),
        ],
        school: said(counted(bank.autonomyDays, 'day')),
        source: 'stand-alone sizing practice, IEEE 1013',
      },
    ),
  )
  add(
    worked('bank.days', 'Days without sun', batteryDayWh > 0 ? usable / batteryDayWh : 0, 'd', {
      says: 'usable energy ÷ daily need at the battery',
      terms: [term('usable', usable, 'Wh'), term('daily need at the battery', batteryDayWh, 'Wh/d')],
      source: 'stand-alone sizing practice, IEEE 1013',
    }),
  )
  const month = batteryWh.indexOf(batteryDayWh)
  const dayWh = (loads: Design['loads']) => loads.reduce((sum, load) => sum + dailyEnergy(load, month), 0)
  const [mustWh, allWh] = [dayWh(design.loads.filter(({ priority }) => priority === 'must')), dayWh(design.loads)]
  // inverter and controllers draw on; what conversion takes follows the loads
  const mustDayWh = batteryDayWh - (allWh - mustWh) * CONVERSION
  if (mustWh > 0 && mustWh < allWh && mustDayWh > 0)
    add(
      worked('bank.days-must', 'Days, must-run only', usable / mustDayWh, 'd', {
        says: 'usable energy ÷ what is left of the daily need when only what must run is on',
        terms: [
          term('usable', usable, 'Wh'),
          term('must run', mustWh, 'Wh/d', MONTH_NAMES[month]),
          term('with inverter and controllers', mustDayWh, 'Wh/d'),
        ],
        source: 'stand-alone sizing practice, IEEE 1013',
      }),
    )
  const chargeA = sunChargeA(design, volts)
  const capacityAh = ratedAh(bank.part) * bank.inParallel
  add(
    worked('bank.charge-rate', 'Charge rate from the sun', chargeA / capacityAh, 'share', {
      says: 'bright-sun charging current ÷ rated capacity; of each controller the less of its arrays’ amps and its output',
      terms: [
        ...onTheBus(design.controllers).flatMap((controller) => [
          term(`arrays on ${controller.name}`, brightAmps(controller, design.arrays, volts), 'A'),
          term(`output of ${controller.name}`, controller.part.outputA, 'A'),
        ]),
        term('capacity', capacityAh, 'Ah'),
      ],
      source: 'makers’ charging advice',
    }),
  )
  const ratedW = arrays.reduce((sum, array) => sum + array.ratedW, 0)
  const { handFactor } = design.schools
  const spare = sunHours.map((hours, month) => ratedW * hours * handFactor - batteryWh[month])
  const darkest = spare.indexOf(Math.min(...spare))
  const spareWh = add(
    worked('bank.surplus', 'Sun less need, worst month', spare[darkest], 'Wh/d', {
      says: `harvest − daily need of ${MONTH_NAMES[darkest]}, the month with least left; below zero the bank only falls until a brighter month or the generator`,
      terms: [
        term('harvest', spare[darkest] + batteryWh[darkest], 'Wh/d', `${handFactor} system factor`),
        term('daily need at the battery', batteryWh[darkest], 'Wh/d'),
      ],
      source: 'stand-alone sizing practice',
    }),
  )
  if (spareWh <= 0) return
  add(
    worked('bank.recharge-days', 'Days to recharge, worst month', usable / spareWh, 'd', {
      says: 'usable energy ÷ (worst-month harvest − daily need)',
      terms: [term('usable', usable, 'Wh'), term('left over a day', spareWh, 'Wh/d')],
      source: 'stand-alone sizing practice',
    }),
  )
}
