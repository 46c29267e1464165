import type { Words } from '../units/words.ts'
import type { Budget } from './money.ts'
import type { CircuitChoice, House, Wall } from './wiring.ts'

export type {
  Budget,
  BudgetKit,
  BudgetLine,
  BudgetPhase,
  KitItem,
  LifeTerms,
  OtherWays,
  OwnedPart,
  PaidHours,
  PricedItem,
} from './money.ts'
export type { CircuitChoice, DeviceKind, DisconnectChoice, House, Laid, Wall } from './wiring.ts'

/** Version of the document format this program writes. */
export const DESIGN_VERSION = 13
export const DESIGN_FORMAT = 'ambrel-design'

/**
 * The Design document: one JSON value, the one noun every step takes. Names carry their units; stored values are
 * SI-ish (W, Wh, V, A, m, °C) and never depend on what units a reader prefers. Parts are embedded as snapshots.
 */
export interface Design {
  format: typeof DESIGN_FORMAT
  version: typeof DESIGN_VERSION
  name: string
  variant: string
  notes: string
  place: Place
  loads: Load[]
  bank: Bank
  arrays: ArrayField[]
  controllers: Controller[]
  inverter: Inverter
  generator: Generator
  grid: Grid
  /** what makes power beside the arrays and the backup */
  sources: OtherSource[]
  /** pumps that run straight from modules of their own, without the bank */
  pumps: DirectPump[]
  /** what is to come later: wire and controller are sized for it, cost is not */
  growth: Growth
  household: Household
  winter: WinterSettings
  /** what somebody chose about circuits; the circuits themselves follow from the steps before */
  circuits: CircuitChoice[]
  house: House
  wall: Wall
  budget: Budget
  build: { done: string[] }
  /** cautions that somebody has read and put away; they are printed all the same */
  cautionsRead: string[]
  /** the steps that somebody has been through */
  touched: Touched
  schools: Schools
}

export interface Place {
  label: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM: number
  /** standard time of the clock, hours east of UTC */
  utcOffsetH: number
  wiringBasis: 'awg' | 'metric'
  recordLowC: number
  recordHighC: number
  /** id of the illustrative climate the rows came from, or `own` once they were edited */
  climate: string
  monthly: MonthlyClimate[]
  persistence: number[]
  windMS: number
  /** how much the sun of the dark months differs between years, %; null for the usual of their brightness */
  interannualPct: number | null
  /** which weather rules: the monthly rows above, years made from the imported hours, or those hours as they were */
  source: WeatherSource
  /** the imported hours chosen for this place; null while there are none */
  hours: PlaceHours | null
  albedoBare: number
  albedoSnow: number
  horizon: HorizonPoint[]
  batteryRoom: BatteryRoom
  /** sun hours on the modules that somebody knows: of the worst month alone, or of the twelve; null for none */
  knownSunHours: number[] | null
  /** days until somebody brushes snow off the modules; null for never */
  brushSnowDays: number | null
}

export type WeatherSource = 'monthly' | 'fitted' | 'hours'

/** A file of imported hours as a design refers to it, with what it says about the place. */
export interface PlaceHours extends FittedClimate {
  fileId: string
  name: string
  years: number
  utcOffsetH: number
}

export interface BatteryRoom {
  kind: 'heated' | 'unheated' | 'buried'
  /** what a heated room is kept at */
  setC: number
  /** ground above a buried one, m */
  depthM: number
}

export type Priority = 'must' | 'should' | 'canWait'
/** `AB` across two legs, `ABC` across all three phases */
export type Leg = 'A' | 'B' | 'C' | 'AB' | 'ABC' | 'DC'
export type LoadBasis = 'rated' | 'metered' | 'strip' | 'cycle' | 'month'
export type StartKind =
  | 'none'
  | 'compressor'
  | 'submersible-pump'
  | 'soft-start-pump'
  | 'induction-tool'
  | 'universal-tool'
/** what carries a load: this system, a propane appliance in its place, or nothing because it was taken out */
export type Supply = 'electric' | 'propane' | 'out'

/** One reading of a plug-in meter. */
export interface MeterReading {
  /** day it was taken, `2026-01-31` */
  date: string
  kWh: number
  hours: number
}

