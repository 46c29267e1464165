import Joi from 'joi'
import {
  BANK_VOLTAGES,
  FITTED,
  ILLUSTRATIVE_CLIMATES,
  INVERTER_PART,
  KEPT_CHANNELS,
  MOST_YEARS,
  type Bank,
  type Design,
  type FittedClimate,
  type ImportReport,
  type Problem,
  type Reading,
  type SeriesShape,
  type Station,
  type Topology,
} from '@ambrel/core'
import { LIMITS } from './limits.ts'
import type { PartKind } from './partTables.ts'
import { objectOf } from './schemaOf.ts'
import { moment, plainText } from './text.ts'

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
  /** when it was put away; null while it stands among the others */
  archivedAt: string | null
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
  /** somebody's own, which may be edited and deleted; the others come with the program */
  own: boolean
  /** counts saves; a save must name the version it was made from */
  version: number
}

/** Every error body of the API. */
export interface ApiError {
  error: string
  problems?: Problem[]
  /** the design as it stands on the server, where a save came too late */
  current?: StoredDesign
  /** likewise a part of the shelf */
  currentPart?: StoredPart
  /** it is known that nothing was done, so that the same may be asked again */
  untouched?: boolean
}

/** Body of a new design: a whole document, or just a name and a place. */
export interface NewDesignBody {
  name: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM?: number
  utcOffsetH?: number
  climate: string
  service?: Topology
  systemV?: Bank['systemV']
}

/** A weather file as it is listed: what it holds, what it says, what was done to it. The hours are fetched by themselves. */
export interface WeatherFile extends SeriesShape {
  id: string
  name: string
  createdAt: string
  station: Station | null
  fitted: FittedClimate
  report: ImportReport
  /** designs, those in the bin too, whose place refers to it */
  usedBy: number
}

/** Body of a new weather file; `hours` are base64 of the packed series. */
export interface WeatherUpload extends SeriesShape {
  name: string
  station: Station | null
  fitted: FittedClimate
  report: ImportReport
  hours: string
}

const finite = (min: number, max: number) => Joi.number().strict().min(min).max(max)

export const newDesignSchema = Joi.object({
  name: plainText().trim().min(1).max(120).required(),
  latitudeDeg: finite(-90, 90).required(),
  longitudeDeg: finite(-180, 180).required(),
  elevationM: finite(-430, 6000),
  utcOffsetH: finite(-12, 14),
  climate: Joi.valid(...ILLUSTRATIVE_CLIMATES.map(({ id }) => id)).required(),
  service: Joi.valid(...INVERTER_PART.topology.options.map(({ value }) => value)),
  systemV: Joi.valid(...BANK_VOLTAGES.map(({ value }) => value)),
})

export const saveSchema = Joi.object({
  version: Joi.number().strict().integer().min(1).max(LIMITS.version).required(),
  document: Joi.object().unknown(true).required(),
})

export const archivedSchema = Joi.object({ archived: Joi.boolean().strict().required() })
export const variantSchema = Joi.object({
  variant: plainText().trim().min(1).max(120).required(),
  document: Joi.object().unknown(true),
})

const rowNotes = Joi.array()
  .items(
    Joi.object({
      fromRow: finite(0, 1e9).required(),
      toRow: finite(0, 1e9).required(),
      says: plainText().max(400).required(),
    }),
  )
  .max(200)
  .required()
const count = finite(0, 1e9).integer().required()

export const weatherUploadSchema = Joi.object({
  name: plainText().trim().min(1).max(120).required(),
  firstDay: finite(0, 364).integer().required(),
  years: finite(1, MOST_YEARS).integer().required(),
  utcOffsetH: finite(-14, 14).required(),
  channels: Joi.array()
    .items(Joi.valid(...KEPT_CHANNELS))
    .unique()
    .min(2)
    .required(),
  station: Joi.object({
    name: plainText().max(120).required(),
    latitudeDeg: finite(-90, 90).required(),
    longitudeDeg: finite(-180, 180).required(),
    elevationM: finite(-1000, 9999).required(),
    utcOffsetH: finite(-14, 14).required(),
  })
    .allow(null)
    .required(),
  fitted: objectOf(FITTED).required(),
  report: Joi.object({
    rows: count,
    years: count,
    filled: rowNotes,
    filledHours: count,
    refused: rowNotes,
    refusedCount: count,
    notes: Joi.array().items(plainText().max(2000)).max(50).required(),
  }).required(),
  hours: Joi.string().base64().required(),
})

const measured = (min: number, max: number) => finite(min, max).allow(null).required()

export const readingSchema = Joi.object({
  at: moment().required(),
  batteryV: measured(0, 1000),
  batteryA: measured(-10_000, 10_000),
  stateOfCharge: measured(0, 1),
  arrayW: measured(0, 1e6),
  loadW: measured(0, 1e6),
  generatorOn: Joi.boolean().strict().required(),
  note: plainText().allow('').max(2000).required(),
})
