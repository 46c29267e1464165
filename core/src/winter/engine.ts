import { keyOf, pick } from '../document/question.ts'
import { atOnce, type Pieces } from '../math/pieces.ts'
import { cellStringsUp } from '../array/cellStrings.ts'
import { surfaceOf } from '../plane/surface.ts'
import type { ArrayField, Design, Place } from '../document/types.ts'
import { DAYS, HOURS, MONTH_DAYS, MONTH_OF_DAY } from '../calendar/calendar.ts'
import { sunYear, type SunYear } from '../sun/geometry.ts'
import { TiltedPlane, tiltOnDay, type Surface } from '../plane/plane.ts'
import { lifeYears } from '../bank/life.ts'
import { WeatherMaker, type WeatherYear, type YearSource } from '../weather/generate.ts'
import type { HourlySeries } from '../weather/hours/series.ts'
import { ImportedYears } from '../weather/hours/years.ts'
import { climateOf, yearsOfRun } from '../weather/ruling.ts'
import { seasonOf, seasonOfMonths } from '../weather/season.ts'
import { hideUnderSnow, snowOnGround } from '../weather/snow.ts'
import { dayTotal } from '../weather/summary.ts'
import { hoursQuestion, yearHours, type HoursQuestion, type YearHours } from './hours.ts'
import { runYear } from './loop.ts'
import { ageAt } from './ageing.ts'
import { agedPlan, runPlan, type RunPlan } from './plan.ts'
import { RanYears } from './ranYears.ts'
import type { Records, YearResult } from './year.ts'

export interface RunRequest {
  years: number
  seed: number
}

/** Most years one run may ask for. */
export const MAX_YEARS = 1000
const PLANES_KEPT = 12

/**
 * Runs winters of designs and keeps what did not change between one design and the next: the sun's year, the weather
 * years, and the irradiance on each orientation. An edit of a load then costs only the loop, and one that the run does not
 * rest on, as of a price or a name, not even that.
 */
export class WinterEngine {
  private readonly files: Map<string, HourlySeries>
  private sky: Sky | null = null
  private hours: Hours | null = null
  /** other weather was asked for since the last year was run */
  private stale = true
  private planned: Planned | null = null
  private readonly ran = new RanYears()

  /**
   * @param startDay day of year (from 0) on which every year of the run starts, with a full bank; by the place's
   * dark season where it is left out
   */
  constructor(
    private readonly startDay: number | null = null,
    private readonly first: WinterEngine | null = null,
  ) {
    this.files = first?.files ?? new Map()
  }

  /**
   * Another engine for questions beside the runs of this one. It has the weather of this one while it is asked of the
   * same place, and nothing that it is asked pushes out what this one keeps of its design.
   */
  beside(): WinterEngine {
    return new WinterEngine(this.startDay, this)
  }

  /** Hands over the hours of a weather file, so that designs set to them can be run. */
  provide(fileId: string, series: HourlySeries): void {
    this.files.set(fileId, series)
    this.stale = true
  }

  has(fileId: string): boolean {
    return this.files.has(fileId)
  }

  /**
   * One year of a design. Its constants are worked out once for the same document; a document is never changed in place
   * between two years of a run.
   * @param index which year of the sequence, from 0
   * @param records what is to be written down of its steps
   */
  year(design: Design, seed: number, index: number, records: Records = {}): YearResult {
    const { plan, years } = this.plannedFor(design, seed)
    const { trace, charge } = records
    const run = () => {
      const aged = design.winter.ageing && index > 0 ? agedPlan(plan, ageAt(index, this.bankLife(design))) : plan
      return runYear(aged, this.hoursOf(design, seed, index), { trace, charge, seed, index })
    }
    // what is written down is run anew, by other ways through the loop, and not kept for those who ask for less
    return trace || charge ? run() : (years[index] ??= run())
  }

  /** Whether so many years of a design are run already, for it or for one that gives the same. */
  hasRun(design: Design, seed: number, count: number): boolean {
    const { years } = this.plannedFor(design, seed)
    for (let index = 0; index < count; index++) if (!years[index]) return false
    return true
  }

  private plannedFor(design: Design, seed: number): Planned {
    if (this.planned?.design === design && this.planned.seed === seed && !this.stale) return this.planned
    const sky = this.prepare(design, seed)
    const question = hoursQuestion(design)
    const hours = this.keepHours(design, question)
    this.stale = false
    const plan = runPlan(design, this.startOf(design))
    // the plan holds the grid of the document itself, which may be another after the run
    const beside = [design.grid, design.winter.ageing ? design.bank.part : null]
    const years = this.ran.of({ keys: keyOf([sky.key, hours.key, beside]), series: sky.series, plan })
    return (this.planned = { design, seed, question, plan, years, lifeYears: null })
  }

