import fc from 'fast-check'
import { freeze } from 'immer'
import { describe, expect, it } from 'vitest'
import {
  addAbsence,
  addArray,
  addBudgetLine,
  addController,
  addHorizonPoint,
  addLoads,
  addPump,
  addRate,
  addSource,
  addWritten,
  batteryParts,
  beginTiltSeasons,
  boardStrings,
  changeLoad,
  changeSource,
  CHEMISTRY_IDS,
  controllerParts,
  generatorParts,
  COUNTS,
  copperDraw,
  copyLoad,
  copyLoads,
  gannetSkerry,
  inverterParts,
  larkspurBench,
  larkspurFlooded,
  legChoices,
  limitControllers,
  markUnit,
  moduleParts,
  moveIn,
  moveModule,
  moveString,
  moveToLeg,
  newDesign,
  removeArray,
  removeController,
  removeFrom,
  removePump,
  removeStrip,
  serviceOf,
  setBasis,
  setControllerKind,
  setHorizon,
  setHourWeight,
  setInverterCount,
  setMonth,
  setDaysOfLoads,
  setHoursOfLoads,
  setOfLoads,
  setSeasonOfLoads,
  moveTo,
  setPersistence,
  setOwned,
  setPriced,
  takePrices,
  addKit,
  addPhase,
  setTaskDone,
  setCautionRead,
  setTopology,
  shareOut,
  clearWall,
  moveOnWall,
  measuredCircuits,
  followUsual,
  prunedCircuits,
  setCircuit,
  settledCircuits,
  systemOf,
  thinnestCircuits,
  usualCircuit,
  sheetsRead,
  spreadOverLegs,
  stackingChoices,
  setStacking,
  swapUnits,
  takeBackup,
  ownCharger,
  takeSet,
  turnHomeDay,
  turnWeekday,
  takeBattery,
  takeChemistry,
  takeClimate,
  takeController,
  takeHandSize,
  takeInverter,
  takeLayout,
  takeModule,
  takeMonths,
  takeVoltage,
  trackersApart,
  touch,
  turnAll,
  wantWater,
  type BoardString,
  type Change,
  type Design,
} from '@ambrel/core'
import { checkDesign } from './problems.ts'

declare global {
  interface ImportMeta {
    /** of the test runner: every file of these paths */
    glob(paths: string[], options: { eager: true }): Record<string, Record<string, unknown>>
  }
}

/** Picks by one whole number after another; the same numbers pick the same. */
type Pick = <T>(list: readonly T[]) => T
const among = (design: Design, pick: Pick) => pick(design.loads).id
const indexIn = (list: readonly unknown[], pick: Pick) => pick(list.map((_, i) => i))
const units = ({ bank }: Design) => Array.from({ length: bank.inSeries * bank.inParallel }, (_, i) => i + 1)

