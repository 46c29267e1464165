import { pricedOf } from '../money/bill.ts'
import { materialsOf } from '../money/materials.ts'
import { partsOf } from '../money/parts.ts'
import { newSource } from '../generator/sources.ts'
import { startVoltsFor } from '../generator/power.ts'
import { appliance, loadFromAppliance } from '../loads/appliances.ts'
import { controllerParts, generatorParts, inverterParts, partById, structuredCloneOf } from '../parts/shelf.ts'
import { withBuiltIn, withInverter } from '../inverter/service.ts'
import { workedCircuits } from '../system/work.ts'
import { newArray, newBank, newDesign } from './defaults.ts'
import type { ArrayField, Design, Load, PricedItem } from '../document/types.ts'

function load(id: string, applianceId: string, change: Partial<Load> = {}): Load {
  return { ...loadFromAppliance(appliance(applianceId), id), ...change }
}

/** Every line of a demo is measured, those to its arrays so long. */
function measured(design: Design, arrayM: number): Design {
  const circuits = workedCircuits(design).flatMap(({ circuit: { id, usual }, unmeasured }) =>
    unmeasured ? [{ ...usual, oneWayM: id.startsWith('array:') ? arrayM : usual.oneWayM }] : [],
  )
  return { ...design, circuits: [...design.circuits, ...circuits] }
}

/** Somebody has been through every step of a demo. */
const GONE_THROUGH = {
  place: true,
  loads: true,
  bank: true,
  array: true,
  inverter: true,
  generator: true,
  wiring: true,
}

/** Larkspur Bench: a made-up homestead on a north-facing bench of a cold valley. */
export function larkspurBench(): Design {
  const base = newDesign('Larkspur Bench', {
    label: 'Larkspur Bench',
    latitudeDeg: 48.2,
    longitudeDeg: -115.4,
    elevationM: 940,
    climate: 'cold-valley',
  })
  const design: Design = {
    ...base,
    touched: { ...GONE_THROUGH },
    notes: 'Three people, wood heat, array on the ground, a long trench from the house. All figures are made up.',
    place: {
      ...base.place,
      utcOffsetH: -7,
      horizon: [
        { azimuthDeg: 95, elevationDeg: 9, cover: 'terrain' },
        { azimuthDeg: 130, elevationDeg: 11, cover: 'terrain' },
        { azimuthDeg: 165, elevationDeg: 7, cover: 'terrain' },
        { azimuthDeg: 200, elevationDeg: 9, cover: 'evergreen' },
        { azimuthDeg: 235, elevationDeg: 14, cover: 'evergreen' },
        { azimuthDeg: 265, elevationDeg: 10, cover: 'terrain' },
        { azimuthDeg: 290, elevationDeg: 5, cover: 'terrain' },
      ],
      batteryRoom: { kind: 'heated', setC: 12, depthM: 1 },
      brushSnowDays: 2,
    },
    loads: [
      load('load-1', 'fridge', { basis: 'metered', meteredKWh: 5.9, meteredHours: 168 }),
      load('load-2', 'freezer'),
      load('load-3', 'well-pump', { hoursPerDay: 0.6 }),
      load('load-4', 'lights', { quantity: 1, runningW: 85 }),
      load('load-5', 'satellite-link', {
        hoursPerDay: 12,
        hourShape: [0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 0, 0],
      }),
      load('load-6', 'laptop', { quantity: 2, hoursPerDay: 4 }),
      load('load-7', 'stove-fan', { hoursPerDay: 8 }),
      load('load-8', 'circulator', { leg: 'A' }),
      load('load-9', 'washer'),
      load('load-10', 'microwave'),
      load('load-11', 'table-saw', { startW: 4200 }),
      load('load-12', 'dust-extractor'),
      load('load-13', 'tool-charger'),
      load('load-14', 'television', { hoursPerDay: 2.5 }),
      load('load-15', 'uv-filter'),
      load('load-16', 'phantom', { runningW: 12 }),
      load('load-17', 'phones'),
    ],
    bank: { ...newBank('lfp-51-100', 48, 6), takeoff: 'equal-leads' },
    arrays: [
      newArray('array-1', 'mono-415', 'controller-1', {
        name: 'Ground array',
        inSeries: 7,
        inParallel: 2,
        tiltDeg: 68,
        azimuthDeg: 178,
      }),
    ],
    controllers: [
      {
        id: 'controller-1',
        name: 'Controller 1',
        part: partById(controllerParts, 'track-450-100'),
        chargeLimitA: null,
      },
    ],
    inverter: { ...base.inverter, part: partById(inverterParts, 'split-6k-48') },
    generator: {
      ...base.generator,
      neutral: 'floating',
      part: partById(generatorParts, 'propane-7k'),
      startStateOfCharge: 0.32,
      stopStateOfCharge: 0.85,
      startV: startVoltsFor(48),
      exerciseEveryDays: 30,
      fuelPricePerL: 0.85,
      tankL: 450,
    },
    budget: {
      ...base.budget,
      taxPct: 6,
      freight: 480,
      labour: 1500,
      extras: [
        { id: 'extra-1', name: 'Posts and concrete under the rack', quantity: 1, unitPrice: 1180 },
        { id: 'extra-2', name: 'Trench, a metre of it', quantity: 60, unitPrice: 9 },
        { id: 'extra-3', name: 'Permit and inspection', quantity: 1, unitPrice: 340 },
      ],
      life: { ...base.budget.life, oilChange: 22, yearly: 60 },
      others: {
        ...base.budget.others,
        gridQuote: 48500,
        gridMonthly: 26,
        gridPerKWh: 0.14,
        unitPrice: 4200,
        unitKWhPerDay: 2.2,
        unitYears: 8,
        nothingYearly: 1150,
      },
    },
  }
  return measured(design, 60)
}

