import type { Drawing, Line, Mark, Point } from './drawing.ts'

/** Inks of a drawing; the page gives its own, so that it follows the theme. */
export interface Inks {
  paper: string
  card: string
  ink: string
  soft: string
  direct: string
  alternating: string
  ground: string
  stop: string
  watch: string
}
export const PAPER_INKS: Inks = {
  paper: '#ffffff',
  card: '#fffdf8',
  ink: '#20302f',
  soft: '#566462',
  direct: '#20302f',
  alternating: '#3d5a75',
  ground: '#1e5b4f',
  stop: '#b0512b',
  watch: '#8a5f0d',
}

/** DC is solid, AC in long dashes, ground in dots, a lead that only talks in fine dots. */
const DASHES: Record<Line['current'], string> = { dc: '', ac: '9 4', ground: '2 4', signal: '1 4' }
const BREADTH: Record<Line['current'], number> = { dc: 2, ac: 2, ground: 1.6, signal: 1.2 }
const FONT = "'Source Sans 3', 'Helvetica Neue', Arial, sans-serif"

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (each) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[each]!)
const round = (value: number) => Math.round(value * 10) / 10
const path = (points: readonly Point[]) =>
  points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('')

/** A symbol on a line that goes from left to right. Source: the usual of IEC 60617, drawn plainly. */
function symbol({ kind, x, y, says }: Mark, inks: Inks): string {
  const stroke = `stroke="${kind === 'ground' ? inks.ground : inks.ink}" fill="none" stroke-width="1.4"`
  const shapes: Record<Mark['kind'], string> = {
    fuse: `<rect x="${x - 8}" y="${y - 4}" width="16" height="8" fill="${inks.card}" stroke="${inks.ink}" stroke-width="1.4"/><path d="M${x - 8} ${y}H${x + 8}" ${stroke}/>`,
    breaker: `<rect x="${x - 7}" y="${y - 7}" width="14" height="9" fill="${inks.card}" stroke="none"/><path d="M${x - 7} ${y}L${x + 5} ${y - 7}M${x + 4} ${y - 3}l5 5m0 -5l-5 5" ${stroke}/>`,
    switch: `<rect x="${x - 7}" y="${y - 7}" width="14" height="9" fill="${inks.card}" stroke="none"/><path d="M${x - 7} ${y}L${x + 6} ${y - 7}M${x + 7} ${y - 3}v6" ${stroke}/>`,
    arrester: `<path d="M${x} ${y}v4m-4 0h8v8h-8zM${x} ${y + 5}v5l-2 -2m2 2l2 -2" ${stroke}/>`,
    meter: `<circle cx="${x}" cy="${y}" r="7" fill="${inks.card}" stroke="${inks.ink}" stroke-width="1.4"/><path d="M${x} ${y}l3 -4" ${stroke}/>`,
    regulator: `<rect x="${x - 8}" y="${y - 6}" width="16" height="12" fill="${inks.card}" stroke="${inks.ink}" stroke-width="1.4"/><path d="M${x - 6} ${y}q3 -6 6 0t6 0M${x - 6} ${y + 5}L${x + 6} ${y - 5}" ${stroke}/>`,
    shunt: `<path d="M${x - 7} ${y}l2.5 -4l5 8l5 -8l2 4" ${stroke}/>`,
    ground: `<path d="M${x} ${y}v5m-6 0h12m-10 3h8m-6 3h4" ${stroke}/>`,
  }
  return `<g class="symbol" data-symbol="${kind}"><title>${escaped(says)}</title>${shapes[kind]}</g>`
}

/** A legend of the kinds of line, under the drawing. */
function legend(y: number, inks: Inks): string {
  const entries: [Line['current'], string, string][] = [
    ['dc', 'direct current', inks.direct],
    ['ac', 'alternating current', inks.alternating],
    ['ground', 'ground', inks.ground],
    ['signal', 'sensing and talking', inks.soft],
  ]
  return entries
    .map(
      ([current, says, ink], i) =>
        `<path d="M${20 + i * 190} ${y - 4}h34" stroke="${ink}" stroke-width="${BREADTH[current]}" stroke-dasharray="${DASHES[current]}"/><text x="${60 + i * 190}" y="${y}" fill="${inks.soft}">${says}</text>`,
    )
    .join('')
}

const LEGEND = 26

/**
 * A drawing as an SVG that stands alone: what it shows is text, and each thing carries the id of its circuit or node.
 * @param title told to those who do not see it, and under the drawing
 */
export function svgOf(drawing: Drawing, title: string, inks: Inks = PAPER_INKS): string {
  const { width, height, boxes, lines, marks, labels } = drawing
  const inkOf = (line: Line) =>
    line.level === 'stop'
      ? inks.stop
      : line.level === 'watch'
        ? inks.watch
        : { dc: inks.direct, ac: inks.alternating, ground: inks.ground, signal: inks.soft }[line.current]
  const whole = height + LEGEND
  const parts = [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${round(width)} ${round(whole)}" font-family="${FONT}" font-size="11" role="img" aria-label="${escaped(title)}">`,
    `<title>${escaped(title)}</title><rect width="100%" height="100%" fill="${inks.paper}"/>`,
    ...lines.map(
      (line) =>
        `<path class="line" data-circuit="${escaped(line.id)}" d="${path(line.points)}" fill="none" stroke="${inkOf(line)}" stroke-width="${BREADTH[line.current]}" stroke-dasharray="${DASHES[line.current]}"/>`,
    ),
    ...boxes.map((box) => {
      const fill = box.kind === 'bars' ? inks.ink : inks.card
      const text = box.lines
        .map(
          (line, i) =>
            `<text x="${round(box.x + 6)}" y="${round(box.y + 15 + i * 13)}" fill="${i === 0 ? inks.ink : inks.soft}"${i === 0 ? ' font-weight="600"' : ''}>${escaped(line)}</text>`,
        )
        .join('')
      return `<g class="box" data-node="${escaped(box.id)}"><rect x="${round(box.x)}" y="${round(box.y)}" width="${round(box.width)}" height="${round(box.height)}" rx="3" fill="${fill}" stroke="${inks.ink}"/>${text}</g>`
    }),
    ...marks.map((mark) => symbol({ ...mark, x: round(mark.x), y: round(mark.y) }, inks)),
    ...labels.map(({ id, x, y, text, anchor, level }) => {
      const ink = level === 'stop' ? inks.stop : level === 'watch' ? inks.watch : inks.soft
      const sign = level === 'stop' ? '⬣ ' : level === 'watch' ? '◇ ' : ''
      return `<text class="label" data-circuit="${escaped(id)}" x="${round(x)}" y="${round(y)}" text-anchor="${anchor}" fill="${ink}">${sign}${escaped(text)}</text>`
    }),
    legend(height + LEGEND - 10, inks),
    '</svg>',
  ]
  return parts.join('\n')
}