/** One consumer. `basis` says which of the four statements rules; the others are kept beside it. */
export interface Load {
  id: string
  name: string
  room: string
  quantity: number
  basis: LoadBasis
  runningW: number
  /** watts as a share of the volt-amperes it draws, 0.1…1 */
  powerFactor: number
  hoursPerDay: number
  /** share of those hours it really runs, 0…1 */
  duty: number
  daysPerWeek: number
  /** on which days of the week, Monday first, 1 or 0; null for any, so many of them as `daysPerWeek` says */
  weekdays: number[] | null
  meteredKWh: number | null
  meteredHours: number | null
  /** the metered strip it hangs on with others; empty for none */
  strip: string
  /** of what that strip’s meter counts, the share that is this load's, 0…1 */
  stripShare: number
  cycleWh: number | null
  cycleDepth: number | null
  cycleChargerEfficiency: number | null
  cyclesPerWeek: number | null
  monthKWh: number | null
  /** every reading taken; taking them makes `meteredKWh` and `meteredHours` their sums */
  meterReadings: MeterReading[]
  /** watts it draws, plugged in, whenever it is not in use */
  standbyW: number
  supply: Supply
  /** relative use by month, 0 for not at all, 1 for as stated */
  seasonShare: number[]
  /** relative use by hour of the day, 24 weights, not all zero */
  hourShape: number[]
  leg: Leg
  /** a DC load on an output that is switched off when the bank runs low */
  switched: boolean
  priority: Priority
  /** may be moved into the sunny hours of its day */
  movable: boolean
  /** days of its use that a store behind it holds, as a water tank does: so long it may wait for sun */
  storeDays: number
  /** goes on while nobody is at home */
  whenAway: boolean
  startKind: StartKind
  /** measured or stated start watts; null to take the usual multiple of running watts */
  startW: number | null
  /** how long a start lasts, s; null for the usual of its kind */
  startS: number | null
  /** it has been seen starting on this system: its start is no longer judged */
  seenStarting: boolean
}

export type Chemistry = 'lfp' | 'flooded' | 'agm' | 'gel'

export interface BatteryPart {
  id: string
  name: string
  chemistry: Chemistry
  nominalV: number
  /** rated capacities at constant current, each emptied in so many hours; at least one */
  capacities: { hours: number; ampHours: number }[]
  resistanceMilliohm: number
  maxChargeA: number
  maxDischargeA: number
  surgeA: number
  /** cycles to end of life at each depth 0…1 */
  cycles: { depth: number; cycles: number }[]
  calendarYears: number
  parallelLimit: number
  /** units its maker allows in series; null where none are named */
  seriesLimit: number | null
  weightKg: number
  heaterW: number
  selfDischargePctPerMonth: number
  /** not charged at or below this cell temperature; null where cold only slows it */
  minChargeC: number | null
  /** gives nothing at or below this cell temperature; null where cold only weakens it */
  minDischargeC: number | null
  price: number
  /** names of its figures that are estimates, until the data sheet's take their place */
  estimated: string[]
}

export type Takeoff = 'one-end' | 'opposite-corners' | 'equal-leads'

export interface Bank {
  systemV: 12 | 24 | 48
  part: BatteryPart
  inSeries: number
  inParallel: number
  autonomyDays: number
  /** sunny days in which an empty bank is to be full again; null where that is not asked */
  rechargeDays: number | null
  /** depth of discharge the hand method allows, 0…1 */
  allowedDepth: number
  /** state of charge at which the inverter or the management unit lets go, 0…1 */
  cutoffStateOfCharge: number
  /** absorption voltage the chargers are set to, at 25 °C; null for the usual of the chemistry */
  absorbV: number | null
  takeoff: Takeoff
  linkMilliohm: number
  /** which unit (numbered from 1) stands at each place, string by string; empty where they stand in order */
  order: number[]
  /** units that have aged apart from the others */
  weak: WeakUnit[]
  stringFuses: boolean
  /** cable lengths: between units in series, between strings, and each main lead, m */
  seriesM: number
  linkM: number
  leadM: number
}

/** A unit that is no longer like the others. */
export interface WeakUnit {
  unit: number
  /** share of its rated capacity that is left, 0…1 */
  capacityShare: number
  /** its resistance as a multiple of a new one's, ≥ 1 */
  resistanceFactor: number
}

export interface ModulePart {
  id: string
  name: string
  ratedW: number
  vocV: number
  iscA: number
  vmpV: number
  impA: number
  betaVocPctPerK: number
  alphaIscPctPerK: number
  gammaPctPerK: number
  cells: number
  /** temperature of the cells at 800 W/m², 20 °C and 1 m/s */
  noctC: number
  seriesFuseA: number
  /** volts against ground its insulation is made for; null where its label names none */
  maxSystemV: number | null
  lengthM: number
  widthM: number
  weightKg: number
  price: number
  /** names of its figures that are estimates, until the data sheet's take their place */
  estimated: string[]
}

