import { classVoltage } from '../bank/layout.ts'
import { BASIS_NEEDS } from '../loads/energy.ts'
import type { Design, Problem } from './types.ts'

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
  placeProblems(design, report)
  loadProblems(design, report)
  bankProblems(design, report)
  arrayProblems(design, report)
  generatorProblems(design, report)
  return problems
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
  if (loads.length === 0) report('loads', [], 'the load list is empty; add at least one load')
  const seen = new Set<string>()
  loads.forEach((load, i) => {
    if (seen.has(load.id)) report(`loads.${i}.id`, load.id, `id ${load.id} is used twice; every load needs its own`)
    seen.add(load.id)
    if (load.hourShape.every((weight) => weight === 0))
      report(`loads.${i}.hourShape`, load.hourShape, 'the hours of the day are all zero; at least one must be used')
    for (const field of BASIS_NEEDS[load.basis])
      if (load[field] === null)
        report(`loads.${i}.${field}`, null, `${field} is missing; the basis “${load.basis}” needs it`)
    if (inverter.part.topology !== 'split-phase' && load.leg === 'AB')
      report(
        `loads.${i}.leg`,
        load.leg,
        `a load across both legs needs a split-phase inverter; ${inverter.part.name} has one leg`,
      )
  })
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
  if (inverter.part.bankV !== bank.systemV)
    report(
      'inverter.part.bankV',
      inverter.part.bankV,
      `the inverter is made for a ${inverter.part.bankV} V bank; the bank is ${bank.systemV} V`,
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
    if (module.vmpV >= module.vocV)
      report(`arrays.${i}.module.vmpV`, module.vmpV, `Vmp ${module.vmpV} V must lie below Voc ${module.vocV} V`)
    if (module.impA >= module.iscA)
      report(`arrays.${i}.module.impA`, module.impA, `Imp ${module.impA} A must lie below Isc ${module.iscA} A`)
  })
  controllers.forEach(({ part }, i) => {
    if (part.minTrackV >= part.maxTrackV)
      report(
        `controllers.${i}.part.minTrackV`,
        part.minTrackV,
        `the tracker’s lower limit ${part.minTrackV} V must lie below its upper limit ${part.maxTrackV} V`,
      )
  })
}

function generatorProblems({ generator }: Design, report: Report): void {
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
  const quiet = (generator.quietToH - generator.quietFromH + 24) % 24
  if (quiet > 20)
    report('generator.quietFromH', generator.quietFromH, `quiet hours of ${quiet} h leave no time to run; at most 20 h`)
}
