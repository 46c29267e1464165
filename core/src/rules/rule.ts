import type { Derived } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import type { WinterSummary } from '../winter/summary.ts'
import { type Words } from '../units/words.ts'

export const STEPS = [
  'place',
  'loads',
  'bank',
  'array',
  'inverter',
  'generator',
  'winter',
  'wiring',
  'cost',
  'build',
  'log',
] as const
export type Step = (typeof STEPS)[number]

/** sound: as it should be. watch: think about it. stop: dangerous or destructive. open: not answered yet. */
export type Level = 'sound' | 'watch' | 'stop' | 'open'

export interface Remedy {
  label: Words
  apply: (design: Design) => Design
}

export interface Finding {
  id: string
  step: Step
  level: Level
  /** what it is about: an id in the document, or the step */
  subject: string
  says: Words
  because: Words
  /** id of the worked sheet with the numbers */
  working?: string
  remedy?: Remedy
}

export interface RuleInput {
  design: Design
  derived: Derived
  /** null until a run has finished */
  winter: WinterSummary | null
}

/** A remedy that has to be sought: to know whether there is one takes as long as a suggestion. */
type Sought = () => Remedy | null

export interface Rule {
  id: string
  step: Step
  check: (input: RuleInput) => Body[]
}

export type Body = Omit<Finding, 'id' | 'step' | 'remedy'> & { remedy?: Remedy | Sought }
type More = Pick<Body, 'working' | 'remedy'>

const body =
  (level: Level) =>
  (subject: string, says: Words, because: Words, more: More = {}): Body => ({
    level,
    subject,
    says,
    because,
    ...more,
  })

export const sound = body('sound')
export const watch = body('watch')
export const stop = body('stop')
export const open = body('open')
