import type { Controller, Design, Leg, Load } from '../document/types.ts'
import { acrossVolts, legsOfService, legVolts, serviceOf } from '../inverter/service.ts'
import { volts, watts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import { acPoles, meter, onAllLegs } from './allLegs.ts'
import { backup, changeover } from './backup.ts'
import { sourceW } from './battery.ts'
import { pastInverter } from './bond.ts'
import type { Builder } from './builder.ts'

/** From these watts on a load has a branch of its own, as has every motor and whatever is across legs. */
const OWN_BRANCH_W = 1000
/** Amps a general branch is loaded with at most, of the smallest breaker there is in both bases. */
const GENERAL_A = 12
const GENERAL_W = 1440
/** A breaker in a panel does not see the bank: the inverter gives several times its rating at most. */
const INVERTER_FAULT = 5

const FED_BY_PANEL = { at: 'panel', why: 'the panel can feed a short in this cable' }

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
      fullLoadA: perPole(inverter.part.ratedW * inverter.quantity),
      volts: acV,
      faultA: perPole(totalW) * INVERTER_FAULT,
      backA: design.sources.reduce((sum, source) => sum + (source.side === 'ac' ? perPole(sourceW(source)) : 0), 0),
      because: say`the inverter’s ${watts(totalW)}${growth.inverterW > 0 ? say`, ${watts(growth.inverterW)} of it later,` : ''} at ${volts(acV)}, × 1.25`,
      asksLength: true,
      // where there is a changeover the meter stands behind it: it counts what the house takes, whatever feeds
      inline: design.house.meter && !past ? [meter(perPole(totalW), acV)] : [],
      usual: { oneWayM: 10, allowedDropPct: 3 },
    },
    { at: 'inverter', why: 'it parts house and inverter' },
  )
  branches(builder)
  backup(builder, perPole)
  if (past) changeover(builder, past, perPole)
  for (const source of design.sources) if (source.side === 'ac') acSource(builder, source, perPole)
  for (const controller of design.controllers)
    if (controller.part.kind === 'ac-coupled') acCoupled(builder, controller, perPole)
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
      load.runningW / branchV / factor,
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
      // what is plugged in where, and when, nobody knows
      0,
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
  steadyA: number,
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
    steadyA,
    // a branch is wired for the outlets on it
    designA: Math.max(workingA * 1.25, GENERAL_A),
    volts: across ? acrossVolts(design.inverter) : legVolts(design.inverter),
    because,
    device: { kind: 'ac-breaker', poles, at: 'panel', why: 'it protects the branch', mostA: null },
    usual: { oneWayM: 12, allowedDropPct: 3 },
  })
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
    FED_BY_PANEL,
  )
}
