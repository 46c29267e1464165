import { clearWall } from '../../change/wall.ts'
import { say } from '../../units/words.ts'
import { watch, type Rule } from '../rule.ts'

/** Units that somebody put where they have no room; where nobody put any, the board is only a picture. */
export const wall: Rule = {
  id: 'wiring.wall',
  step: 'wiring',
  check: ({ design, derived }) =>
    design.wall.places.length === 0
      ? []
      : derived.wall
          .filter(({ tooNear, overEdge }) => tooNear.length > 0 || overEdge)
          .map(({ id, name, overEdge, tooNear }) =>
            watch(
              id,
              overEdge
                ? say`${name} stands over the edge of the board.`
                : say`${name} stands too near to ${derived.wall.find((each) => each.id === tooNear[0])!.name}.`,
              'Without room about it a unit runs hot and gives less, and hands find no way to its terminals. Direct and alternating current stand apart.',
              { remedy: { label: 'all where there is room', apply: clearWall } },
            ),
          ),
}