/** The same homestead on flooded lead-acid. */
export function larkspurFlooded(): Design {
  const design = structuredCloneOf(larkspurBench())
  return {
    ...design,
    variant: 'Flooded bank',
    bank: { ...newBank('flooded-6-420', 48, 3), takeoff: 'opposite-corners' },
    generator: {
      ...design.generator,
      startStateOfCharge: 0.5,
      stopStateOfCharge: 0.82,
      fullChargeEveryDays: 14,
      equaliseEveryDays: 90,
    },
  }
}

/** The same homestead with a smaller bank and half as much array again. */
export function larkspurMoreSun(): Design {
  const design = structuredCloneOf(larkspurBench())
  const [array] = design.arrays
  const moreSun: Design = {
    ...design,
    variant: 'More sun, less bank',
    bank: newBank('lfp-51-100', 48, 3),
    arrays: [array, { ...array, id: 'array-2', name: 'Second row', inParallel: 1, controllerId: 'controller-2' }],
    controllers: [
      ...design.controllers,
      {
        id: 'controller-2',
        name: 'Controller 2',
        part: partById(controllerParts, 'track-450-100'),
        chargeLimitA: null,
      },
    ],
    budget: {
      ...design.budget,
      buyOn: '2027-04-12',
      phases: [{ id: 'phase-1', name: 'Second row', buyOn: '2028-05-02' }],
      priced: ['array-2', 'controller-2'].map((key): PricedItem => ({ ...pricedOf(design, key), status: 'later' })),
    },
  }
  return measured(moreSun, 60)
}

