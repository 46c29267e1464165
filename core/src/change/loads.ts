import { MONTH_NAMES } from '../calendar/calendar.ts'
import { nextId, seasonsFor } from '../design/defaults.ts'
import type { Design, Leg, Load, LoadBasis } from '../document/types.ts'
import { onLegsOf, serviceOf } from '../inverter/service.ts'
import type { Appliance } from '../loads/appliances.ts'
import { statedDailyEnergy } from '../loads/energy.ts'
import { loadOfWritten, type Written } from '../loads/quickAdd.ts'
import { daysNamed, WEEKDAY_NAMES } from '../loads/week.ts'
import { structuredCloneOf } from '../parts/shelf.ts'
import { COUNTS } from '../fields/limits.ts'
import { seasonOf } from '../weather/season.ts'
import type { Change } from './change.ts'

const EVERY_DAY = Array<number>(WEEKDAY_NAMES.length).fill(1)

const withLoads = (design: Design, make: (load: Load, index: number) => Load): Design => ({
  ...design,
  loads: design.loads.map(make),
})

/** What wants 240 V keeps it where there is one leg of 120: it is told of, not re-wired in silence. */
const needs240 = ({ inverter }: Design, { leg }: Load) => leg === 'AB' && serviceOf(inverter) === 'single-120'

/** Adds loads to the end of the list, on legs that the inverter has; one whose id is taken gets one of its own. */
export const addLoads =
  (loads: readonly Load[]): Change =>
  (design) => {
    const fitted = onLegsOf({ ...design, loads: [...loads] }).loads.map((load, i) =>
      needs240(design, loads[i]) ? loads[i] : load,
    )
    const add = (list: Load[], load: Load) => [
      ...list,
      list.some(({ id }) => id === load.id) ? { ...load, id: nextId('load', list) } : load,
    ]
    return { ...design, loads: fitted.reduce(add, [...design.loads]).slice(0, COUNTS.loads) }
  }

/** Loads as they were written in a line, each with the appliance that was meant, or the nearest. */
export const addWritten =
  (items: readonly { written: Written; appliance?: Appliance }[]): Change =>
  (design) =>
    items.reduce((next, { written, appliance: chosen }) => {
      const load = loadOfWritten(written, nextId('load', next.loads), chosen)
      return addLoads([seasonsFor(next.place.latitudeDeg, load)])(next)
    }, design)

/** Takes loads out of the list. A list without any is no valid design: whoever empties it is told so. */
export const removeLoads =
  (ids: ReadonlySet<string>): Change =>
  (design) => ({ ...design, loads: design.loads.filter(({ id }) => !ids.has(id)) })

const copyOf = (load: Load, loads: readonly Load[]): Load => ({
  ...structuredCloneOf(load),
  id: nextId('load', loads),
  name: `${load.name.slice(0, 118)} 2`,
})

/** A copy of each to the end of the list. */
export const copyLoads =
  (ids: ReadonlySet<string>): Change =>
  (design) => ({
    ...design,
    loads: design.loads
      .filter(({ id }) => ids.has(id))
      .reduce<Load[]>((loads, load) => [...loads, copyOf(load, loads)], [...design.loads])
      .slice(0, COUNTS.loads),
  })

/** A copy right after the load it is made of. */
export const copyLoad =
  (index: number): Change =>
  (design) => {
    const { loads } = design
    if (loads.length >= COUNTS.loads) return design
    return { ...design, loads: [...loads.slice(0, index + 1), copyOf(loads[index], loads), ...loads.slice(index + 1)] }
  }

/** One load as something makes it. */
export const changeLoad =
  (id: string, make: (load: Load) => Load): Change =>
  (design) =>
    withLoads(design, (load) => (load.id === id ? make(load) : load))

/** A field of several loads at once. */
export const setOfLoads =
  <K extends keyof Load>(ids: ReadonlySet<string>, key: K, value: Load[K]): Change =>
  (design) =>
    withLoads(design, (load) => (ids.has(load.id) ? { ...load, [key]: value } : load))

/** Hours a day of several loads; those whose energy is metered or counted otherwise keep what they are stated by. */
export const setHoursOfLoads =
  (ids: ReadonlySet<string>, hoursPerDay: number): Change =>
  (design) =>
    withLoads(design, (load) => (ids.has(load.id) && load.basis === 'rated' ? { ...load, hoursPerDay } : load))

/**
 * The days of the week of several loads.
 * @param weekdays one number a day from Monday, 1 where it is used; null for any day
 */
