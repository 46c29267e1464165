/** The most of everything a document counts; what adds to a list stops there, and the schema refuses more. */
export const COUNTS = {
  loads: 500,
  arrays: 100,
  controllers: 100,
  sources: 12,
  circuits: 1500,
  wallPlaces: 200,
  extras: 500,
  owned: 300,
  readingsOfLoad: 200,
  doneTasks: 1000,
  cautions: 200,
  priced: 2000,
  kits: 40,
  inKit: 200,
  phases: 8,
  absences: 20,
  horizonPoints: 360,
  tiltSeasons: 12,
  capacities: 12,
  cyclePoints: 12,
  units: 400,
  pumps: 12,
  /** figures of a part that are estimates */
  estimated: 40,
  unitsInSeries: 48,
  stringsOfBank: 200,
  modulesInSeries: 60,
  stringsOfArray: 100,
  inverters: 12,
  /** letters */
  notes: 20_000,
} as const

/** The most letters of a text. */
export const LETTERS = { name: 120 } as const
