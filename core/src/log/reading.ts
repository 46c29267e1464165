import type { Problem } from '../document/types.ts'

/** One line of the log. */
export interface Reading {
  at: string
  batteryV: number | null
  batteryA: number | null
  stateOfCharge: number | null
  arrayW: number | null
  loadW: number | null
  generatorOn: boolean
  note: string
}

/** A reading must say something. */
export function readingProblems(reading: Reading): Problem[] {
  const { batteryV, batteryA, stateOfCharge, arrayW, loadW, note } = reading
  const says = [batteryV, batteryA, stateOfCharge, arrayW, loadW].some((value) => value !== null) || note.trim() !== ''
  return says
    ? []
    : [{ path: 'batteryV', value: null, message: 'the reading is empty; enter at least one figure or a note' }]
}
