import { HOURS, MONTH_START } from '../../calendar/calendar.ts'
import type { SunYear } from '../../sun/geometry.ts'
import type { ColumnMapping } from './columns.ts'
import { CHANNEL_RANGE, channelsOf, MOST_YEARS, type Channel, type HourlySeries } from './series.ts'
import type { RowNote, RowReader } from './rows.ts'

/** Gaps up to this long are filled; longer ones refuse the year they lie in. */
export const LONGEST_FILLED_GAP_H = 6
/** A channel the run can do without is dropped when more than this share of it is missing. */
const GAPPY = 0.02

/** What was made of a file. */
export interface ImportReport {
  rows: number
  years: number
  /** gaps that were filled */
  filled: RowNote[]
  filledHours: number
  /** what could not be taken, first sixty */
  refused: RowNote[]
  refusedCount: number
  /** what a person should know: leap days, dropped years, a clock that seems wrong */
  notes: string[]
}

/** The file cannot be used; says why, naming rows where there are any. */
export class ImportRefused extends Error {
  constructor(
    message: string,
    readonly rows: RowNote[] = [],
  ) {
    super(message)
  }
}

/** Hours on a calendar without leap days: slot = year × 8760 + hour of the year. */
interface Slots {
  slot: Float64Array
  first: number
  last: number
}

/**
 * Puts the rows of a file on whole hours and whole years.
 *
 * Rows finer than an hour are averaged (snowfall added up); leap days are dropped; gaps up to six hours are filled, the
 * sun by its clearness, everything else in a straight line; a year with a longer gap in sun or temperature is left out,
 * and where none remains the file is refused with the rows of the gaps.
 *
 * @param reader holds the rows
 * @param sun of the place the hours are for, on the file's own clock
 * @throws ImportRefused
 */
export function assembleHours(
  reader: RowReader,
  mapping: ColumnMapping,
  sun: SunYear,
): { series: HourlySeries; report: ImportReport } {
  if (reader.count < 48)
    throw new ImportRefused(`only ${reader.count} rows could be read; a year has 8760`, reader.refused)
  const report: ImportReport = {
    rows: reader.count,
    years: 0,
    filled: [],
    filledHours: 0,
    refused: reader.refused,
    refusedCount: 0,
    notes: [],
  }
  const slots = placeRows(reader, mapping, report)
  const grid = new HourGrid(reader, slots, report)
  const blocks = grid.wholeYears()
  const series = grid.cut(blocks, mapping.utcOffsetH, sun)
  report.years = series.years
  report.refusedCount = reader.refusedCount
  checkClock(series, sun, report)
  limitToSky(series, sun, report)
  return { series, report }
}

/** The minutes between two rows that follow each other: the commonest distance. */
function stepMinutes(reader: RowReader): number {
  const counts = new Map<number, number>()
  const { values } = reader.minutes
  for (let i = 1; i < Math.min(reader.count, 5000); i++) {
    const step = values[i] - values[i - 1]
    if (step > 0) counts.set(step, (counts.get(step) ?? 0) + 1)
  }
  const [most] = [...counts].sort((a, b) => b[1] - a[1])
  return most?.[0] ?? 60
}

function placeRows(reader: RowReader, mapping: ColumnMapping, report: ImportReport): Slots {
  const step = stepMinutes(reader)
  if (step > 60)
    throw new ImportRefused(`rows are ${step} minutes apart; the run needs one an hour or finer`, [
      { fromRow: reader.rowOf.values[0], toRow: reader.rowOf.values[1], says: `${step} minutes between these rows` },
    ])
  if (step < 60) report.notes.push(`Rows every ${step} minutes were averaged to hours.`)
  const shift = mapping.label === 'beginning' ? 0 : mapping.label === 'ending' ? step : step / 2
  const slot = new Float64Array(reader.count)
  const years = new Int32Array(reader.count)
  let leap = 0
  for (let i = 0; i < reader.count; i++) {
    const at = new Date(Math.floor((reader.minutes.values[i] - shift) / 60) * 3_600_000)
    const month = at.getUTCMonth()
    const day = at.getUTCDate()
    years[i] = at.getUTCFullYear()
    if (month === 1 && day === 29) {
      slot[i] = NaN
      leap++
    } else slot[i] = (MONTH_START[month] + day - 1) * 24 + at.getUTCHours()
  }
  if (leap > 0) report.notes.push(`${leap} rows of 29 February were left out; every year has 365 days here.`)
  return byYear(slot, years, report)
}

