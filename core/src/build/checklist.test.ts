import { describe, expect, it } from 'vitest'
import { coldVoltage } from '../array/voltage.ts'
import { copperDraw, gannetSkerry, larkspurBench, larkspurFlooded, larkspurMoreSun } from '../design/samples.ts'
import type { Design } from '../document/types.ts'
import { checklist } from './checklist.ts'
import { said } from '../units/words.ts'

const PHASES = ['Before', 'Wire', 'Prove', 'Switch on', 'Hand over']
const idsOf = (design: Design) => checklist(design).map(({ id }) => id)
function changed(make: () => Design, change: (design: Design) => unknown): Design {
  const design = make()
  change(design)
  return design
}

describe('the build list', () => {
  it.each([larkspurBench, larkspurFlooded, larkspurMoreSun, gannetSkerry, copperDraw])(
    '%o: runs through its phases in order, each task once, each with its reason',
    (make) => {
      const tasks = checklist(make())
      const phases = tasks.map(({ phase }) => PHASES.indexOf(phase))
      expect(phases).toEqual([...phases].sort((a, b) => a - b))
      expect(new Set(phases).size).toBe(PHASES.length)
      expect(new Set(tasks.map(({ id }) => id)).size).toBe(tasks.length)
      for (const { id, says, why } of tasks) {
        expect(said(says), id).toMatch(/[.:]$/)
        expect(said(why).length, id).toBeGreaterThan(10)
      }
    },
  )

  it('the bank is alive before the sun is let in, and everything is off while it is wired', () => {
    const ids = idsOf(larkspurBench())
    const at = (part: string) => ids.findIndex((id) => id.startsWith(part))
    expect(at('all-off')).toBeGreaterThan(-1)
    expect(at('all-off')).toBeLessThan(at('bank-fuse'))
    const polarity = ids.findIndex((id) => id.startsWith('polarity'))
    if (polarity > -1) expect(at('bank-fuse')).toBeLessThan(polarity)
  })

  it.each<[string, () => Design, (design: Design) => unknown, boolean]>([
    ['vent', larkspurFlooded, () => {}, true],
    ['vent', larkspurBench, () => {}, false],
    ['equal', larkspurBench, (d) => (d.bank.inParallel = 3), true],
    ['equal', larkspurBench, (d) => (d.bank.inParallel = 1), false],
  ])('task %s of %o is there only where it applies', (id, make, change, there) => {
    expect(idsOf(changed(make, change)).includes(id)).toBe(there)
  })

  it('names the open-circuit volts to be measured on each string at 25 °C cells', () => {
    const design = larkspurBench()
    const [array] = design.arrays
    const { vocV, betaVocPctPerK } = array.module
    const volts = coldVoltage({ inSeries: array.inSeries, vocV, betaVocPctPerK, coldestC: 25 })
    expect(checklist(design).some(({ says }) => said(says).includes(`${Math.round(volts)} V open`))).toBe(true)
  })

  it('the backup is tried as what it is, and not at all where there is none', () => {
    const words = (change: (design: Design) => unknown) =>
      checklist(changed(larkspurBench, change))
        .map(({ says, why }) => `${said(says)} ${said(why)}`)
        .join('\n')
    expect(words(() => {})).toContain('carbon-monoxide')
    expect(words((d) => (d.generator.kind = 'shore'))).toContain('Shore power tried')
    expect(words((d) => (d.generator.kind = 'vehicle'))).toContain('vehicle tried in the open')
    expect(words((d) => (d.generator.present = false))).not.toMatch(
      /Generator input tried|Shore power tried|vehicle tried/,
    )
  })
})
