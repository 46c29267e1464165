import type {
  BatteryPart,
  Chemistry,
  ControllerPart,
  GeneratorPart,
  InverterPart,
  ModulePart,
} from '../document/types.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { batteryParts, controllerParts, inverterParts } from './shelf.ts'

/** The parts there are, by their kind. */
export interface PartOfKind {
  module: ModulePart
  battery: BatteryPart
  inverter: InverterPart
  controller: ControllerPart
  generator: GeneratorPart
}
export type LabelKind = keyof PartOfKind

/** A part made from what its label says: what was not said is estimated, and named. */
export interface LabelledPart<K extends LabelKind> {
  part: PartOfKind[K]
  estimated: string[]
}

/** Power point of crystalline silicon as shares of Voc and Isc. Source: data sheets of silicon modules, mid-range. */
const VMP_SHARE = 0.82
const IMP_SHARE = 0.945
/** Voc of a silicon cell of today and of earlier years, V. */
const CELL_V = 0.66
const CELL_COUNTS = [36, 60, 72, 96, 108, 120, 132, 144]
/** Watts a square metre of module, and its weight. */
const WATTS_PER_M2 = 205
const KG_PER_M2 = 11.5
const FUSES_A = [10, 15, 20, 25, 30, 35, 40]

type Said<T> = Partial<T>
type Rules<T> = { [K in Exclude<keyof T, 'estimated'>]: (so: T) => T[K] }

/**
 * Fills what is missing in turn, each value from those before it.
 * @param rules in the order in which one rests on another
 */
function filled<T extends { estimated: string[] }>(said: Said<T>, rules: Rules<T>): { part: T; estimated: string[] } {
  const part = { ...said } as T
  const before: readonly string[] = said.estimated ?? []
  const estimated: string[] = []
  for (const key of Object.keys(rules) as (Exclude<keyof T, 'estimated'> & string)[]) {
    if (before.includes(key)) estimated.push(key)
    if (part[key] !== undefined) continue
    part[key] = rules[key](part)
    // a figure that the maker need not state is none, not an estimate
    if (!NAMED.has(key) && part[key] !== null) estimated.push(key)
  }
  return { part: { ...part, estimated }, estimated }
}
/** What no label says and nothing is reckoned from. */
const NAMED = new Set(['id', 'name', 'price'])

const nearest = (list: readonly number[], value: number): number =>
  list.reduce((best, each) => (Math.abs(each - value) < Math.abs(best - value) ? each : best))
const round = (value: number, digits = 2): number => Number(value.toFixed(digits))
const need = (kind: LabelKind, said: object, ...keys: string[]): void => {
  const missing = keys.filter((key) => (said as Record<string, unknown>)[key] === undefined)
  if (missing.length > 0)
    throw new RangeError(`${missing[0]} is missing; the label of a ${kind} says ${keys.join(', ')}`)
}

function moduleFrom(said: Said<ModulePart>): LabelledPart<'module'> {
  need('module', said, 'vocV', 'iscA')
  // watts and one of the two fix the other
  const vmpV = ({ vocV, ratedW, impA }: ModulePart) =>
    ratedW !== undefined && impA !== undefined ? round(ratedW / impA) : round(vocV * VMP_SHARE)
  return filled<ModulePart>(said, {
    id: () => 'own-module',
    name: ({ ratedW, vocV, iscA }) => `Module ${Math.round(ratedW ?? vocV * iscA * VMP_SHARE * IMP_SHARE)} W`,
    vocV: () => 0,
    iscA: () => 0,
    vmpV,
    impA: ({ ratedW, vmpV: volts, iscA }) =>
      ratedW !== undefined ? round(Math.min(ratedW / volts, iscA * 0.99)) : round(iscA * IMP_SHARE),
    ratedW: ({ vmpV: volts, impA }) => Math.round(volts * impA),
    cells: ({ vocV }) => nearest(CELL_COUNTS, vocV / CELL_V),
    betaVocPctPerK: () => -0.29,
    alphaIscPctPerK: () => 0.05,
    gammaPctPerK: () => -0.38,
    noctC: () => 45,
    seriesFuseA: ({ iscA }) => FUSES_A.find((fuse) => fuse >= iscA * 1.56) ?? FUSES_A[FUSES_A.length - 1],
    maxSystemV: () => 600,
    widthM: ({ ratedW }) => (ratedW < 200 ? 0.67 : ratedW < 350 ? 1 : 1.134),
    lengthM: ({ ratedW, widthM }) => round(Math.max(0.3, ratedW / WATTS_PER_M2 / widthM)),
    weightKg: ({ lengthM, widthM }) => round(lengthM * widthM * KG_PER_M2, 1),
    price: () => 0,
  })
}

