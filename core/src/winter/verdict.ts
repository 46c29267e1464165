import { backupSays } from '../generator/words.ts'
import type { Design } from '../document/types.ts'
import { MONTH_DAYS } from '../calendar/calendar.ts'
import type { FailureSummary } from './outages.ts'
import type { WinterSummary } from './summary.ts'
import { seasonOf } from '../weather/season.ts'
import { amount, counted } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** From this share on, sun is thrown away on bright days; below the other, hardly any is. */
const MUCH_SPILLED = 0.25
const LITTLE_SPILLED = 0.1
/** Share of what is served below which backup and shortage together count as nothing. */
const ALMOST_ALONE = 0.02

/**
 * What holds a design back in winter, in words: what carries the dark months and how much sun is thrown away, and what
 * the run proved of more storage against more modules. The energies alone prove nothing of that, so nothing is said
 * before it has been tried.
 *
 * @param proved of {@link provedBottleneck}, or null while nothing has been tried
 */
export function verdict(design: Design, winter: WinterSummary, proved: Words | null = null): Words {
  const { dark, array, curtailed, generated, fromGrid, other, unmet } = inDarkMonths(design, winter)
  const spilled = array + curtailed > 0 ? curtailed / (array + curtailed) : 0
  const supplied = array + other + generated + fromGrid
  const share = supplied > 0 ? generated / supplied : 0
  const percent = (value: number) => say`${amount(value * 100, '%')}`
  const failures = failuresThatRule(design, winter)
  if (failures)
    return say`The grid gives ${percent(fromGrid / supplied)} of the energy supplied in the dark months. ${howItFails(failures, winter.years)}`
  if (!needsHelp(design, winter))
    return say`The sun carries the dark months almost alone; ${percent(spilled)} of it is even left over.`
  const leans =
    generated >= unmet
      ? say`${backupSays(design)} gives ${percent(share)} of the energy supplied in the dark months`
      : say`${amount(unmet, 'kWh')} are short in the dark months`
  const thrown =
    spilled < LITTLE_SPILLED
      ? 'hardly any sun is thrown away'
      : say`${percent(spilled)} of the sun is thrown away${spilled > MUCH_SPILLED ? ' on bright days' : ''}`
  const says = say`${leans}, and ${thrown}. ${howFull(winter, dark)}`
  return proved ? say`${says} ${proved}` : says
}

/** Whether a design lives by its sun, which does not carry the dark months: then more storage or modules could save something. */
export function needsHelp(design: Design, winter: WinterSummary): boolean {
  const { generated, fromGrid, unmet, served } = inDarkMonths(design, winter)
  return failuresThatRule(design, winter) === null && unmet + generated + fromGrid >= ALMOST_ALONE * served
}

/** How a grid fails that gives more than any generator does: where there is one, that is what the verdict is about. */
function failuresThatRule(design: Design, winter: WinterSummary): FailureSummary | null {
  const { generated, fromGrid } = inDarkMonths(design, winter)
  return fromGrid > generated ? winter.failures : null
}

/** Sums over the four darkest months, kWh. */
function inDarkMonths(design: Design, { months }: WinterSummary) {
  const dark = seasonOf(design.place).months.slice(1, 5)
  const sum = (byMonth: readonly number[]) => dark.reduce((total, month) => total + byMonth[month], 0)
  return {
    dark,
    array: sum(months.arrayKWh),
    other: sum(months.otherKWh),
    generated: sum(months.generatorKWh),
    fromGrid: sum(months.gridKWh),
    curtailed: sum(months.curtailedKWh),
    served: sum(months.servedKWh),
    unmet: sum(months.unmetKWh),
  }
}

/** How often the grid failed, and what the bank made of it. */
function howItFails({ count, lasted, meanH, darkAfterH, rechargeH }: FailureSummary, years: number): Words {
  if (count === 0) return say`It never failed in ${counted(years, 'year')}.`
  const failed = say`It failed ${counted(count, 'time')} in ${counted(years, 'year')}, ${amount(meanH, 'h')} on average`
  if (lasted === 1)
    return say`${failed}, and what must run went on through all of them; ${rechargeH.oneInTen === null ? 'after most the bank was not back before the next' : say`9 times in 10 the bank was back within ${amount(rechargeH.oneInTen, 'h')}`}.`
  return say`${failed}: what must run went on through ${amount(100 * lasted, '%')} of them; the soonest it went off was after ${amount(darkAfterH.soonest!, 'h')}.`
}

/** How often the bank is full by noon in those months, and how soon it is low again. */
function howFull(winter: WinterSummary, dark: readonly number[]): Words {
  const days = dark.reduce((total, month) => total + MONTH_DAYS[month], 0)
  const full = dark.reduce((total, month) => total + winter.months.fullByNoonDays[month], 0)
  const often = say`The bank is full before noon on ${amount((100 * full) / days, '%')} of those days`
  return winter.fullToStartDays > 0
    ? say`${often}, and needs help ${amount(winter.fullToStartDays, '', 1)} days after it was last full.`
    : say`${often}.`
}
