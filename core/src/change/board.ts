import { boardStrings, type BoardString } from '../array/board.ts'
import { nextId } from '../design/defaults.ts'
import type { ArrayField, Design } from '../document/types.ts'
import { COUNTS, LETTERS } from '../fields/limits.ts'
import type { Change } from './change.ts'

/**
 * Moves a string of the board to another controller.
 *
 * @param key of the string on the board
 * @throws RangeError for a string or a controller that is not there
 */
export const moveString =
  (key: string, controllerId: string): Change =>
  (design) => {
    if (!design.controllers.some(({ id }) => id === controllerId))
      throw new RangeError(`controller ${controllerId} is not in the design`)
    const strings = boardStrings(design)
    stringOf(strings, key).controllerId = controllerId
    return laid(design, strings)
  }

/**
 * Moves one module from a string of the board to another; a string left without modules is gone.
 *
 * @throws RangeError where the strings are of different modules, or are not there
 */
export const moveModule =
  (fromKey: string, toKey: string): Change =>
  (design) => {
    if (fromKey === toKey) return design
    const strings = boardStrings(design)
    const from = stringOf(strings, fromKey)
    const to = stringOf(strings, toKey)
    const moduleOf = ({ arrayId }: BoardString) => design.arrays.find(({ id }) => id === arrayId)!.module
    if (JSON.stringify(moduleOf(from)) !== JSON.stringify(moduleOf(to)))
      throw new RangeError(`“${moduleOf(from).name}” cannot go into a string of “${moduleOf(to).name}”`)
    from.inSeries--
    to.inSeries++
    return laid(
      design,
      strings.filter(({ inSeries }) => inSeries > 0),
    )
  }

function stringOf(strings: BoardString[], key: string): BoardString {
  const found = strings.find((string) => string.key === key)
  if (!found) throw new RangeError(`string ${key} is not on the board`)
  return found
}

/** The design with its strings as they lie now; as it was where they would be more than there may be. */
function laid(design: Design, strings: readonly BoardString[]): Design {
  const arrays = regroup(design, strings)
  const tooMany = arrays.length > COUNTS.arrays || arrays.some(({ inSeries }) => inSeries > COUNTS.modulesInSeries)
  return tooMany ? design : { ...design, arrays }
}

/** Strings that are alike become one array again; what differs from its own array becomes one of its own. */
function regroup(design: Design, strings: readonly BoardString[]): ArrayField[] {
  const made: ArrayField[] = []
  const taken = new Set<string>()
  for (const { arrayId, inSeries, controllerId } of strings) {
    const origin = design.arrays.find(({ id }) => id === arrayId)!
    const wanted = { ...origin, inSeries, controllerId }
    const alike = made.find((array) => sameBut(array, wanted) && array.inParallel < COUNTS.stringsOfArray)
    if (alike) {
      alike.inParallel++
      continue
    }
    const own = !taken.has(arrayId)
    taken.add(arrayId)
    made.push({
      ...wanted,
      id: own ? arrayId : nextId('array', [...design.arrays, ...made]),
      name: own ? origin.name : nameOf(origin, inSeries),
      inParallel: 1,
    })
  }
  return made
}

const SPLIT = /, \d+ in series$/

/** What strings split off an array are called. */
function nameOf({ name }: ArrayField, inSeries: number): string {
  const told = `, ${inSeries} in series`
  return `${name.replace(SPLIT, '').slice(0, LETTERS.name - told.length)}${told}`
}

/** Alike in everything but what an array is called and how many strings it has. */
function sameBut(a: ArrayField, b: ArrayField): boolean {
  const bare = ({ id: _id, name: _name, inParallel: _inParallel, ...rest }: ArrayField) => JSON.stringify(rest)
  return bare(a) === bare(b)
}
