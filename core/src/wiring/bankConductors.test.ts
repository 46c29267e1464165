import { describe, expect, it } from 'vitest'
import { larkspurBench, larkspurFlooded } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { bankConductors, stringAmps } from './bankConductors.ts'
import { fullLoadA } from './runs.ts'

const wired = (takeoff: Design['bank']['takeoff'], inParallel = 4): Design => {
  const design = larkspurFlooded()
  Object.assign(design.bank, { takeoff, inParallel, linkMilliohm: 0, stringFuses: true })
  return design
}
const part = (design: Design, name: string) => bankConductors(design).find((each) => each.part === name)!

describe('conductors of the bank', () => {
  it('strings that are alike share the full load alike', () => {
    const design = wired('opposite-corners')
    // 6 kW ÷ (0.9 × 44 V)
    expect(fullLoadA(design)).toBeCloseTo(151.515, 3)
    for (const amps of stringAmps(design.bank, 100)) expect(amps).toBeCloseTo(25, 9)
  })

  it.each([
    ['one-end', 0.75],
    ['opposite-corners', 0.75],
  ] as const)('taken off at %s the busiest link carries all strings but one', (takeoff, share) => {
    const design = wired(takeoff)
    expect(part(design, 'link').amps).toBeCloseTo(fullLoadA(design) * share, 6)
    expect(part(design, 'main').amps).toBeCloseTo(fullLoadA(design), 9)
    expect(part(design, 'jumper').amps).toBeCloseTo(fullLoadA(design) / 4, 6)
  })

  it('a string cabled nearest sees more than its share, and its fuse is made for that', () => {
    const design = wired('one-end')
    design.bank.linkMilliohm = 0.6
    const [first, , , last] = stringAmps(design.bank, fullLoadA(design))
    expect(first).toBeGreaterThan(last)
    const fuse = part(design, 'fuse')
    expect(fuse.amps).toBeCloseTo(first, 6)
    expect(fuse.deviceA).toBeGreaterThanOrEqual(first * 1.25)
  })

  it('names no cable where one alone does not carry it', () => {
    const design = larkspurBench()
    design.inverter.part.ratedW = 40_000
    expect(part(design, 'main').size).toBeNull()
    expect(part(larkspurBench(), 'main').size).toBe('3/0 AWG')
  })
})
