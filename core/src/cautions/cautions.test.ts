import { describe, expect, it } from 'vitest'
import { setCautionRead } from '../change/cautions.ts'
import { takeBackup } from '../change/generator.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, rowanForks } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { said } from '../units/words.ts'
import { cautionsOf } from './cautions.ts'

const ids = (design: Design) => cautionsOf(design).map(({ id }) => id)

describe('the cautions', () => {
  it.each([larkspurBench, larkspurFlooded, gannetSkerry, copperDraw, rowanForks])(
    'of %o each have a reason, once',
    (make) => {
      const all = cautionsOf(make())
      expect(new Set(all.map(({ id }) => id)).size).toBe(all.length)
      for (const { says, because } of all)
        for (const words of [says, because]) {
          expect(said(words).length).toBeGreaterThan(10)
          expect(said(words)).not.toMatch(/NaN|undefined|null/)
        }
    },
  )
  it.each([
    ['bank.shock', larkspurBench(), true],
    // 24 V charges at 29 V
    ['bank.shock', gannetSkerry(), false],
    ['bank.gas', larkspurFlooded(), true],
    ['bank.gas', larkspurBench(), false],
    ['array.live-modules', larkspurBench(), true],
    ['array.live-modules', { ...larkspurBench(), arrays: [] }, false],
    ['generator.safety', larkspurBench(), true],
    ['generator.safety', takeBackup('none')(larkspurBench()), false],
    ['generator.shore', takeBackup('shore')(larkspurBench()), true],
    ['generator.vehicle', takeBackup('vehicle')(larkspurBench()), true],
    ['generator.grid-safety', rowanForks(), true],
    ['generator.grid-safety', larkspurBench(), false],
  ] as [string, Design, boolean][])('%s holds where it applies', (id, design, holds) => {
    expect(ids(design).includes(id)).toBe(holds)
  })
  it('lithium is told its coldest charge, lead that a frozen one is never charged', () => {
    const cold = (design: Design) => said(cautionsOf(design).find(({ id }) => id === 'bank.cold')!.says)
    expect(cold(larkspurBench())).toContain('0 °C')
    expect(cold(larkspurFlooded())).toContain('frozen')
  })
  it('one that was read is put away in the design and stays in the list', () => {
    const read = setCautionRead('bank.short', true)(larkspurBench())
    expect(read.cautionsRead).toEqual(['bank.short'])
    expect(setCautionRead('bank.short', true)(read).cautionsRead).toEqual(['bank.short'])
    expect(ids(read)).toEqual(ids(larkspurBench()))
    expect(setCautionRead('bank.short', false)(read).cautionsRead).toEqual([])
  })
})
