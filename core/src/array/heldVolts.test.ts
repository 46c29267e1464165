import { describe, expect, it } from 'vitest'
import { larkspurBench } from '../design/samples.ts'
import type { ControllerPart, Design } from '../document/types.ts'
import { moduleParts } from '../parts/shelf.ts'
import { WinterEngine } from '../winter/engine.ts'
import { HeldString, heldString, moduleVolts } from './heldVolts.ts'
import { LIGHT_STEP } from './lowLight.ts'
import { atConditions, currentAt, fitSingleDiode, openCircuitV, powerPoint } from './singleDiode.ts'

const [module] = moduleParts
const fit = fitSingleDiode(module)

/** A module's curve in some light, with its power point. */
function curveAt(light: number, cellC: number) {
  const curve = atConditions(fit, module, light, cellC)
  const openV = openCircuitV(curve)
  return { openV, ...powerPoint((volts) => currentAt(curve, volts), openV), amps: (v: number) => currentAt(curve, v) }
}
const shareAt = (string: HeldString, light: number, cellC: number) => {
  const at = light / LIGHT_STEP
  return string.share(at | 0, at - (at | 0), cellC)
}

describe('a string that is held above its power point', () => {
  it.each(moduleParts.map((each) => [each.name, each] as const))('%s: its volts fall with the light', (_, each) => {
    const { power, open, beyond } = moduleVolts(each)
    const full = 1000 / LIGHT_STEP
    expect(power[full]).toBeCloseTo(1, 6)
    expect(open[full]).toBeCloseTo(1, 9)
    for (let i = 1; i < full; i++) expect(open[i]).toBeLessThan(open[i + 1])
    // silicon in a twentieth of the light: 80 to 92 % of its open volts
    expect(open[1]).toBeGreaterThan(0.8)
    expect(open[1]).toBeLessThan(0.92)
    expect(power[1]).toBeGreaterThan(0.75)
    expect(beyond[0]).toBeCloseTo(1, 9)
    for (let i = 0; i < 32; i++) expect(beyond[i + 1]).toBeLessThan(beyond[i])
    expect(beyond[32]).toBeCloseTo(0, 6)
  })

  it('gives what the whole curve of the module gives there', () => {
    const off: number[] = []
    for (const light of [200, 600, 1000])
      for (const cellC of [0, 25, 60])
        for (const above of [0.9, 1.02, 1.06, 1.1, 1.15, 1.3]) {
          const { volts, watts, openV, amps } = curveAt(light, cellC)
          const heldV = volts * above
          const expected = heldV >= openV ? 0 : above <= 1 ? 1 : (heldV * amps(heldV)) / watts
          const share = shareAt(new HeldString({ module, inSeries: 1 }, heldV, 0), light, cellC)
          off.push(Math.abs(share - expected))
        }
    // the volts go by the sheet's coefficients in the run, by the five parameters here: a steep slope stands a little aside
    expect(off.reduce((a, b) => a + b) / off.length).toBeLessThan(0.04)
    expect(Math.max(...off)).toBeLessThan(0.25)
  })

  it('gives all below, less and less above, nothing from open circuit on', () => {
    const shares = [20, 30, 31.3, 33, 35, 36, 37.4, 40].map((leastV) =>
      shareAt(new HeldString({ module, inSeries: 1 }, leastV, 0), 1000, 25),
    )
    expect(shares.slice(0, 3)).toEqual([1, 1, expect.closeTo(1, 6)])
    expect(shares.at(-1)).toBe(0)
    for (let i = 2; i < shares.length - 1; i++) expect(shares[i + 1]).toBeLessThanOrEqual(shares[i])
  })

  it('begins its day with the volts that start the controller, and goes on below them', () => {
    const string = new HeldString({ module, inSeries: 2 }, 50, 2 * module.vocV)
    expect(shareAt(string, 1000, 60)).toBe(0)
    expect(shareAt(string, 1000, 10)).toBe(1)
    expect(shareAt(string, 1000, 60)).toBe(1)
    string.newDay()
    expect(shareAt(string, 1000, 60)).toBe(0)
  })

  it('is none where the controller takes it at all its volts', () => {
    const [controller] = larkspurBench().controllers
    const held = (inSeries: number, part: Partial<ControllerPart> = {}) =>
      heldString({ module, inSeries }, { ...controller.part, ...part }, 53) !== null
    expect([7, 5, 4, 2, 1].map((inSeries) => held(inSeries))).toEqual([false, false, true, true, true])
    // one that raises volts takes whatever is above its own
    expect(held(1, { minTrackV: 10, startV: 10, aboveBankV: 0, startAboveBankV: 0 })).toBe(false)
    expect([1, 2, 4].map((inSeries) => held(inSeries, { kind: 'pulse-width' }))).toEqual([true, true, false])
  })
})

describe('the run', () => {
  const year = (inSeries: number, part: Partial<ControllerPart> = {}) => {
    const design: Design = larkspurBench()
    Object.assign(design.arrays[0], { inSeries, inParallel: 14 / inSeries })
    Object.assign(design.controllers[0].part, { minTrackV: 40, startV: 40, maxInputA: 1000, ...part })
    return new WinterEngine().year(design, 7, 0)
  }

  it('takes nothing from strings that never reach what their tracker needs', () => {
    const dead = year(1)
    expect(dead.arrayWh).toBe(0)
    expect(dead.generatorHours).toBeGreaterThan(2 * year(7).generatorHours)
  })

  it('takes as much from two in series as from seven, but for the hot hours', () => {
    const [two, seven] = [year(2).arrayWh, year(7).arrayWh]
    expect(two).toBeLessThan(seven)
    expect(two).toBeGreaterThan(0.8 * seven)
  })

  it('takes nothing where the open volts start nothing', () => {
    expect(year(2, { startV: 120 }).arrayWh).toBe(0)
    expect(year(7, { startV: 120 }).arrayWh).toBeGreaterThan(0)
  })

  it('takes nothing from a string that a pulse-width controller holds above its open volts', () => {
    const part = { kind: 'pulse-width' } as const
    expect(year(1, part).arrayWh).toBe(0)
    expect(year(2, part).arrayWh).toBeGreaterThan(0)
  })

  it('takes nothing from a short string that feeds the house through an inverter of its own', () => {
    const part = { kind: 'ac-coupled', outputAcW: 4000, minTrackV: 150, startV: 150 } as const
    expect(year(2, part).otherWh).toBe(0)
    expect(year(7, part).otherWh).toBeGreaterThan(0)
  })

  it('holds a string at the most volts that its tracker follows', () => {
    const whole = year(7).arrayWh
    const held = year(7, { maxTrackV: 110 }).arrayWh
    // half of the volts at the power point
    expect(held / whole).toBeGreaterThan(0.42)
    expect(held / whole).toBeLessThan(0.6)
    expect(year(7, { maxTrackV: 400 }).arrayWh).toBe(whole)
  })
})
