import { arrayRatedW } from '../array/power.ts'
import { coldVoltage, HOT_CELL_RISE_K, hotVoltage } from '../array/voltage.ts'
import { coldFactor } from '../bank/chemistry.ts'
import { currentShares } from '../bank/currentShares.ts'
import { bankNominalV, bankOhm, ratedAh, ratedWh, usableWh } from '../bank/layout.ts'
import { designBatteryC } from '../bank/roomTemperature.ts'
import { restedVoltage, sag } from '../bank/voltage.ts'
import { checklist, type BuildTask } from '../build/checklist.ts'
import type { Design } from '../design/types.ts'
import { derate } from '../generator/power.ts'
import { curveOf, inverterInput } from '../inverter/efficiency.ts'
import { legs, type LegBalance } from '../inverter/legs.ts'
import { monthlyEnergy } from '../loads/profile.ts'
import { coincidentPeak, type CoincidentPeak } from '../loads/peak.ts'
import { bill, type Bill } from '../money/parts.ts'
import { MONTH_DAYS, MONTH_NAMES } from '../sun/calendar.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'
import { monthlyPlane } from '../sun/monthly.ts'
import { chargeVoltage } from '../winter/hours.ts'
import { surfaceOf } from '../winter/engine.ts'
import { term, worked, type Worked } from '../working/working.ts'
import { workedRuns, type WorkedRun } from '../wiring/runs.ts'

/** What one array comes to. */
export interface DerivedArray {
  id: string
  ratedW: number
  cold: Record<'coefficient' | 'code-table' | 'flat', number>
  hotV: number
  iscA: number
  sunHours: number[]
  /** worst-month sun hours of this surface */
  worstSunHours: number
}

/** Everything a design comes to without running a winter. */
export interface Derived {
  worked: Record<string, Worked>
  /** peak sun hours by month on the arrays together, and their worst month 0…11 */
  sunHours: number[]
  worstMonth: number
  loadsWh: number[]
  peak: CoincidentPeak
  otherPeak: CoincidentPeak
  legs: LegBalance
  batteryC: number
  chargeV: number
  shares: number[]
  arrays: DerivedArray[]
  runs: WorkedRun[]
  bill: Bill
  tasks: BuildTask[]
}

let lastSun: { key: string; year: SunYear } | null = null

/** The sun's year of a place; the last one is kept because every edit asks for it again. */
export function sunYearOf(place: Design['place']): SunYear {
  const key = `${place.latitudeDeg}|${place.longitudeDeg}|${place.utcOffsetH}`
  if (lastSun?.key !== key) lastSun = { key, year: sunYear(place) }
  return lastSun.year
}

/**
 * Derives every closed-form figure of a design with its worked sheet.
 * @param design a document the contract accepts
 */
export function derive(design: Design): Derived {
  const sheets: Worked[] = []
  const add = (sheet: Worked) => {
    sheets.push(sheet)
    return sheet.value
  }
  const arrays = deriveArrays(design)
  const sunHours = combinedSun(design, arrays)
  const worstMonth = sunHours.indexOf(Math.min(...sunHours))
  const loadsWh = monthlyEnergy(design.loads)
  const { peak, otherPeak } = peaks(design)
  const batteryC = designBatteryC(
    design.place.batteryRoom,
    design.place.monthly.map((month) => month.meanC),
  )
  const chargeV = chargeVoltage(design)

  add(worstSun(sunHours, worstMonth))
  add(yearSun(sunHours))
  const batteryDayWh = loadSheets(design, loadsWh, peak, add)
  bankSheets(design, batteryDayWh, batteryC, sunHours[worstMonth], arrays, add)
  arraySheets(design, arrays, batteryDayWh, sunHours[worstMonth], worstMonth, add)
  inverterSheets(design, peak, batteryC, add)
  generatorSheets(design, add)
  const bills = bill(design)
  add(
    worked('money.total', 'Total', bills.total, design.budget.currency, {
      says: '(parts − discount) + tax + freight + labour, and contingency on all of it',
      terms: [
        term('parts', bills.partsSum, design.budget.currency, 'parts list'),
        term('discount', design.budget.discount, design.budget.currency),
        term('tax', bills.tax, design.budget.currency, `${design.budget.taxPct} %`),
        term('freight', design.budget.freight, design.budget.currency),
        term('labour', design.budget.labour, design.budget.currency),
        term('contingency', bills.contingency, design.budget.currency, `${design.budget.contingencyPct} %`),
      ],
      source: 'plain addition',
    }),
  )
  return {
    worked: Object.fromEntries(sheets.map((sheet) => [sheet.id, sheet])),
    sunHours,
    worstMonth,
    loadsWh,
    peak,
    otherPeak,
    legs: runningLegs(design),
    batteryC,
    chargeV,
    shares: currentShares(
      Array<number>(design.bank.inParallel).fill(
        Math.max(0.01, design.bank.part.resistanceMilliohm * design.bank.inSeries),
      ),
      design.bank.linkMilliohm,
      design.bank.takeoff,
    ),
    arrays,
    runs: workedRuns(design),
    bill: bills,
    tasks: checklist(design),
  }
}