/** From this day on the array stands at this tilt, until the next one's day. */
export interface TiltSeason {
  /** 1…12 */
  month: number
  day: number
  tiltDeg: number
}

export type Mounting = 'open-rack' | 'roof-parallel'

export interface ArrayField {
  id: string
  name: string
  module: ModulePart
  inSeries: number
  inParallel: number
  controllerId: string
  /** which of the controller's trackers it is on, from 1 */
  tracker: number
  tiltDeg: number
  azimuthDeg: number
  /** other tilts from certain days on, through the year; empty for one tilt */
  tiltSeasons: TiltSeason[]
  /** fixed, or turning about a level north–south axis through the day */
  tracking: 'fixed' | 'single-axis'
  mounting: Mounting
  /** which way round the modules lie on the slope: long side up it, or across it */
  orientation: 'portrait' | 'landscape'
  site: 'ground' | 'roof'
  /** share of the place's horizon that stands in the way of this array, 0…1 */
  horizonShare: number
  /** shares lost, 0…1 */
  soilingLoss: number
  mismatchLoss: number
  lightInducedLoss: number
  /** null where the wiring step tells it */
  wiringLoss: number | null
  ageYears: number
  /** volts its breaker and switch are made to break; null while they are not chosen */
  breakerV: number | null
  /** farthest that two feet of a rail stand apart, m */
  footSpacingM: number
  /** clamps counted by somebody; null for as many as the layout takes */
  midClamps: number | null
  endClamps: number | null
}

export interface ControllerPart {
  id: string
  name: string
  /**
   * finds the power point; or only joins array and bank at the bank's voltage; or is an inverter of the array's own that
   * feeds the AC side
   */
  kind: 'tracker' | 'pulse-width' | 'ac-coupled'
  /** inputs with a power point of their own */
  trackers: number
  /** volts an array must reach before charging starts in the morning */
  startV: number
  maxInputV: number
  minTrackV: number
  maxTrackV: number
  /** it needs so many volts more than the bank is charged at, and so many to start */
  aboveBankV: number
  startAboveBankV: number
  /** short-circuit current each of its trackers survives */
  maxInputA: number
  /** operating current a tracker takes, beyond which it clips; null where only the short circuit is stated */
  maxOperatingA: number | null
  /** array watts its maker allows on a tracker and on the whole unit; null where none are stated */
  maxTrackerW: number | null
  maxArrayW: number | null
  outputA: number
  /** nominal volts of the smallest and the largest bank it charges */
  leastBankV: 12 | 24 | 48
  mostBankV: 12 | 24 | 48
  /** AC watts of an AC-coupled one; null for those on the battery's side, whose limit is `outputA` */
  outputAcW: number | null
  /** it parts its arrays from itself by a switch of its own */
  disconnect: boolean
  efficiency: number
  selfW: number
  price: number
  /** names of its figures that are estimates, until the data sheet's take their place */
  estimated: string[]
}

export interface Controller {
  id: string
  name: string
  part: ControllerPart
  /** charging current it is set to; null for all it has */
  chargeLimitA: number | null
}

export type Topology = 'split-phase' | 'single-120' | 'single-230'

export interface InverterPart {
  id: string
  name: string
  topology: Topology
  frequencyHz: 50 | 60
  waveform: 'sine' | 'stepped'
  ratedW: number
  /** volt-amperes it carries; null where the sheet states watts alone, which then hold for both */
  ratedVA: number | null
  surgeW: number
  surgeS: number
  idleW: number
  /** draw while it sleeps between search pulses; null where it cannot */
  searchW: number | null
  /** load that wakes it from searching */
  searchWakeW: number
  peakEfficiency: number
  /** share of the rating at which the efficiency peaks */
  peakAtFraction: number
  fullLoadEfficiency: number
  /** output falls by so much of the rating per kelvin above this air temperature */
  derateAboveC: number
  deratePctPerK: number
  /** and by so much per 100 m above this elevation */
  derateAboveM: number
  deratePctPer100M: number
  chargerA: number
  chargerEfficiency: number
  transferA: number
  /**
   * whether it joins neutral and ground inside: never, always, or while it makes power itself and not while it passes
   * another source on
   */
  bond: 'none' | 'fixed' | 'relay'
  lowCutV: number
  /** bank voltage at which it switches off to save itself; null where the sheet names none */
  highCutV: number | null
  bankV: 12 | 24 | 48
  /** the charge controller that is built into an all-in-one unit; null for an inverter by itself */
  controller: ControllerPart | null
  /** the battery that is built into a power box; null for an inverter whose bank stands outside */
  battery: BatteryPart | null
  weightKg: number
  price: number
  /** names of its figures that are estimates, until the data sheet's take their place */
  estimated: string[]
}

