import type { Design } from '@ambrel/core'

const editions = new WeakMap<Design, number>()
let last = 0

/** A number of its own for every document there has been on this page; what was made of a document is told by it. */
export function editionOf(document: Design): number {
  const known = editions.get(document)
  if (known !== undefined) return known
  editions.set(document, ++last)
  return last
}
