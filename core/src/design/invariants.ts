import { classVoltage } from '../bank/layout.ts'
import { restedBankV } from '../bank/voltage.ts'
import { hourIsQuiet, MOST_QUIET_H, quietHours, START_BELOW } from '../generator/limits.ts'
import { inverterRating, stackingChoices } from '../inverter/service.ts'
import { BASIS_NEEDS } from '../loads/energy.ts'
import { daysNamed } from '../loads/week.ts'
import { MONTH_DAYS, MONTH_NAMES } from '../calendar/calendar.ts'
import { mostSun, sunAbove } from '../sun/mostSun.ts'
import type { BatteryPart, Design, InverterPart, ModulePart, Problem } from '../document/types.ts'
import type { LabelKind, PartOfKind } from '../parts/fromLabel.ts'
import { amount, percent } from '../units/say.ts'
import { LOAD } from '../fields/load.ts'
import { say, type Words } from '../units/words.ts'

type Report = (path: string, value: unknown, message: Words) => void

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
  gridProblems(design, report)
  householdProblems(design, report)
  return problems
}

/** Things are found by their id, so each of a kind needs its own. */
function idProblems({ loads, arrays, controllers, sources, circuits, budget }: Design, report: Report): void {
  const lists = { loads, arrays, controllers, sources, circuits, 'budget.extras': budget.extras }
  for (const [path, list] of Object.entries(lists)) {
    const seen = new Set<string>()
    list.forEach(({ id }, i) => {
      if (seen.has(id)) report(`${path}.${i}.id`, id, say`id ${id} is used twice; each of the ${path} needs its own`)
      seen.add(id)
    })
  }
}

function placeProblems({ place }: Design, report: Report): void {
  const { knownSunHours } = place
  if (knownSunHours !== null && knownSunHours.length !== 1 && knownSunHours.length !== 12)
    report(
      'place.knownSunHours',
      knownSunHours,
      say`${knownSunHours.length} sun hours are known; one, of the worst month, or twelve`,
    )
  if (place.recordLowC >= place.recordHighC)
    report(
      'place.recordLowC',
      place.recordLowC,
      say`record low ${amount(place.recordLowC, '°C')} must lie below the record high ${amount(place.recordHighC, '°C')}`,
    )
  if (place.source !== 'monthly' && !place.hours)
    report('place.source', place.source, say`source ${place.source} needs imported hours; choose a weather file first`)
  if (place.source === 'hours' && place.hours && !Number.isInteger(place.utcOffsetH - place.hours.utcOffsetH))
    report(
      'place.utcOffsetH',
      place.utcOffsetH,
      say`clock ${amount(place.utcOffsetH, 'h')} must differ by whole hours from that of the weather file, ${amount(place.hours.utcOffsetH, 'h')}`,
    )
  const above = sunAbove(place.latitudeDeg)
  place.monthly.forEach((month, m) => {
    const most = mostSun(above[m])
    if (month.ghiKWhM2Day > most)
      report(
        `place.monthly.${m}.ghiKWhM2Day`,
        month.ghiKWhM2Day,
        say`sun of ${MONTH_NAMES[m]}: ${amount(month.ghiKWhM2Day, 'kWh/m²')} a day is more than a sky lets through; at most ${amount(most, 'kWh/m²', 2)}`,
      )
    if (month.minC > month.meanC || month.maxC < month.meanC)
      report(
        `place.monthly.${m}.meanC`,
        month.meanC,
        say`mean ${amount(month.meanC, '°C')} must lie between the minimum ${amount(month.minC, '°C')} and the maximum ${amount(month.maxC, '°C')}`,
      )
  })
}

function loadProblems({ loads }: Design, report: Report): void {
  if (loads.length === 0) report('loads', [], 'the load list is empty; add at least one load')
  loads.forEach((load, i) => {
    if (load.hourShape.every((weight) => weight === 0))
      report(`loads.${i}.hourShape`, load.hourShape, 'the hours of the day are all zero; at least one must be used')
    const days = daysNamed(load.weekdays)
    if (days === 0)
      report(`loads.${i}.weekdays`, load.weekdays, 'no day of the week is named; name one, or leave them to the run')
    else if (load.daysPerWeek > days)
      report(
        `loads.${i}.daysPerWeek`,
        load.daysPerWeek,
        say`${amount(load.daysPerWeek, '')} days a week are more than the ${days} that are named; at most ${days}, or name more`,
      )
    for (const field of BASIS_NEEDS[load.basis])
      if (load[field] === null)
        report(`loads.${i}.${field}`, null, say`${LOAD[field].label} is missing; the basis “${load.basis}” needs it`)
  })
}

