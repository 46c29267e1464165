export * from './convert.ts'
export * from './format.ts'