/** Every change that there is, made of what a design has; null where there is nothing to change. */
const CHANGES: Record<string, (design: Design, pick: Pick) => Change | null> = {
  addAbsence: () => addAbsence,
  addArray: () => addArray,
  addBudgetLine: () => addBudgetLine,
  addController: () => addController,
  addHorizonPoint: (_, pick) =>
    addHorizonPoint(pick([undefined, { azimuthDeg: pick([0, 77, 360]), elevationDeg: pick([0, 20, 90]) }])),
  addLoads: (_, pick) => addLoads([{ ...pick(larkspurBench().loads), id: 'brought', leg: pick(['AB', 'ABC', 'B']) }]),
  addWritten: (_, pick) =>
    addWritten([{ written: { name: pick(['fridge', 'quern', 'well pump']), quantity: 2, runningW: 100 } }]),
  addPump: () => addPump,
  addRate: () => addRate,
  addSource: (_, pick) => addSource(pick(['wind', 'stream', 'other']), 120),
  beginTiltSeasons: ({ arrays }, pick) => (arrays.length > 0 ? beginTiltSeasons(indexIn(arrays, pick)) : null),
  changeLoad: (design, pick) => changeLoad(among(design, pick), (load) => ({ ...load, quantity: 3 })),
  changeSource: ({ sources }, pick) =>
    sources.length > 0 ? changeSource(indexIn(sources, pick), (each) => ({ ...each, side: 'ac' })) : null,
  turnHomeDay: (_, pick) => turnHomeDay(pick([0, 1, 2, 3, 4, 5, 6])),
  turnWeekday: (design, pick) => turnWeekday(among(design, pick), pick([0, 1, 2, 3, 4, 5, 6])),
  copyLoad: ({ loads }, pick) => copyLoad(indexIn(loads, pick)),
  copyLoads: (design, pick) => copyLoads(new Set([among(design, pick), among(design, pick)])),
  markUnit: (design, pick) => markUnit(pick(units(design)), pick([0.4, 1]), pick([1, 3])),
  moveIn: ({ loads }, pick) => moveIn('loads', indexIn(loads, pick), indexIn(loads, pick)),
  moveToLeg: (design, pick) => moveToLeg(among(design, pick), pick(legChoices(serviceOf(design.inverter)))),
  moveModule: (design, pick) => {
    const strings = boardStrings(design)
    if (strings.length === 0) return null
    const moduleOf = ({ arrayId }: BoardString) =>
      JSON.stringify(design.arrays.find(({ id }) => id === arrayId)!.module)
    const from = pick(strings)
    return moveModule(from.key, pick(strings.filter((to) => moduleOf(to) === moduleOf(from))).key)
  },
  moveString: (design, pick) => {
    const strings = boardStrings(design)
    return strings.length > 0 ? moveString(pick(strings).key, pick(design.controllers).id) : null
  },
  removeArray: ({ arrays }, pick) => (arrays.length > 0 ? removeArray(indexIn(arrays, pick)) : null),
  removeController: ({ controllers }, pick) =>
    controllers.length > 0 ? removeController(indexIn(controllers, pick)) : null,
  removeFrom: ({ circuits }, pick) => (circuits.length > 0 ? removeFrom('circuits', indexIn(circuits, pick)) : null),
  clearWall: () => clearWall,
  moveOnWall: (_, pick) => moveOnWall(pick(['bars', 'panel', 'none']), pick([-1, 0.33, 90]), pick([0, 0.72, 9])),
  measuredCircuits: () => measuredCircuits,
  prunedCircuits: () => prunedCircuits,
  setCircuit: (design, pick) =>
    setCircuit(pick(systemOf(design).circuits).id, {
      oneWayM: pick([null, 0, 5000]),
      size: pick(['', '10 AWG', '16 mm2']),
      deviceA: pick([null, 7]),
    }),
  settledCircuits: () => settledCircuits,
  thinnestCircuits: () => thinnestCircuits,
  usualCircuit: (design, pick) => usualCircuit(pick(systemOf(design).circuits).id),
  removePump: ({ pumps }, pick) => (pumps.length > 0 ? removePump(indexIn(pumps, pick)) : null),
  removeStrip: (_, pick) => removeStrip(pick(['Desk', 'none'])),
  shareOut: (design, pick) =>
    shareOut('Desk', new Set([among(design, pick), among(design, pick)]), pick([0, 3.2]), pick([24, 168])),
  setTopology: (_, pick) => setTopology(pick(['split-phase', 'single-120', 'single-230'] as const)),
  sheetsRead: (_, pick) => sheetsRead(pick(['bank.part', 'inverter.part', 'generator.part'])),
  touch: (_, pick) => touch([pick(['place', 'bank', 'wiring'] as const)]),
  wantWater: ({ pumps }, pick) => (pumps.length > 0 ? wantWater(indexIn(pumps, pick), pick([0, 500])) : null),
  setBasis: (design, pick) => setBasis(among(design, pick), pick(['rated', 'metered', 'strip', 'cycle', 'month'])),
  setControllerKind: ({ controllers }, pick) =>
    controllers.length > 0
      ? setControllerKind(indexIn(controllers, pick), pick(['tracker', 'pulse-width', 'ac-coupled']))
      : null,
  setHorizon: () => setHorizon([{ azimuthDeg: 10, elevationDeg: 5, cover: 'leafless' }]),
  setHourWeight: (design, pick) => setHourWeight(among(design, pick), pick([0, 7, 23]), pick([0, 0.26, 5000])),
  setInverterCount: (_, pick) => setInverterCount(pick([1, 2, 3, 4, 5, 6])),
  setStacking: ({ inverter }, pick) => setStacking(pick(stackingChoices(inverter.part, inverter.quantity))),
  setMonth: (_, pick) => setMonth(pick([0, 5, 11]), 'snowfallCm', 12),
  setOfLoads: (design, pick) => setOfLoads(new Set([among(design, pick)]), 'priority', 'canWait'),
  setDaysOfLoads: (design, pick) =>
    setDaysOfLoads(new Set([among(design, pick), among(design, pick)]), pick([null, [1, 1, 1, 1, 1, 0, 0]])),
  setHoursOfLoads: (design, pick) => setHoursOfLoads(new Set([among(design, pick)]), pick([0.5, 24])),
  setSeasonOfLoads: (design, pick) =>
    setSeasonOfLoads(new Set([among(design, pick)]), pick(['year', 'winter', 'summer'] as const)),
  moveTo: ({ place }) => moveTo(place.latitudeDeg * 0.999),
  setPersistence: () => setPersistence(0.4),
  followUsual: (design) => (next) =>
    followUsual(design)({ ...next, schools: { ...next.schools, combining: 'home-runs' } }),
  setPriced: (_, pick) =>
    setPriced(
      pick(['bank', 'label', 'cable 6 AWG']),
      pick([{ status: 'later' }, { unitPrice: 3.5 }, { taxed: false }]),
    ),
  takePrices: (_, pick) =>
    takePrices([{ key: pick(['bank', 'label']), unitPrice: 7, quotedOn: '2027-01-31', leadDays: pick([null, 20]) }]),
  addKit: (_, pick) => addKit(pick([['bank', 'inverter'], ['label'], []])),
  addPhase: () => addPhase,
  setCautionRead: (_, pick) => setCautionRead('bank.short', pick([true, false])),
  setTaskDone: (_, pick) => setTaskDone('vent', pick([true, false])),
  spreadOverLegs: () => spreadOverLegs,
  swapUnits: (design, pick) => swapUnits(pick(units(design)), pick(units(design))),
  ownCharger: () => ownCharger,
  takeSet: (_, pick) => takeSet(pick(generatorParts)),
  takeBackup: (_, pick) => takeBackup(pick(['none', 'generator', 'shore', 'vehicle'])),
  takeBattery: (_, pick) => takeBattery(pick(batteryParts), pick([undefined, 1, 7, 300])),
  takeChemistry: (_, pick) => takeChemistry(pick(CHEMISTRY_IDS)),
  takeClimate: (_, pick) => takeClimate(pick(['own', 'cold-valley'])),
  takeController: ({ controllers }, pick) =>
    controllers.length > 0 ? takeController(indexIn(controllers, pick), pick(controllerParts)) : null,
  takeHandSize: (_, pick) => takeHandSize(pick([1, 5]), pick([0.3, 0.8, 0.95]), pick([1, 4, 500])),
  takeInverter: ({ bank }, pick) =>
    takeInverter(pick(inverterParts.filter(({ bankV, battery }) => battery !== null || bankV === bank.systemV))),
  takeLayout: ({ arrays }, pick) =>
    arrays.length > 0
      ? takeLayout(indexIn(arrays, pick), {
          inSeries: pick([1, 3]),
          slots: Array.from({ length: pick([1, 2, 4]) }, (_, controller) => ({ controller, tracker: 1, strings: 2 })),
        })
      : null,
  takeModule: ({ arrays }, pick) => (arrays.length > 0 ? takeModule(indexIn(arrays, pick), pick(moduleParts)) : null),
  limitControllers: (_, pick) => limitControllers(pick([1, 20, 80, 5000])),
  setOwned: (_, pick) => setOwned(pick(['bank', 'inverter', 'array-1']), pick([true, false])),
  takeMonths: ({ place }) => takeMonths(place.monthly),
  takeVoltage: (_, pick) => takeVoltage(pick([12, 24, 48])),
  trackersApart: ({ arrays }, pick) =>
    arrays.length > 0 ? trackersApart([pick(arrays).id, ...arrays.map(({ id }) => id)]) : null,
  turnAll: (_, pick) => turnAll({ tiltDeg: pick([0, 45, 90]), azimuthDeg: pick([0, 180, 360]) }),
}