function inverterProblems({ inverter, place }: Design, report: Report): void {
  const { part, quantity, stacking } = inverter
  const allowed = stackingChoices(part, quantity)
  if (!allowed.includes(stacking))
    report(
      'inverter.stacking',
      stacking,
      say`${quantity} × ${part.name} cannot be joined as ${stacking}; a split pair takes an even number of single 120 V units, three-phase a multiple of three single ones`,
    )
  if (inverter.search && part.searchW === null)
    report('inverter.search', true, say`${part.name} has no search mode; switch it off`)
  if (inverterRating({ inverter, place }).derating <= 0)
    report(
      'inverter.part.deratePctPerK',
      part.deratePctPerK,
      say`heat and thin air leave nothing of ${part.name} at ${amount(inverter.hottestC, '°C')} and ${amount(place.elevationM, 'm')}; check its de-rating`,
    )
  surgeProblem(part, report, 'inverter.part.')
}

function bankProblems({ bank, inverter }: Design, report: Report): void {
  const series = bank.systemV / classVoltage(bank.part)
  if (!Number.isInteger(series))
    report(
      'bank.part.nominalV',
      bank.part.nominalV,
      say`units of ${amount(bank.part.nominalV, 'V')} do not divide the ${amount(bank.systemV, 'V')} bank; choose a unit whose voltage goes into it a whole number of times`,
    )
  else if (series !== bank.inSeries)
    report(
      'bank.inSeries',
      bank.inSeries,
      say`${bank.inSeries} units of ${amount(bank.part.nominalV, 'V')} in series do not make ${amount(bank.systemV, 'V')}; ${series} do`,
    )
  if (bank.cutoffStateOfCharge > 1 - bank.allowedDepth + 1e-9)
    report(
      'bank.cutoffStateOfCharge',
      bank.cutoffStateOfCharge,
      say`cut-out at a charge of ${percent(bank.cutoffStateOfCharge)} comes before the allowed depth ${percent(bank.allowedDepth)} is reached; at most ${percent(1 - bank.allowedDepth)}`,
    )
  const fullV = restedBankV(bank, 1)
  if (bank.absorbV !== null && (bank.absorbV <= fullV || bank.absorbV > bank.systemV * MOST_ABSORB))
    report(
      'bank.absorbV',
      bank.absorbV,
      say`absorption at ${amount(bank.absorbV, 'V')} never fills or harms this bank; above its full rest of ${amount(fullV, 'V', 1)} and at most ${amount(bank.systemV * MOST_ABSORB, 'V', 1)} is allowed`,
    )
  if (inverter.part.bankV !== bank.systemV)
    report(
      'inverter.part.bankV',
      inverter.part.bankV,
      say`the inverter is made for a ${amount(inverter.part.bankV, 'V')} bank; the bank is ${amount(bank.systemV, 'V')}`,
    )
}

/** No chemistry is charged above this multiple of the bank's class, 16 V per 12 V. */
const MOST_ABSORB = 16 / 12

/** Where the power point of a module lies, as shares of Voc and Isc, and Voc of a cell; beyond is a slip of the pen. Source: silicon and thin-film data sheets. */
const VMP_SHARE = [0.6, 0.88] as const
const IMP_SHARE = [0.7, 0.995] as const
const CELL_V = [0.25, 2] as const

/** Bank voltages there are. */
const BANK_CLASSES = [12, 24, 48]

/**
 * What no single field of a part can show, as {@link invariantProblems} does for a design.
 * @param part of that kind, its shape and ranges checked
 * @returns problems at the part's own fields
 */
export function partInvariants(kind: LabelKind, part: PartOfKind[LabelKind]): Problem[] {
  const problems: Problem[] = []
  const report = (path: string, value: unknown, message: Words) => problems.push({ path, value, message })
  if (kind === 'module') moduleProblems(part as ModulePart, (field, message) => report(field, null, message))
  if (kind === 'inverter') surgeProblem(part as InverterPart, report)
  if (kind === 'battery') {
    const volts = classVoltage(part as BatteryPart)
    if (!BANK_CLASSES.some((each) => Number.isInteger(each / volts)))
      report(
        'nominalV',
        (part as BatteryPart).nominalV,
        say`units of ${amount((part as BatteryPart).nominalV, 'V')} make no bank of 12, 24 or 48 V in whole numbers`,
      )
  }
  return problems
}

function surgeProblem({ surgeW, ratedW }: InverterPart, report: Report, within = ''): void {
  if (surgeW < ratedW)
    report(
      `${within}surgeW`,
      surgeW,
      say`surge rating ${amount(surgeW, 'W')} must not be below the continuous ${amount(ratedW, 'W')}`,
    )
}

