import type { Words } from '../units/words.ts'
import { circuitCable, circuitLines, levelOf, type Level } from './circuitWords.ts'
import type { Box, Drawing, Label, Line, Mark, Point, SymbolKind } from './drawing.ts'
import { broken, fitted } from './fit.ts'
import type { Circuit, Inline, Lead, System, SystemNode } from './graph.ts'
import type { WorkedCircuit } from './work.ts'

const MARGIN = 20
const ROW = 76
const BOX = 52
const BRANCH = 46
const LINE_GAP = 13
/** over the first row, where built-in controllers are joined to their unit */
const INSIDE_GAP = 14
const INSIDE_STEP = 7

/** Left edge and breadth of each lane; between them lies the room for what is said of the lines. */
const LANES = { strings: 135, combiner: 96, controller: 140, inverter: 140, panel: 110, branch: 176 } as const
type Lane = keyof typeof LANES
const GAPS: Record<Lane, number> = {
  strings: 100,
  combiner: 172,
  controller: 140,
  inverter: 150,
  panel: 132,
  branch: 0,
}
/** the bars stand in the middle of the room between controllers and inverter */
const BARS_ROOM = 150
const X: Record<Lane, number> & { bars: number } = (() => {
  let at = MARGIN
  const found: Partial<Record<Lane | 'bars', number>> = {}
  for (const lane of Object.keys(LANES) as Lane[]) {
    if (lane === 'inverter') {
      found.bars = at
      at += BARS_ROOM
    }
    found[lane] = at
    at += LANES[lane] + GAPS[lane]
  }
  return found as Record<Lane, number> & { bars: number }
})()
const WIDTH = X.branch + LANES.branch + MARGIN

/**
 * Lays a system out in fixed lanes, from the sun on the left to the sockets on the right, the bank below.
 *
 * @param write how a text with figures is written for the reader
 */
export function oneLine(system: System, circuits: readonly WorkedCircuit[], write: (words: Words) => string): Drawing {
  return new Draughtsman(system, circuits, write).draw()
}

class Draughtsman {
  private readonly boxes = new Map<string, Box>()
  private readonly lines: Line[] = []
  private readonly marks: Mark[] = []
  private readonly labels: Label[] = []
  private readonly worked: Map<string, WorkedCircuit>
  private top = MARGIN

  constructor(
    private readonly system: System,
    circuits: readonly WorkedCircuit[],
    private readonly write: (words: Words) => string,
  ) {
    this.worked = new Map(circuits.map((each) => [each.circuit.id, each]))
  }

  draw(): Drawing {
    // the wires of built-in controllers go over the bars
    const inside = this.system.circuits.filter(({ id, within }) => within && id.startsWith('controller:')).length
    this.top = MARGIN + (inside > 0 ? INSIDE_GAP + inside * INSIDE_STEP : 0)
    const left = this.leftSide()
    const right = this.rightSide()
    const barsTop = this.top
    const barsEnd = Math.max(left.dcEnd, right.dcEnd)
    const bars = this.node('bars')
    if (bars) this.boxes.set('bars', { ...this.boxOf(bars, X.bars, barsTop, 8, barsEnd - barsTop), lines: [] })
    let y = Math.max(left.end, right.end, barsEnd + 10)
    this.joinDc()
    this.joinInside()
    y = this.acRows(y)
    y = this.pumps(y)
    const end = this.ground(y + 6)
    if (bars) this.say('', X.bars + 4, barsEnd + 13, this.write('DC bars'), 'middle', 'sound')
    return {
      width: WIDTH,
      height: end + MARGIN,
      boxes: [...this.boxes.values()],
      lines: this.lines,
      marks: this.marks,
      labels: this.labels,
    }
  }

  /** Arrays with their controllers on the bars, direct sources, and the bank under them. */
  private leftSide(): { dcEnd: number; end: number } {
    let y = this.top
    const controllers = this.kind('controller').filter(({ id }) => !this.isAc(id))
    for (const controller of controllers) y = this.controllerRows(controller, y)
    for (const source of [...this.kind('source'), ...this.kind('vehicle')].filter(({ id }) => !this.isAc(id))) {
      this.place(source, X.controller, y, LANES.controller)
      y += ROW
    }
    const bank = this.node('bank')
    if (bank) {
      const inside = this.system.circuits.filter(({ from, to }) => from === 'bank' && to === 'bank')
      const height = BOX + inside.length * LINE_GAP + (inside.length > 0 ? 6 : 0)
      const box = this.place(bank, X.combiner, y, LANES.combiner + GAPS.combiner + LANES.controller, height)
      inside.forEach(({ id, name }, i) => {
        const each = this.worked.get(id)!
        const text = `${name}: ${circuitLines(each).map(this.write).join(', ')}`
        this.say(id, box.x + 8, box.y + BOX + i * LINE_GAP, fitted(text, box.width - 16), 'start', levelOf(each))
      })
      y += height + ROW - BOX
    }
    return { dcEnd: y - (ROW - BOX), end: y }
  }

