import { describe, expect, it } from 'vitest'
import { clearWall, moveOnWall } from '../change/wall.ts'
import { larkspurBench, larkspurMoreSun } from '../design/samples.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { systemOf } from './systemOf.ts'
import { SHAPES } from './testDesigns.ts'
import { wallLayout, wallUnits } from './wall.ts'

const laid = (design: Design) => wallLayout(design, systemOf(design))
const told = (design: Design) =>
  findings({ design, derived: derive(design), winter: null }).filter(({ id }) => id === 'wiring.wall')

describe.each(Object.entries(SHAPES))('the wall of %s', (_, make) => {
  it('has each unit once, on a board that is long enough, none in the room of another', () => {
    const design = { ...make(), wall: { widthM: 8, heightM: 2, places: [] } }
    const units = laid(design)
    expect(units.map(({ id }) => id).sort()).toEqual(
      wallUnits(design, systemOf(design))
        .map(({ id }) => id)
        .sort(),
    )
    for (const { id, tooNear, overEdge } of units) expect([id, tooNear, overEdge]).toEqual([id, [], false])
  })
})

describe('a unit put somewhere', () => {
  it('stands on the grid and on the board', () => {
    const [place] = moveOnWall('inverter', 99, 0.123)(larkspurBench()).wall.places
    expect(place).toEqual({ id: 'inverter', xM: 1.98, yM: 0.1 })
    expect(moveOnWall('none', 1, 1)(larkspurBench())).toEqual(larkspurBench())
  })
  it('in the room of another is told, with its remedy; nobody who placed nothing is told anything', () => {
    const design = larkspurMoreSun()
    expect(told(design)).toEqual([])
    const bars = laid(design).find(({ id }) => id === 'bars')!
    const crowded = moveOnWall('inverter', bars.xM + 0.1, bars.yM)(design)
    const [found] = told(crowded)
    expect(found.level).toBe('watch')
    expect(told(found.remedy!.apply(crowded))).toEqual([])
    expect(clearWall(crowded).wall.places).toEqual([])
  })
  it('a box of direct current keeps its distance from one of alternating', () => {
    const bare = larkspurBench()
    const beside = (gapM: number) => {
      const design = moveOnWall('panel', 1, 0.3)(bare)
      return laid(moveOnWall('bars', 1 + 0.38 + gapM, 0.3)(design)).find(({ id }) => id === 'bars')!.tooNear
    }
    expect(beside(0.1)).toEqual(['panel'])
    expect(beside(0.22)).toEqual([])
  })
})
