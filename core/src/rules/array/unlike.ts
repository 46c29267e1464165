import type { Design } from '../../document/types.ts'
import { nextId } from '../../design/defaults.ts'
import { structuredCloneOf } from '../../parts/shelf.ts'
import { stringKind, type UnlikeGroup } from '../../array/unlike.ts'
import { watch, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const unlikeStrings: Rule = {
  id: 'array.unlike',
  step: 'array',
  check: ({ design, derived }) =>
    derived.unlike.map((group) => {
      const names = group.arrayIds.map((id) => design.arrays.find((array) => array.id === id)!.name)
      const loss = Math.max(group.brightLoss, group.dullLoss)
      return watch(
        group.arrayIds[0],
        say`${names.join(' and ')} are unlike and work on one tracker.`,
        say`They must share one voltage and lose ${percent(group.brightLoss)} in bright light, ${percent(group.dullLoss)} in dull. ${loss < 0.02 ? 'That is little; a second controller would hardly pay.' : 'A tracker for each gets it back.'}`,
        { remedy: { label: 'a tracker for each', apply: (d: Design) => apart(d, group) } },
      )
    }),
}

/** Puts every kind after the first on a free tracker of the controller, or on a controller of its own. */
function apart(design: Design, group: UnlikeGroup): Design {
  const next = structuredCloneOf(design)
  const controller = next.controllers.find(({ id }) => id === group.controllerId)!
  const used = new Set(
    next.arrays.filter(({ controllerId }) => controllerId === controller.id).map((each) => each.tracker),
  )
  const arrays = group.arrayIds.map((id) => next.arrays.find((array) => array.id === id)!)
  const places = new Map([[stringKind(arrays[0]), { controllerId: controller.id, tracker: group.tracker }]])
  for (const array of arrays) {
    const kind = stringKind(array)
    if (!places.has(kind)) {
      const free = Array.from({ length: controller.part.trackers }, (_, t) => t + 1).find((t) => !used.has(t))
      if (free) {
        used.add(free)
        places.set(kind, { controllerId: controller.id, tracker: free })
      } else {
        const own = {
          id: nextId('controller', next.controllers),
          name: `Controller ${next.controllers.length + 1}`,
          part: structuredCloneOf(controller.part),
        }
        next.controllers.push(own)
        places.set(kind, { controllerId: own.id, tracker: 1 })
      }
    }
    Object.assign(array, places.get(kind))
  }
  return next
}
