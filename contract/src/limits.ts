import { COUNTS } from '@ambrel/core'

const MB = 1024 * 1024

/**
 * The most of everything, in one place: the schema, the page and the server's body parser read it here, so that what
 * one of them takes the others take too.
 */
export const LIMITS = {
  ...COUNTS,
  /** the largest sound document written as JSON stays below */
  bodyBytes: 16 * MB,
  /** sixty years of five channels in base64 and a little more */
  weatherBytes: 16 * MB,
  /** numbers, texts, lists and objects in one body; the largest sound document has fewer */
  values: 700_000,
  /** lists and objects within each other */
  depth: 32,
  /** fields of one object */
  fields: 400,
  /** entries of one list; the hours of a year are the longest that is needed */
  entries: 20_000,
  /** problems told at once */
  problems: 50,
  /** parts of one's own on the shelf */
  ownParts: 2000,
  /** a save's version; the database counts no further */
  version: 2_147_483_646,
  /** pasted rows or a CSV file of loads, months or points */
  tableBytes: 2 * MB,
  /** a price list; fifty thousand lines of one are smaller */
  priceListBytes: 8 * MB,
} as const
