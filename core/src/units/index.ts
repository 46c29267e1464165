export * from './convert.ts'
export * from './format.ts'
export * from './parse.ts'
export { said, type Words } from './words.ts'
