import { brightAmps, isBuiltIn, outputOf, trackerOf } from '../array/controllers.ts'
import { BRIGHT, needsStringFuses } from '../array/stringFuses.ts'
import { arrayRatedW } from '../array/power.ts'
import { absorptionV, bankNominalV } from '../bank/layout.ts'
import { breakerVoltsFor, coldVoltage } from '../array/voltage.ts'
import type { ArrayField, Controller, Design } from '../document/types.ts'
import { amount, amps, volts, watts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import { climateOf } from '../weather/ruling.ts'
import type { Builder } from './builder.ts'
import { CONTINUOUS } from './builder.ts'
import { onBars } from './faults.ts'
import { disconnectOf } from './disconnect.ts'
import type { Asks, DeviceNeed, Inline } from './graph.ts'

/** From this length on both ends of a line have a surge arrester. Source: IEC 60364-7-712 asks for one above a critical length, of this order where lightning is usual. */
export const LONG_RUN_M = 10
const STRING_LEAD_M = 3
/** Modules bring leads of their own, and those are fine wire in the sun. */
const ON_ARRAY_C = 45
const USUAL_RUN_M = 15
/** Home runs share a conduit; more than these are drawn into a second one. */
const MOST_TOGETHER = 9

/** Strings of an array with those to come: what is to be added falls on the arrays by their size, in whole strings. */
export function stringsLater({ arrays, growth }: Pick<Design, 'arrays' | 'growth'>, array: ArrayField): number {
  const totalW = arrays.reduce((sum, each) => sum + arrayRatedW(each), 0)
  return growth.arrayW > 0 ? Math.ceil(array.inParallel * (1 + growth.arrayW / totalW) - 1e-9) : array.inParallel
}

/** Every array with its strings, its line to the controller, and what stands in it. */
export function solarSide(builder: Builder): void {
  const { design } = builder
  arrayLines(builder)
  for (const controller of design.controllers)
    if (controller.part.kind !== 'ac-coupled') controllerToBars(builder, controller)
  for (const pump of design.pumps) pumpLine(builder, pump)
}

/** Every array with its strings and its line to the controller. */
export function arrayLines(builder: Builder): void {
  const { arrays, controllers } = builder.design
  for (const array of arrays) {
    const controller = controllers.find(({ id }) => id === array.controllerId)
    if (controller) arrayLine(builder, array, controller)
  }
}

function arrayLine(builder: Builder, array: ArrayField, controller: Controller): void {
  const { design } = builder
  const { id, name, module, inSeries, inParallel } = array
  const coldV = coldVoltage({
    inSeries,
    vocV: module.vocV,
    betaVocPctPerK: module.betaVocPctPerK,
    coldestC: design.place.recordLowC,
    method: design.schools.coldVoltage,
  })
  const worksV = module.vmpV * inSeries
  const strings = builder.node({
    id: `strings:${id}`,
    kind: 'strings',
    name,
    rating: say`${inParallel} × ${inSeries} × ${watts(module.ratedW)}, ${volts(coldV)} when coldest`,
    site: 'array',
    count: inParallel,
    step: 'array',
  })
  const later = stringsLater(design, array)
  const shortA = module.iscA
  const fuseAt = (at: string): DeviceNeed | null =>
    needsStringFuses(design, array)
      ? {
          kind: 'pv-fuse',
          poles: 1,
          at,
          why: say`a short in one string is fed by the others; its modules stand ${amps(module.seriesFuseA)}`,
          mostA: module.seriesFuseA,
        }
      : null
  const homeRuns = inParallel > 1 && design.schools.combining === 'home-runs'
  let from = strings
  if (inParallel > 1 && !homeRuns) {
    from = builder.node({
      id: `combiner:${id}`,
      kind: 'combiner',
      name: `Combiner of ${name}`,
      rating: say`${later} strings, ${volts(breakerVoltsFor(coldV) ?? coldV)} DC`,
      site: 'array',
      step: 'array',
    })
    builder.circuit({
      id: `string:${id}`,
      name: `Strings of ${name}`,
      area: 'array',
      from: strings,
      to: from,
      quantity: inParallel,
      workingA: module.impA,
      steadyA: module.impA,
      designA: shortA * BRIGHT * CONTINUOUS,
      correctedA: shortA * BRIGHT,
      volts: worksV,
      highestV: coldV,
      faultA: (inParallel - 1) * shortA * BRIGHT,
      backA: shortA * BRIGHT,
      because: say`Isc ${amps(shortA)} × 1.25 for bright clouds × 1.25 for hours on end`,
      device: fuseAt(from),
      usual: { oneWayM: STRING_LEAD_M, laid: 'free-air', ambientC: ON_ARRAY_C, allowedDropPct: 1 },
    })
  }
  const line = `array:${id}`
  const chosen = builder.chosen(line)
  const lengthM = chosen?.oneWayM ?? USUAL_RUN_M
  const to = `controller:${controller.id}`
  const classV = array.breakerV ?? breakerVoltsFor(coldV)
  // a line home for each string carries that string alone; all meet at the switch
  const onLine = homeRuns ? 1 : later
  const switchA = shortA * later * BRIGHT * CONTINUOUS
  const rating: Words = classV === null ? say`${amps(switchA)}` : say`${volts(classV)} DC, over ${amps(switchA)}`
  const parted = disconnectOf(
    {
      id: `switch:${id}`,
      kind: 'switch',
      overA: switchA,
      name: `Disconnect of ${name}`,
      rating: polesOf(design, rating),
      at: to,
    },
    chosen?.disconnect || design.schools.arrayDisconnect,
    controller.part.disconnect,
  )
  const long = lengthM > LONG_RUN_M
  const bare = long && chosen?.withoutArresters === true
  const asks: Asks[] = long ? ['disconnect', 'arresters'] : ['disconnect']
  const inline: Inline[] = [
    ...parted.inline,
    ...(long && !bare
      ? [from, to].map((at, end): Inline => ({
          id: `arrester:${id}:${end + 1}`,
          kind: 'arrester',
          overA: 0,
          name: `Surge arrester of ${name}, ${end === 0 ? 'at the array' : 'at the controller'}`,
          rating: say`DC, type 2, over ${volts(coldV)}`,
          at,
        }))
      : []),
  ]
  builder.circuit({
    id: line,
    name: `${name} to ${controller.name}`,
    area: 'array',
    from,
    to,
    ...(homeRuns ? { quantity: inParallel } : {}),
    workingA: module.impA * onLine,
    steadyA: module.impA * (homeRuns ? 1 : inParallel),
    designA: shortA * onLine * BRIGHT * CONTINUOUS,
    correctedA: shortA * onLine * BRIGHT,
    volts: worksV,
    highestV: coldV,
    faultA: (othersOnTracker(design, array) + (homeRuns ? (inParallel - 1) * shortA : 0)) * BRIGHT,
    backA: shortA * onLine * BRIGHT,
    because: homeRuns
      ? say`Isc ${amps(shortA)} of one string × 1.25 for bright clouds × 1.25 for hours on end`
      : say`Isc ${amps(shortA)} × ${later}${later > inParallel ? say`, ${later - inParallel} of them later,` : ''} × 1.25 for bright clouds × 1.25 for hours on end`,
    // a string alone on its line meets the others of its tracker at the controller
    device: from === strings ? fuseAt(to) : null,
    inline,
    asks,
    lacks: [...parted.lacks, ...(bare ? (['arresters'] as const) : [])],
    asksLength: true,
    yearKWh: yearKWh(design, array),
    usual: {
      oneWayM: USUAL_RUN_M,
      ...(homeRuns ? { conductors: Math.min(MOST_TOGETHER, 2 * inParallel) } : {}),
      laid: array.site === 'ground' ? 'buried' : 'conduit',
      allowedDropPct: 2.5,
    },
  })
}

/** Both poles, or the + alone. */
const polesOf = ({ schools }: Design, rating: Words): Words =>
  say`${rating}, ${schools.poles === 'positive' ? 'the + alone' : '2 poles'}`

/** Short-circuit current the other arrays on an array's tracker bring, A. */
const othersOnTracker = (design: Design, array: ArrayField): number =>
  design.arrays
    .filter(
      (other) =>
        other !== array &&
        other.controllerId === array.controllerId &&
        trackerOf(design, other) === trackerOf(design, array),
    )
    .reduce((sum, { module, inParallel }) => sum + module.iscA * inParallel, 0)

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]
/** Of the level sun a year, what a fixed array turns into watt-hours, roughly: it only weighs the loss in its wire. */
function yearKWh(design: Design, array: ArrayField): number {
  const sun = climateOf(design.place).monthly.reduce(
    (sum, { ghiKWhM2Day }, month) => sum + ghiKWhM2Day * DAYS[month],
    0,
  )
  return (arrayRatedW(array) / 1000) * sun
}