/** What only puts a value where it is told is as good as the value; hours of a file come with the file. */
const TOLD_WHAT_TO_PUT = ['setField', 'addTo', 'valueAt', 'takeHours', 'inOrder', 'removeLoads', 'setRunLevels']
/** answers of the same files that are no changes, and changes of one step that others are made of */
const NO_CHANGES = [
  'beginDesign',
  'changesBeside',
  'stepsTouched',
  'settledGenerator',
  'stringsOfLength',
  'inverterFor',
  'unitFor',
  'voltagesFor',
  'followVoltage',
]
const TRIED = [
  'addArrayOf',
  'addString',
  'addModuleString',
  'tiltBy',
  'setInSeries',
  'relayStrings',
  'faceArray',
  'softStart',
]

const bases = { larkspurBench, larkspurFlooded, gannetSkerry, copperDraw }
const BASES: Record<string, () => Design> = {
  ...bases,
  south: () => newDesign('New', { label: '', latitudeDeg: -40, longitudeDeg: 170, climate: 'cold-valley' }),
}

/** A design that holds the most of everything there may be. */
function full(): Design {
  const design = larkspurBench()
  const times = <T extends { id: string }>(most: number, prefix: string, [first]: readonly T[]): T[] =>
    Array.from({ length: most }, (_, i) => ({ ...first, id: `${prefix}-${i + 1}` }))
  const [extra] = design.budget.extras
  return {
    ...design,
    loads: times(COUNTS.loads, 'load', design.loads),
    arrays: times(COUNTS.arrays, 'array', design.arrays).map((each) => ({ ...each, controllerId: 'controller-1' })),
    controllers: times(COUNTS.controllers, 'controller', design.controllers),
    sources: times(COUNTS.sources, 'source', addSource('stream', 50)(design).sources),
    circuits: times(COUNTS.circuits, 'circuit', design.circuits),
    bank: {
      ...design.bank,
      inParallel: COUNTS.stringsOfBank,
      part: { ...design.bank.part, capacities: Array(COUNTS.capacities).fill({ hours: 20, ampHours: 100 }) as [] },
    },
    household: {
      ...design.household,
      away: Array(COUNTS.absences).fill({ fromMonth: 1, fromDay: 1, toMonth: 1, toDay: 2 }) as [],
    },
    place: {
      ...design.place,
      horizon: Array.from({ length: COUNTS.horizonPoints }, (_, azimuthDeg) => ({
        azimuthDeg,
        elevationDeg: 3,
        cover: 'terrain',
      })),
    },
    budget: {
      ...design.budget,
      extras: times(COUNTS.extras, 'extra', [extra]),
      kits: times(COUNTS.kits, 'kit', addKit(['bank'])(design).budget.kits),
      phases: times(COUNTS.phases, 'phase', addPhase(design).budget.phases),
    },
  }
}

