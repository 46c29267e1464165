import tzLookup from '@photostructure/tz-lookup'

export interface PlaceClock {
  zone: string
  /** standard time, hours east of UTC; summer time is never computed with */
  utcOffsetH: number
}

/**
 * The clock of a place from its coordinates.
 * @param latitudeDeg −90…90
 * @param longitudeDeg −180…180
 */
export function clockAt(latitudeDeg: number, longitudeDeg: number): PlaceClock {
  const zone = tzLookup(latitudeDeg, longitudeDeg)
  return { zone, utcOffsetH: Math.min(offsetAt(zone, 0), offsetAt(zone, 6)) }
}

/** Offset of a zone at noon UTC in the middle of a month of a plain recent year, hours. */
function offsetAt(zone: string, month: number): number {
  const at = new Date(Date.UTC(2025, month, 15, 12))
  const parts = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
  }).formatToParts(at)
  const value = (type: string) => Number(parts.find((part) => part.type === type)!.value)
  return (value('day') - 15) * 24 + value('hour') + value('minute') / 60 - 12
}