type Add = (sheet: Worked) => number

function deriveArrays(design: Design): DerivedArray[] {
  const { place, schools } = design
  const sun = sunYearOf(place)
  return design.arrays.map((array) => {
    const { module, inSeries, inParallel } = array
    const string = { inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC: place.recordLowC }
    const sunHours = monthlyPlane(sun, place.monthly, surfaceOf(place, array, schools.skyModel))
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
        hottestCellC: place.recordHighC + HOT_CELL_RISE_K,
      }),
      iscA: module.iscA * inParallel,
      sunHours,
      worstSunHours: Math.min(...sunHours),
    }
  })
}

/** Sun hours of all arrays together, weighted by their rating; of the level ground where there is no array. */
function combinedSun(design: Design, arrays: readonly DerivedArray[]): number[] {
  const total = arrays.reduce((sum, array) => sum + array.ratedW, 0)
  if (total <= 0) return design.place.monthly.map((month) => month.ghiKWhM2Day)
  return Array.from(
    { length: 12 },
    (_, m) => arrays.reduce((sum, array) => sum + array.sunHours[m] * array.ratedW, 0) / total,
  )
}

function peaks(design: Design) {
  const ac = design.loads.filter((load) => load.leg !== 'DC')
  const other = design.schools.peak === 'coincidence' ? 'everything' : 'coincidence'
  return { peak: coincidentPeak(ac, design.schools.peak), otherPeak: coincidentPeak(ac, other) }
}

function worstSun(sunHours: readonly number[], worstMonth: number): Worked {
  return worked('place.worst-month-sun', 'Sun in the worst month', sunHours[worstMonth], 'h', {
    says: 'least mean daily plane-of-array energy of the twelve months, kWh/m² (peak sun hours)',
    terms: sunHours.map((hours, month) => term(MONTH_NAMES[month], hours, 'h')),
    source: 'Bendt et al. 1981; Erbs et al. 1982; Hay & Davies 1980 or Perez et al. 1990',
  })
}

function yearSun(sunHours: readonly number[]): Worked {
  const mean = sunHours.reduce((sum, hours, month) => sum + hours * MONTH_DAYS[month], 0) / 365
  return worked('place.annual-sun', 'Sun, mean of the year', mean, 'h', {
    says: 'mean over the year; shown for contrast only, nothing is sized with it',
    terms: [],
    source: 'as the monthly figures',
  })
}