export const setDaysOfLoads =
  (ids: ReadonlySet<string>, weekdays: readonly number[] | null): Change =>
  (design) =>
    withLoads(design, (load) => {
      if (!ids.has(load.id)) return load
      return weekdays
        ? { ...load, weekdays: [...weekdays], daysPerWeek: daysNamed(weekdays) }
        : { ...load, weekdays: null, daysPerWeek: EVERY_DAY.length }
    })

/** The months several loads are used in: the whole year, the seven the winter run is told by, or the other five. */
export const setSeasonOfLoads =
  (ids: ReadonlySet<string>, season: 'year' | 'winter' | 'summer'): Change =>
  (design) => {
    const { months } = seasonOf(design.place)
    const seasonShare = MONTH_NAMES.map((_, month) =>
      season === 'year' || months.includes(month) === (season === 'winter') ? 1 : 0,
    )
    return withLoads(design, (load) => (ids.has(load.id) ? { ...load, seasonShare: [...seasonShare] } : load))
  }

/** One load on another leg. */
export const moveToLeg = (id: string, leg: Leg): Change => setOfLoads(new Set([id]), 'leg', leg)

const FIRST_STRIP = 'Strip 1'

/** A basis brings sensible figures for what it needs, unless they are there already. */
function withBasis(load: Load, basis: LoadBasis): Load {
  const wh = statedDailyEnergy({ ...load, quantity: 1, basis: 'rated' })
  switch (basis) {
    case 'rated':
      return { ...load, basis }
    case 'metered':
      return {
        ...load,
        basis,
        meteredHours: load.meteredHours ?? 168,
        meteredKWh: load.meteredKWh ?? Number(((wh * 7) / 1000).toFixed(2)),
      }
    case 'strip':
      return {
        ...load,
        basis,
        strip: load.strip || FIRST_STRIP,
        meteredHours: load.meteredHours ?? 168,
        meteredKWh: load.meteredKWh ?? Number(((wh * load.quantity * 7) / 1000).toFixed(2)),
      }
    case 'cycle':
      return {
        ...load,
        basis,
        cycleWh: load.cycleWh ?? 90,
        cycleDepth: load.cycleDepth ?? 0.8,
        cycleChargerEfficiency: load.cycleChargerEfficiency ?? 0.85,
        cyclesPerWeek: load.cyclesPerWeek ?? 7,
      }
    case 'month':
      return { ...load, basis, monthKWh: load.monthKWh ?? Number(((wh * 30.4) / 1000).toFixed(1)) }
  }
}

/** What a load is stated by. */
export const setBasis = (id: string, basis: LoadBasis): Change => changeLoad(id, (load) => withBasis(load, basis))

const turned = (weekdays: readonly number[], day: number) => weekdays.map((each, i) => (i === day ? 1 - each : each))

/**
 * Names a day of the week on which a load is used, or takes it back; it is then used on as many days as are named, and
 * on any where none is left.
 * @param day 0 for Monday
 */
export const turnWeekday = (id: string, day: number): Change =>
  changeLoad(id, (load) => {
    const weekdays = turned(load.weekdays ?? EVERY_DAY.map(() => 0), day)
    const days = daysNamed(weekdays)
    return days > 0 ? { ...load, weekdays, daysPerWeek: days } : { ...load, weekdays: null }
  })

/**
 * Takes a day of the week from those on which somebody is at home, or gives it back; the last one stays.
 * @param day 0 for Monday
 */
export const turnHomeDay =
  (day: number): Change =>
  (design) => {
    const { household } = design
    const weekdays = turned(household.weekdays ?? EVERY_DAY, day)
    const days = daysNamed(weekdays)
    if (days === 0) return design
    return { ...design, household: { ...household, weekdays: days === EVERY_DAY.length ? null : weekdays } }
  }

/** A start that a soft starter eases. */
export const softStart = (id: string): Change =>
  changeLoad(id, (load) => ({ ...load, startKind: 'soft-start-pump', startW: null }))

/** An hour of the day's use, as a weight ≥ 0; the last hour that is used is not taken away. */
export const setHourWeight =
  (id: string, hour: number, weight: number): Change =>
  (design) =>
    changeLoad(id, (load) => {
      const hourShape = load.hourShape.map((each, i) =>
        i === hour ? Math.min(1000, Math.round(Math.max(0, weight) * 10) / 10) : each,
      )
      return hourShape.every((each) => each === 0) ? load : { ...load, hourShape }
    })(design)
