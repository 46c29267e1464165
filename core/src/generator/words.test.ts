import { describe, expect, it } from 'vitest'
import { checklist } from '../build/checklist.ts'
import { takeBackup } from '../change/generator.ts'
import { derive } from '../derive/derive.ts'
import { copperDraw, gannetSkerry, larkspurBench } from '../design/samples.ts'
import type { BackupKind, Design } from '../document/types.ts'
import { findings } from '../rules/registry.ts'
import { candidates } from '../suggest/candidates.ts'
import { said } from '../units/words.ts'
import { systemOf } from '../system/systemOf.ts'
import { workedCircuits } from '../system/work.ts'
import { WinterEngine } from '../winter/engine.ts'
import { summariseWinter } from '../winter/summary.ts'
import { verdict } from '../winter/verdict.ts'
import { backupName, backupSays } from './words.ts'

/** What advises somebody to get one, or tells why it is not counted, may name it. */
const ADVISES = /a generator (or a smaller load|beside it)/

function texts(design: Design): string[] {
  const winter = summariseWinter(new WinterEngine().run(design, { years: 2, seed: 7 }), design)
  const derived = derive(design)
  return [
    ...findings({ design, derived, winter }).flatMap(({ says, because, remedy }) => [
      says,
      because,
      remedy?.label ?? '',
    ]),
    ...checklist(design).flatMap(({ says, why }) => [says, why]),
    ...candidates(design).map(({ says }) => says),
    ...workedCircuits(design).flatMap(({ circuit: { name, because, device } }) => [name, because, device?.why ?? '']),
    ...systemOf(design).nodes.flatMap(({ name, rating }) => [name, rating]),
    ...systemOf(design).leads.flatMap(({ name, because }) => [name, because]),
    verdict(design, winter),
  ].map((words) => said(words))
}

describe.each([
  ['larkspurBench', larkspurBench],
  ['gannetSkerry', gannetSkerry],
  ['copperDraw', copperDraw],
] as const)('%s on another backup', (_, make) => {
  it.each(['shore', 'vehicle'] as BackupKind[])('%s is never called a generator', (kind) => {
    const called = texts(takeBackup(kind)(make())).filter((text) => /generator/i.test(text.replace(ADVISES, '')))
    expect(called).toEqual([])
  })
})

it('backups have their names', () => {
  expect(backupName(takeBackup('vehicle')(larkspurBench()))).toBe('vehicle')
  expect(backupSays(larkspurBench())).toBe('The generator')
  expect(backupName(takeBackup('none')(larkspurBench()))).toBe('backup')
})