  /** A controller with all its arrays; those feed it one under the other. */
  private controllerRows(controller: SystemNode, top: number): number {
    const lines = this.system.circuits.filter(({ to, area }) => to === controller.id && area === 'array')
    const rows = Math.max(1, lines.length)
    const height = Math.max(BOX, lines.length * 20)
    const middle = top + (rows * ROW - (ROW - BOX)) / 2
    const box = this.place(controller, X.controller, middle - height / 2, LANES.controller, height)
    lines.forEach((line, i) => {
      const y = top + i * ROW
      const from = this.node(line.from)!
      const middleY = y + BOX / 2
      const combined = from.kind === 'combiner'
      const strings = combined ? this.node(this.system.circuits.find(({ to }) => to === from.id)!.from)! : from
      this.place(strings, X.strings, y, LANES.strings)
      if (combined) {
        this.place(from, X.combiner, y, LANES.combiner)
        const string = this.system.circuits.find(({ to }) => to === from.id)!
        this.line(
          string,
          [
            [X.strings + LANES.strings, middleY],
            [X.combiner, middleY],
          ],
          GAPS.strings,
        )
      }
      const start = combined ? X.combiner + LANES.combiner : X.strings + LANES.strings
      const port = box.y + ((i + 1) * box.height) / (lines.length + 1)
      const bend = X.controller - 12 - (lines.length > 1 ? (i % 4) * 5 : 0)
      this.line(
        line,
        [
          [start, middleY],
          [bend, middleY],
          [bend, port],
          [box.x, port],
        ],
        bend - start - 8,
      )
    })
    return top + rows * ROW
  }

  /** Inverter and panel with its branches, what feeds them, and what direct current goes to. */
  private rightSide(): { dcEnd: number; end: number } {
    let y = this.top
    const inverter = this.node('inverter')
    if (inverter) this.place(inverter, X.inverter, y, LANES.inverter)
    const bypass = this.node('bypass')
    if (bypass) {
      this.place(bypass, X.panel, y, LANES.panel)
      this.straight('panel', 'inverter', 'bypass', GAPS.inverter)
      y += ROW
    }
    const panel = this.node('panel')
    const branches = this.system.circuits.filter(({ from }) => from === 'panel')
    const height = Math.max(BOX, branches.length * BRANCH - 6)
    let dcEnd = this.top + BOX
    if (panel) {
      const box = this.place(panel, X.panel, y, LANES.panel, height)
      branches.forEach((circuit, i) => this.branchRow(circuit, y + i * BRANCH, box.x + box.width))
      if (bypass) this.fromChangeover(box)
      else if (inverter) this.straight('panel', 'inverter', 'panel', GAPS.inverter)
      y += height + ROW - BOX
    }
    let feeds = 0
    // what a changeover takes stands next to it
    const past = this.system.circuits.find(({ id }) => id === 'bypass')?.from
    const sources = ['generator', 'shore', 'grid']
      .flatMap((kind) => this.kind(kind as SystemNode['kind']))
      .sort((a, b) => Number(b.id === past) - Number(a.id === past))
    for (const node of sources) {
      const circuit = this.system.circuits.find(({ from, id }) => from === node.id && id !== 'bypass')!
      const box = this.place(node, X.panel, y, LANES.panel)
      const middle = y + BOX / 2
      if (circuit.to === 'charger') {
        this.place(this.node('charger')!, X.inverter, y, LANES.inverter)
        this.line(
          circuit,
          [
            [box.x, middle],
            [X.inverter + LANES.inverter, middle],
          ],
          GAPS.inverter,
        )
        dcEnd = y + BOX
      } else {
        const x = X.inverter + LANES.inverter / 2 + 10 - 20 * feeds++
        this.line(
          circuit,
          [
            [box.x, middle],
            [x, middle],
            [x, this.top + BOX],
          ],
          box.x - x - 12,
        )
      }
      y += ROW
    }
    if (bypass) this.pastInverter()
    const centre = this.node('dc-centre')
    if (centre) {
      const own = this.system.circuits.filter(({ from }) => from === centre.id)
      const tall = Math.max(BOX, own.length * BRANCH - 6)
      const box = this.place(centre, X.inverter, y, LANES.inverter, tall)
      own.forEach((circuit, i) => this.branchRow(circuit, y + i * BRANCH, box.x + box.width))
      dcEnd = y + tall
      y += tall + ROW - BOX
    }
    for (const dump of this.kind('dump')) {
      this.place(dump, X.inverter, y, LANES.inverter)
      dcEnd = y + BOX
      y += ROW
    }
    return { dcEnd, end: y }
  }

