import { describe, expect, it } from 'vitest'
import { copperDraw, fieldAt, gannetSkerry, larkspurBench, setField } from '@ambrel/core'
import { quantity } from '@ambrel/core/units'
import { choicesOf, valueInWords } from './choices.ts'

const metric = (value: number, unit: string) => quantity(value, unit, 'metric')
const imperial = (value: number, unit: string) => quantity(value, unit, 'imperial')
const plain = (text: string) => text.replaceAll(/[\u2009\u202f\u00a0]/g, ' ')
const told = (design: Parameters<typeof choicesOf>[0], label: string, show = metric) =>
  choicesOf(design, show)
    .filter((choice) => choice.label === label)
    .map(({ step, value }) => `${step}: ${plain(value)}`)

describe('the choices of a report', () => {
  it.each([
    ['Elevation', 'place: 940 m'],
    ['Days without sun wanted', 'bank: 3 d'],
    ['Depth allowed', 'bank: 80 %'],
    ['Ground array: Tilt', 'array: 68 °'],
    ['Ground array: Stands on', 'array: ground'],
    ['a fuse per string', 'bank: no'],
    ['Absorption voltage', 'bank: the usual'],
    ['Currency code', 'cost: USD'],
  ])('tells %s', (label, words) => {
    expect(told(larkspurBench(), label)).toEqual([words])
  })

  it('is in the reader’s units', () => {
    expect(told(larkspurBench(), 'Elevation', imperial)).toEqual(['place: 3084 ft'])
  })

  it('tells a choice of each thing of a list, under its name', () => {
    const labels = choicesOf(copperDraw(), metric).map(({ label }) => label)
    for (const { name } of copperDraw().arrays) expect(labels).toContain(`${name}: Tilt`)
    const none = { ...copperDraw(), arrays: [] }
    expect(choicesOf(none, metric).some(({ label }) => / Tilt$/.test(label))).toBe(false)
  })

  it('never holds a key, a hole or a bare list, whatever the design', () => {
    for (const make of [larkspurBench, gannetSkerry, copperDraw])
      for (const { label, value } of choicesOf(make(), metric)) {
        expect(`${label} ${value}`).not.toMatch(/undefined|null|NaN|\[object|^Key/)
        expect(value, label).not.toBe('')
      }
  })

  it('leaves nothing of a field out: an edit of one is told', () => {
    const next = setField('bank.rechargeDays', 4)(larkspurBench())
    expect(told(next, 'Days to full again')).toEqual(['bank: 4 d'])
    expect(valueInWords(fieldAt('bank.rechargeDays')!, null, metric)).toBe('not asked')
  })
})
