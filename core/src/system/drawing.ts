import type { Level } from './circuitWords.ts'
import type { Current, Inline, SystemNode } from './graph.ts'

export type Point = readonly [x: number, y: number]
export type SymbolKind = 'fuse' | 'breaker' | 'ground' | Inline['kind']

export interface Box {
  id: string
  kind: SystemNode['kind']
  x: number
  y: number
  width: number
  height: number
  /** first the name, then what it is made for */
  lines: string[]
}
export interface Line {
  /** of the circuit or lead */
  id: string
  current: Current
  points: Point[]
  level: Level
}
export interface Mark {
  kind: SymbolKind
  x: number
  y: number
  /** what it is, for whoever asks */
  says: string
}
export interface Label {
  /** of the circuit it belongs to; empty for words that belong to none */
  id: string
  x: number
  y: number
  text: string
  anchor: 'start' | 'middle'
  level: Level
}
/** The one-line drawing of a system, in units of a screen's pixel. */
export interface Drawing {
  width: number
  height: number
  boxes: Box[]
  lines: Line[]
  marks: Mark[]
  labels: Label[]
}
