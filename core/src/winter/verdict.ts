import type { Design } from '../design/types.ts'
import { darkMonths } from '../sun/calendar.ts'
import { significant } from '../units/format.ts'
import type { WinterSummary } from './summary.ts'

/**
 * What holds a design back in winter, in words. The energies of the run only point to it (much curtailed in the dark
 * months to storage, little to panels); where single changes have been tried, what they prove is said instead.
 *
 * @param proved of {@link provedBottleneck}, or null while nothing has been tried
 */
export function verdict(design: Design, winter: WinterSummary, proved: string | null = null): string {
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
  const thrown =
    spilled < 0.1
      ? 'hardly any sun is thrown away'
      : `${percent(spilled)} of the sun is thrown away${spilled > 0.25 ? ' on bright days' : ''}`
  if (proved) return `${leans}, and ${thrown}. ${proved}`
  const points =
    spilled > 0.25
      ? 'That points to storage, or to a generator that fills it too far'
      : spilled < 0.1
        ? 'That points to panels or loads rather than storage'
        : 'That points to panels and storage alike'
  return `${leans}, and ${thrown}. ${points}; What next tries it over the same winters.`
}