  /** Years the bank lasts by its first year of the run: of cycling or of the calendar, whichever is less. */
  private bankLife(design: Design): number {
    const planned = this.planned!
    if (planned.lifeYears === null) {
      const charge = new Float32Array(HOURS * planned.plan.loads.parts)
      runYear(planned.plan, this.hoursOf(design, planned.seed, 0), { charge, seed: planned.seed })
      planned.lifeYears = lifeYears(charge, 1, design.bank.part).years
    }
    return planned.lifeYears
  }

  private startOf({ place }: Design): number {
    return this.startDay ?? seasonOf(place).startDay
  }

  /**
   * All years of a run, in order; where imported hours rule, no more than they hold.
   * @throws RangeError for a number of years outside 1…1000
   */
  run(design: Design, request: RunRequest): YearResult[] {
    return atOnce(this.years(design, request))
  }

  /** As {@link run}, a year a piece. */
  *years(design: Design, { years, seed }: RunRequest): Pieces<YearResult[]> {
    requireYears(years)
    this.planned = null
    const count = yearsOfRun(design.place, years)
    const results: YearResult[] = []
    for (let index = 0; index < count; index++) {
      if (index > 0) yield
      results.push(this.year(design, seed, index))
    }
    return results
  }

  /** The weather of one year at the design's place. */
  weatherOf(design: Pick<Design, 'place'>, seed: number, index: number): WeatherYear {
    const { weather, source } = this.prepare(design, seed)
    return (weather[index] ??= source.year(seed, index))
  }

  /** Effective irradiance on an array through one year, snow taken off, W/m². */
  planeOf(design: SunQuestion, array: ArrayField, seed: number, index: number): Float32Array {
    return this.planeUnder(this.weatherOf(design, seed, index), design, array, index)
  }

  private planeUnder(weather: WeatherYear, design: SunQuestion, array: ArrayField, index: number): Float32Array {
    const question = planeQuestion(design, array)
    const key = keyOf(question)
    const { planes, tilted } = this.sky!
    let years = planes.get(key)
    if (!years) {
      if (planes.size >= PLANES_KEPT) planes.delete(planes.keys().next().value!)
      planes.set(key, (years = []))
      tilted.delete(key)
    }
    return (years[index] ??= this.makePlane(key, question, weather))
  }

  private makePlane(
    key: string,
    { surface, brushSnowDays, cellStrings }: PlaneQuestion,
    weather: WeatherYear,
  ): Float32Array {
    const sky = this.sky!
    let tilted = sky.tilted.get(key)
    if (!tilted) {
      tilted = new TiltedPlane(sky.sun, surface)
      if (sky.tilted.size >= PLANES_KEPT) sky.tilted.clear()
      sky.tilted.set(key, tilted)
    }
    const plane = this.irradiance(tilted, weather)
    hideUnderSnow(plane, weather, (day) => snowTilt(surface, day), brushSnowDays, cellStrings)
    return plane
  }

  /** Forgets the hours of another design. */
  private keepHours(design: Design, question: HoursQuestion): Hours {
    const sky = this.sky!
    const key = keyOf([question, design.arrays.map((array) => planeQuestion(design, array))])
    const isOf = (hours: Hours | null | undefined): hours is Hours => hours?.key === key && hours.sky === sky
    if (isOf(this.hours)) return this.hours
    const first = this.first?.hours
    return (this.hours = isOf(first) ? first : { sky, key, years: [] })
  }

  private hoursOf(design: Design, seed: number, index: number): YearHours {
    const { years } = this.hours!
    const made = years[index]
    if (made) return made
    const weather = this.weatherOf(design, seed, index)
    const planes = design.arrays.map((array) => this.planeUnder(weather, design, array, index))
    return (years[index] = yearHours(this.planned!.question, weather, planes))
  }

  private prepare({ place }: Pick<Design, 'place'>, seed: number): Sky {
    const question = weatherQuestion(place)
    const key = keyOf([question, seed])
    const series = question.fileId === null ? null : this.seriesOf(question.fileId, place.hours?.name)
    const isOf = (sky: Sky | null | undefined): sky is Sky => sky?.key === key && sky.series === series
    if (isOf(this.sky)) return this.sky
    this.stale = true
    const first = this.first?.sky
    return (this.sky = isOf(first) ? first : this.skyOf(key, question, series))
  }

  private seriesOf(fileId: string, name = ''): HourlySeries {
    const series = this.files.get(fileId)
    if (!series) throw new RangeError(`place.hours ${name}: the hours of this weather file are not loaded`)
    return series
  }

