import type { Design } from '../document/types.ts'
import { stringMostV, trackerNeedsV } from './layouts.ts'
import { coldVoltage, hottestCellC, hotVoltage } from './voltage.ts'

/** One string as it lies on the board. */
export interface BoardString {
  /** tells it apart on the board: array and number within it */
  key: string
  arrayId: string
  inSeries: number
  controllerId: string
}

/** Every string of every array as it lies on the board, in the order of the arrays. */
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
  /** over what the controller survives or the module is insulated for on the coldest dawn */
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
        tooHigh: coldV > stringMostV(module, part),
        tooLow: part.kind !== 'pulse-width' && hotV < trackerNeedsV(part, chargeV),
      },
    ]
  })
}