function loadSheets(design: Design, loadsWh: readonly number[], peak: CoincidentPeak, add: Add): number {
  const worstLoad = loadsWh.indexOf(Math.max(...loadsWh))
  const dayWh = add(
    worked('loads.worst-day', 'Household, worst month', loadsWh[worstLoad], 'Wh/d', {
      says: `sum of every load on an average day of ${MONTH_NAMES[worstLoad]}`,
      terms: design.loads.length <= 40 ? [term('loads', design.loads.length, '', 'step Loads')] : [],
      source: 'IEEE 1013 load audit; meter before nameplate',
    }),
  )
  const curve = curveOf(design.inverter.part, design.inverter.quantity)
  const meanW = dayWh / 24
  const conversionWh = (inverterInput(curve, meanW) - meanW) * 24
  const selfWh = design.controllers.reduce((sum, { part }) => sum + part.selfW * 24, 0)
  add(
    worked('loads.peak', 'On at once', peak.continuousW, 'W', {
      says:
        peak.school === 'everything'
          ? 'all running watts × 1.2'
          : 'worst hour of the load day, with its largest load at full watts',
      terms: [],
      school: peak.school === 'everything' ? 'everything at once + 20 %' : 'realistic coincidence',
      source: 'practice; both schools are shown',
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
  return add(
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
}

function bankSheets(
  design: Design,
  batteryDayWh: number,
  batteryC: number,
  sunHours: number,
  arrays: readonly DerivedArray[],
  add: Add,
): void {
  const { bank } = design
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
      says: 'rated × depth allowed × cold factor',
      terms: [
        term('rated', rated, 'Wh'),
        term('depth allowed', bank.allowedDepth, 'share'),
        term(`cold factor at ${batteryC.toFixed(0)} °C`, cold, ''),
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
        school: `${bank.autonomyDays} days`,
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
  const arrayA = arrays.reduce((sum, array) => sum + array.ratedW, 0) / volts
  const outputA = design.controllers.reduce((sum, { part }) => sum + part.outputA, 0)
  const chargeA = Math.min(arrayA, outputA)
  const capacityAh = ratedAh(bank.part) * bank.inParallel
  add(
    worked('bank.charge-rate', 'Charge rate from the sun', chargeA / capacityAh, 'share', {
      says: 'bright-sun charging current ÷ rated capacity',
      terms: [
        term('array ÷ bank voltage', arrayA, 'A'),
        term('controllers’ output', outputA, 'A'),
        term('capacity', capacityAh, 'Ah'),
      ],
      source: 'makers’ charging advice',
    }),
  )
  const ratedW = arrays.reduce((sum, array) => sum + array.ratedW, 0)
  const harvestWh = ratedW * sunHours * 0.8
  const spareWh = add(
    worked('bank.surplus', 'Sun less need, worst month', harvestWh - batteryDayWh, 'Wh/d', {
      says: 'worst-month harvest − daily need; below zero the bank only falls until a brighter month or the generator',
      terms: [
        term('harvest', harvestWh, 'Wh/d', '0.8 system factor'),
        term('daily need at the battery', batteryDayWh, 'Wh/d'),
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

function arraySheets(
  design: Design,
  arrays: readonly DerivedArray[],
  batteryDayWh: number,
  sunHours: number,
  worstMonth: number,
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
  const need = add(
    worked('array.need', 'Array by the hand method', sunHours > 0 ? batteryDayWh / (sunHours * 0.8) : 0, 'W', {
      says: `daily need ÷ (sun hours of ${MONTH_NAMES[worstMonth]} × 0.8)`,
      terms: [
        term('daily need at the battery', batteryDayWh, 'Wh/d'),
        term('sun hours', sunHours, 'h'),
        term('system factor', 0.8, ''),
      ],
      school: '0.8 system factor',
      source: 'stand-alone sizing practice; the winter run uses named losses instead',
    }),
  )
  add(
    worked('array.cover', 'Worst-month cover', need > 0 ? rated / need : 0, 'share', {
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
        says: 'n × Vmp × (1 + γ × (cell − 25)), cell = record high + 35 K',
        terms: [
          term('in series', inSeries, ''),
          term('Vmp', module.vmpV, 'V', module.name),
          term('γ', module.gammaPctPerK, '%/K'),
          term('cell', design.place.recordHighC + HOT_CELL_RISE_K, '°C'),
        ],
        source: 'IEC 60891; Faiman 2008 for the cell',
      }),
    )
  })
}

/** Both legs with every AC load on: what the busiest moment could ask of each. */
function runningLegs({ loads }: Design): LegBalance {
  return legs(
    loads.flatMap((load) => (load.leg === 'DC' ? [] : [{ watts: load.runningW * load.quantity, leg: load.leg }])),
  )
}

function inverterSheets(design: Design, peak: CoincidentPeak, batteryC: number, add: Add): void {
  const { inverter, bank } = design
  const { part, quantity } = inverter
  const ratedW = part.ratedW * quantity
  const balance = runningLegs(design)
  const total = balance.legAW + balance.legBW
  const heavier = total > 0 ? Math.max(balance.legAW, balance.legBW) / total : 0.5
  const split = part.topology === 'split-phase'
  const legW = peak.continuousW * (split ? heavier : 1)
  add(
    worked(
      'inverter.leg-share',
      split ? 'Heavier leg' : 'Continuous load',
      legW / (split ? ratedW / 2 : ratedW),
      'share',
      {
        says: split ? 'what is on at once × share of the heavier leg ÷ half the rating' : 'what is on at once ÷ rating',
        terms: [
          term('on at once', peak.continuousW, 'W'),
          term('heavier leg’s share', split ? heavier : 1, 'share'),
          term('rating', ratedW, 'W', part.name),
        ],
        school: peak.school,
        source: 'each leg of a split-phase inverter carries half its rating',
      },
    ),
  )
  add(
    worked('inverter.surge-share', 'Largest start', peak.surgeW / (part.surgeW * quantity), 'share', {
      says: 'largest start with what else is on ÷ surge rating',
      terms: [term('start', peak.surgeW, 'W'), term('surge rating', part.surgeW * quantity, 'W', `${part.surgeS} s`)],
      source: 'data sheet',
    }),
  )
  add(
    worked(
      'inverter.low-voltage-current',
      'Current at full load, bank low',
      ratedW / (part.fullLoadEfficiency * part.lowCutV),
      'A',
      {
        says: 'rating ÷ (efficiency × low cut-out voltage)',
        terms: [
          term('rating', ratedW, 'W'),
          term('efficiency', part.fullLoadEfficiency, 'share'),
          term('low cut-out', part.lowCutV, 'V'),
        ],
        source: 'practice: sized at the low voltage, not the nominal',
      },
    ),
  )
  const nominal = bank.part.chemistry === 'lfp' ? bankNominalV(bank) : bank.systemV
  const charge = Math.max(0.3, bank.cutoffStateOfCharge)
  const openV = restedVoltage(bank.part.chemistry, nominal, charge)
  const ohm = bankOhm(bank) / coldFactor(bank.part.chemistry, batteryC)
  const sagged = sag(openV, ohm, peak.surgeW / part.fullLoadEfficiency)
  add(
    worked('inverter.sag', 'Bank under the largest start, 30 % charged', sagged.volts ?? 0, 'V', {
      says: 'V = (E + √(E² − 4PR)) / 2; 0 where the bank cannot carry it at all',
      terms: [
        term('rested voltage', openV, 'V'),
        term('resistance, cold', ohm, 'Ω'),
        term('power from the bank', peak.surgeW / part.fullLoadEfficiency, 'W'),
        term('low cut-out', part.lowCutV, 'V', part.name),
      ],
      source: 'constant-power discharge through an internal resistance',
    }),
  )
}

function generatorSheets(design: Design, add: Add): void {
  const { generator, inverter, bank, place } = design
  if (!generator.present) return
  const meanC = Math.max(...place.monthly.map((month) => month.meanC))
  const power = add(
    worked(
      'generator.power',
      'Real power',
      derate(generator.part.ratedW, place.elevationM, meanC, generator.part.fuel),
      'W',
      {
        says: 'rating less 3.5 % per 300 m over 150 m, 1 % per 5.5 °C over 25 °C, and the fuel’s share',
        terms: [
          term('rating', generator.part.ratedW, 'W', generator.part.name),
          term('elevation', place.elevationM, 'm', 'step Place'),
        ],
        source: 'makers’ usual de-rating rules',
      },
    ),
  )
  const volts = bankNominalV(bank)
  const chargerAc = (inverter.part.chargerA * inverter.quantity * volts) / inverter.part.chargerEfficiency
  const planned = Math.min(power * generator.loadShareLimit, chargerAc)
  const chargeA = Math.min((planned * inverter.part.chargerEfficiency) / volts, bank.part.maxChargeA * bank.inParallel)
  add(
    worked(
      'generator.load-share',
      'Load while charging',
      (chargeA * volts) / inverter.part.chargerEfficiency / power,
      'share',
      {
        says: 'charger draw ÷ real power, the house not counted',
        terms: [term('charging current', chargeA, 'A'), term('real power', power, 'W')],
        source: '50–75 % is the economical load; under 30 % glazes and wastes',
      },
    ),
  )
  const refillAh = ratedAh(bank.part) * bank.inParallel * (generator.stopStateOfCharge - generator.startStateOfCharge)
  add(
    worked('generator.refill-hours', 'Hours to refill', refillAh / chargeA, 'h', {
      says: '(stop − start level) × capacity ÷ charging current, before the absorption tail',
      terms: [term('capacity to put back', refillAh, 'Ah'), term('charging current', chargeA, 'A')],
      source: 'charge balance; the winter run adds the tail',
    }),
  )
}