  private skyOf(key: string, { climate, at }: WeatherQuestion, series: HourlySeries | null): Sky {
    const sun = sunYear(at)
    const start = this.startDay ?? seasonOfMonths(at.latitudeDeg, climate.monthly).startDay
    const source = series
      ? new ImportedYears(series, climate, sun, start, at.utcOffsetH)
      : new WeatherMaker(climate, sun, start)
    return { key, series, sun, source, weather: [], planes: new Map(), tilted: new Map() }
  }

  /**
   * What the sky, the horizon and snow leave of the sun on an array, mean kWh/m² a day by month.
   *
   * @param count years to average over
   */
  *sunLeft(design: SunQuestion, array: ArrayField, seed: number, count: number): Pieces<SunLeft> {
    const open = { ...design, place: { ...design.place, horizon: [] } }
    const years = yearsOfRun(design.place, count)
    const bare = (each: SunQuestion, index: number) => {
      const weather = this.weatherOf(each, seed, index)
      const tilted = new TiltedPlane(this.sky!.sun, surfaceOf(each.place, array, each.schools.skyModel))
      return this.irradiance(tilted, weather)
    }
    const left: SunLeft = {
      openKWhM2: Array(12).fill(0),
      horizonKWhM2: Array(12).fill(0),
      snowKWhM2: Array(12).fill(0),
    }
    for (let index = 0; index < years; index++) {
      const start = this.weatherOf(design, seed, index).startDay
      addMonths(left.openKWhM2, bare(open, index), start, years)
      yield
      addMonths(left.horizonKWhM2, bare(design, index), start, years)
      addMonths(left.snowKWhM2, this.planeOf(design, array, seed, index), start, years)
      yield
    }
    return left
  }

  private irradiance(tilted: TiltedPlane, weather: WeatherYear): Float32Array {
    const ground = new Uint8Array(HOURS)
    snowOnGround(weather, ground)
    const plane = new Float32Array(HOURS)
    tilted.fillYear(weather, ground, plane)
    return plane
  }
}

/** The design that is being run: its constants, and its years so far. */
interface Planned {
  design: Design
  seed: number
  question: HoursQuestion
  plan: RunPlan
  years: YearResult[]
  lifeYears: number | null
}

/** What is kept of the hours of one design under one sky: its arrays' power by the weather's years. */
interface Hours {
  sky: Sky
  key: string
  years: (YearHours | undefined)[]
}

/** What is kept of the weather at one place by one seed: the sun's year, the years made so far, and arrays under them. */
interface Sky {
  key: string
  /** the hours it is made from, where a file of them rules */
  series: HourlySeries | null
  sun: SunYear
  source: YearSource
  weather: WeatherYear[]
  planes: Map<string, (Float32Array | undefined)[]>
  tilted: Map<string, TiltedPlane>
}

/** Mean daily plane-of-array energy by month 0…11: under an open sky, behind the horizon, and under snow too. */
export interface SunLeft {
  openKWhM2: number[]
  horizonKWhM2: number[]
  snowKWhM2: number[]
}

function addMonths(months: number[], plane: Float32Array, startDay: number, years: number): void {
  for (let day = 0; day < DAYS; day++) {
    const month = MONTH_OF_DAY[(startDay + day) % DAYS]
    months[month] += dayTotal(plane, day) / 1000 / (MONTH_DAYS[month] * years)
  }
}

/** A tracker is left steep when snow is about. */
const STOWED_DEG = 45
const snowTilt = (surface: Surface, day: number) =>
  surface.tracking === 'single-axis' ? STOWED_DEG : tiltOnDay(surface, day)

/** What of a design the sun on its arrays rests on, beside the arrays. */
export type SunQuestion = Pick<Design, 'place' | 'schools'>

const planeQuestion = ({ place, schools }: SunQuestion, array: ArrayField) => ({
  surface: surfaceOf(place, array, schools.skyModel),
  brushSnowDays: place.brushSnowDays,
  cellStrings: cellStringsUp(array),
})
type PlaneQuestion = ReturnType<typeof planeQuestion>

/** What of a place its weather rests on. */
function weatherQuestion(place: Place) {
  const { monthly, persistence, windMS, interannualPct } = climateOf(place)
  return {
    at: pick(place, 'latitudeDeg', 'longitudeDeg', 'utcOffsetH', 'elevationM'),
    climate: {
      latitudeDeg: place.latitudeDeg,
      monthly,
      persistence,
      windMS,
      interannualPct,
      recordLowC: place.recordLowC,
    },
    fileId: place.source === 'hours' ? place.hours!.fileId : null,
  }
}
type WeatherQuestion = ReturnType<typeof weatherQuestion>

/** @throws RangeError naming the number of years that cannot be run */
export function requireYears(years: number): void {
  if (!(Number.isInteger(years) && years >= 1 && years <= MAX_YEARS))
    throw new RangeError(`years ${years} must be a whole number from 1 to ${MAX_YEARS}`)
}
