import Joi from 'joi'
import type { Design, Problem, Reading } from '@ambrel/core'

/** A design in the list of the shelf. */
export interface DesignEntry {
  id: string
  familyId: string
  name: string
  variant: string
  placeLabel: string
  version: number
  updatedAt: string
  deletedAt: string | null
}

export interface StoredDesign extends DesignEntry {
  document: Design
}

export interface HistoryEntry {
  version: number
  savedAt: string
}

export interface StoredReading extends Reading {
  id: number
}

/** A part on the shelf. */
export interface StoredPart {
  id: string
  kind: PartKind
  part: Record<string, unknown>
}

export const PART_KINDS = ['battery', 'module', 'controller', 'inverter', 'generator'] as const
export type PartKind = (typeof PART_KINDS)[number]

/** Every error body of the API. */
export interface ApiError {
  error: string
  problems?: Problem[]
  /** the design as it stands on the server, where a save came too late */
  current?: StoredDesign
}

/** Body of a new design: a whole document, or just a name and a place. */
export interface NewDesignBody {
  name: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM?: number
  climate: string
}

const finite = (min: number, max: number) => Joi.number().strict().min(min).max(max)

export const newDesignSchema = Joi.object({
  name: Joi.string().trim().min(1).max(120).required(),
  latitudeDeg: finite(-90, 90).required(),
  longitudeDeg: finite(-180, 180).required(),
  elevationM: finite(-430, 6000),
  climate: Joi.string().max(60).required(),
})

export const saveSchema = Joi.object({
  version: Joi.number().strict().integer().min(1).required(),
  document: Joi.object().unknown(true).required(),
})

export const variantSchema = Joi.object({
  variant: Joi.string().trim().min(1).max(120).required(),
  document: Joi.object().unknown(true),
})

const measured = (min: number, max: number) => finite(min, max).allow(null).required()

export const readingSchema = Joi.object({
  at: Joi.string().isoDate().required(),
  batteryV: measured(0, 1000),
  batteryA: measured(-10000, 10000),
  stateOfCharge: measured(0, 1),
  arrayW: measured(0, 1e6),
  loadW: measured(0, 1e6),
  generatorOn: Joi.boolean().strict().required(),
  note: Joi.string().allow('').max(2000).required(),
})
