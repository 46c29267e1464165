export * from './api.ts'
export * from './design.ts'
export * from './problems.ts'
export * from './formatDoc.ts'
