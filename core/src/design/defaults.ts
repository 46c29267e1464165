import { SYSTEM_FACTOR } from '../array/need.ts'
import { FOOT_SPACING_M } from '../array/racking.ts'
import { LIFE_TERMS, NO_HOURS, OTHER_WAYS } from '../fields/budget.ts'
import { NEW_HOUSE } from '../fields/house.ts'
import { NO_GRID } from '../fields/grid.ts'
import { startVoltsFor } from '../generator/power.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { seriesFor } from '../bank/layout.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import {
  batteryParts,
  controllerParts,
  generatorParts,
  inverterParts,
  moduleParts,
  partById,
  structuredCloneOf,
} from '../parts/shelf.ts'
import { climateAt } from '../weather/climates.ts'
import {
  DESIGN_FORMAT,
  DESIGN_VERSION,
  type ArrayField,
  type Bank,
  type Design,
  type Place,
  type Topology,
} from '../document/types.ts'

export interface NewPlace {
  label: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM?: number
  /** standard time; the hour nearest to the longitude where it is not known */
  utcOffsetH?: number
  climate: string
}

/** A place with an illustrative climate's rows, standard time by its longitude, and an open horizon. */
export function newPlace({
  label,
  latitudeDeg,
  longitudeDeg,
  elevationM = 0,
  utcOffsetH = Math.round(longitudeDeg / 15),
  climate,
}: NewPlace): Place {
  const rows = climateAt(climate, latitudeDeg)
  const americas = longitudeDeg < -30
  return {
    label,
    latitudeDeg,
    longitudeDeg,
    elevationM,
    utcOffsetH,
    wiringBasis: americas ? 'awg' : 'metric',
    recordLowC: rows.recordLowC,
    recordHighC: rows.recordHighC,
    climate,
    monthly: rows.monthly,
    persistence: rows.persistence,
    windMS: rows.windMS,
    interannualPct: null,
    source: 'monthly',
    hours: null,
    albedoBare: 0.2,
    albedoSnow: 0.65,
    horizon: [],
    batteryRoom: { kind: 'heated', setC: 12, depthM: 1 },
    knownSunHours: null,
    brushSnowDays: 2,
  }
}

/** A bank of one string of a part, with the usual figures of its chemistry. */
export function newBank(partId: string, systemV: Bank['systemV'], inParallel: number): Bank {
  const part = partById(batteryParts, partId)
  const facts = CHEMISTRIES[part.chemistry]
  return {
    systemV,
    part,
    inSeries: seriesFor(systemV, part),
    inParallel,
    autonomyDays: 3,
    rechargeDays: null,
    allowedDepth: facts.depth,
    cutoffStateOfCharge: facts.cutoff,
    absorbV: null,
    takeoff: 'opposite-corners',
    linkMilliohm: 0.6,
    order: [],
    weak: [],
    stringFuses: false,
    seriesM: 0.3,
    linkM: 0.4,
    leadM: 1.5,
  }
}

/** An array of modules on one controller with the usual losses. */
export function newArray(
  id: string,
  moduleId: string,
  controllerId: string,
  layout: Pick<ArrayField, 'inSeries' | 'inParallel' | 'tiltDeg' | 'azimuthDeg'> & Partial<ArrayField>,
): ArrayField {
  return {
    id,
    name: 'Array',
    module: partById(moduleParts, moduleId),
    controllerId,
    tracker: 1,
    tiltSeasons: [],
    tracking: 'fixed',
    mounting: 'open-rack',
    orientation: 'portrait',
    site: 'ground',
    horizonShare: 1,
    soilingLoss: 0.02,
    mismatchLoss: 0.015,
    lightInducedLoss: 0.015,
    wiringLoss: null,
    ageYears: 0,
    breakerV: null,
    footSpacingM: FOOT_SPACING_M,
    midClamps: null,
    endClamps: null,
    ...layout,
  }
}

/** A small inverter of each service for a 24 V bank. */
const FIRST_INVERTER: Record<Topology, string> = {
  'split-phase': 'split-4k-24',
  'single-120': 'one20-3k-24',
  'single-230': 'one30-3k-24',
}

/**
 * A new design that already computes: a small house at the place, to be corrected step by step.
 * @throws RangeError for an unknown climate or a latitude out of range
 */
