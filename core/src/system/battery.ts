import { busAmps, isBuiltIn, outputOf, sunChargeA } from '../array/controllers.ts'
import { absorptionV, bankNominalV, ratedAh } from '../bank/layout.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankShares } from '../bank/strings.ts'
import type { Bank, Design } from '../document/types.ts'
import { isBoxed } from '../inverter/service.ts'
import { amount, amps, volts, watts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import { CONTINUOUS, type Builder } from './builder.ts'
import { disconnectOf } from './disconnect.ts'
import { barsFaultA, bankFaultA, breaks, deviceAgainst, faultBeyond, onBars } from './faults.ts'

/** Current of the inverter's full load at its lowest voltage, the most the bank is asked for, A. */
export function fullLoadA({ inverter: { part, quantity } }: Pick<Design, 'inverter'>): number {
  return (part.ratedW * quantity) / (part.fullLoadEfficiency * part.lowCutV)
}

/** As {@link fullLoadA}, with the inverter that is to come. */
export const fullLoadLaterA = ({ inverter, growth }: Pick<Design, 'inverter' | 'growth'>): number =>
  fullLoadA({ inverter }) + growth.inverterW / (inverter.part.fullLoadEfficiency * inverter.part.lowCutV)

/**
 * Currents of a bank's strings while it gives so much in all, A, by how they share it.
 * @example stringAmps(larkspurBench().bank, 300) → [50, 50, 50, 50, 50, 50]
 */
export const stringAmps = (bank: Bank, totalA: number): number[] =>
  bankShares(bank).map((share) => (totalA * share) / 100)

/** Most that a link between neighbouring strings carries, A: all strings beyond it, on either bar. */
function linkAmps({ takeoff }: Bank, strings: readonly number[]): number {
  const total = strings.reduce((sum, each) => sum + each, 0)
  const last = takeoff === 'one-end' ? 0 : strings.length - 1
  return Math.max(total - strings[0], total - strings[last])
}

/**
 * What meets at the bars: the most that goes out of the bank at once, and the most that comes in. Backup and full sun are
 * not added: the backup runs when there is little of it.
 */
export function meetingAmps(design: Design): { outA: number; inA: number } {
  const { generator, grid, inverter, sources, bank } = design
  const charger =
    (generator.present && generator.kind !== 'vehicle') || grid.present
      ? generator.charger === 'separate' && generator.present
        ? generator.separateChargerA
        : inverter.part.chargerA * inverter.quantity
      : 0
  const vehicle = generator.present && generator.kind === 'vehicle' ? generator.vehicleA : 0
  const others = sources
    .filter(({ side }) => side === 'dc')
    .reduce((sum, source) => sum + sourceW(source) / bankNominalV(bank), 0)
  const dcLoads = dcWatts(design) / inverter.part.lowCutV
  return {
    outA: fullLoadLaterA(design) + dcLoads,
    inA: Math.max(busAmps(design.controllers), charger, vehicle) + others,
  }
}

/** Most watts a source ever gives. */
export const sourceW = ({ hourlyW, wattsByMonth }: Design['sources'][number]): number =>
  hourlyW ? hourlyW.reduce((most, each) => Math.max(most, each), 0) : Math.max(...wattsByMonth.flat()) * MEAN_TO_PEAK
/** Hourly means of months hide gusts: a machine gives several times its mean. */
const MEAN_TO_PEAK = 3

const dcLoads = ({ loads }: Design) => loads.filter(({ leg, supply }) => leg === 'DC' && supply === 'electric')
const dcWatts = (design: Design) =>
  dcLoads(design).reduce((sum, { runningW, quantity }) => sum + runningW * quantity, 0)

/** Bank, bars, inverters on them, DC loads and DC sources. */
export function batterySide(builder: Builder): void {
  const { design } = builder
  const { bank, inverter } = design
  const boxed = isBoxed(design)
  const { managed } = CHEMISTRIES[bank.part.chemistry]
  const node = builder.node({
    id: 'bank',
    kind: 'bank',
    name: boxed ? 'Bank in the power box' : 'Bank',
    rating: say`${bank.inParallel} × ${bank.inSeries} × ${amount(ratedAh(bank.part), 'Ah')}, ${volts(bankNominalV(bank))}${managed ? ', managed' : ''}`,
    site: 'room',
    step: 'bank',
  })
  const { outA, inA } = meetingAmps(design)
  builder.node({
    id: 'bars',
    kind: 'bars',
    name: 'DC bars',
    rating: say`over ${amps(Math.max(outA, inA))}`,
    site: 'room',
    step: 'bank',
  })
  if (!boxed) bankCircuits(builder, Math.max(outA, inA))
  inverters(builder, node, boxed)
  if (dcLoads(design).length > 0) loadCentre(builder)
  for (const source of design.sources) if (source.side === 'dc') dcSource(builder, source)
  builder.node({
    id: 'sensor',
    kind: 'sensor',
    name: managed ? 'Management unit' : 'Temperature sensor',
    rating: managed ? 'talks to chargers and inverter' : 'corrects the charging volts',
    site: 'room',
    step: 'bank',
  })
  builder.lead(
    'sense',
    managed ? 'Communication lead' : 'Sensor lead',
    'sensor',
    'bank',
    'signal',
    '',
    'it comes with its unit',
  )
  if (inverter.quantity > 1)
    builder.lead('stack', 'Lead between the units', 'inverter', 'inverter', 'signal', '', 'it keeps the units in step')
}

function bankCircuits(builder: Builder, totalA: number): void {
  const { design } = builder
  const { bank } = design
  const { inSeries, inParallel, takeoff, seriesM, linkM, leadM, stringFuses } = bank
  const strings = stringAmps(bank, totalA)
  const stringA = Math.max(...strings)
  const faultA = bankFaultA(design)
  const { managed } = CHEMISTRIES[bank.part.chemistry]
  const highestV = absorptionV(bank)
  const worksV = bankNominalV(bank)
  const share: Words = inParallel > 1 ? say`, the busiest of ${inParallel} strings` : ''
  const meets = say`${amps(totalA)} meet at the bars${share}, × 1.25`
  // without a fuse of its own a string is parted only by its units' management: its cables carry what that lets through
  const letA = managed && !stringFuses ? bank.part.maxDischargeA : 0
  const ofString = (workingA: number, because: Words) =>
    letA > workingA * CONTINUOUS
      ? {
          designA: letA,
          because: say`no fuse of its own: all ${amps(letA)} that the management of its units lets through`,
        }
      : { because }
  // units that manage themselves have a breaker or contactor of their own
  const parted = disconnectOf(
    {
      id: 'battery-switch',
      kind: 'switch',
      overA: totalA,
      name: 'Battery switch',
      rating: say`over ${amps(totalA)} DC${design.schools.poles === 'all' ? ', 2 poles' : ''}`,
      at: 'bars',
    },
    builder.chosen('bank-main')?.disconnect || 'external',
    managed,
  )
  const inBank = (id: string, name: string, quantity: number, workingA: number, lengthM: number) =>
    builder.circuit({
      id,
      name,
      area: 'bank',
      from: 'bank',
      to: id === 'bank-main' ? 'bars' : 'bank',
      quantity,
      workingA,
      volts: worksV,
      highestV,
      faultA,
      ...(id === 'bank-main' ? { because: meets } : ofString(workingA, meets)),
      grounded: false,
      usual: { oneWayM: lengthM, laid: 'free-air', allowedDropPct: 1 },
      device:
        id === 'bank-main'
          ? {
              kind: deviceAgainst(design),
              poles: 1,
              at: 'bank',
              why: 'as near to the + of the bank as it fits: nothing before it stops a short',
              mostA: null,
            }
          : null,
      ...(id === 'bank-main'
        ? {
            asks: ['disconnect'],
            lacks: parted.lacks,
            steadyA: sunChargeA(design, worksV),
            fullLoadA: fullLoadA(design),
          }
        : {}),
      inline:
        id === 'bank-main'
          ? [
              ...parted.inline,
              {
                id: 'shunt',
                kind: 'shunt',
                overA: totalA,
                name: 'Shunt',
                rating: say`over ${amps(totalA)}, in the −`,
                at: 'bars',
              },
            ]
          : [],
    })
  if (inSeries > 1) inBank('bank-jumper', 'Jumpers between units', (inSeries - 1) * inParallel, stringA, seriesM)
  if (inParallel > 1 || stringFuses) {
    const equal = takeoff === 'equal-leads'
    const linkA = equal ? stringA : linkAmps(bank, strings)
    builder.circuit({
      id: equal ? 'bank-lead' : 'bank-link',
      name: equal ? 'String leads' : 'Links between strings',
      area: 'bank',
      from: 'bank',
      to: 'bank',
      quantity: equal ? 2 * inParallel : Math.max(1, 2 * (inParallel - 1)),
      workingA: linkA,
      volts: worksV,
      highestV,
      faultA,
      ...ofString(
        linkA,
        equal ? meets : say`${amps(totalA)} meet at the bars; the busiest link carries what lies beyond it, × 1.25`,
      ),
      grounded: false,
      device: stringFuses
        ? {
            kind: deviceAgainst(design),
            poles: 1,
            at: 'bank',
            why: 'a fault in one string is fed by all the others',
            mostA: null,
            pieces: inParallel,
          }
        : null,
      usual: { oneWayM: linkM, laid: 'free-air', allowedDropPct: 1 },
    })
  }
  inBank('bank-main', 'Bank to the bars', 1, totalA, leadM)
}

function inverters(builder: Builder, bankNode: string, boxed: boolean): void {
  const { design } = builder
  const { inverter, controllers, growth } = design
  const { part, quantity } = inverter
  builder.node({
    id: 'inverter',
    kind: 'inverter',
    name: part.controller ? 'All-in-one unit' : 'Inverter',
    rating: say`${quantity > 1 ? say`${quantity} × ` : ''}${watts(part.ratedW)}, ${amount(part.bankV, 'V')}${part.transferA > 0 ? say`, transfer ${amps(part.transferA)}` : ''}`,
    site: 'room',
    count: quantity,
    step: 'inverter',
  })
  const loadA = fullLoadLaterA(design) / quantity
  const inside = controllers.filter((controller) => isBuiltIn(design, controller))
  const chargeA = inside.reduce((sum, controller) => sum + outputOf(controller), 0) / quantity
  const chargerA = Math.max(chargeA, part.chargerA)
  const workingA = Math.max(loadA, chargerA)
  const because =
    loadA >= chargerA
      ? say`full load${quantity > 1 ? ' of each unit' : ''}${growth.inverterW > 0 ? say` with ${watts(growth.inverterW)} later` : ''} at the low cut-out: ${watts(part.ratedW)} ÷ (${part.fullLoadEfficiency} × ${volts(part.lowCutV)}), × 1.25`
      : say`it charges with ${amps(chargerA)}, more than its full load takes, × 1.25`
  onBars(builder, {
    id: 'inverter',
    name: quantity > 1 ? 'Bars to each inverter' : 'Bars to the inverter',
    area: 'bank',
    from: boxed ? bankNode : 'bars',
    to: 'inverter',
    quantity,
    workingA,
    fullLoadA: fullLoadA(design) / quantity,
    // what charges through it comes back that way
    backA: chargerA,
    because,
    within: boxed,
    usual: { oneWayM: 1.5, allowedDropPct: 1, laid: 'free-air' },
  })
}

/** The feed of a load centre, a metre of the thickest that its terminals take, there and back, Ω. */
const FEED_OHM = 0.0032

function loadCentre(builder: Builder): void {
  const { design } = builder
  const { bank, inverter } = design
  const totalW = dcWatts(design)
  const worksV = bankNominalV(bank)
  builder.node({
    id: 'dc-centre',
    kind: 'dc-centre',
    name: 'DC load centre',
    rating: say`${dcLoads(design).length} branches`,
    site: 'house',
    step: 'loads',
  })
  onBars(builder, {
    id: 'dc-centre',
    name: 'Bars to the DC load centre',
    area: 'house',
    from: 'bars',
    to: 'dc-centre',
    workingA: totalW / inverter.part.lowCutV,
    because: say`${watts(totalW)} of DC loads at ${volts(inverter.part.lowCutV)}, × 1.25`,
    asksLength: true,
    usual: { oneWayM: 6, allowedDropPct: 3 },
  })
  const branchFaultA = faultBeyond(bank, barsFaultA(design), FEED_OHM)
  for (const load of dcLoads(design)) {
    const watt = load.runningW * load.quantity
    const branch = builder.node({
      id: `branch:${load.id}`,
      kind: 'dc-branch',
      name: load.name,
      rating: say`${watts(watt)}`,
      site: 'house',
      step: 'loads',
    })
    builder.circuit({
      id: `branch:${load.id}`,
      name: `DC branch of ${load.name}`,
      area: 'house',
      from: 'dc-centre',
      to: branch,
      workingA: watt / inverter.part.lowCutV,
      steadyA: load.runningW / worksV,
      volts: worksV,
      highestV: absorptionV(bank),
      faultA: branchFaultA,
      because: say`${watts(watt)} at ${volts(inverter.part.lowCutV)}, × 1.25`,
      device: { kind: breaks(branchFaultA), poles: 1, at: 'dc-centre', why: 'it protects the branch', mostA: null },
      usual: { oneWayM: 8, allowedDropPct: 3 },
    })
  }
}

function dcSource(builder: Builder, source: Design['sources'][number]): void {
  const { design } = builder
  const { id, name, kind, surplus } = source
  const watt = sourceW(source)
  const worksV = bankNominalV(design.bank)
  const from = builder.node({
    id: `source:${id}`,
    kind: 'source',
    name,
    rating: say`${kind}, to ${watts(watt)}`,
    site: 'yard',
    step: 'generator',
  })
  onBars(builder, {
    id: `source:${id}`,
    name: `${name} to the bars`,
    area: 'backup',
    from,
    to: 'bars',
    workingA: watt / worksV,
    backA: watt / worksV,
    because: say`${watts(watt)} at its most, at ${volts(worksV)}, × 1.25`,
    asksLength: true,
    usual: { oneWayM: 20, laid: 'buried', allowedDropPct: 3 },
  })
  if (surplus === 'dump-load') {
    const dump = builder.node({
      id: `dump:${id}`,
      kind: 'dump',
      name: `Dump load of ${name}`,
      rating: say`over ${watts(watt)}`,
      site: 'room',
      step: 'generator',
    })
    onBars(builder, {
      id: `dump:${id}`,
      name: `Bars to the dump load of ${name}`,
      area: 'backup',
      from: 'bars',
      to: dump,
      workingA: watt / worksV,
      because: say`all that ${name} gives, × 1.25`,
      usual: { oneWayM: 3, allowedDropPct: 3 },
    })
  }
}