/** Gannet Skerry: a made-up weekend cabin on a maritime coast, small, metric, on AGM. */
export function gannetSkerry(): Design {
  const base = newDesign('Gannet Skerry', {
    label: 'Gannet Skerry',
    latitudeDeg: 57.4,
    longitudeDeg: -6.1,
    elevationM: 15,
    climate: 'maritime-coast',
  })
  const weekend = { daysPerWeek: 2.5, leg: 'A' as const }
  const design: Design = {
    ...base,
    touched: { ...GONE_THROUGH },
    notes: 'Two people at weekends, gas for cooking. All figures are made up.',
    place: {
      ...base.place,
      utcOffsetH: 0,
      wiringBasis: 'metric',
      batteryRoom: { kind: 'unheated', setC: 12, depthM: 1 },
      brushSnowDays: null,
    },
    loads: [
      load('load-1', 'fridge', { runningW: 55, duty: 0.35, leg: 'A' }),
      load('load-2', 'lights', { runningW: 35, ...weekend }),
      load('load-3', 'pressure-pump', { runningW: 350, hoursPerDay: 0.4, ...weekend }),
      load('load-4', 'phones', weekend),
      load('load-5', 'radio', weekend),
      load('load-6', 'laptop', { hoursPerDay: 3, ...weekend }),
      load('load-7', 'alarm'),
    ],
    bank: { ...newBank('agm-12-200', 24, 2), autonomyDays: 3 },
    arrays: [
      newArray('array-1', 'mono-415', 'controller-1', {
        name: 'Gable array',
        inSeries: 2,
        inParallel: 2,
        tiltDeg: 65,
        azimuthDeg: 190,
        mounting: 'roof-parallel',
      }),
    ],
    controllers: [
      { id: 'controller-1', name: 'Controller 1', part: partById(controllerParts, 'track-150-60'), chargeLimitA: null },
    ],
    inverter: { ...base.inverter, part: partById(inverterParts, 'one30-3k-24') },
    generator: {
      ...base.generator,
      neutral: 'floating',
      part: partById(generatorParts, 'petrol-2k'),
      startStateOfCharge: 0.5,
      stopStateOfCharge: 0.82,
      fullChargeEveryDays: 14,
      fuelPricePerL: 1.75,
    },
    budget: { ...base.budget, currency: 'GBP', taxPct: 20 },
  }
  design.household.weekdays = [0, 0, 0, 0, 1, 1, 1]
  return measured(design, 9)
}

/** Copper Draw: a made-up high-desert place taken over from somebody else, with faults to be found. */
export function copperDraw(): Design {
  const base = newDesign('Copper Draw', {
    label: 'Copper Draw',
    latitudeDeg: 36.7,
    longitudeDeg: -107.9,
    elevationM: 1980,
    utcOffsetH: -7,
    climate: 'high-plateau',
  })
  const design: Design = {
    ...base,
    touched: { ...GONE_THROUGH },
    variant: 'As found',
    notes:
      'Inherited: two unlike strings on one controller, a bank cabled from one end, far too little array for it. All figures are made up.',
    place: {
      ...base.place,
      wiringBasis: 'awg',
      batteryRoom: { kind: 'buried', setC: 10, depthM: 1 },
      brushSnowDays: null,
      horizon: [
        { azimuthDeg: 80, elevationDeg: 4, cover: 'terrain' },
        { azimuthDeg: 150, elevationDeg: 2, cover: 'terrain' },
        { azimuthDeg: 250, elevationDeg: 8, cover: 'terrain' },
      ],
    },
    loads: [
      load('load-1', 'fridge', { leg: 'A' }),
      load('load-2', 'pressure-pump', { hoursPerDay: 0.4 }),
      load('load-3', 'lights', { runningW: 40 }),
      load('load-4', 'router'),
      load('load-5', 'laptop', { hoursPerDay: 3 }),
      load('load-6', 'phones'),
      load('load-7', 'alarm'),
    ].map((each) => ({ ...each, leg: 'A' as const })),
    bank: { ...newBank('flooded-6-225', 24, 4), takeoff: 'one-end', autonomyDays: 3 },
    arrays: [
      newArray('array-1', 'poly-250', 'controller-1', {
        name: 'Old string',
        inSeries: 2,
        inParallel: 1,
        tiltDeg: 40,
        azimuthDeg: 165,
        ageYears: 12,
      }),
      newArray('array-2', 'mono-100', 'controller-1', {
        name: 'Newer string',
        inSeries: 4,
        inParallel: 1,
        tiltDeg: 40,
        azimuthDeg: 165,
        ageYears: 3,
      }),
    ],
    controllers: [
      { id: 'controller-1', name: 'Controller 1', part: partById(controllerParts, 'track-150-60'), chargeLimitA: null },
    ],
    inverter: { ...base.inverter, part: partById(inverterParts, 'one20-3k-24') },
    generator: {
      ...base.generator,
      neutral: 'floating',
      part: partById(generatorParts, 'petrol-2k'),
      startStateOfCharge: 0.5,
      stopStateOfCharge: 0.82,
      fullChargeEveryDays: 21,
      fuelPricePerL: 1.1,
    },
    budget: { ...base.budget, currency: 'USD' },
  }
  // all of it was there
  const owned = partsOf(design).map(({ key, partId, quantity }) => ({ key, partId, quantity }))
  return asThere(measured({ ...design, budget: { ...design.budget, owned } }, 12))
}

