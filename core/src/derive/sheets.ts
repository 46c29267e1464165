import type { Worked } from '../working/working.ts'

/** Keeps a sheet and gives back its value, so that the next figure can use it. */
export type Add = (sheet: Worked) => number

/** What one array comes to. */
export interface DerivedArray {
  id: string
  ratedW: number
  cold: Record<'coefficient' | 'code-table' | 'flat', number>
  hotV: number
  iscA: number
  sunHours: number[]
  /** worst-month sun hours of this surface */
  worstSunHours: number
  /** what it brings to the bank on a mean day of each month, by the hand method, Wh */
  handWh: number[]
}