/** How several equal units are joined: all on one output, two across 240 V, or one or more a phase. */
export type Stacking = 'parallel' | 'split-pair' | 'three-phase'

export interface Inverter {
  part: InverterPart
  quantity: number
  stacking: Stacking
  /** search mode is switched on */
  search: boolean
  /** hottest air around it */
  hottestC: number
}

export type Fuel = 'petrol' | 'propane' | 'natural-gas' | 'diesel'

export type GeneratorOutput = 'unknown' | 'single' | 'split' | 'three-phase'
export interface GeneratorPart {
  id: string
  name: string
  fuel: Fuel
  /** rating at sea level and 25 °C, on petrol or on the fuel it is used with */
  ratedW: number
  ratedOn: 'petrol' | 'own'
  /** what its outlet gives: one voltage of a single live wire, what the houses of its country have, or three phases */
  output: GeneratorOutput
  frequencyHz: 'unknown' | 50 | 60
  price: number
  /** names of its figures that are estimates, until the data sheet's take their place */
  estimated: string[]
}

/** What backs the sun up: a generator, a cord to shore or grid power, or a vehicle that charges the bank now and then. */
export type BackupKind = 'generator' | 'shore' | 'vehicle'

/** The backup and the rules it is started and stopped by. */
export interface Generator {
  present: boolean
  kind: BackupKind
  part: GeneratorPart
  /** whether its neutral is joined to its frame inside */
  neutral: 'unknown' | 'floating' | 'bonded'
  /** what it gives is brought to what the inverter takes, by a transformer, a selector or the inverter itself */
  adapted: boolean
  /** by state of charge, by voltage held low for a while, or by hand in the morning at a low state of charge */
  startBy: 'charge' | 'voltage' | 'morning'
  startStateOfCharge: number
  /** bank voltage under load that starts it, and for how long it must hold, min */
  startV: number
  /** also where the bank can give no more and loads would be dropped, as inverters' own low-battery start does */
  startWhenEmpty: boolean
  holdMin: number
  /** hour of the day at which somebody looks */
  morningH: number
  stopStateOfCharge: number
  minRunH: number
  maxRunH: number
  /** least days between the starts of two runs; 0 for as often as needed */
  restDays: number
  /** minutes at the start of a run before it carries load */
  warmUpMin: number
  /** no starts from this hour until that one; equal hours mean none */
  quietFromH: number
  quietToH: number
  /** a full charge where there was none for so many days; null for never */
  fullChargeEveryDays: number | null
  /** an exercise run of so many minutes where it did not run for so many days; null for never */
  exerciseEveryDays: number | null
  exerciseMin: number
  /** an equalising charge of so many hours every so many days, for flooded banks; null for never */
  equaliseEveryDays: number | null
  equaliseH: number
  /** charges through the inverter, house passed on, or through a charger of its own on the bank alone */
  charger: 'inverter' | 'separate'
  separateChargerA: number
  separateChargerEfficiency: number
  /** charging current the charger is turned down to; null for all it has */
  chargeLimitA: number | null
  /** highest share of the de-rated power that is planned on */
  loadShareLimit: number
  fuelPricePerL: number
  oilEveryH: number
  /** longest time between two trips for fuel in winter */
  fuelTripDays: number
  /** fuel that can be stored on site; null where it is not known */
  tankL: number | null
  /** shore power: what the cord carries, and what a kilowatt-hour costs */
  cordA: number
  cordV: number
  pricePerKWh: number
  /** vehicle: current into the bank, and fuel an hour */
  vehicleA: number
  vehicleLPerH: number
}

/** The grid where it is usually there: it carries the house and keeps the bank, which carries the house while it fails. */
export interface Grid {
  present: boolean
  /** what its breaker gives the house and the charger */
  breakerA: number
  breakerV: number
  pricePerKWh: number
  /** charging current the inverter's charger is turned down to on the grid; null for all it has */
  chargeLimitA: number | null
  /** it charges from this hour until that one; equal hours mean all day */
  chargeFromH: number
  chargeToH: number
  /** state of charge it keeps the bank at */
  keepStateOfCharge: number
  /** when it fails: now and then, drawn from the seed, or once a year for so many days */
  failing: 'drawn' | 'spell'
  /** failures that begin in each month, a mean of many years, and their mean length */
  failuresByMonth: number[]
  failureH: number
  /** the one spell: its first day, and how long it lasts */
  spellMonth: number
  spellDay: number
  spellDays: number
}

