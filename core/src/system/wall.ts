import type { Design } from '../document/types.ts'
import type { System, SystemNode } from './graph.ts'

/** Room that a unit wants free about it, m: its maker's manual has the last word. */
export interface Clearance {
  sideM: number
  aboveM: number
  belowM: number
}
export interface WallUnit {
  id: string
  /** node it is one of, where there are several */
  of?: string
  name: string
  widthM: number
  heightM: number
  clear: Clearance
  /** what is in it: direct current, alternating current, or both */
  current: 'dc' | 'ac' | 'both'
}
/** A unit at its place on the board: the upper left corner, from the board's own. */
export interface PlacedUnit extends WallUnit {
  xM: number
  yM: number
  /** somebody put it there */
  own: boolean
  /** ids of what is too near, and whether it stands over the edge */
  tooNear: string[]
  overEdge: boolean
}

const clear = (sideM: number, aboveM: number, belowM: number): Clearance => ({ sideM, aboveM, belowM })
const KINDS: Partial<Record<SystemNode['kind'], Omit<WallUnit, 'id' | 'name'>>> = {
  controller: { widthM: 0.25, heightM: 0.4, clear: clear(0.05, 0.15, 0.15), current: 'dc' },
  bars: { widthM: 0.4, heightM: 0.35, clear: clear(0.05, 0.05, 0.1), current: 'dc' },
  'dc-centre': { widthM: 0.3, heightM: 0.3, clear: clear(0.05, 0.05, 0.1), current: 'dc' },
  charger: { widthM: 0.3, heightM: 0.35, clear: clear(0.05, 0.15, 0.15), current: 'both' },
  dump: { widthM: 0.3, heightM: 0.25, clear: clear(0.15, 0.3, 0.15), current: 'dc' },
  inverter: { widthM: 0.42, heightM: 0.65, clear: clear(0.1, 0.2, 0.2), current: 'both' },
  bypass: { widthM: 0.25, heightM: 0.35, clear: clear(0.05, 0.05, 0.1), current: 'ac' },
  panel: { widthM: 0.38, heightM: 0.5, clear: clear(0.05, 0.05, 0.1), current: 'ac' },
}
/** Units of more watts than these are larger. */
const LARGE_W = 8000
const LARGE = 1.2
/** What each is called on the board, where the drawing has another name for it. */
const ON_BOARD: Partial<Record<SystemNode['kind'], string>> = { bars: 'DC box' }
/** Boxes of direct and alternating current stand so far apart, m, so that nobody opens the wrong one. */
const APART_M = 0.15
const STEP_M = 0.05

/**
 * What hangs on the wall: sizes are those usual of their kind, with the room that heat and hands want.
 * Working space in front is the code's (NEC 110.26: 0.9 m and more) and no matter of the board.
 */
export function wallUnits(design: Design, { nodes }: System): WallUnit[] {
  const built = design.inverter.part.controller?.id
  const inside = new Set(design.controllers.filter(({ part }) => part.id === built).map(({ id }) => `controller:${id}`))
  return nodes.flatMap((node): WallUnit[] => {
    const kind = KINDS[node.kind]
    if (!kind || inside.has(node.id)) return []
    const grown = node.kind === 'inverter' && design.inverter.part.ratedW > LARGE_W ? LARGE : 1
    const each = { ...kind, widthM: kind.widthM * grown, heightM: kind.heightM * grown }
    const name = ON_BOARD[node.kind] ?? node.name
    if (node.count === 1) return [{ ...each, id: node.id, name }]
    return Array.from({ length: node.count }, (_, i) => ({
      ...each,
      id: `${node.id}:${i + 1}`,
      of: node.id,
      name: `${name} ${i + 1}`,
    }))
  })
}

type At = Pick<PlacedUnit, 'xM' | 'yM'>
/** The box of a unit, with the room about it where that is asked for. */
const boxOf = (unit: WallUnit & At, room: boolean) => ({
  left: unit.xM - (room ? unit.clear.sideM : 0),
  right: unit.xM + unit.widthM + (room ? unit.clear.sideM : 0),
  top: unit.yM - (room ? unit.clear.aboveM : 0),
  bottom: unit.yM + unit.heightM + (room ? unit.clear.belowM : 0),
})
const meets = (a: ReturnType<typeof boxOf>, b: ReturnType<typeof boxOf>) =>
  a.left < b.right - 1e-9 && b.left < a.right - 1e-9 && a.top < b.bottom - 1e-9 && b.top < a.bottom - 1e-9

