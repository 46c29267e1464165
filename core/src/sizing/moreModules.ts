import { layouts } from '../array/layouts.ts'
import { arrayRatedW } from '../array/power.ts'
import { takeLayout } from '../change/array.ts'
import type { Change } from '../change/change.ts'
import { layoutQuestionOf } from './layoutQuestion.ts'

/** One string of modules more, laid out anew where the controller does not take it; as it was where nothing does. */
export const moreModules: Change = (design) => {
  const [first] = design.arrays
  if (!first) return design
  const string = first.inSeries * first.module.ratedW
  const total = design.arrays.reduce((sum, array) => sum + arrayRatedW(array), 0)
  const question = layoutQuestionOf(design, 0, total + string)
  const [layout] = question ? layouts(question, 1) : []
  return layout && layout.watts > arrayRatedW(first) ? takeLayout(0, layout)(design) : design
}
