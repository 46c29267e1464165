import type { Controller, Design, Leg, Load } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { acrossVolts, legsOfService, legVolts, serviceOf } from '../inverter/service.ts'
import { amps, volts, watts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import { CONTINUOUS, type Builder, type Given } from './builder.ts'
import { sourceW } from './battery.ts'
import { pastInverter, type BondPlace } from './bond.ts'
import { onBars } from './faults.ts'
import type { Inline } from './graph.ts'

/** From these watts on a load has a branch of its own, as has every motor and whatever is across legs. */
const OWN_BRANCH_W = 1000
/** Amps a general branch is loaded with at most, of the smallest breaker there is in both bases. */
const GENERAL_A = 12
const GENERAL_W = 1440
/** A breaker in a panel does not see the bank: the inverter gives several times its rating at most. */
const INVERTER_FAULT = 5

type Poles = 1 | 2 | 3
const acPoles = (across: boolean, design: Design): Poles => {
  if (!across) return 1
  return serviceOf(design.inverter) === 'three-phase' ? 3 : serviceOf(design.inverter) === 'split-phase' ? 2 : 1
}

/** A line of the whole service: on all its legs, with its breaker. */
function onAllLegs(
  builder: Builder,
  given: Omit<Given, 'device' | 'current' | 'wires' | 'threePhase'>,
  at: string,
  why: Words,
): void {
  const { design } = builder
  const poles = acPoles(true, design)
  const threePhase = serviceOf(design.inverter) === 'three-phase'
  builder.circuit({
    ...given,
    current: 'ac',
    // three phases share what the neutral would carry
    wires: threePhase ? 3 : poles + 1,
    threePhase,
    device: { kind: 'ac-breaker', poles, at, why, mostA: null },
  })
}
const FED_BY_PANEL = 'the panel can feed a short in this cable'

/** Panel, branches, backup, grid and whatever else feeds or takes alternating current. */
export function houseSide(builder: Builder): void {
  const { design } = builder
  const { inverter, growth } = design
  const acV = acrossVolts(inverter)
  const threePhase = serviceOf(inverter) === 'three-phase'
  const totalW = inverter.part.ratedW * inverter.quantity + growth.inverterW
  const perPole = (watt: number) => watt / acV / (threePhase ? Math.sqrt(3) : 1)
  const past = pastInverter(design)
  builder.node({
    id: 'panel',
    kind: 'panel',
    name: 'House panel',
    rating: say`${volts(acV)}, ${legsOfService(serviceOf(inverter)).length === 1 ? 'one leg' : say`${legsOfService(serviceOf(inverter)).length} legs`}`,
    site: 'house',
    step: 'inverter',
  })
  onAllLegs(
    builder,
    {
      id: 'panel',
      name: past ? 'Inverter to the changeover' : 'Inverter to the house panel',
      area: 'house',
      from: 'inverter',
      to: past ? 'bypass' : 'panel',
      workingA: perPole(totalW),
      volts: acV,
      faultA: perPole(totalW) * INVERTER_FAULT,
      backA: design.sources.reduce((sum, source) => sum + (source.side === 'ac' ? perPole(sourceW(source)) : 0), 0),
      because: say`the inverter’s ${watts(totalW)}${growth.inverterW > 0 ? say`, ${watts(growth.inverterW)} of it later,` : ''} at ${volts(acV)}, × 1.25`,
      asksLength: true,
      // where there is a changeover the meter stands behind it: it counts what the house takes, whatever feeds
      inline: design.house.meter && !past ? [meter(perPole(totalW), acV)] : [],
      usual: { oneWayM: 10, allowedDropPct: 3 },
    },
    'inverter',
    'it parts house and inverter',
  )
  branches(builder)
  backup(builder, perPole)
  if (past) changeover(builder, past, perPole)
  for (const source of design.sources) if (source.side === 'ac') acSource(builder, source, perPole)
  for (const controller of design.controllers)
    if (controller.part.kind === 'ac-coupled') acCoupled(builder, controller, perPole)
}

const meter = (throughA: number, acV: number): Inline => ({
  id: 'meter',
  kind: 'meter',
  overA: throughA,
  name: 'Energy meter',
  rating: say`over ${amps(throughA)}, ${volts(acV)}`,
  at: 'panel',
})
const regulator = (from: string, throughA: number, acV: number): Inline => ({
  id: `regulator:${from}`,
  kind: 'regulator',
  overA: throughA,
  name: 'Voltage regulator',
  rating: say`over ${amps(throughA)}, ${volts(acV)}`,
  at: 'inverter',
})

/** The grid, or the backup where there is none, goes past the inverter to a changeover before the panel. */
function changeover(builder: Builder, source: BondPlace, perPole: (watt: number) => number): void {
  const { design } = builder
  const { generator, grid, inverter } = design
  const from = source === 'grid' ? 'grid' : 'backup'
  const acV = source === 'grid' ? grid.breakerV : source === 'shore' ? generator.cordV : acrossVolts(inverter)
  const ofSource = source === 'grid' ? grid.breakerA : source === 'shore' ? generator.cordA : null
  const workingA = ofSource ?? perPole(backupPower(design).realW)
  const inverterA = perPole(inverter.part.ratedW * inverter.quantity + design.growth.inverterW)
  builder.node({
    id: 'bypass',
    kind: 'bypass',
    name: 'Changeover',
    rating: say`over ${amps(Math.max(workingA, inverterA))}, one source at a time`,
    site: 'house',
    step: 'wiring',
  })
  onAllLegs(
    builder,
    {
      id: 'bypass',
      name: `${source === 'grid' ? 'Grid' : source === 'shore' ? 'Shore' : 'Generator'} past the inverter`,
      area: 'backup',
      from,
      to: 'bypass',
      workingA,
      ...(ofSource === null ? {} : { designA: ofSource }),
      volts: acV,
      because: ofSource === null ? say`${amps(workingA)} of the generator, × 1.25` : 'what its breaker lets through',
      asksLength: true,
      usual: { oneWayM: 12, allowedDropPct: 3 },
    },
    from,
    'it protects the cable where it begins',
  )
  builder.circuit({
    id: 'changeover',
    name: 'Changeover to the house panel',
    area: 'house',
    current: 'ac',
    from: 'bypass',
    to: 'panel',
    wires: serviceOf(inverter) === 'three-phase' ? 3 : acPoles(true, design) + 1,
    threePhase: serviceOf(inverter) === 'three-phase',
    workingA: Math.max(workingA, inverterA),
    designA: Math.max(inverterA * CONTINUOUS, ofSource ?? workingA * CONTINUOUS),
    volts: acrossVolts(inverter),
    because: 'the larger of what inverter and source bring; their breakers stand before it',
    inline: design.house.meter ? [meter(Math.max(workingA, inverterA), acrossVolts(inverter))] : [],
    usual: { oneWayM: 1, allowedDropPct: 1 },
  })
}

const hasOwnBranch = ({ runningW, quantity, leg, startKind }: Load): boolean =>
  runningW * quantity >= OWN_BRANCH_W ||
  leg === 'AB' ||
  leg === 'ABC' ||
  (startKind !== 'none' && startKind !== 'compressor')

function branches(builder: Builder): void {
  const { design } = builder
  const onAc = design.loads.filter(({ leg, supply }) => leg !== 'DC' && supply === 'electric')
  for (const load of onAc.filter(hasOwnBranch)) {
    const across = load.leg === 'AB' || load.leg === 'ABC'
    const watt = load.runningW * load.quantity
    const branchV = across ? acrossVolts(design.inverter) : legVolts(design.inverter)
    const threePhase = load.leg === 'ABC'
    const factor = load.powerFactor * (threePhase ? Math.sqrt(3) : 1)
    branch(
      builder,
      load.id,
      load.name,
      load.leg,
      watt,
      watt / branchV / factor,
      1,
      say`${watts(watt)} at ${volts(branchV)}, × 1.25`,
    )
  }
  for (const leg of legsOfService(serviceOf(design.inverter))) {
    const shared = onAc.filter((load) => !hasOwnBranch(load) && load.leg === leg)
    if (shared.length === 0) continue
    const watt = shared.reduce((sum, { runningW, quantity }) => sum + runningW * quantity, 0)
    const quantity = Math.max(1, Math.ceil(watt / GENERAL_W))
    branch(
      builder,
      `general-${leg}`,
      `General, leg ${leg}`,
      leg,
      watt,
      Math.min(GENERAL_A, watt / quantity / legVolts(design.inverter)),
      quantity,
      say`${shared.length} small loads, ${watts(watt)} in all, × 1.25`,
    )
  }
}

function branch(
  builder: Builder,
  id: string,
  name: string,
  leg: Leg,
  watt: number,
  workingA: number,
  quantity: number,
  because: Words,
): void {
  const { design } = builder
  const across = leg === 'AB' || leg === 'ABC'
  const poles = acPoles(across, design)
  const to = builder.node({
    id: `branch:${id}`,
    kind: 'branch',
    name,
    rating: say`${watts(watt)}, leg ${leg}`,
    site: 'house',
    count: quantity,
    step: 'loads',
  })
  builder.circuit({
    id: `branch:${id}`,
    name: `Branch of ${name}`,
    area: 'house',
    current: 'ac',
    from: 'panel',
    to,
    quantity,
    wires: poles === 3 ? 3 : 2,
    threePhase: leg === 'ABC',
    workingA,
    // a branch is wired for the outlets on it
    designA: Math.max(workingA * 1.25, GENERAL_A),
    volts: across ? acrossVolts(design.inverter) : legVolts(design.inverter),
    because,
    device: { kind: 'ac-breaker', poles, at: 'panel', why: 'it protects the branch', mostA: null },
    usual: { oneWayM: 12, allowedDropPct: 3 },
  })
}

function backup(builder: Builder, perPole: (watt: number) => number): void {
  const { design } = builder
  const { generator, grid } = design
  const acV = acrossVolts(design.inverter)
  const separate = generator.present && generator.charger === 'separate' && generator.kind !== 'vehicle'
  const feed = (given: Omit<Given, 'area' | 'usual' | 'to'> & { to?: string }) =>
    onAllLegs(
      builder,
      {
        to: 'inverter',
        inline:
          design.house.regulator && given.to !== 'charger' ? [regulator(given.id, given.workingA, given.volts)] : [],
        ...given,
        area: 'backup',
        asksLength: true,
        usual: { oneWayM: 12, allowedDropPct: 3 },
      },
      given.from,
      'it protects the cable where it begins',
    )
  if (generator.present && generator.kind !== 'vehicle') {
    const { realW } = backupPower(design)
    const shore = generator.kind === 'shore'
    const from = builder.node({
      id: 'backup',
      kind: shore ? 'shore' : 'generator',
      name: shore ? 'Shore inlet' : 'Generator',
      rating: shore ? say`${amps(generator.cordA)}, ${volts(generator.cordV)}` : say`${watts(realW)} at this place`,
      site: 'yard',
      step: 'generator',
    })
    const to = separate
      ? builder.node({
          id: 'charger',
          kind: 'charger',
          name: 'Charger',
          rating: say`${amps(generator.separateChargerA)}`,
          site: 'room',
          step: 'generator',
        })
      : 'inverter'
    feed({
      id: 'backup',
      name: shore ? 'Shore to the inverter' : separate ? 'Generator to its charger' : 'Generator to the inverter',
      from,
      to,
      workingA: shore ? generator.cordA : perPole(realW),
      volts: shore ? generator.cordV : acV,
      ...(shore ? { designA: generator.cordA } : {}),
      because: shore ? 'what the cord carries' : say`its ${watts(realW)} at this place, × 1.25`,
    })
    if (separate) {
      onBars(builder, {
        id: 'charger',
        name: 'Charger to the bars',
        area: 'backup',
        from: 'charger',
        to: 'bars',
        workingA: generator.separateChargerA,
        backA: generator.separateChargerA,
        because: say`its ${amps(generator.separateChargerA)}, × 1.25`,
        usual: { oneWayM: 2, allowedDropPct: 1 },
      })
    }
  }
  if (generator.present && generator.kind === 'vehicle') {
    const from = builder.node({
      id: 'backup',
      kind: 'vehicle',
      name: 'Vehicle',
      rating: say`${amps(generator.vehicleA)}`,
      site: 'yard',
      step: 'generator',
    })
    onBars(
      builder,
      {
        id: 'backup',
        name: 'Vehicle to the bars',
        area: 'backup',
        from,
        to: 'bars',
        workingA: generator.vehicleA,
        backA: generator.vehicleA,
        because: say`its ${amps(generator.vehicleA)}, × 1.25`,
        asksLength: true,
        usual: { oneWayM: 6, allowedDropPct: 3 },
      },
      'bank and vehicle can both feed a short in this cable',
    )
  }
  if (grid.present) {
    const from = builder.node({
      id: 'grid',
      kind: 'grid',
      name: 'Grid inlet',
      rating: say`${amps(grid.breakerA)}, ${volts(grid.breakerV)}`,
      site: 'yard',
      step: 'generator',
    })
    feed({
      id: 'grid',
      name: 'Grid to the inverter',
      from,
      workingA: grid.breakerA,
      volts: grid.breakerV,
      // its breaker is the limit already
      designA: grid.breakerA,
      because: 'what its breaker lets through',
    })
  }
}

function acSource(builder: Builder, source: Design['sources'][number], perPole: (watt: number) => number): void {
  const { design } = builder
  const watt = sourceW(source)
  const from = builder.node({
    id: `source:${source.id}`,
    kind: 'source',
    name: source.name,
    rating: say`${source.kind}, to ${watts(watt)}`,
    site: 'yard',
    step: 'generator',
  })
  onAllLegs(
    builder,
    {
      id: `source:${source.id}`,
      name: `${source.name} to the panel`,
      area: 'backup',
      from,
      to: 'panel',
      workingA: perPole(watt),
      volts: acrossVolts(design.inverter),
      because: say`${watts(watt)} at its most, × 1.25`,
      asksLength: true,
      usual: { oneWayM: 20, laid: 'buried', allowedDropPct: 3 },
    },
    'panel',
    FED_BY_PANEL,
  )
}

/** A controller that makes alternating current of its own feeds the house panel. */
function acCoupled(builder: Builder, { id, name, part }: Controller, perPole: (watt: number) => number): void {
  const outW = part.outputAcW ?? 0
  const from = builder.node({
    id: `controller:${id}`,
    kind: 'controller',
    name,
    rating: say`${volts(part.maxInputV)}, ${watts(outW)} AC`,
    site: 'room',
    step: 'array',
  })
  onAllLegs(
    builder,
    {
      id: `controller:${id}`,
      name: `${name} to the panel`,
      area: 'house',
      from,
      to: 'panel',
      workingA: perPole(outW),
      volts: acrossVolts(builder.design.inverter),
      because: say`its ${watts(outW)} AC × 1.25`,
      asksLength: true,
      usual: { oneWayM: 5, allowedDropPct: 2 },
    },
    'panel',
    FED_BY_PANEL,
  )
}
