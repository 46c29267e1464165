import { DAYS, HOURS } from '../../calendar/calendar.ts'

/** What a column of an hourly file may hold. */
export const CHANNELS = ['ghiWM2', 'dniWM2', 'dhiWM2', 'airC', 'windMS', 'snowfallCm', 'snowDepthCm'] as const
export type Channel = (typeof CHANNELS)[number]

/** The channels that are kept; the others only help to make them. */
export const KEPT_CHANNELS = ['ghiWM2', 'airC', 'dhiWM2', 'windMS', 'snowfallCm'] as const
export type KeptChannel = (typeof KEPT_CHANNELS)[number]

/** What each channel may be, in its stored unit. */
export const CHANNEL_RANGE: Record<Channel, { name: string; unit: string; min: number; max: number }> = {
  ghiWM2: { name: 'global horizontal irradiance', unit: 'W/m²', min: 0, max: 1600 },
  dniWM2: { name: 'direct normal irradiance', unit: 'W/m²', min: 0, max: 1400 },
  dhiWM2: { name: 'diffuse horizontal irradiance', unit: 'W/m²', min: 0, max: 1200 },
  airC: { name: 'air temperature', unit: '°C', min: -90, max: 60 },
  windMS: { name: 'wind', unit: 'm/s', min: 0, max: 80 },
  snowfallCm: { name: 'snowfall', unit: 'cm', min: 0, max: 60 },
  snowDepthCm: { name: 'snow depth', unit: 'cm', min: 0, max: 2000 },
}

/**
 * Whole years of imported hours: `years` × 8760 values a channel, leap days left out. The first value is the hour that
 * begins at 00:00 of `firstDay` (day of year from 0) by a clock `utcOffsetH` east of UTC; after the last follows the first.
 */
export interface HourlySeries {
  firstDay: number
  years: number
  utcOffsetH: number
  ghiWM2: Float32Array
  airC: Float32Array
  dhiWM2: Float32Array | null
  windMS: Float32Array | null
  snowfallCm: Float32Array | null
}

/** What a store has to know to read the packed hours again. */
export interface SeriesShape {
  firstDay: number
  years: number
  utcOffsetH: number
  channels: KeptChannel[]
}

export const MOST_YEARS = 60

/** The channels a series of hours holds besides irradiance and air. */
export function channelsOf(series: HourlySeries): KeptChannel[] {
  return KEPT_CHANNELS.filter((channel) => series[channel] !== null)
}

/** All channels one after another as little-endian 32-bit floats. */
export function packSeries(series: HourlySeries): { shape: SeriesShape; bytes: Uint8Array } {
  const channels = channelsOf(series)
  const { firstDay, years, utcOffsetH } = series
  const bytes = new Uint8Array(channels.length * years * HOURS * 4)
  const view = new DataView(bytes.buffer)
  channels.forEach((channel, c) => {
    const values = series[channel]!
    const from = c * values.length * 4
    for (let i = 0; i < values.length; i++) view.setFloat32(from + i * 4, values[i], true)
  })
  return { shape: { firstDay, years, utcOffsetH, channels }, bytes }
}

/**
 * Undoes {@link packSeries} and checks what it finds.
 * @throws RangeError naming what does not fit: a length, a channel, an hour out of range
 */
export function unpackSeries(shape: SeriesShape, bytes: Uint8Array): HourlySeries {
  const { firstDay, years, utcOffsetH, channels } = shape
  if (!(Number.isInteger(years) && years >= 1 && years <= MOST_YEARS))
    throw new RangeError(`years ${years} must be a whole number from 1 to ${MOST_YEARS}`)
  if (!(Number.isInteger(firstDay) && firstDay >= 0 && firstDay < DAYS))
    throw new RangeError(`firstDay ${firstDay} must be 0 to ${DAYS - 1}`)
  const hours = years * HOURS
  if (bytes.byteLength !== channels.length * hours * 4)
    throw new RangeError(
      `hours hold ${bytes.byteLength} bytes; ${years} years of ${channels.length} channels are ${channels.length * hours * 4}`,
    )
  for (const needed of ['ghiWM2', 'airC'] as const)
    if (!channels.includes(needed)) throw new RangeError(`channels must hold ${needed}`)
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength)
  const series: HourlySeries = {
    firstDay,
    years,
    utcOffsetH,
    ghiWM2: new Float32Array(0),
    airC: new Float32Array(0),
    dhiWM2: null,
    windMS: null,
    snowfallCm: null,
  }
  channels.forEach((channel, c) => {
    const { min, max, unit } = CHANNEL_RANGE[channel]
    const values = new Float32Array(hours)
    for (let i = 0; i < hours; i++) {
      const value = view.getFloat32((c * hours + i) * 4, true)
      if (!(value >= min - 0.01 && value <= max))
        throw new RangeError(`${channel}.${i} ${value} must lie between ${min} and ${max} ${unit}`)
      values[i] = value
    }
    series[channel] = values
  })
  return series
}