/** Every wire and box of it is there too. */
function asThere(design: Design): Design {
  const priced = materialsOf(design).map(({ key }): PricedItem => ({ ...pricedOf(design, key), status: 'owned' }))
  return { ...design, budget: { ...design.budget, priced } }
}

/** Rowan Forks: a made-up farm at the end of a weak line, with everything a system can have. */
export function rowanForks(): Design {
  const base = newDesign('Rowan Forks', {
    label: 'Rowan Forks',
    latitudeDeg: 46.4,
    longitudeDeg: -92.7,
    elevationM: 390,
    utcOffsetH: -6,
    climate: 'northern-forest',
    service: 'split-phase',
  })
  const housed: Design = {
    ...base,
    touched: { ...GONE_THROUGH },
    notes:
      'A farm at the end of a line that fails in ice storms: two roofs and a ground array, a small wind machine, lamps on the bank itself. All figures are made up.',
    loads: [
      load('load-1', 'fridge'),
      load('load-2', 'freezer', { quantity: 2 }),
      load('load-3', 'well-pump', { hoursPerDay: 0.8 }),
      load('load-4', 'lights', { name: 'Lamps of the house', quantity: 1, runningW: 90, leg: 'DC' }),
      load('load-5', 'lights', { name: 'Lamps of the barn', quantity: 1, runningW: 60, leg: 'DC' }),
      load('load-6', 'router'),
      load('load-7', 'laptop', { quantity: 2, hoursPerDay: 5 }),
      load('load-8', 'circulator', { leg: 'A' }),
      load('load-9', 'washer'),
      load('load-10', 'microwave'),
      load('load-11', 'tool-charger'),
      load('load-12', 'television', { hoursPerDay: 3 }),
    ],
    bank: { ...newBank('lfp-51-100', 48, 8), takeoff: 'equal-leads', stringFuses: true },
    arrays: [],
    grid: { ...base.grid, present: true, breakerA: 50, breakerV: 240, pricePerKWh: 0.19 },
    generator: { ...base.generator, present: false },
  }
  const one = withInverter(housed, partById(inverterParts, 'all-12k-48'))
  const paired = withBuiltIn({ ...one, inverter: { ...one.inverter, quantity: 2 } }, one.inverter.part.controller)
  const [first, second] = paired.controllers
  const array = (
    number: number,
    name: string,
    controllerId: string,
    more: Partial<ArrayField> & Pick<ArrayField, 'tiltDeg' | 'azimuthDeg'>,
  ) => newArray(`array-${number}`, 'mono-415', controllerId, { name, inSeries: 8, inParallel: 1, ...more })
  const roof = { site: 'roof' as const, mounting: 'roof-parallel' as const, tiltDeg: 40 }
  const whole: Design = {
    ...paired,
    arrays: [
      array(1, 'House roof, east', first.id, { ...roof, azimuthDeg: 110 }),
      array(2, 'House roof, west', first.id, { ...roof, azimuthDeg: 250, tracker: 2 }),
      array(3, 'Ground array', second.id, { inParallel: 2, tiltDeg: 60, azimuthDeg: 180 }),
    ],
    sources: [
      { ...newSource('source-1', 'wind', 120), name: 'Wind machine', side: 'dc', surplus: 'dump-load', price: 2400 },
    ],
  }
  return measured({ ...whole, wall: { ...whole.wall, widthM: 3.6 } }, 35)
}

/** Every demo design: a family per place, the main variant first. */
export const SAMPLE_FAMILIES: readonly (() => Design)[][] = [
  [larkspurBench, larkspurFlooded, larkspurMoreSun],
  [gannetSkerry],
  [copperDraw],
  [rowanForks],
]
