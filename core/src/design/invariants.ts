import { classVoltage } from '../bank/layout.ts'
import { restedBankV } from '../bank/voltage.ts'
import { hourIsQuiet, MOST_QUIET_H, quietHours, START_BELOW } from '../generator/limits.ts'
import { inverterRating, legChoices, serviceOf, stackingChoices, type Service } from '../inverter/service.ts'
import { BASIS_NEEDS } from '../loads/energy.ts'
import { MONTH_DAYS, MONTH_NAMES } from '../calendar/calendar.ts'
import { significant } from '../units/format.ts'
import type { Design, ModulePart, Problem } from '../document/types.ts'

type Report = (path: string, value: unknown, message: string) => void

/**
 * What no single field can show: values that contradict each other. The contract checks shapes and ranges first; this
 * runs on a document that passed it.
 *
 * @returns every problem found, none for a sound document
 */
export function invariantProblems(design: Design): Problem[] {
  const problems: Problem[] = []
  const report: Report = (path, value, message) => problems.push({ path, value, message })
  idProblems(design, report)
  placeProblems(design, report)
  loadProblems(design, report)
  bankProblems(design, report)
  arrayProblems(design, report)
  inverterProblems(design, report)
  generatorProblems(design, report)
  householdProblems(design, report)
  return problems
}

/** Things are found by their id, so each of a kind needs its own. */
function idProblems({ loads, arrays, controllers, sources, runs, budget }: Design, report: Report): void {
  const lists = { loads, arrays, controllers, sources, runs, 'budget.extras': budget.extras }
  for (const [path, list] of Object.entries(lists)) {
    const seen = new Set<string>()
    list.forEach(({ id }, i) => {
      if (seen.has(id)) report(`${path}.${i}.id`, id, `id ${id} is used twice; each of the ${path} needs its own`)
      seen.add(id)
    })
  }
}

function placeProblems({ place }: Design, report: Report): void {
  if (place.recordLowC >= place.recordHighC)
    report(
      'place.recordLowC',
      place.recordLowC,
      `record low ${place.recordLowC} °C must lie below the record high ${place.recordHighC} °C`,
    )
  if (place.source !== 'monthly' && !place.hours)
    report('place.source', place.source, `source ${place.source} needs imported hours; choose a weather file first`)
  if (place.source === 'hours' && place.hours && !Number.isInteger(place.utcOffsetH - place.hours.utcOffsetH))
    report(
      'place.utcOffsetH',
      place.utcOffsetH,
      `clock ${place.utcOffsetH} h must differ by whole hours from that of the weather file, ${place.hours.utcOffsetH} h`,
    )
  place.monthly.forEach((month, m) => {
    if (month.minC > month.meanC || month.maxC < month.meanC)
      report(
        `place.monthly.${m}.meanC`,
        month.meanC,
        `mean ${month.meanC} °C must lie between the minimum ${month.minC} °C and the maximum ${month.maxC} °C`,
      )
  })
}

function loadProblems({ loads, inverter }: Design, report: Report): void {
  const service = serviceOf(inverter)
  if (loads.length === 0) report('loads', [], 'the load list is empty; add at least one load')
  loads.forEach((load, i) => {
    if (load.hourShape.every((weight) => weight === 0))
      report(`loads.${i}.hourShape`, load.hourShape, 'the hours of the day are all zero; at least one must be used')
    for (const field of BASIS_NEEDS[load.basis])
      if (load[field] === null)
        report(`loads.${i}.${field}`, null, `${field} is missing; the basis “${load.basis}” needs it`)
    if (!legChoices(service).includes(load.leg))
      report(
        `loads.${i}.leg`,
        load.leg,
        load.leg === 'AB'
          ? `a load across both legs needs a split-phase inverter; ${inverter.part.name} has ${LEG_WORDS[service]}`
          : `leg ${load.leg} is not there; ${inverter.part.name} has ${LEG_WORDS[service]}`,
      )
  })
}

const LEG_WORDS: Record<Service, string> = {
  'split-phase': 'two legs',
  'three-phase': 'three phases',
  'single-120': 'one leg',
  'single-230': 'one leg',
}

