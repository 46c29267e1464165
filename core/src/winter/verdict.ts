import type { Design } from '../design/types.ts'
import { darkMonths } from '../sun/calendar.ts'
import { significant } from '../units/format.ts'
import type { WinterSummary } from './summary.ts'

/**
 * One sentence that says what holds a design back in winter, from the energies of the run: much curtailed in the dark
 * months means storage is short, little curtailed and much generated means sun is.
 */
export function verdict(design: Design, winter: WinterSummary): string {
  const dark = darkMonths(design.place.latitudeDeg).slice(1, 5)
  const sum = (months: readonly number[]) => dark.reduce((total, month) => total + months[month], 0)
  const array = sum(winter.months.arrayKWh)
  const curtailed = sum(winter.months.curtailedKWh)
  const generated = sum(winter.months.generatorKWh)
  const unmet = sum(winter.months.unmetKWh)
  const served = sum(winter.months.servedKWh)
  const spilled = array + curtailed > 0 ? curtailed / (array + curtailed) : 0
  const share = served > 0 ? generated / served : 0
  const percent = (value: number) => `${significant(value * 100, 2)} %`
  if (unmet + generated < 0.02 * served)
    return `The sun carries the dark months almost alone; ${percent(spilled)} of it is even left over.`
  const leans =
    generated >= unmet
      ? `The generator gives ${percent(share)} of the dark months’ energy`
      : `${significant(unmet)} kWh of the dark months go unmet`
  if (spilled > 0.25)
    return `${leans}, while ${percent(spilled)} of the sun is thrown away on bright days. Storage, or a generator that fills it too far, holds this design back rather than panels.`
  if (spilled < 0.1)
    return `${leans}, and hardly any sun is thrown away. Panels or loads hold this design back, not storage.`
  return `${leans}; ${percent(spilled)} of the sun is thrown away. Panels and storage are in balance, and both are short of the load.`
}
