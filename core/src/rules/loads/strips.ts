import { shareOut } from '../../change/strips.ts'
import type { Load } from '../../document/types.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Shares add up to one within this. */
const NEAR = 0.005

/** A metered strip's reading is one, and its shares are the whole of it. */
export const strips: Rule = {
  id: 'loads.strips',
  step: 'loads',
  check: ({ design }) => {
    const byStrip = new Map<string, Load[]>()
    for (const load of design.loads)
      if (load.basis === 'strip') byStrip.set(load.strip, [...(byStrip.get(load.strip) ?? []), load])
    return [...byStrip].flatMap(([strip, loads]) => {
      const [{ id, meteredKWh, meteredHours }] = loads
      const one = loads.every((each) => each.meteredKWh === meteredKWh && each.meteredHours === meteredHours)
      const total = loads.reduce((sum, { stripShare }) => sum + stripShare, 0)
      if (one && Math.abs(total - 1) <= NEAR) return []
      return [
        watch(
          id,
          one
            ? say`The shares of “${strip}” come to ${percent(total)} of what its meter counted.`
            : say`The loads on “${strip}” name different readings of its one meter.`,
          'What one meter counted is shared out whole: something is counted twice, or not at all.',
          {
            remedy: {
              label: 'share it out again',
              apply: shareOut(strip, new Set(loads.map((each) => each.id)), meteredKWh ?? 0, meteredHours ?? 168),
            },
          },
        ),
      ]
    })
  },
}