function inverterProblems({ inverter, place }: Design, report: Report): void {
  const { part, quantity, stacking } = inverter
  const allowed = stackingChoices(part, quantity)
  if (!allowed.includes(stacking))
    report(
      'inverter.stacking',
      stacking,
      `${quantity} × ${part.name} cannot be joined as ${stacking}; a split pair takes an even number of single 120 V units, three-phase a multiple of three single ones`,
    )
  if (inverter.search && part.searchW === null)
    report('inverter.search', true, `${part.name} has no search mode; switch it off`)
  if (inverterRating({ inverter, place }).derating <= 0)
    report(
      'inverter.part.deratePctPerK',
      part.deratePctPerK,
      `heat and thin air leave nothing of ${part.name} at ${inverter.hottestC} °C and ${place.elevationM} m; check its de-rating`,
    )
  if (part.surgeW < part.ratedW)
    report(
      'inverter.part.surgeW',
      part.surgeW,
      `surge rating ${part.surgeW} W must not be below the continuous ${part.ratedW} W`,
    )
}

function bankProblems({ bank, inverter }: Design, report: Report): void {
  const series = bank.systemV / classVoltage(bank.part)
  if (!Number.isInteger(series))
    report(
      'bank.part.nominalV',
      bank.part.nominalV,
      `units of ${bank.part.nominalV} V do not divide the ${bank.systemV} V bank; choose a unit whose voltage goes into it a whole number of times`,
    )
  else if (series !== bank.inSeries)
    report(
      'bank.inSeries',
      bank.inSeries,
      `${bank.inSeries} units of ${bank.part.nominalV} V in series do not make ${bank.systemV} V; ${series} do`,
    )
  if (bank.cutoffStateOfCharge > 1 - bank.allowedDepth + 1e-9)
    report(
      'bank.cutoffStateOfCharge',
      bank.cutoffStateOfCharge,
      `cut-out at a charge of ${bank.cutoffStateOfCharge} comes before the allowed depth ${bank.allowedDepth} is reached; at most ${(1 - bank.allowedDepth).toFixed(2)}`,
    )
  const fullV = restedBankV(bank, 1)
  if (bank.absorbV !== null && (bank.absorbV <= fullV || bank.absorbV > bank.systemV * MOST_ABSORB))
    report(
      'bank.absorbV',
      bank.absorbV,
      `absorption at ${bank.absorbV} V never fills or harms this bank; above its full rest of ${fullV.toFixed(1)} V and at most ${(bank.systemV * MOST_ABSORB).toFixed(1)} V is allowed`,
    )
  if (inverter.part.bankV !== bank.systemV)
    report(
      'inverter.part.bankV',
      inverter.part.bankV,
      `the inverter is made for a ${inverter.part.bankV} V bank; the bank is ${bank.systemV} V`,
    )
}

/** No chemistry is charged above this multiple of the bank's class, 16 V per 12 V. */
const MOST_ABSORB = 16 / 12

/** Where the power point of a module lies, as shares of Voc and Isc, and Voc of a cell; beyond is a slip of the pen. Source: silicon and thin-film data sheets. */
const VMP_SHARE = [0.6, 0.88] as const
const IMP_SHARE = [0.7, 0.995] as const
const CELL_V = [0.25, 2] as const

function moduleProblems(
  { vocV, iscA, vmpV, impA, cells }: ModulePart,
  report: (field: 'vmpV' | 'impA' | 'cells', message: string) => void,
): void {
  const outside = (value: number, [least, most]: readonly [number, number]) => value < least || value > most
  if (vmpV >= vocV) report('vmpV', `Vmp ${vmpV} V must lie below Voc ${vocV} V`)
  else if (outside(vmpV / vocV, VMP_SHARE))
    report(
      'vmpV',
      `Vmp ${vmpV} V is ${significant(vmpV / vocV)} of Voc ${vocV} V; a module has ${VMP_SHARE.join(' to ')} of it`,
    )
  if (impA >= iscA) report('impA', `Imp ${impA} A must lie below Isc ${iscA} A`)
  else if (outside(impA / iscA, IMP_SHARE))
    report(
      'impA',
      `Imp ${impA} A is ${significant(impA / iscA)} of Isc ${iscA} A; a module has ${IMP_SHARE.join(' to ')} of it`,
    )
  if (outside(vocV / cells, CELL_V))
    report(
      'cells',
      `${cells} cells of Voc ${vocV} V would give ${significant(vocV / cells)} V each; ${CELL_V.join(' to ')} V is possible`,
    )
}