/** Power from somewhere else than the sun or the backup. */
export interface OtherSource {
  id: string
  name: string
  kind: 'wind' | 'stream' | 'other'
  /** which side of the inverter it feeds */
  side: 'dc' | 'ac'
  /** where the power goes that a full bank does not take: a dump load, a brake that holds the machine, or nowhere */
  surplus: 'none' | 'dump-load' | 'brake'
  /** mean watts by month and hour: 12 rows of 24 */
  wattsByMonth: number[][]
  /** watts of the 8760 hours of a year from 1 January on, which then rule; null for none */
  hourlyW: number[] | null
  price: number
}

/** A pump on modules of its own: it runs while they give enough, into a tank, and never from the bank. */
export interface DirectPump {
  id: string
  name: string
  /** rated watts of its modules, and how they stand */
  arrayW: number
  tiltDeg: number
  azimuthDeg: number
  /** height it lifts, with what the pipe takes, m */
  headM: number
  /** least and most electric watts it turns with */
  startW: number
  ratedW: number
  /** of the electric power, what arrives in the water, 0…1 */
  efficiency: number
  /** litres wanted on a day of each month */
  wantedLByMonth: number[]
  price: number
}

/** Steps whose figures somebody has looked at or changed; the others are as the program began them. */
export interface Touched {
  place: boolean
  loads: boolean
  bank: boolean
  array: boolean
  inverter: boolean
  generator: boolean
  wiring: boolean
}

/** What is to be added one day. */
export interface Growth {
  arrayW: number
  inverterW: number
  bankKWh: number
}

/** A stretch of the year in which nobody is at home, both days included; it may pass the new year. */
export interface Absence {
  fromMonth: number
  fromDay: number
  toMonth: number
  toDay: number
}

/** What people do about power. */
export interface Household {
  away: Absence[]
  /** on which days of the week somebody is at home, Monday first, 1 or 0; null for every day */
  weekdays: number[] | null
  /** state of charge below which what can wait is switched off; null for only when the bank is at its cut-out */
  shedCanWaitBelow: number | null
  shedShouldBelow: number | null
}

export interface WinterSettings {
  years: number
  seed: number
  /** each year of the run is a year older than the one before: bank and modules fade, a worn bank is renewed */
  ageing: boolean
  /** hours, or quarters of them with loads that run in bursts */
  stepMin: 60 | 15
}

export interface Schools {
  coldVoltage: 'coefficient' | 'code-table' | 'flat'
  peak: 'coincidence' | 'everything'
  skyModel: SkyModel
  /** what caps a conductor: the terminals' temperature, or nothing but its own insulation in free air */
  ampacity: 'terminal-limited' | 'free-air'
  /** a device above what the conductor carries is never used, or the next standard one above it may be */
  deviceSize: 'never-above' | 'next-above'
  /** an array far off has no electrode of its own, or one that is bonded to the system's, or one that is not */
  electrodes: 'one' | 'bonded-second' | 'floating'
  /** the strings of an array meet at a combiner beside it and share a line, or each has its own line home */
  combining: 'combiner' | 'home-runs'
  /** an array is parted by a switch of its own, or by the one inside of its controller */
  arrayDisconnect: 'external' | 'built-in'
  /** which poles the disconnects part: both of the arrays and the bank's positive, all, or the positive ones alone */
  poles: 'arrays' | 'all' | 'positive'
  /** share of the sun on the modules that the hand method counts on at the bank, 0…1 */
  handFactor: number
}

/** What is wrong with a document, at its place in it. */
export interface Problem {
  /** dotted, list items by index: `loads.2.runningW` */
  path: string
  value: unknown
  /** one plain sentence that names the field, the value and what is allowed */
  message: Words
}

export type HorizonCover = 'terrain' | 'evergreen' | 'leafless'

/** A point of the horizon; `cover` holds for the stretch from here clockwise to the next point. */
export interface HorizonPoint {
  azimuthDeg: number
  elevationDeg: number
  cover: HorizonCover
}

export type SkyModel = 'hay-davies' | 'perez'

/** Climate of one month at a place. */
export interface MonthlyClimate {
  /** mean daily global horizontal energy, kWh/m² */
  ghiKWhM2Day: number
  meanC: number
  /** mean of the daily minima and maxima */
  minC: number
  maxC: number
  snowfallCm: number
}

/** What imported hours say about the place: the rows years are made from, and its extremes. */
export interface FittedClimate {
  monthly: MonthlyClimate[]
  persistence: number[]
  windMS: number
  /** how much the sun of the dark months differs between years, %; null where there are too few */
  interannualPct: number | null
  lowestC: number
  highestC: number
}
