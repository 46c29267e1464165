import { nextId } from '../design/defaults.ts'
import type { ArrayField, Design } from '../document/types.ts'
import { trackerNeedsV } from './layouts.ts'
import { coldVoltage, hottestCellC, hotVoltage } from './voltage.ts'

/** One string as it lies on the board. */
export interface BoardString {
  /** tells it apart on the board: array and number within it */
  key: string
  arrayId: string
  inSeries: number
  controllerId: string
}

export function boardStrings({ arrays }: Pick<Design, 'arrays'>): BoardString[] {
  return arrays.flatMap(({ id, inSeries, inParallel, controllerId }) =>
    Array.from({ length: inParallel }, (_, i) => ({ key: `${id}:${i}`, arrayId: id, inSeries, controllerId })),
  )
}

/** A string with what it comes to on its controller. */
export interface BoardRow extends BoardString {
  name: string
  module: string
  coldV: number
  hotV: number
  amps: number
  /** over the controller's absolute limit on the coldest dawn */
  tooHigh: boolean
  /** under what its tracker needs on the hottest afternoon */
  tooLow: boolean
}

/**
 * Every string of the board with its voltages, by the school the design has chosen.
 * @param chargeV highest charging voltage of the bank, V
 */
export function boardRows(design: Design, chargeV: number): BoardRow[] {
  const { place, schools, arrays, controllers } = design
  return boardStrings(design).flatMap((string) => {
    const array = arrays.find(({ id }) => id === string.arrayId)!
    const part = controllers.find(({ id }) => id === string.controllerId)?.part
    if (!part) return []
    const { module } = array
    const { inSeries } = string
    const { vocV, betaVocPctPerK } = module
    const coldV = coldVoltage({
      inSeries,
      vocV,
      betaVocPctPerK,
      coldestC: place.recordLowC,
      method: schools.coldVoltage,
    })
    const hotV = hotVoltage({
      inSeries,
      vmpV: module.vmpV,
      betaVmpPctPerK: module.gammaPctPerK,
      hottestCellC: hottestCellC(place.recordHighC, module),
    })
    return [
      {
        ...string,
        name: `${array.name} ${Number(string.key.split(':').at(-1)) + 1}`,
        module: module.name,
        coldV,
        hotV,
        amps: module.impA,
        tooHigh: coldV > part.maxInputV,
        tooLow: part.kind !== 'pulse-width' && hotV < trackerNeedsV(part, chargeV),
      },
    ]
  })
}

/**
 * Moves a string to another controller.
 * @throws RangeError for a string or a controller that is not there
 */
export function moveString(design: Design, key: string, controllerId: string): Design {
  if (!design.controllers.some(({ id }) => id === controllerId))
    throw new RangeError(`controller ${controllerId} is not in the design`)
  const strings = boardStrings(design)
  stringOf(strings, key).controllerId = controllerId
  return { ...design, arrays: regroup(design, strings) }
}

/**
 * Moves one module from a string to another; a string left without modules is gone.
 * @throws RangeError where the strings are of different modules, or are not there
 */
export function moveModule(design: Design, fromKey: string, toKey: string): Design {
  if (fromKey === toKey) return design
  const strings = boardStrings(design)
  const from = stringOf(strings, fromKey)
  const to = stringOf(strings, toKey)
  const moduleOf = ({ arrayId }: BoardString) => design.arrays.find(({ id }) => id === arrayId)!.module
  if (JSON.stringify(moduleOf(from)) !== JSON.stringify(moduleOf(to)))
    throw new RangeError(`“${moduleOf(from).name}” cannot go into a string of “${moduleOf(to).name}”`)
  from.inSeries--
  to.inSeries++
  const left = strings.filter(({ inSeries }) => inSeries > 0)
  return { ...design, arrays: regroup(design, left) }
}

function stringOf(strings: BoardString[], key: string): BoardString {
  const found = strings.find((string) => string.key === key)
  if (!found) throw new RangeError(`string ${key} is not on the board`)
  return found
}

/** Strings that are alike become one array again; what differs from its own array becomes one of its own. */
function regroup(design: Design, strings: readonly BoardString[]): ArrayField[] {
  const made: ArrayField[] = []
  const taken = new Set<string>()
  for (const { arrayId, inSeries, controllerId } of strings) {
    const origin = design.arrays.find(({ id }) => id === arrayId)!
    const wanted = { ...origin, inSeries, controllerId }
    const alike = made.find((array) => sameBut(array, wanted))
    if (alike) {
      alike.inParallel++
      continue
    }
    const id = taken.has(arrayId) ? nextId('array', [...design.arrays, ...made]) : arrayId
    taken.add(arrayId)
    made.push({
      ...wanted,
      id,
      name: id === arrayId ? origin.name : `${origin.name}, ${inSeries} in series`,
      inParallel: 1,
    })
  }
  return made
}

/** Alike in everything but what an array is called and how many strings it has. */
function sameBut(a: ArrayField, b: ArrayField): boolean {
  const bare = ({ id: _id, name: _name, inParallel: _inParallel, ...rest }: ArrayField) => JSON.stringify(rest)
  return bare(a) === bare(b)
}
