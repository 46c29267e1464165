import { describe, expect, it } from 'vitest'
import {
  derive,
  gannetSkerry,
  larkspurBench,
  STEPS,
  summariseWinter,
  WinterEngine,
  type Design,
  type Step,
} from '@ambrel/core'
import { isStep, keyFigure, STEP_KEYS, stepName } from './steps.ts'

const winterOf = (design: Design) => summariseWinter(new WinterEngine().run(design, { years: 3, seed: 7 }), design)

describe('the rail', () => {
  const design = larkspurBench()
  const derived = derive(design)
  const winter = winterOf(design)
  const figure = (step: Step, readings = 0) => keyFigure(step, design, derived, winter, readings, 'metric')

  it.each([
    ['place', /^1\.1 h of sun, Dec$/],
    ['loads', /^6\.7 kWh a day$/],
    ['bank', /^48 V · 23\.9 kWh, 468 Ah · 3\.1 d$/],
    ['array', /^7 × 2 · 5\.81 kW$/],
    ['inverter', /^leg \d+ % · start \d+ %$/],
    ['generator', /^\d+(\.\d)? h a year$/],
    ['winter', /^holds, 9 in 10$/],
    ['wiring', /^(\d+) of \1 circuits sound$/],
    ['cost', /^2\d\u202f\d{3} USD$/],
    ['build', /^0 of 20 done$/],
    ['log', /^no readings yet$/],
  ] as const)('%s says %s', (step, words) => {
    expect(figure(step)).toMatch(words)
  })

  it('counts readings, and build tasks that are still there', () => {
    expect(figure('log', 1)).toBe('1 reading')
    expect(figure('log', 12)).toBe('12 readings')
    const done = { ...design, build: { done: ['permit', 'a-task-of-another-bank'] } }
    expect(keyFigure('build', done, derived, winter, 0, 'metric')).toBe('1 of 20 done')
  })

  it('names what is missing rather than a wrong figure', () => {
    for (const step of STEPS) expect(keyFigure(step, design, null, winter, 0, 'metric')).toBe('—')
    expect(keyFigure('winter', design, derived, null, 0, 'metric')).toBe('…')
    const alone = { ...design, generator: { ...design.generator, present: false } }
    expect(keyFigure('generator', alone, derive(alone), winter, 0, 'metric')).toBe('none')
    const dark = { ...design, arrays: [] }
    expect(keyFigure('array', dark, derive(dark), winter, 0, 'metric')).toBe('none yet')
  })

  it('says how many hours are short where some are', () => {
    const short = { ...winter, oneInTen: { ...winter.oneInTen, shortHours: { must: 0, should: 3.4, canWait: 1 } } }
    expect(keyFigure('winter', design, derived, short, 0, 'metric')).toBe('3.4 h short, 1 in 10')
  })

  it('a single-leg inverter has a load, not a leg', () => {
    const cabin = gannetSkerry()
    expect(keyFigure('inverter', cabin, derive(cabin), null, 0, 'metric')).toMatch(/^load \d+ % · start \d+ %$/)
  })

  it('has a key and a name for every step', () => {
    expect(STEP_KEYS).toHaveLength(STEPS.length)
    expect(new Set(STEP_KEYS).size).toBe(STEPS.length)
    for (const step of STEPS) {
      expect(stepName(step, null)).toMatch(/^[A-Z]/)
      expect(isStep(step)).toBe(true)
    }
    expect(isStep('nothing')).toBe(false)
  })
})
