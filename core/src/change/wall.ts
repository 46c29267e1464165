import { COUNTS } from '../fields/limits.ts'
import { systemOf } from '../system/systemOf.ts'
import { onBoard, wallUnits } from '../system/wall.ts'
import type { Change } from './change.ts'

/** A unit of the wall put elsewhere, on the board's grid; nothing where there is no such unit. */
export const moveOnWall =
  (id: string, xM: number, yM: number): Change =>
  (design) => {
    const unit = wallUnits(design, systemOf(design)).find((each) => each.id === id)
    const others = design.wall.places.filter((place) => place.id !== id)
    if (!unit || others.length >= COUNTS.wallPlaces) return design
    return { ...design, wall: { ...design.wall, places: [...others, { id, ...onBoard(design.wall, unit, xM, yM) }] } }
  }

/** Every unit where the program puts it. */
export const clearWall: Change = (design) => ({ ...design, wall: { ...design.wall, places: [] } })
