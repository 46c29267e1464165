import { clearWall } from '../../change/wall.ts'
import { wallLayout } from '../../system/wall.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** Units that somebody put where they have no room; where nobody put any, the board is only a picture. */
export const wall: Rule = {
  id: 'wiring.wall',
  step: 'wiring',
  check: ({ design, derived: { system } }) => {
    if (design.wall.places.length === 0) return []
    const units = wallLayout(design, system)
    const nameOf = (id: string) => units.find((unit) => unit.id === id)!.name
    return units
      .filter(({ tooNear, overEdge }) => tooNear.length > 0 || overEdge)
      .map(({ id, name, overEdge, tooNear }) =>
        watch(
          id,
          overEdge
            ? say`${name} stands over the edge of the board.`
            : say`${name} stands too near to ${nameOf(tooNear[0])}.`,
          'Without room about it a unit runs hot and gives less, and hands find no way to its terminals. Direct and alternating current stand apart.',
          { remedy: { label: 'all where there is room', apply: clearWall } },
        ),
      )
  },
}
