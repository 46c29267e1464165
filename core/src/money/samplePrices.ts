import type { Inline, SystemNode } from '../system/graph.ts'
import type { WorkedDevice } from '../system/work.ts'

/**
 * Sample prices of what is no part of the shelf: made up, of no shop and no year, by size only, so that a list has a sum
 * from the start. A price that somebody was quoted takes their place.
 */
const DEVICES: Readonly<Record<WorkedDevice['kind'], (amps: number, poles: number) => number>> = {
  'class-t': (amps) => 28 + 0.12 * amps,
  'pv-fuse': () => 6,
  'dc-fuse': (amps) => 10 + 0.05 * amps,
  'dc-breaker': (amps, poles) => (14 + 0.3 * amps) * poles,
  'ac-breaker': (amps, poles) => (8 + 0.2 * amps) * poles,
}
const HOLDERS: Partial<Record<WorkedDevice['kind'], number>> = { 'class-t': 34, 'pv-fuse': 11, 'dc-fuse': 14 }
const INLINE: Readonly<Record<Inline['kind'], (amps: number) => number>> = {
  switch: (amps) => 42 + 0.5 * amps,
  arrester: () => 64,
  shunt: (amps) => 28 + 0.1 * amps,
  meter: () => 58,
  regulator: (amps) => 120 + 6 * amps,
}
/** By the amps it carries, or by how many come together in it. */
const NODES: Partial<Record<SystemNode['kind'], (amps: number, ways: number) => number>> = {
  combiner: (_, ways) => 70 + 12 * ways,
  bars: (amps) => 110 + 0.3 * amps,
  panel: (_, ways) => 60 + 8 * ways,
  'dc-centre': (_, ways) => 40 + 6 * ways,
  bypass: (amps) => 80 + 2 * amps,
  grid: (amps) => 45 + amps,
  shore: (amps) => 45 + amps,
  dump: (amps) => 60 + 4 * amps,
  charger: (amps) => 90 + 5 * amps,
  'ground-bar': () => 15,
  electrode: () => 28,
}
const whole = (price: number) => Math.round(price * 100) / 100

export const samplePrice = {
  device: (kind: WorkedDevice['kind'], amps: number, poles: number): number => whole(DEVICES[kind](amps, poles)),
  holder: (kind: WorkedDevice['kind']): number | null => HOLDERS[kind] ?? null,
  inline: (kind: Inline['kind'], amps: number): number => whole(INLINE[kind](amps)),
  /** null for what is bought with something else, or is none of the builder's */
  node: (kind: SystemNode['kind'], amps: number, ways: number): number | null => {
    const price = NODES[kind]?.(amps, ways)
    return price === undefined ? null : whole(price)
  },
  /** by the metre */
  rail: 9,
  clamp: 2.2,
  foot: 7,
  /** a pair of plug connectors */
  connectors: 4,
  lug: (areaMm2: number): number => whole(1.2 + 0.03 * areaMm2),
  conduit: (innerMm: number): number => whole(0.11 * innerMm),
  fitting: (innerMm: number): number => whole(1.5 + 0.05 * innerMm),
  label: 2,
  /** a flexible cord, against single conductors of the same copper */
  cordTimes: 1.6,
} as const
