import { bankNominalV } from '../bank/layout.ts'
import { backupPower } from '../generator/backup.ts'
import type { Design } from '../document/types.ts'
import { acrossVolts, legVolts, serviceOf } from '../inverter/service.ts'
import { amps, volts, watts } from '../units/say.ts'
import { say } from '../units/words.ts'
import { meter, onAllLegs } from './allLegs.ts'
import type { BondPlace } from './bond.ts'
import { CONTINUOUS, type Builder, type Given } from './builder.ts'
import { onBars } from './faults.ts'
import type { Inline } from './graph.ts'

const WHERE_IT_BEGINS = 'it protects the cable where it begins'

const regulator = (from: string, throughA: number, acV: number): Inline => ({
  id: `regulator:${from}`,
  kind: 'regulator',
  overA: throughA,
  name: 'Voltage regulator',
  rating: say`over ${amps(throughA)}, ${volts(acV)}`,
  at: 'inverter',
})

/** What a set brings to its cable: on one live wire all its current, whatever the house behind has. */
function ofSet({ generator: { part }, inverter }: Design, realW: number, perPole: (watt: number) => number) {
  const threePhase = serviceOf(inverter) === 'three-phase'
  const oneWire = part.output === 'single' || (part.output === 'split' && threePhase)
  const acV = oneWire ? legVolts(inverter) : acrossVolts(inverter)
  return { workingA: oneWire ? realW / acV : perPole(realW), volts: acV, across: !oneWire }
}

/** Generator or shore, vehicle and grid, each to what it feeds. */
export function backup(builder: Builder, perPole: (watt: number) => number): void {
  const { design } = builder
  const { generator, grid } = design
  const separate = generator.present && generator.charger === 'separate' && generator.kind !== 'vehicle'
  const feed = (given: Omit<Given, 'area' | 'usual' | 'to'> & { to?: string; across?: boolean }) =>
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
      { at: given.from, why: WHERE_IT_BEGINS },
    )
  if (generator.present && generator.kind !== 'vehicle') {
    const { realW, acW, chargerAcW, chargeA, chargerEfficiency } = backupPower(design)
    /** share of its power that it gives while it charges */
    const charging = Math.min(acW, chargerAcW) / realW
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
    const brings = shore
      ? { workingA: generator.cordA, volts: generator.cordV, designA: generator.cordA }
      : ofSet(design, realW, perPole)
    feed({
      id: 'backup',
      name: shore ? 'Shore to the inverter' : separate ? 'Generator to its charger' : 'Generator to the inverter',
      from,
      to,
      ...brings,
      steadyA: brings.workingA * charging,
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
        steadyA: Math.min(chargeA, (realW * chargerEfficiency) / bankNominalV(design.bank)),
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
        steadyA: backupPower(design).chargeA,
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

/** The grid, or the backup where there is none, goes past the inverter to a changeover before the panel. */
export function changeover(builder: Builder, source: BondPlace, perPole: (watt: number) => number): void {
  const { design } = builder
  const { generator, grid, inverter } = design
  const from = source === 'grid' ? 'grid' : 'backup'
  const set = ofSet(design, backupPower(design).realW, perPole)
  const acV = source === 'grid' ? grid.breakerV : source === 'shore' ? generator.cordV : set.volts
  const ofSource = source === 'grid' ? grid.breakerA : source === 'shore' ? generator.cordA : null
  const workingA = ofSource ?? set.workingA
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
      ...(ofSource === null ? { across: set.across } : { designA: ofSource }),
      volts: acV,
      because: ofSource === null ? say`${amps(workingA)} of the generator, × 1.25` : 'what its breaker lets through',
      asksLength: true,
      usual: { oneWayM: 12, allowedDropPct: 3 },
    },
    { at: from, why: WHERE_IT_BEGINS },
  )
  onAllLegs(
    builder,
    {
      id: 'changeover',
      name: 'Changeover to the house panel',
      area: 'house',
      from: 'bypass',
      to: 'panel',
      workingA: Math.max(workingA, inverterA),
      designA: Math.max(inverterA * CONTINUOUS, ofSource ?? workingA * CONTINUOUS),
      volts: acrossVolts(inverter),
      because: 'the larger of what inverter and source bring; their breakers stand before it',
      inline: design.house.meter ? [meter(Math.max(workingA, inverterA), acrossVolts(inverter))] : [],
      usual: { oneWayM: 1, allowedDropPct: 1 },
    },
    null,
  )
}
