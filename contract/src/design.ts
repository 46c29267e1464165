import type Joi from 'joi'
import { DESIGN } from '@ambrel/core'
import { objectOf } from './schemaOf.ts'

/** The whole document as one schema, for whoever makes documents from it; `checkDesign` asks part by part. */
export const designSchema = (): Joi.ObjectSchema => objectOf(DESIGN)
