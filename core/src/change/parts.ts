import type { Change } from './change.ts'
import { setField } from './field.ts'

/** The estimated figures of a part are as its data sheet says. @param path dotted, where the part stands */
export const sheetsRead = (path: string): Change => setField(`${path}.estimated`, [])