/** Calendar years where they run on; one after another where a typical year mixes months of different years. */
function byYear(hourOfYear: Float64Array, years: Int32Array, report: ImportReport): Slots {
  const calendar = hourOfYear.map((hour, i) => years[i] * HOURS + hour)
  let turn = 0
  let before = NaN
  const sequence = hourOfYear.map((hour) => {
    if (hour < before - HOURS / 2) turn++
    if (!Number.isNaN(hour)) before = hour
    return turn * HOURS + hour
  })
  const spans = [calendar, sequence].map(spanOf)
  const typical = spans[1].cover > spans[0].cover + 0.05
  if (typical) report.notes.push('The months come from different years: read as one typical year.')
  const { slot, first, last } = spans[typical ? 1 : 0]
  if (last - first + 1 > MOST_YEARS * HOURS)
    throw new ImportRefused(
      `the times reach over ${Math.round((last - first) / HOURS)} years; at most ${MOST_YEARS}. Is a year mistyped, or the order of day and month another?`,
    )
  return { slot, first, last }
}

/** First and last hour of some slots, and the share of the hours between that are there. */
function spanOf(slot: Float64Array): { slot: Float64Array; first: number; last: number; cover: number } {
  let first = Infinity
  let last = -Infinity
  for (const each of slot)
    if (!Number.isNaN(each)) {
      first = Math.min(first, each)
      last = Math.max(last, each)
    }
  const length = last - first + 1
  if (!(length <= MOST_YEARS * HOURS)) return { slot, first, last, cover: 0 }
  const there = new Uint8Array(length)
  for (const each of slot) if (!Number.isNaN(each)) there[each - first] = 1
  return { slot, first, last, cover: there.reduce((sum, hour) => sum + hour, 0) / length }
}

class HourGrid {
  private readonly start: number
  private readonly hours: number
  private readonly grids: Partial<Record<Channel, Float64Array>> = {}
  private readonly rowAt: Int32Array

  constructor(
    reader: RowReader,
    private readonly slots: Slots,
    private readonly report: ImportReport,
  ) {
    this.start = slots.first
    this.hours = slots.last - slots.first + 1
    this.rowAt = new Int32Array(this.hours)
    for (const channel of reader.channels) this.grids[channel] = this.gridOf(reader, channel)
    this.markRows(reader)
  }

  /** Notes which row each hour came from, and rows that say an hour twice. */
  private markRows(reader: RowReader): void {
    const step = stepMinutes(reader)
    const seen = new Uint8Array(this.rowAt.length)
    for (let i = 0; i < reader.count; i++) {
      const at = this.slots.slot[i] - this.start
      if (!(at >= 0 && at < this.rowAt.length)) continue
      this.rowAt[at] = reader.rowOf.values[i]
      if (++seen[at] > 60 / step)
        reader.refuse(reader.rowOf.values[i], 'says an hour that an earlier row has said; the mean of both was taken')
    }
  }

  private gridOf(reader: RowReader, channel: Channel): Float64Array {
    const sums = new Float64Array(this.hours)
    const counts = new Uint16Array(this.hours)
    const values = reader.values(channel)!
    for (let i = 0; i < reader.count; i++) {
      const at = this.slots.slot[i] - this.start
      if (!(at >= 0 && at < this.hours) || Number.isNaN(values[i])) continue
      sums[at] += values[i]
      counts[at]++
    }
    const adds = channel === 'snowfallCm'
    return sums.map((sum, i) => (counts[i] === 0 ? NaN : adds ? sum : sum / counts[i]))
  }