function moduleProblems(
  { vocV, iscA, vmpV, impA, cells }: ModulePart,
  report: (field: 'vmpV' | 'impA' | 'cells', message: Words) => void,
): void {
  const outside = (value: number, [least, most]: readonly [number, number]) => value < least || value > most
  if (vmpV >= vocV) report('vmpV', say`Vmp ${amount(vmpV, 'V')} must lie below Voc ${amount(vocV, 'V')}`)
  else if (outside(vmpV / vocV, VMP_SHARE))
    report(
      'vmpV',
      say`Vmp ${amount(vmpV, 'V')} is ${amount(vmpV / vocV, '')} of Voc ${amount(vocV, 'V')}; a module has ${VMP_SHARE.join(' to ')} of it`,
    )
  if (impA >= iscA) report('impA', say`Imp ${amount(impA, 'A')} must lie below Isc ${amount(iscA, 'A')}`)
  else if (outside(impA / iscA, IMP_SHARE))
    report(
      'impA',
      say`Imp ${amount(impA, 'A')} is ${amount(impA / iscA, '')} of Isc ${amount(iscA, 'A')}; a module has ${IMP_SHARE.join(' to ')} of it`,
    )
  if (outside(vocV / cells, CELL_V))
    report(
      'cells',
      say`${cells} cells of Voc ${amount(vocV, 'V')} would give ${amount(vocV / cells, 'V')} each; ${CELL_V.join(' to ')} V is possible`,
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
        say`controller ${array.controllerId} is not in the design; choose one of ${[...ids].join(', ') || 'none yet'}`,
      )
    array.tiltSeasons.forEach(({ month, day }, nth) => {
      if (day > MONTH_DAYS[month - 1])
        report(
          `arrays.${i}.tiltSeasons.${nth}.day`,
          day,
          say`${MONTH_NAMES[month - 1]} has no day ${day}; at most ${MONTH_DAYS[month - 1]}`,
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
          ? say`${part.name} feeds the AC side; its AC watts are missing`
          : say`${part.name} charges the bank directly; AC watts belong to an AC-coupled one`,
      )
    if (part.minTrackV >= part.maxTrackV)
      report(
        `controllers.${i}.part.minTrackV`,
        part.minTrackV,
        say`the tracker’s lower limit ${amount(part.minTrackV, 'V')} must lie below its upper limit ${amount(part.maxTrackV, 'V')}`,
      )
  })
}

/** Lengths of runs and quiet hours that contradict each other. */
function runProblems(generator: Design['generator'], report: Report): void {
  if (generator.minRunH > generator.maxRunH)
    report(
      'generator.minRunH',
      generator.minRunH,
      say`minimum run ${amount(generator.minRunH, 'h')} must not exceed the maximum ${amount(generator.maxRunH, 'h')}`,
    )
  const quiet = quietHours(generator)
  if (quiet > MOST_QUIET_H)
    report(
      'generator.quietFromH',
      generator.quietFromH,
      say`quiet hours of ${amount(quiet, 'h')} leave no time to run; at most ${amount(MOST_QUIET_H, 'h')}`,
    )
  if (generator.startBy === 'morning' && hourIsQuiet(generator, generator.morningH))
    report(
      'generator.morningH',
      generator.morningH,
      say`${generator.morningH} o’clock lies in the quiet hours from ${generator.quietFromH} to ${generator.quietToH}; it would never be started`,
    )
}

function generatorProblems({ generator, bank, inverter }: Design, report: Report): void {
  if (!generator.present) return
  if (generator.startStateOfCharge >= generator.stopStateOfCharge)
    report(
      'generator.startStateOfCharge',
      generator.startStateOfCharge,
      say`start level ${percent(generator.startStateOfCharge)} must lie below the stop level ${percent(generator.stopStateOfCharge)}`,
    )
  // a cord knows neither
  if (generator.kind !== 'shore') runProblems(generator, report)
  const highV = bank.systemV * START_BELOW
  if (generator.startBy === 'voltage' && (generator.startV <= inverter.part.lowCutV || generator.startV > highV))
    report(
      'generator.startV',
      generator.startV,
      say`start at ${amount(generator.startV, 'V')} must lie above the inverter’s cut-out at ${amount(inverter.part.lowCutV, 'V')} and at most at ${amount(highV, 'V', 1)}`,
    )
}

function gridProblems({ grid }: Design, report: Report): void {
  const { failing, spellMonth, spellDay } = grid
  if (failing === 'spell' && spellDay > MONTH_DAYS[spellMonth - 1])
    report(
      'grid.spellDay',
      spellDay,
      say`${MONTH_NAMES[spellMonth - 1]} has no day ${spellDay}; at most ${MONTH_DAYS[spellMonth - 1]}`,
    )
}

function householdProblems({ household }: Design, report: Report): void {
  const { away, weekdays, shedCanWaitBelow, shedShouldBelow } = household
  if (daysNamed(weekdays) === 0)
    report('household.weekdays', weekdays, 'nobody would ever be at home; name at least one day of the week')
  away.forEach(({ fromMonth, fromDay, toMonth, toDay }, i) => {
    for (const [field, month, day] of [
      ['fromDay', fromMonth, fromDay],
      ['toDay', toMonth, toDay],
    ] as const)
      if (day > MONTH_DAYS[month - 1])
        report(
          `household.away.${i}.${field}`,
          day,
          say`${MONTH_NAMES[month - 1]} has no day ${day}; at most ${MONTH_DAYS[month - 1]}`,
        )
  })
  if (shedShouldBelow !== null && shedShouldBelow > (shedCanWaitBelow ?? 0))
    report(
      'household.shedShouldBelow',
      shedShouldBelow,
      say`what should run is switched off at ${percent(shedShouldBelow)}, before what can wait; at most ${shedCanWaitBelow === null ? 'the level of what can wait, which is not set' : percent(shedCanWaitBelow)}`,
    )
}