function controllerToBars(builder: Builder, controller: Controller): void {
  const { design } = builder
  const inside = isBuiltIn(design, controller)
  const node = builder.node({
    id: `controller:${controller.id}`,
    kind: 'controller',
    name: controller.name,
    rating: say`${volts(controller.part.maxInputV)}, ${amps(controller.part.outputA)}${inside ? ' in the inverter' : ''}`,
    site: 'room',
    step: 'array',
  })
  const outA = outputOf(controller)
  // the one battery cable of an all-in-one is the inverter's
  if (inside) {
    builder.circuit({
      id: `controller:${controller.id}`,
      name: `${controller.name} in the inverter`,
      area: 'bank',
      from: node,
      to: 'inverter',
      workingA: outA,
      volts: bankNominalV(design.bank),
      highestV: absorptionV(design.bank),
      because: 'inside of the unit, on its battery terminals',
      grounded: false,
      within: true,
      usual: { oneWayM: 0 },
    })
    return
  }
  onBars(builder, {
    id: `controller:${controller.id}`,
    name: `${controller.name} to the bars`,
    area: 'bank',
    from: node,
    to: 'bars',
    workingA: outA,
    steadyA: Math.min(outA, brightAmps(controller, design.arrays, bankNominalV(design.bank))),
    backA: outA,
    because: say`the controller’s ${amps(outA)} × 1.25`,
    usual: { oneWayM: 2, allowedDropPct: 1 },
  })
}