  /** Starts of the years (in hours from the first) that can be used. */
  wholeYears(): number[] {
    const whole = Math.floor((this.hours + LONGEST_FILLED_GAP_H) / HOURS)
    if (whole < 1)
      throw new ImportRefused(`the rows cover ${Math.floor(this.hours / 24)} days; a whole year of 365 is needed`, [
        { fromRow: this.rowAt[0], toRow: this.rowAt.at(-1) ?? 0, says: 'all of the file' },
      ])
    const over = Math.floor((this.hours - whole * HOURS) / 24)
    if (over >= 1) this.report.notes.push(`${over} days after the last whole year were left out.`)
    const gaps: RowNote[] = []
    const starts = Array.from({ length: whole }, (_, year) => year * HOURS).filter((from) => {
      const long = this.longGaps(from)
      for (const gap of long) gaps.push(gap)
      return long.length === 0
    })
    if (starts.length === 0)
      throw new ImportRefused(
        `every year has a gap longer than ${LONGEST_FILLED_GAP_H} hours; the first: ${gaps[0].says}`,
        gaps.slice(0, 60),
      )
    if (gaps.length > 0)
      this.report.notes.push(
        `${whole - starts.length} of ${whole} years were left out for gaps longer than ${LONGEST_FILLED_GAP_H} hours: ${gaps
          .slice(0, 5)
          .map(({ fromRow, toRow, says }) => `rows ${fromRow}–${toRow} (${says})`)
          .join('; ')}${gaps.length > 5 ? ` and ${gaps.length - 5} more` : ''}.`,
      )
    return starts
  }

  private longGaps(from: number): RowNote[] {
    const needed = [this.grids.ghiWM2 ?? this.grids.dhiWM2!, this.grids.airC!]
    const names = ['sun', 'temperature']
    return needed.flatMap((grid, i) =>
      gapsOf(grid, from, from + HOURS)
        .filter(({ length }) => length > LONGEST_FILLED_GAP_H)
        .map((gap) => ({
          ...this.rowsAround(gap),
          says: `${gap.length} ${gap.length === 1 ? 'hour' : 'hours'} without ${names[i]}`,
        })),
    )
  }

  /** Rows of the file on either side of a gap. */
  private rowsAround({ at, length }: Gap): { fromRow: number; toRow: number } {
    let from = at
    let to = at + length - 1
    if (this.rowAt[from] === 0 || this.rowAt[to] === 0) {
      while (from > 0 && !this.rowAt[from]) from--
      while (to < this.rowAt.length - 1 && !this.rowAt[to]) to++
    }
    return {
      fromRow: this.rowAt[from] ?? 0,
      toRow: this.rowAt[Math.min(to, this.rowAt.length - 1)] || this.rowAt[from],
    }
  }

  /** The chosen years one after another, filled; hours before the first midnight go to the end, a year later. */
  cut(starts: readonly number[], utcOffsetH: number, sun: SunYear): HourlySeries {
    const firstHour = ((this.start % HOURS) + HOURS) % HOURS
    const series = this.fromFirstRow(starts, utcOffsetH, sun, firstHour)
    const into = firstHour % 24
    if (into > 0) for (const channel of channelsOf(series)) series[channel] = turned(series[channel]!, into)
    return series
  }

