export * from './convert.ts'
export * from './format.ts'
export * from './parse.ts'
