import type { Load, MeterReading } from '../document/types.ts'
import { dailyEnergy } from './energy.ts'

/** A load that still rests on a guess, and how to measure it. */
export interface MeterTask {
  loadId: string
  name: string
  guessWh: number
  /** how far off such a guess often is, ± Wh a day */
  doubtWh: number
  /** hours on the meter for a fair figure */
  hours: number
  /** why that long, and what to mind */
  why: string
}

interface Manner {
  doubt: number
  hours: number
  why: string
}

/** How a load is best measured. Doubts are rules of thumb of load audits: a nameplate states the most, not the use. */
function mannerOf(load: Load): Manner {
  if (load.basis === 'month')
    return { doubt: 0.25, hours: 168, why: 'A bill or a label is an average of other days; a week shows your own.' }
  if (load.leg === 'AB' || load.leg === 'ABC')
    return {
      doubt: 0.3,
      hours: 168,
      why: 'Wired in across the legs: a clamp meter or a submeter by an electrician, for a week.',
    }
  if (load.startKind === 'compressor' || (load.hoursPerDay > 20 && load.duty < 0.9))
    return { doubt: 0.5, hours: 72, why: 'It cycles on and off with the room: three days with a warm one among them.' }
  if (load.basis === 'cycle')
    return { doubt: 0.25, hours: 48, why: 'One full charge from empty to done, and a night plugged in.' }
  if (load.hoursPerDay > 20) return { doubt: 0.3, hours: 24, why: 'It draws evenly: a day is enough.' }
  if (load.daysPerWeek < 5) return { doubt: 0.4, hours: 336, why: 'Used some days only: two weeks catch its rhythm.' }
  return { doubt: 0.4, hours: 168, why: 'A week, so that working days and the weekend are in it.' }
}

/**
 * The loads that are not metered, the worst guess first: by the energy that hangs on the doubt.
 * @param month 0…11 the guesses are weighed in
 */
export function meteringPlan(loads: readonly Load[], month: number): MeterTask[] {
  return loads
    .filter((load) => load.basis !== 'metered' && load.basis !== 'strip' && load.supply === 'electric')
    .map((load) => {
      const guessWh = dailyEnergy(load, month)
      const { doubt, hours, why } = mannerOf(load)
      return { loadId: load.id, name: load.name, guessWh, doubtWh: guessWh * doubt, hours, why }
    })
    .filter((task) => task.guessWh > 0)
    .sort((a, b) => b.doubtWh - a.doubtWh)
}

/** A load with one more reading; its readings together become its metered figure, the guess stays beside it. */
export function withReading(load: Load, reading: MeterReading): Load {
  return withReadings(load, [...load.meterReadings, reading])
}

/** A load whose metered figure is that of these readings; without any it falls back on its guess. */
export function withReadings(load: Load, readings: readonly MeterReading[]): Load {
  const sum = (pick: (reading: MeterReading) => number) => readings.reduce((total, each) => total + pick(each), 0)
  const meterReadings = [...readings].sort((a, b) => a.date.localeCompare(b.date))
  if (readings.length === 0)
    return {
      ...load,
      meterReadings,
      meteredKWh: null,
      meteredHours: null,
      basis: load.basis === 'metered' ? 'rated' : load.basis,
    }
  const tidy = (value: number) => Number(value.toFixed(4))
  return {
    ...load,
    meterReadings,
    basis: 'metered',
    // the reading is of all units on the meter together; the load states one
    meteredKWh: tidy(sum((each) => each.kWh) / Math.max(1, load.quantity)),
    meteredHours: tidy(sum((each) => each.hours)),
  }
}

/** Most that a plug-in meter counts, and over how long. */
const MOST_KWH = 100_000
const HOURS = { least: 0.1, most: 20_000 }

/** What keeps a reading of a meter from being taken, in words; null for a sound one. @param kWh and hours: null where nothing was typed */
export function meterProblem(kWh: number | null, hours: number | null): string | null {
  if (kWh === null || kWh < 0 || kWh > MOST_KWH) return `kWh ${kWh ?? 'nothing'} must lie between 0 and ${MOST_KWH}`
  if (hours === null || hours < HOURS.least || hours > HOURS.most)
    return `hours ${hours ?? 'nothing'} must lie between ${HOURS.least} and ${HOURS.most}`
  return null
}