  private fromFirstRow(starts: readonly number[], utcOffsetH: number, sun: SunYear, firstHour: number): HourlySeries {
    const skyOf = (i: number) => sun.extraWhM2[(firstHour + i) % HOURS]
    const take = (grid: Float64Array | undefined) => {
      if (!grid) return null
      const out = new Float64Array(starts.length * HOURS).fill(NaN)
      starts.forEach((from, year) => out.set(grid.subarray(from, Math.min(from + HOURS, grid.length)), year * HOURS))
      return out
    }
    const { ghi, dhi } = sunOf(
      take(this.grids.ghiWM2),
      take(this.grids.dniWM2),
      take(this.grids.dhiWM2),
      sun,
      firstHour,
    )
    this.fill(ghi, 'ghiWM2', starts, skyOf)
    const airC = take(this.grids.airC)!
    this.fill(airC, 'airC', starts)
    const series: HourlySeries = {
      firstDay: Math.floor(firstHour / 24),
      years: starts.length,
      utcOffsetH,
      ghiWM2: Float32Array.from(ghi),
      airC: Float32Array.from(airC),
      dhiWM2: this.spare(dhi, 'dhiWM2', starts, skyOf),
      windMS: this.spare(take(this.grids.windMS), 'windMS', starts),
      snowfallCm: this.snow(take(this.grids.snowfallCm), take(this.grids.snowDepthCm), starts),
    }
    if (series.dhiWM2) series.dhiWM2.forEach((value, i) => (series.dhiWM2![i] = Math.min(value, series.ghiWM2[i])))
    return series
  }

  /** A channel the run can do without: dropped with a note where it is too thin. */
  private spare(
    values: Float64Array | null,
    channel: Channel,
    starts: readonly number[],
    skyOf?: (i: number) => number,
  ): Float32Array | null {
    if (!values) return null
    const missing = values.reduce((count, value) => count + (Number.isNaN(value) ? 1 : 0), 0)
    const long = gapsOf(values, 0, values.length).some(({ length }) => length > LONGEST_FILLED_GAP_H)
    if (missing > GAPPY * values.length || (long && channel === 'dhiWM2')) {
      this.report.notes.push(
        `${CHANNEL_RANGE[channel].name} misses ${missing} hours and was left out; the place’s own figure or model stands in.`,
      )
      return null
    }
    this.fill(values, channel, starts, skyOf)
    return Float32Array.from(values)
  }

  private snow(fall: Float64Array | null, depth: Float64Array | null, starts: readonly number[]): Float32Array | null {
    if (fall) {
      const kept = fall.map((value) => (Number.isNaN(value) ? 0 : value))
      return kept.some((value) => value > 0) ? Float32Array.from(kept) : null
    }
    const depths = this.spare(depth, 'snowDepthCm', starts)
    if (!depths) return null
    const grown = depths.map((value, i) => (i % HOURS === 0 ? 0 : Math.max(0, value - depths[i - 1])))
    if (!grown.some((value) => value > 0)) return null
    this.report.notes.push('Snowfall was read off the growth of the snow depth.')
    return grown
  }

  private fill(values: Float64Array, channel: Channel, starts: readonly number[], skyOf?: (i: number) => number): void {
    for (const gap of gapsOf(values, 0, values.length)) {
      fillGap(values, gap, skyOf)
      const from = starts[Math.floor(gap.at / HOURS)] + (gap.at % HOURS)
      const rows = this.rowsAround({ at: Math.min(from, this.rowAt.length - 1), length: gap.length })
      this.report.filledHours += gap.length
      if (this.report.filled.length < 60)
        this.report.filled.push({ ...rows, says: `${gap.length} h of ${CHANNEL_RANGE[channel].name} filled` })
    }
  }
}

/** Values moved on by some places, the last to the front. */
function turned(values: Float32Array, by: number): Float32Array {
  const out = new Float32Array(values.length)
  out.set(values.subarray(values.length - by))
  out.set(values.subarray(0, values.length - by), by)
  return out
}

interface Gap {
  at: number
  length: number
}

function gapsOf(values: Float64Array, from: number, to: number): Gap[] {
  const gaps: Gap[] = []
  let at = -1
  for (let i = from; i <= to; i++) {
    const missing = i < to && (i >= values.length || Number.isNaN(values[i]))
    if (missing && at < 0) at = i
    if (!missing && at >= 0) {
      gaps.push({ at, length: i - at })
      at = -1
    }
  }
  return gaps
}

