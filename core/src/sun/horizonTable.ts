import type { Cells, Read } from '../document/cells.ts'
import type { HorizonCover, HorizonPoint } from '../document/types.ts'
import type { Problem } from '../document/types.ts'
import { readQuantity } from '../units/parse.ts'

const COVERS: [HorizonCover, RegExp][] = [
  ['terrain', /^(terrain|ground|hill|ridge|)$/i],
  ['evergreen', /^(evergreen|conifer|forest|building)/i],
  ['leafless', /^(leafless|deciduous|leafy|broadleaf|trees)/i],
]

/**
 * Horizon points of rows of azimuth, elevation and, where there is one, cover. A header is skipped.
 * @returns the points in order of azimuth, and every problem with its line
 */
export function horizonFromCells(cells: Cells): Read<HorizonPoint> {
  const items: HorizonPoint[] = []
  const problems: Problem[] = []
  cells.forEach((row, i) => {
    const line = i + 1
    if (row.every((cell) => cell.trim() === '')) return
    if (items.length === 0 && problems.length === 0 && /^[a-z]/i.test(row[0]?.trim() ?? '')) return
    const fail = (value: string, message: string) =>
      problems.push({ path: String(line), value, message: `line ${line}, ${message}` })
    const number = (cell: string | undefined, name: string, max: number): number => {
      const read = readQuantity(cell ?? '', '°')
      if ('problem' in read) fail(cell ?? '', `${name}: ${read.problem}`)
      else if (read.value < 0 || read.value > max) fail(cell!, `${name}: ${read.value}° must lie between 0 and ${max}°`)
      else return read.value
      return NaN
    }
    const azimuthDeg = number(row[0], 'azimuth', 360)
    const elevationDeg = number(row[1], 'elevation', 90)
    const cover = COVERS.find(([, words]) => words.test((row[2] ?? '').trim()))?.[0]
    if (!cover) fail(row[2] ?? '', `cover: “${row[2]}” is not one of terrain, evergreen, leafless`)
    else if (!Number.isNaN(azimuthDeg) && !Number.isNaN(elevationDeg)) items.push({ azimuthDeg, elevationDeg, cover })
  })
  if (items.length > 360)
    problems.push({ path: '', value: items.length, message: `${items.length} points; at most 360` })
  if (items.length === 0 && problems.length === 0) problems.push({ path: '1', value: '', message: 'there are no rows' })
  return { items: items.sort((a, b) => a.azimuthDeg - b.azimuthDeg), problems }
}

/** The horizon as rows with a header. */
export function cellsOfHorizon(points: readonly HorizonPoint[]): string[][] {
  return [
    ['azimuth', 'elevation', 'cover'],
    ...points.map(({ azimuthDeg, elevationDeg, cover }) => [String(azimuthDeg), String(elevationDeg), cover]),
  ]
}