  /** The short line from a changeover down to the panel under it. */
  private fromChangeover(panel: Box): void {
    const circuit = this.system.circuits.find(({ id }) => id === 'changeover')!
    const worked = this.worked.get(circuit.id)!
    const x = panel.x + panel.width / 2
    const from = panel.y - (ROW - BOX)
    const points: Point[] = [
      [x, from],
      [x, panel.y],
    ]
    this.lines.push({ id: circuit.id, current: circuit.current, points, level: levelOf(worked) })
    const text = fitted(this.write(circuitCable(worked)), panel.width / 2 - 8)
    this.say(circuit.id, x + 6, from + 16, text, 'start', levelOf(worked))
  }

  /** From the source that a changeover takes, up beside the panel. */
  private pastInverter(): void {
    const circuit = this.system.circuits.find(({ id }) => id === 'bypass')!
    const worked = this.worked.get(circuit.id)!
    const [from, to] = [this.boxes.get(circuit.from)!, this.boxes.get(circuit.to)!]
    const x = X.panel - 8
    const points: Point[] = [
      [from.x, from.y + 12],
      [x, from.y + 12],
      [x, to.y + BOX - 10],
      [to.x, to.y + BOX - 10],
    ]
    this.lines.push({ id: circuit.id, current: circuit.current, points, level: levelOf(worked) })
    const y = to.y + ROW + 10
    circuitLines(worked).forEach((words, i) =>
      this.say(
        circuit.id,
        x - GAPS.inverter / 2,
        y + i * LINE_GAP,
        fitted(this.write(words), GAPS.inverter - 12),
        'middle',
        levelOf(worked),
      ),
    )
    if (worked.device)
      this.marks.push({
        kind: worked.device.kind.endsWith('breaker') ? 'breaker' : 'fuse',
        x,
        y: from.y - 12,
        says: `${circuit.name}: ${this.write(worked.device.why)}`,
      })
  }

  /** Built-in controllers: over the bars into the unit they are in. */
  private joinInside(): void {
    const inverter = this.boxes.get('inverter')
    if (!inverter) return
    const inside = this.system.circuits.filter(({ id, within }) => within && id.startsWith('controller:'))
    inside.forEach((circuit, i) => {
      const box = this.boxes.get(circuit.from)
      if (!box) return
      const x = box.x + box.width + 8 + i * INSIDE_STEP
      const y = MARGIN + 8 + i * INSIDE_STEP
      const port = inverter.x + inverter.width / 2 - i * 12
      this.lines.push({
        id: circuit.id,
        current: circuit.current,
        points: [
          [box.x + box.width, box.y + box.height / 2],
          [x, box.y + box.height / 2],
          [x, y],
          [port, y],
          [port, inverter.y],
        ],
        level: 'sound',
      })
      if (i === 0) this.say(circuit.id, port + 8, y + 4, 'in the unit', 'start', 'sound')
    })
  }

  private branchRow(circuit: Circuit, y: number, from: number): void {
    const node = this.node(circuit.to)!
    const box = this.place(node, X.branch, y, LANES.branch, BRANCH - 10)
    const middle = y + box.height / 2
    this.line(
      circuit,
      [
        [from, middle],
        [box.x, middle],
      ],
      GAPS.panel,
      X.branch - GAPS.panel / 2,
    )
  }

  /** Everything that stands on the bars. */
  private joinDc(): void {
    for (const circuit of this.system.circuits) {
      const toBars = circuit.to === 'bars'
      if (!toBars && circuit.from !== 'bars') continue
      const box = this.boxes.get(toBars ? circuit.from : circuit.to)
      if (!box) continue
      const y = box.y + Math.min(box.height, BOX) / 2
      const onLeft = box.x < X.bars
      const [a, b]: Point[] = onLeft
        ? [
            [box.x + box.width, y],
            [X.bars, y],
          ]
        : [
            [X.bars + 8, y],
            [box.x, y],
          ]
      this.line(circuit, [a, b], Math.abs(b[0] - a[0]) - 4)
    }
    const boxed = this.system.circuits.find(({ id, within }) => id === 'inverter' && within)
    const [bank, inverter] = [this.boxes.get('bank'), this.boxes.get('inverter')]
    if (boxed && bank && inverter) {
      const y = bank.y + bank.height / 2
      const x = inverter.x + 14
      this.line(
        boxed,
        [
          [bank.x + bank.width, y],
          [x, y],
          [x, inverter.y + inverter.height],
        ],
        GAPS.controller,
      )
    }
  }