/** In a straight line between the neighbours; with a sky, the share of that sky runs in a straight line. */
function fillGap(values: Float64Array, { at, length }: Gap, skyOf?: (i: number) => number): void {
  const share = (i: number): number => {
    if (i < 0 || i >= values.length || Number.isNaN(values[i])) return NaN
    if (!skyOf) return values[i]
    return skyOf(i) > 20 ? values[i] / skyOf(i) : NaN
  }
  const reach = skyOf ? 24 : 1
  let before = NaN
  for (let back = 1; back <= reach && Number.isNaN(before); back++) before = share(at - back)
  let after = NaN
  for (let on = 0; on < reach && Number.isNaN(after); on++) after = share(at + length + on)
  if (Number.isNaN(before)) before = Number.isNaN(after) ? 0 : after
  if (Number.isNaN(after)) after = before
  for (let i = 0; i < length; i++) {
    const along = before + ((i + 1) / (length + 1)) * (after - before)
    values[at + i] = skyOf ? along * skyOf(at + i) : along
  }
}

/** Global and diffuse from whichever two of global, direct and diffuse there are. */
function sunOf(
  ghi: Float64Array | null,
  dni: Float64Array | null,
  dhi: Float64Array | null,
  sun: SunYear,
  firstHour: number,
): { ghi: Float64Array; dhi: Float64Array | null } {
  const cosine = (i: number) => Math.max(0, sun.cosZenith[(firstHour + i) % HOURS])
  if (!ghi) return { ghi: dhi!.map((value, i) => value + dni![i] * cosine(i)), dhi }
  if (dhi || !dni) return { ghi, dhi }
  return { ghi, dhi: ghi.map((value, i) => Math.max(0, value - dni[i] * cosine(i))) }
}

/** No hour may hold more sun than stands outside the atmosphere. */
function limitToSky(series: HourlySeries, sun: SunYear, report: ImportReport): void {
  let cut = 0
  let hours = 0
  let sum = 0
  series.ghiWM2.forEach((value, i) => {
    const limit = sun.extraWhM2[(series.firstDay * 24 + i) % HOURS]
    sum += value
    if (value <= limit) return
    cut += value - limit
    if (value - limit > 5) hours++
    series.ghiWM2[i] = limit
  })
  if (sum <= 0) throw new ImportRefused('the irradiance column holds no sun at all; is another column meant?')
  if (series.dhiWM2) series.dhiWM2.forEach((value, i) => (series.dhiWM2![i] = Math.min(value, series.ghiWM2[i])))
  if (hours > 0)
    report.notes.push(
      `${hours} hours held more sun than stands outside the atmosphere and were lowered to it (${((100 * cut) / sum).toFixed(1)} % of the energy).`,
    )
}

/** A clock or a label that is wrong shows as a sun that culminates early or late. */
function checkClock(series: HourlySeries, sun: SunYear, report: ImportReport): void {
  const file = new Float64Array(24)
  const sky = new Float64Array(24)
  series.ghiWM2.forEach((value, i) => {
    file[i % 24] += value
    sky[i % 24] += sun.extraWhM2[(series.firstDay * 24 + i) % HOURS]
  })
  const match = (shift: number) => {
    let sum = 0
    for (let hour = 0; hour < 24; hour++) sum += file[hour] * sky[(hour - shift + 24) % 24]
    return sum
  }
  let best = 0
  for (let shift = -11; shift <= 12; shift++) if (match(shift) > match(best) * 1.001) best = shift
  if (best !== 0)
    report.notes.push(
      `The sun of this file stands ${Math.abs(best)} h ${best > 0 ? 'late' : 'early'} against the place: the clock, the hour label or the coordinates are probably wrong.`,
    )
}
