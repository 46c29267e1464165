import { climateAt, sunYear, newPlace, type Place } from '@ambrel/core'

/** A made-up hourly table with semicolons and decimal commas: up to three years, warm where the month is warm. */
export function hourlyCsv(years: number, change: (row: string[], hour: number) => string[] = (row) => row): string {
  const place: Place = newPlace({
    label: 'test',
    latitudeDeg: 48.2,
    longitudeDeg: -115.4,
    utcOffsetH: -7,
    climate: 'cold-valley',
  })
  const sun = sunYear(place)
  const { monthly } = climateAt('cold-valley', 48.2)
  const rows = ['time;GHI W/m2;temp C']
  for (let year = 0; year < years; year++)
    for (let hour = 0; hour < 8760; hour++) {
      const at = new Date(Date.UTC(2001, 0, 1) + hour * 3_600_000)
      const clearness = 0.15 + 0.5 * Math.abs(Math.sin(Math.floor(hour / 24) * 0.37 + year))
      const row = [
        `${2009 + year}-${at.toISOString().slice(5, 13).replace('T', ' ')}:00`,
        (clearness * sun.extraWhM2[hour]).toFixed(1),
        (monthly[at.getUTCMonth()].meanC + 4 * Math.cos((2 * Math.PI * (at.getUTCHours() - 15)) / 24)).toFixed(1),
      ]
      rows.push(change(row, hour).join(';').replaceAll('.', ','))
    }
  return rows.join('\n')
}