/** The unit of the shelf of the same chemistry whose size is nearest, of which the rest is scaled. */
function likeBattery(chemistry: Chemistry, nominalV: number, ampHours: number): BatteryPart {
  const off = (part: BatteryPart) =>
    Math.abs(Math.log((part.nominalV * capacityOf(part)) / (nominalV * ampHours))) +
    Math.abs(Math.log(part.nominalV / nominalV))
  return batteryParts
    .filter((part) => part.chemistry === chemistry)
    .reduce((best, each) => (off(each) < off(best) ? each : best))
}
/** Hours of the rate a label states. */
const LABEL_HOURS = { lead: 20, lithium: 5 }
const capacityOf = ({ capacities }: Pick<BatteryPart, 'capacities'>) =>
  capacities.reduce((best, each) => (Math.abs(each.hours - 20) < Math.abs(best.hours - 20) ? each : best)).ampHours

function batteryFrom({ ampHours, ...said }: Said<BatteryPart> & { ampHours?: number }): LabelledPart<'battery'> {
  need('battery', said, 'nominalV', 'chemistry')
  const chemistry = said.chemistry!
  const ah = ampHours ?? (said.capacities ? capacityOf({ capacities: said.capacities }) : undefined)
  if (ah === undefined)
    throw new RangeError('ampHours is missing; the label of a battery says nominalV, ampHours, chemistry')
  const like = likeBattery(chemistry, said.nominalV!, ah)
  const share = ah / capacityOf(like)
  const { rateEffect } = CHEMISTRIES[chemistry]
  const stated = { hours: rateEffect ? LABEL_HOURS.lead : LABEL_HOURS.lithium, ampHours: ah }
  return filled<BatteryPart>(said, {
    id: () => 'own-battery',
    name: ({ nominalV }) => `${CHEMISTRIES[chemistry].name} ${nominalV} V ${ah} Ah`,
    chemistry: () => chemistry,
    nominalV: () => 0,
    capacities: () =>
      rateEffect
        ? like.capacities.map(({ hours, ampHours: each }) => ({ hours, ampHours: round(each * share, 1) }))
        : [stated],
    resistanceMilliohm: ({ nominalV }) => round((like.resistanceMilliohm * nominalV) / like.nominalV / share, 3),
    maxChargeA: () => round(like.maxChargeA * share, 1),
    maxDischargeA: () => round(like.maxDischargeA * share, 1),
    surgeA: () => round(like.surgeA * share, 1),
    cycles: () => like.cycles.map((each) => ({ ...each })),
    calendarYears: () => like.calendarYears,
    parallelLimit: () => like.parallelLimit,
    seriesLimit: ({ nominalV }) => (CHEMISTRIES[chemistry].managed ? Math.max(1, Math.round(48 / nominalV)) : null),
    weightKg: ({ nominalV }) => round((like.weightKg * share * nominalV) / like.nominalV, 1),
    heaterW: () => 0,
    selfDischargePctPerMonth: () => like.selfDischargePctPerMonth,
    minChargeC: () => like.minChargeC,
    minDischargeC: () => like.minDischargeC,
    price: () => 0,
  })
}

function inverterFrom(said: Said<InverterPart>): LabelledPart<'inverter'> {
  need('inverter', said, 'ratedW', 'bankV')
  const { ratedW, bankV, topology } = said
  const off = (part: InverterPart) =>
    Math.abs(Math.log(part.ratedW / ratedW!)) +
    (part.bankV === bankV ? 0 : 2) +
    (topology && part.topology !== topology ? 4 : 0)
  const like = inverterParts
    .filter(({ controller, waveform }) => controller === null && waveform === (said.waveform ?? 'sine'))
    .reduce((best, each) => (off(each) < off(best) ? each : best))
  const share = ratedW! / like.ratedW
  return filled<InverterPart>(said, {
    id: () => 'own-inverter',
    name: () => `Inverter ${ratedW} W, ${bankV} V`,
    topology: () => like.topology,
    frequencyHz: (so) => (so.topology === 'single-230' ? 50 : 60),
    waveform: () => 'sine',
    ratedW: () => 0,
    ratedVA: () => null,
    bankV: () => 48,
    surgeW: () => Math.round(ratedW! * Math.min(2, like.surgeW / like.ratedW)),
    surgeS: () => Math.min(2, like.surgeS),
    idleW: () => round(like.idleW * share, 1),
    searchW: () => null,
    searchWakeW: () => like.searchWakeW,
    peakEfficiency: () => like.peakEfficiency,
    peakAtFraction: () => like.peakAtFraction,
    fullLoadEfficiency: () => like.fullLoadEfficiency,
    derateAboveC: () => like.derateAboveC,
    deratePctPerK: () => like.deratePctPerK,
    derateAboveM: () => like.derateAboveM,
    deratePctPer100M: () => like.deratePctPer100M,
    // a label that names no charger has none that can be counted on
    chargerA: () => 0,
    chargerEfficiency: () => like.chargerEfficiency,
    transferA: () => 0,
    bond: () => 'none',
    lowCutV: () => (bankV! / 12) * 11,
    highCutV: () => (bankV! / 12) * 16,
    controller: () => null,
    battery: () => null,
    weightKg: () => round(like.weightKg * share, 1),
    price: () => 0,
  })
}