describe('every change', () => {
  it('to a design that holds the most of everything leaves it valid', () => {
    // what a change leaves alone stays what it was, and was looked through before
    const design = freeze(full(), true)
    expect(checkDesign(design).problems).toEqual([])
    const pick: Pick = ([first]) => first
    for (const [name, make] of Object.entries(CHANGES)) {
      const change = make(design, pick)
      if (change) expect(checkDesign(change(design)).problems, name).toEqual([])
    }
  })

  it('is in this list', () => {
    const files = import.meta.glob(['../../core/src/change/*.ts', '!**/*.test.ts'], { eager: true })
    const there = Object.values(files).flatMap((file) => Object.keys(file))
    const known = [...Object.keys(CHANGES), ...TOLD_WHAT_TO_PUT, ...NO_CHANGES, ...TRIED]
    expect(there.filter((name) => !known.includes(name))).toEqual([])
  })

  it('makes of a valid design a valid one, one after another', () => {
    const step = fc.tuple(
      fc.constantFrom(...Object.keys(CHANGES)),
      fc.array(fc.nat(997), { minLength: 6, maxLength: 6 }),
    )
    fc.assert(
      fc.property(
        fc.constantFrom(...Object.keys(BASES)),
        fc.array(step, { minLength: 1, maxLength: 7 }),
        (base, steps) => {
          let design = BASES[base]()
          for (const [name, numbers] of steps) {
            let at = 0
            const pick: Pick = (list) => list[numbers[at++ % numbers.length] % list.length]
            const change = CHANGES[name](design, pick)
            if (!change) continue
            const before = JSON.stringify(design)
            const next = change(design)
            expect(JSON.stringify(design), `${name} left what it was given alone`).toBe(before)
            design = JSON.parse(JSON.stringify(next)) as Design
            expect(checkDesign(design).problems, name).toEqual([])
          }
        },
      ),
      { numRuns: 250 },
    )
  })
})
