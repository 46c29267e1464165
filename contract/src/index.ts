/** What needs no schema: types, limits, whether a document surely is sound. What says what is wrong is in `check.ts`. */
export type * from './api.ts'
export * from './limits.ts'
export * from './merge.ts'
export * from './partTables.ts'
export { isSound } from './sound.ts'
export { waitingEntries } from './waiting.ts'
