import { sql } from 'drizzle-orm'
import {
  batteryParts,
  controllerParts,
  DESIGN_VERSION,
  generatorParts,
  inverterParts,
  moduleParts,
  SAMPLE_FAMILIES,
} from '@ambrel/core'
import type { PartKind } from '@ambrel/contract'
import type { Database } from '../db/database.ts'
import { createDesign } from '../db/designs.ts'
import { part, seedMark } from '../db/schema.ts'

const SHELVES: Record<PartKind, readonly { id: string }[]> = {
  battery: batteryParts,
  module: moduleParts,
  controller: controllerParts,
  inverter: inverterParts,
  generator: generatorParts,
}

/**
 * Loads the generic parts, as this version knows them, and the demo designs, each once: what somebody deleted does not
 * come back.
 */
export async function seed(db: Database): Promise<void> {
  for (const [kind, parts] of Object.entries(SHELVES))
    await db
      .insert(part)
      .values(parts.map((each) => ({ id: each.id, kind: kind as PartKind, part: { ...each }, format: DESIGN_VERSION })))
      .onConflictDoUpdate({ target: part.id, set: { part: sql`excluded.part`, format: sql`excluded.format` } })
  for (const family of SAMPLE_FAMILIES) {
    const [main, ...variants] = family.map((make) => make())
    const marked = await db
      .insert(seedMark)
      .values({ key: `demo ${main.name}` })
      .onConflictDoNothing()
      .returning()
    if (marked.length === 0) continue
    const { familyId } = await createDesign(db, main)
    for (const variant of variants) await createDesign(db, variant, { familyId })
  }
}
