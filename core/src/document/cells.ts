import type { Problem } from './types.ts'

/** Rows of a table, as a spreadsheet or a CSV file gives them. */
export type Cells = readonly (readonly string[])[]

/** What rows came to: the things made of them, and what is wrong, by line (from 1) and column. */
export interface Read<T> {
  items: T[]
  problems: Problem[]
}