function pumpLine(builder: Builder, { id, name, arrayW, ratedW }: Design['pumps'][number]): void {
  const strings = builder.node({
    id: `strings:${id}`,
    kind: 'strings',
    name: `Modules of ${name}`,
    rating: say`${watts(arrayW)}`,
    site: 'yard',
    step: 'loads',
  })
  const pump = builder.node({
    id: `pump:${id}`,
    kind: 'pump',
    name,
    rating: say`${watts(ratedW)}`,
    site: 'yard',
    step: 'loads',
  })
  // its maker wires its modules to about this many volts
  const worksV = PUMP_V
  const workingA = arrayW / worksV
  builder.circuit({
    id: `pump:${id}`,
    name: `Modules to ${name}`,
    area: 'array',
    from: strings,
    to: pump,
    workingA,
    designA: workingA * BRIGHT * CONTINUOUS,
    correctedA: workingA * BRIGHT,
    volts: worksV,
    highestV: worksV * 1.5,
    because: say`its modules’ ${watts(arrayW)} at about ${amount(worksV, 'V')} × 1.25 × 1.25; its manual has the last word`,
    inline: [
      {
        id: `switch:${id}`,
        kind: 'switch',
        overA: workingA * BRIGHT * CONTINUOUS,
        name: `Disconnect of ${name}`,
        rating: say`${volts(worksV * 1.5)} DC`,
        at: pump,
      },
    ],
    asksLength: true,
    usual: { oneWayM: 30, laid: 'buried', allowedDropPct: 3 },
  })
}
const PUMP_V = 100