  /** What makes alternating current of its own goes round the bars to the panel. */
  private acRows(top: number): number {
    let y = top
    const panel = this.boxes.get('panel')
    if (!panel) return y
    let lanes = 0
    const toPanel = (circuit: Circuit, from: Box) => {
      const middle = from.y + from.height / 2
      const x = X.panel - 14 - lanes * 8
      const port = panel.y + panel.height - 8 - lanes * 8
      lanes++
      this.line(
        circuit,
        [
          [from.x + from.width, middle],
          [x, middle],
          [x, port],
          [panel.x, port],
        ],
        GAPS.controller,
      )
    }
    for (const controller of this.kind('controller').filter(({ id }) => this.isAc(id))) {
      y = this.controllerRows(controller, y)
      toPanel(
        this.system.circuits.find(({ from, to }) => from === controller.id && to === 'panel')!,
        this.boxes.get(controller.id)!,
      )
    }
    for (const source of this.kind('source').filter(({ id }) => this.isAc(id))) {
      const box = this.place(source, X.controller, y, LANES.controller)
      toPanel(
        this.system.circuits.find(({ from }) => from === source.id)!,
        box,
      )
      y += ROW
    }
    return y
  }

  private pumps(top: number): number {
    let y = top
    for (const pump of this.kind('pump')) {
      const circuit = this.system.circuits.find(({ to }) => to === pump.id)!
      const strings = this.place(this.node(circuit.from)!, X.strings, y, LANES.strings)
      const box = this.place(pump, X.controller, y, LANES.controller)
      this.line(
        circuit,
        [
          [strings.x + strings.width, y + BOX / 2],
          [box.x, y + BOX / 2],
        ],
        GAPS.combiner,
      )
      y += ROW
    }
    return y
  }

  /** Ground bar and electrodes under it all, and the one bond. */
  private ground(top: number): number {
    const bar = this.node('ground-bar')
    if (!bar) return top
    const box = this.place(bar, X.inverter, top, LANES.inverter)
    const y = top + BOX / 2
    const electrode = this.node('electrode')
    if (electrode) {
      const there = this.place(electrode, X.branch, top, LANES.branch)
      this.lead(
        'electrode',
        [
          [box.x + box.width, y],
          [there.x, y],
        ],
        X.panel + 20,
      )
      this.marks.push({ kind: 'ground', x: there.x + there.width / 2, y: there.y + there.height, says: 'earth' })
    }
    this.bond(box, top)
    let next = top
    for (const rodNode of this.kind('electrode').filter(({ id }) => id !== 'electrode')) {
      const lead = this.system.leads.find(({ from }) => from === rodNode.id)
      const rod = this.place(rodNode, X.strings, next, LANES.strings + GAPS.strings)
      if (lead)
        this.lead(
          lead.id,
          [
            [rod.x + rod.width, next + BOX / 2],
            [X.inverter - 20, next + BOX / 2],
            [X.inverter - 20, y + 8],
            [box.x, y + 8],
          ],
          X.combiner + 60,
        )
      this.marks.push({ kind: 'ground', x: rod.x + rod.width / 2, y: rod.y + rod.height, says: 'earth' })
      next += ROW
    }
    const sensor = this.node('sensor')
    const bank = this.boxes.get('bank')
    if (sensor && bank) {
      const box = this.place(sensor, X.strings, bank.y, LANES.strings)
      this.lead(
        'sense',
        [
          [box.x + box.width, bank.y + BOX / 2],
          [bank.x, bank.y + BOX / 2],
        ],
        null,
      )
    }
    const caseOf = new Set([
      'combiner',
      'bypass',
      'controller',
      'inverter',
      'panel',
      'generator',
      'dc-centre',
      'charger',
    ])
    for (const each of this.boxes.values())
      if (caseOf.has(each.kind))
        this.marks.push({ kind: 'ground', x: each.x + 10, y: each.y + each.height, says: 'its case on the ground bar' })
    return Math.max(next, top + ROW)
  }