function arrayProblems({ arrays, controllers }: Design, report: Report): void {
  const ids = new Set(controllers.map((controller) => controller.id))
  arrays.forEach((array, i) => {
    const { module } = array
    if (!ids.has(array.controllerId))
      report(
        `arrays.${i}.controllerId`,
        array.controllerId,
        `controller ${array.controllerId} is not in the design; choose one of ${[...ids].join(', ') || 'none yet'}`,
      )
    array.tiltSeasons.forEach(({ month, day }, nth) => {
      if (day > MONTH_DAYS[month - 1])
        report(
          `arrays.${i}.tiltSeasons.${nth}.day`,
          day,
          `${MONTH_NAMES[month - 1]} has no day ${day}; at most ${MONTH_DAYS[month - 1]}`,
        )
    })
    moduleProblems(module, (field, message) => report(`arrays.${i}.module.${field}`, module[field], message))
  })
  controllers.forEach(({ part }, i) => {
    if ((part.kind === 'ac-coupled') !== (part.outputAcW !== null))
      report(
        `controllers.${i}.part.outputAcW`,
        part.outputAcW,
        part.kind === 'ac-coupled'
          ? `${part.name} feeds the AC side; its AC watts are missing`
          : `${part.name} charges the bank directly; AC watts belong to an AC-coupled one`,
      )
    if (part.minTrackV >= part.maxTrackV)
      report(
        `controllers.${i}.part.minTrackV`,
        part.minTrackV,
        `the tracker’s lower limit ${part.minTrackV} V must lie below its upper limit ${part.maxTrackV} V`,
      )
  })
}

function generatorProblems({ generator, bank, inverter }: Design, report: Report): void {
  if (!generator.present) return
  if (generator.startStateOfCharge >= generator.stopStateOfCharge)
    report(
      'generator.startStateOfCharge',
      generator.startStateOfCharge,
      `start level ${generator.startStateOfCharge} must lie below the stop level ${generator.stopStateOfCharge}`,
    )
  if (generator.minRunH > generator.maxRunH)
    report(
      'generator.minRunH',
      generator.minRunH,
      `minimum run ${generator.minRunH} h must not exceed the maximum ${generator.maxRunH} h`,
    )
  const quiet = quietHours(generator)
  if (quiet > MOST_QUIET_H)
    report(
      'generator.quietFromH',
      generator.quietFromH,
      `quiet hours of ${quiet} h leave no time to run; at most ${MOST_QUIET_H} h`,
    )
  if (generator.startBy === 'morning' && hourIsQuiet(generator, generator.morningH))
    report(
      'generator.morningH',
      generator.morningH,
      `${generator.morningH} o’clock lies in the quiet hours from ${generator.quietFromH} to ${generator.quietToH}; it would never be started`,
    )
  const highV = bank.systemV * START_BELOW
  if (generator.startBy === 'voltage' && (generator.startV <= inverter.part.lowCutV || generator.startV > highV))
    report(
      'generator.startV',
      generator.startV,
      `start at ${generator.startV} V must lie above the inverter’s cut-out at ${inverter.part.lowCutV} V and at most at ${highV.toFixed(1)} V`,
    )
}

function householdProblems({ household }: Design, report: Report): void {
  const { away, shedCanWaitBelow, shedShouldBelow } = household
  away.forEach(({ fromMonth, fromDay, toMonth, toDay }, i) => {
    for (const [field, month, day] of [
      ['fromDay', fromMonth, fromDay],
      ['toDay', toMonth, toDay],
    ] as const)
      if (day > MONTH_DAYS[month - 1])
        report(
          `household.away.${i}.${field}`,
          day,
          `${MONTH_NAMES[month - 1]} has no day ${day}; at most ${MONTH_DAYS[month - 1]}`,
        )
  })
  if (shedShouldBelow !== null && shedShouldBelow > (shedCanWaitBelow ?? 0))
    report(
      'household.shedShouldBelow',
      shedShouldBelow,
      `what should run is switched off at ${shedShouldBelow}, before what can wait; at most ${shedCanWaitBelow ?? 'the level of what can wait, which is not set'}`,
    )
}
