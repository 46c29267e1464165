import { DESIGN_FORMAT, DESIGN_VERSION, type Problem } from './types.ts'

type Json = Record<string, unknown>
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)

/** Each object of a list with what it lacks, and what the objects in it lack. */
function eachWith(list: unknown, lacking: Json, within: Record<string, Json> = {}): unknown {
  if (!Array.isArray(list)) return list
  return list.map((item: unknown) => {
    if (!isObject(item)) return item
    const inner = Object.entries(within).map(([key, fields]) => {
      const value = item[key]
      return [key, isObject(value) ? { ...fields, ...value } : value] as const
    })
    return { ...lacking, ...item, ...Object.fromEntries(inner) }
  })
}

/** What each version's documents lack against the next one; written for anything that calls itself such a document. */
const STEPS: Record<number, (document: Json) => Json> = {
  1: (document) => ({
    ...document,
    version: 2,
    place: isObject(document.place) ? { source: 'monthly', hours: null, ...document.place } : document.place,
    loads: eachWith(document.loads, LOAD_SINCE_2),
    bank: isObject(document.bank)
      ? { ...BANK_SINCE_2, ...document.bank, part: partSince2(document.bank.part) }
      : document.bank,
    arrays: eachWith(document.arrays, ARRAY_SINCE_2, { module: { noctC: 45 } }),
    controllers: eachWith(document.controllers, {}, { part: CONTROLLER_SINCE_2 }),
  }),
}

/** Fields that version 1 did not have, with what they stand for where nothing is said. */
/** Lithium of version 1 was not charged at or below freezing; lead-acid always was. */
function partSince2(part: unknown): unknown {
  return isObject(part) ? { minChargeC: part.chemistry === 'lfp' ? 0 : null, ...part } : part
}

export const BANK_SINCE_2 = { order: [], weak: [], stringFuses: false, seriesM: 0.3, linkM: 0.4, leadM: 1.5 }
export const ARRAY_SINCE_2 = {
  tracker: 1,
  tiltSeasons: [],
  tracking: 'fixed',
  site: 'ground',
  horizonShare: 1,
} as const
export const CONTROLLER_SINCE_2 = { kind: 'tracker', trackers: 1, startV: 0 } as const
export const LOAD_SINCE_2 = { meterReadings: [], standbyW: 0, supply: 'electric' } as const

/**
 * Brings a document of an earlier version to the present one, step by step.
 *
 * @param value anything read from a file or a request
 * @returns the document, still to be validated, or the problem that keeps it from being read at all
 */
export function migrate(value: unknown): { document: unknown } | { problem: Problem } {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { problem: { path: '', value, message: 'a design is a JSON object' } }
  const { format, version } = value as { format?: unknown; version?: unknown }
  if (format !== DESIGN_FORMAT)
    return { problem: { path: 'format', value: format, message: `format must be “${DESIGN_FORMAT}”` } }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { problem: { path: 'version', value: version, message: 'version must be a whole number of at least 1' } }
  if (version > DESIGN_VERSION)
    return {
      problem: {
        path: 'version',
        value: version,
        message: `version ${version} was written by a newer Ambrel; this one reads up to version ${DESIGN_VERSION}`,
      },
    }
  let document = value as Json
  for (let from = version; from < DESIGN_VERSION; from++) document = STEPS[from](document)
  return { document }
}