function controllerFrom(said: Said<ControllerPart>): LabelledPart<'controller'> {
  need('controller', said, 'outputA', 'maxInputV')
  const { outputA, maxInputV } = said
  const off = (part: ControllerPart) =>
    Math.abs(Math.log(part.maxInputV / maxInputV!)) + Math.abs(Math.log(part.outputA / outputA!))
  const kind = said.kind ?? 'tracker'
  const like = controllerParts
    .filter((part) => part.kind === kind && part.price > 0)
    .reduce((best, each) => (off(each) < off(best) ? each : best))
  return filled<ControllerPart>(said, {
    id: () => 'own-controller',
    name: () => `Controller ${maxInputV} V, ${outputA} A`,
    kind: () => kind,
    trackers: () => 1,
    maxInputV: () => 0,
    outputA: () => 0,
    minTrackV: () => Math.min(like.minTrackV, maxInputV! / 3),
    maxTrackV: () => Math.round(maxInputV! * 0.95),
    startV: (so) => so.minTrackV,
    aboveBankV: () => like.aboveBankV,
    startAboveBankV: () => like.startAboveBankV,
    // no label, no more than the output of a string at its bank's volts
    maxInputA: () => outputA!,
    leastBankV: () => like.leastBankV,
    mostBankV: () => like.mostBankV,
    maxOperatingA: () => null,
    maxTrackerW: () => null,
    maxArrayW: () => null,
    disconnect: () => false,
    outputAcW: (so) => (so.kind === 'ac-coupled' ? Math.max(50, outputA! * 240) : null),
    efficiency: () => like.efficiency,
    selfW: () => like.selfW,
    price: () => 0,
  })
}

function generatorFrom(said: Said<GeneratorPart>): LabelledPart<'generator'> {
  need('generator', said, 'ratedW')
  return filled<GeneratorPart>(said, {
    id: () => 'own-generator',
    name: () => `Generator ${said.ratedW} W`,
    fuel: () => 'petrol',
    ratedW: () => 0,
    ratedOn: () => 'own',
    output: () => 'unknown',
    frequencyHz: () => 'unknown',
    price: () => 0,
  })
}

const FROM: { [K in LabelKind]: (said: Said<PartOfKind[K]> & { ampHours?: number }) => LabelledPart<K> } = {
  module: moduleFrom,
  battery: batteryFrom,
  inverter: inverterFrom,
  controller: controllerFrom,
  generator: generatorFrom,
}

/**
 * A part from its label alone: of a module Voc and Isc (and watts, cells), of a battery volts, ampere-hours and chemistry, of
 * an inverter watts and the bank's volts, of a controller amps and volts, of a generator watts. The rest is estimated: the
 * power point of silicon at 0.82 Voc and 0.945 Isc or from the watts; batteries and inverters scaled from the nearest of their
 * kind; of what a label is silent about nothing good is taken for granted (no charger, no relay, no search mode, an input of
 * a controller that takes no more than its output).
 *
 * @param said in the document's field names; `ampHours` of a battery at the usual rate of its kind
 * @returns the part, and the names of the fields that were estimated
 * @throws RangeError naming what the label of such a part must say
 * Source: rules of thumb from data sheets of each kind, stated above.
 * @example partFromLabel('module', { vocV: 22.4, iscA: 6.2, ratedW: 100 }).part.vmpV → 18.37
 */
export const partFromLabel = <K extends LabelKind>(
  kind: K,
  said: Said<PartOfKind[K]> & { ampHours?: number },
): LabelledPart<K> => FROM[kind](said)
