import { describe, expect, it } from 'vitest'
import { setCircuit } from '../change/circuits.ts'
import { larkspurBench } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { said } from '../units/words.ts'
import { labelsOf } from './labels.ts'
import type { Box, Drawing } from './drawing.ts'
import { oneLine } from './oneLine.ts'
import { svgOf } from './svg.ts'
import { systemOf } from './systemOf.ts'
import { SHAPES } from './testDesigns.ts'
import { workedCircuits } from './work.ts'

const drawn = (design: Design): Drawing => oneLine(systemOf(design), workedCircuits(design), (words) => said(words))
const apart = (a: Box, b: Box) =>
  a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.height <= b.y || b.y + b.height <= a.y

describe.each(Object.entries(SHAPES))('the one-line drawing of %s', (_, make) => {
  const design = make()
  const system = systemOf(design)
  const drawing = drawn(design)

  it('has each piece and each circuit once, all of it on the sheet', () => {
    const ids = drawing.boxes.map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    // the wires of an all-in-one's own trackers are inside of it
    const inside = new Set(
      system.nodes.filter(({ id, kind }) => kind === 'controller' && !ids.includes(id)).map(({ id }) => id),
    )
    for (const { id } of system.nodes) if (!inside.has(id)) expect(ids, id).toContain(id)
    const lines = drawing.lines.map(({ id }) => id)
    expect(new Set(lines).size).toBe(lines.length)
    const shown = new Set([...lines, ...drawing.labels.map(({ id }) => id)])
    for (const { id } of system.circuits) expect(shown, id).toContain(id)
    for (const { x, y, width, height } of drawing.boxes) {
      expect(x).toBeGreaterThanOrEqual(0)
      expect(x + width).toBeLessThanOrEqual(drawing.width)
      expect(y + height).toBeLessThanOrEqual(drawing.height)
    }
    for (const { points } of drawing.lines) for (const at of points.flat()) expect(Number.isFinite(at)).toBe(true)
  })
  it('lays no box on another, and goes round corners squarely', () => {
    drawing.boxes.forEach((a, i) => {
      for (const b of drawing.boxes.slice(i + 1)) expect(apart(a, b), `${a.id} and ${b.id}`).toBe(true)
    })
    for (const { id, points } of drawing.lines)
      points.slice(1).forEach(([x, y], i) => {
        const [x0, y0] = points[i]
        expect(Math.min(Math.abs(x - x0), Math.abs(y - y0)), id).toBeLessThan(1e-9)
      })
  })
  it('is an SVG that stands alone', () => {
    const svg = svgOf(drawing, `Drawing of <${design.name}> & "others"`)
    expect(svg).toContain('&lt;')
    expect(svg.match(/<g /g)!.length).toBe(svg.match(/<\/g>/g)!.length)
    expect(svg).not.toMatch(/NaN|undefined|\[object/)
  })
  it('has its labels, one for each disconnect', () => {
    const labels = labelsOf(design, system, workedCircuits(design))
    const disconnects = system.circuits.filter(
      ({ area, inline }) => area === 'array' && inline.some(({ kind }) => kind === 'switch'),
    )
    expect(labels.filter(({ id }) => id.startsWith('switch:'))).toHaveLength(disconnects.length)
    for (const { lines, title, place } of labels)
      for (const text of [title, place, ...lines.map((line) => said(line))]) expect(text).not.toMatch(/NaN|undefined/)
    expect(labels.some(({ id }) => id === 'shut-down')).toBe(true)
  })
})

it('marks what is wrong', () => {
  const design = setCircuit('inverter', { size: '10 AWG' })(larkspurBench())
  const { lines, labels } = drawn(design)
  expect(lines.find(({ id }) => id === 'inverter')!.level).toBe('stop')
  expect(svgOf(drawn(design), 'x')).toContain('⬣')
  expect(labels.filter(({ level }) => level === 'stop').every(({ id }) => id === 'inverter')).toBe(true)
})