  /** From where neutral and ground are joined, right of it and down to the ground bar. */
  private bond(bar: Box, top: number): void {
    const from = this.boxes.get(this.system.leads.find(({ id }) => id === 'bond')!.from)
    if (!from) return
    const end = from.y + from.height
    // an inverter has its feeds under it and what they say on its right: its bond goes down on its left
    const onLeft = from.kind === 'inverter'
    const start = onLeft ? from.x + 24 : from.x + from.width - 12
    const x = onLeft ? from.x - 8 : from.x + from.width + 22
    const port = onLeft ? bar.x + 20 : bar.x + bar.width - 20
    this.lead(
      'bond',
      [
        [start, end],
        [start, end + 9],
        [x, end + 9],
        [x, top - 9],
        [port, top - 9],
        [port, top],
      ],
      null,
    )
  }

  private lead(id: string, points: Point[], labelX: number | null): void {
    const lead = this.system.leads.find((each) => each.id === id) as Lead
    this.lines.push({ id, current: lead.current, points, level: 'sound' })
    if (labelX === null) return
    const y = points[0][1]
    const words = lead.size ? lead.size.replace('mm2', 'mm²') : lead.name
    this.say(id, labelX, y - 4, this.write(words), 'start', 'sound')
  }

  /** A circuit's line with its device, what stands in it, and what is said of it over its first stretch. */
  private line(circuit: Circuit, points: Point[], room: number, middle?: number): void {
    const worked = this.worked.get(circuit.id)!
    const level = levelOf(worked)
    this.lines.push({ id: circuit.id, current: circuit.current, points, level })
    const [[x0, y], [x1]] = points
    const at = middle ?? x0 + Math.sign(x1 - x0) * (room / 2 + 4)
    circuitLines(worked).forEach((words, i) => {
      const whole = this.write(words)
      // a length that finds no room stands in the table
      const text = i === 0 && fitted(whole, room) !== whole ? this.write(circuitCable(worked)) : whole
      this.say(circuit.id, at, i === 0 ? y - 11 : y + 19, fitted(text, room), 'middle', level)
    })
    this.inLine(circuit, worked, x0, x1, y, room)
  }

  /** Symbols stand on the stretch that is spoken of, the device nearest to where it protects. */
  private inLine(circuit: Circuit, { device }: WorkedCircuit, x0: number, x1: number, y: number, room: number): void {
    const apart = circuit.inline.filter(({ builtIn }) => !builtIn)
    const symbols: { kind: SymbolKind; says: string; end: boolean }[] = apart.map((each: Inline) => ({
      kind: each.kind,
      says: `${each.name}: ${this.write(each.rating)}`,
      end: each.at === circuit.to,
    }))
    if (device)
      symbols.unshift({
        kind: device.kind.endsWith('breaker') ? 'breaker' : 'fuse',
        says: `${circuit.name}: ${this.write(device.why)}`,
        end: device.at === circuit.to,
      })
    const way = Math.sign(x1 - x0)
    const step = Math.min(26, room / (symbols.length + 1))
    let [near, far] = [0, 0]
    for (const { kind, says, end } of symbols) {
      const x = end ? x0 + way * (room - step * far++ - 6) : x0 + way * (14 + step * near++)
      this.marks.push({ kind, x, y, says })
    }
  }

  private straight(circuitId: string, from: string, to: string, room: number): void {
    const [a, b] = [this.boxes.get(from)!, this.boxes.get(to)!]
    const y = a.y + BOX / 2
    this.line(
      this.system.circuits.find(({ id }) => id === circuitId)!,
      [
        [a.x + a.width, y],
        [b.x, y],
      ],
      room,
    )
  }

  private say(id: string, x: number, y: number, text: string, anchor: Label['anchor'], level: Level): void {
    if (text) this.labels.push({ id, x, y, text, anchor, level })
  }

  private isAc(id: string): boolean {
    return this.system.circuits.some((circuit) => circuit.from === id && circuit.to === 'panel')
  }

  private node = (id: string): SystemNode | undefined => this.system.nodes.find((each) => each.id === id)
  private kind = (kind: SystemNode['kind']): SystemNode[] => this.system.nodes.filter((each) => each.kind === kind)

  private place(node: SystemNode, x: number, y: number, width: number, height = BOX): Box {
    const box = this.boxOf(node, x, y, width, height)
    this.boxes.set(node.id, box)
    return box
  }

  private boxOf(node: SystemNode, x: number, y: number, width: number, height: number): Box {
    const room = width - 12
    const named = node.kind === 'combiner' ? 'Combiner' : node.name
    const many = node.count > 1 && node.kind !== 'strings' && node.kind !== 'inverter'
    const rows = Math.floor((height - 8) / LINE_GAP) - 1
    const lines = [fitted(many ? `${named} × ${node.count}` : named, room)]
    return {
      id: node.id,
      kind: node.kind,
      x,
      y,
      width,
      height,
      lines: [...lines, ...broken(this.write(node.rating), room, Math.min(rows, 2))],
    }
  }
}