export function newDesign(name: string, { service, ...where }: NewPlace & { service?: Topology }): Design {
  const place = newPlace(where)
  const split = place.wiringBasis === 'awg'
  const loads = ['fridge', 'lights', 'phones', 'router'].map((id, i) => {
    const load = loadFromAppliance(appliance(id), `load-${i + 1}`)
    return seasonsFor(place.latitudeDeg, load)
  })
  const design: Design = {
    format: DESIGN_FORMAT,
    version: DESIGN_VERSION,
    name,
    variant: 'As planned',
    notes: '',
    place,
    loads,
    bank: newBank('lfp-25-200', 24, 1),
    arrays: [
      newArray('array-1', 'mono-415', 'controller-1', {
        name: 'Main array',
        inSeries: 2,
        inParallel: 2,
        tiltDeg: Math.min(90, Math.round(Math.abs(place.latitudeDeg) + 15)),
        azimuthDeg: place.latitudeDeg >= 0 ? 180 : 0,
      }),
    ],
    controllers: [
      { id: 'controller-1', name: 'Controller 1', part: partById(controllerParts, 'track-150-60'), chargeLimitA: null },
    ],
    inverter: {
      part: partById(inverterParts, FIRST_INVERTER[service ?? (split ? 'single-120' : 'single-230')]),
      quantity: 1,
      stacking: 'parallel',
      search: false,
      hottestC: 30,
    },
    generator: {
      present: true,
      kind: 'generator',
      startBy: 'charge',
      startWhenEmpty: true,
      holdMin: 15,
      morningH: 8,
      restDays: 0,
      exerciseEveryDays: null,
      exerciseMin: 20,
      equaliseEveryDays: null,
      equaliseH: 3,
      charger: 'inverter',
      separateChargerA: 40,
      separateChargerEfficiency: 0.85,
      chargeLimitA: null,
      oilEveryH: 100,
      fuelTripDays: 30,
      tankL: null,
      cordA: 15,
      pricePerKWh: 0.2,
      vehicleA: 50,
      vehicleLPerH: 1.2,
      part: partById(generatorParts, 'petrol-2k'),
      neutral: 'unknown',
      adapted: false,
      startV: startVoltsFor(24),
      cordV: split ? 240 : 230,
      warmUpMin: 3,
      startStateOfCharge: 0.3,
      stopStateOfCharge: 0.85,
      minRunH: 1,
      maxRunH: 10,
      quietFromH: 22,
      quietToH: 7,
      fullChargeEveryDays: null,
      loadShareLimit: 0.8,
      fuelPricePerL: 1.6,
    },
    grid: { ...structuredCloneOf(NO_GRID), breakerV: split ? 240 : 230 },
    sources: [],
    pumps: [],
    growth: { arrayW: 0, inverterW: 0, bankKWh: 0 },
    household: { away: [], weekdays: null, shedCanWaitBelow: null, shedShouldBelow: null },
    winter: { years: 30, seed: 7, ageing: false, stepMin: 60 },
    circuits: [],
    house: { ...NEW_HOUSE },
    wall: { widthM: 2.4, heightM: 1.2, places: [] },
    budget: {
      currency: split ? 'USD' : 'EUR',
      taxPct: 0,
      freight: 0,
      labour: 0,
      discount: 0,
      contingencyPct: 10,
      incentivePct: 0,
      incentive: 0,
      hourly: 0,
      hours: { ...NO_HOURS },
      statedTotal: null,
      buyOn: null,
      quoteDays: 30,
      kits: [],
      phases: [],
      life: { ...LIFE_TERMS },
      others: { ...OTHER_WAYS },
      priced: [],
      cablePerMm2M: 0.28,
      kWhWorth: null,
      owned: [],
      extras: [],
    },
    build: { done: [] },
    cautionsRead: [],
    touched: {
      place: false,
      loads: false,
      bank: false,
      array: false,
      inverter: false,
      generator: false,
      wiring: false,
    },
    schools: {
      coldVoltage: 'coefficient',
      peak: 'coincidence',
      skyModel: 'hay-davies',
      handFactor: SYSTEM_FACTOR,
      ampacity: 'terminal-limited',
      deviceSize: 'never-above',
      electrodes: 'one',
      combining: 'combiner',
      arrayDisconnect: 'external',
      poles: 'arrays',
    },
  }
  return design
}

/** The shelf's seasons are written for the north; south of the equator they shift by half a year. */
export function seasonsFor<T extends { seasonShare: number[] }>(latitudeDeg: number, load: T): T {
  if (latitudeDeg >= 0) return load
  return { ...load, seasonShare: load.seasonShare.map((_, month) => load.seasonShare[(month + 6) % 12]) }
}

/** The next free id of a list: `load-4` after `load-1` and `load-3`. */
export function nextId(prefix: string, list: readonly { id: string }[]): string {
  const numberOf = (id: string) => Number(id.slice(prefix.length + 1))
  const highest = list.reduce((most, { id }) => (numberOf(id) > most ? numberOf(id) : most), 0)
  return `${prefix}-${Number.isFinite(highest) ? highest + 1 : list.length + 1}`
}