/** Whether one stands in the room of the other, or a DC box beside an AC box without the gap between them. */
function near(a: WallUnit & At, b: WallUnit & At): boolean {
  if (meets(boxOf(a, true), boxOf(b, false)) || meets(boxOf(b, true), boxOf(a, false))) return true
  if (new Set([a.current, b.current]).size < 2 || a.current === 'both' || b.current === 'both') return false
  const wide = boxOf(a, false)
  return meets({ ...wide, left: wide.left - APART_M, right: wide.right + APART_M }, boxOf(b, false))
}

const snapped = (value: number) => Math.round(value / STEP_M) * STEP_M

/**
 * Every unit at its place: where somebody put it, or from the left, direct current first, wherever there is room among
 * those that nobody moved.
 */
export function wallLayout(design: Design, system: System): PlacedUnit[] {
  const { widthM, heightM, places } = design.wall
  const chosen = new Map(places.map((place) => [place.id, place]))
  const order = { dc: 0, both: 1, ac: 2 }
  const units = wallUnits(design, system)
  // what nobody moved stays where it is, whatever is moved beside it
  const standing: (WallUnit & At)[] = []
  const full = new Set<string>()
  for (const unit of [...units].sort((a, b) => order[a.current] - order[b.current]))
    standing.push({ ...unit, ...roomFor(unit, standing, widthM, heightM, full) })
  const put = standing.map((unit) => {
    const place = chosen.get(unit.id)
    return place ? { ...unit, xM: place.xM, yM: place.yM, own: true } : { ...unit, own: false }
  })
  return put.map((unit) => {
    const tooNear = put.filter((other) => other !== unit && near(unit, other)).map(({ id }) => id)
    const { left, right, top, bottom } = boxOf(unit, false)
    return {
      ...unit,
      tooNear,
      overEdge: left < -1e-9 || top < -1e-9 || right > widthM + 1e-9 || bottom > heightM + 1e-9,
    }
  })
}

const ontoGrid = (value: number) => Number((Math.ceil(value / STEP_M - 1e-6) * STEP_M).toFixed(3))

/**
 * The first free place from the left, top to bottom; where there is none, beyond the board's right edge. It is looked for
 * at the edges of what stands there already: a free place that touches nothing could be moved up to one that does.
 *
 * @param full what units found no room before, by their size; added to
 */
function roomFor(
  unit: WallUnit,
  put: readonly (WallUnit & At)[],
  widthM: number,
  heightM: number,
  full: Set<string>,
): At {
  const { sideM, aboveM } = unit.clear
  const xs = put.map((other) => other.xM + other.widthM + Math.max(other.clear.sideM, sideM, APART_M))
  const ys = put.map((other) => other.yM + other.heightM + Math.max(other.clear.belowM, aboveM))
  const inOrder = (values: readonly number[]) => [...new Set(values.map(ontoGrid))].sort((a, b) => a - b)
  // what found no room leaves none to its like
  const like = [unit.widthM, unit.heightM, unit.current].join()
  const within = (values: readonly number[], most: number) => inOrder(values).filter((value) => value <= most + 1e-9)
  const columns = full.has(like) ? [] : within([sideM, ...xs], widthM - unit.widthM)
  const rows = within([aboveM, ...ys], heightM - unit.heightM)
  for (const xM of columns)
    for (const yM of rows) {
      if (put.every((other) => !near({ ...unit, xM, yM }, other))) return { xM, yM }
    }
  full.add(like)
  return { xM: ontoGrid(Math.max(widthM, ...xs)), yM: ontoGrid(aboveM) }
}

/** A place on the board's grid, all of the unit on it where it fits. */
export function onBoard({ widthM, heightM }: Design['wall'], unit: WallUnit, xM: number, yM: number): At {
  const within = (value: number, most: number) => Number(Math.max(0, Math.min(snapped(value), most)).toFixed(3))
  return { xM: within(xM, Math.max(0, widthM - unit.widthM)), yM: within(yM, Math.max(0, heightM - unit.heightM)) }
}
