import { chooseConductor, type Asked } from '../wiring/choose.ts'
import { ampacity, conductor, deviceFor, drop, type Lying } from '../wiring/conductors.ts'
import { conduitFill, groundConductor, shortCircuitA } from '../wiring/protection.ts'
import { choice, integer, number, numbers, optional, text } from './fields.ts'
import type { CalcFunction } from './inputs.ts'

const basis = choice('awg', 'metric')
const oneWayM = number('m', 0, 10000)
const volts = number('V', 0.1, 2000)
const amps = number('A', 0, 10000)
const lying = {
  insulationC: number('°C: 60, 75, 90 or 105', 60, 105),
  terminalC: optional(number('°C: 60, 75 or 90', 60, 90), null),
  ambientC: number('°C', -40, 104),
  conductors: integer('', 1, 9),
  laid: optional(choice('conduit', 'surface', 'buried', 'free-air'), 'conduit'),
  school: optional(choice('terminal-limited', 'free-air'), 'terminal-limited'),
}
const INSULATIONS = [60, 75, 90, 105]
const TERMINALS = [60, 75, 90]

/** @throws RangeError for a temperature that no table has */
function lyingOf<T extends Lying>(input: { all: () => unknown; has: (name: string) => boolean }): T {
  const all = input.all() as Record<string, unknown>
  const { terminalC, ...rest } = all
  if (!INSULATIONS.includes(all.insulationC as number))
    throw new RangeError(`insulationC ${String(all.insulationC)} °C is not one of ${INSULATIONS.join(', ')}`)
  if (terminalC === null || terminalC === undefined) return rest as unknown as T
  if (!TERMINALS.includes(terminalC as number))
    throw new RangeError(`terminalC ${String(terminalC)} °C is not one of ${TERMINALS.join(', ')}`)
  return { ...rest, terminalC } as unknown as T
}

const sized = (size: string) => ({ size, areaMm2: conductor(size).areaMm2 })

/** Conductors and what protects them, by name. */
export const WIRING: Record<string, CalcFunction> = {
  'wiring.drop': {
    says: 'voltage lost there and back',
    inputs: { size: text('as “6 AWG” or “16 mm2”'), oneWayM, amps, volts },
    outputs: { dropV: 'V', dropPct: '%' },
    source: '2·L·I·R; NEC chapter 9 table 8, IEC 60228',
    run: (input) => drop(input.all()),
  },
  'wiring.ampacity': {
    says: 'current a conductor may carry, capped by its terminals or, by the other method, as in free air',
    inputs: { size: text('as “6 AWG”'), ...lying },
    outputs: { amps: 'A' },
    source: 'NEC 310.16, 310.17, 310.15, 110.14(C); IEC 60364-5-52',
    run: (input) => ({ amps: ampacity(input.text('size'), lyingOf(input)) }),
  },
  'wiring.conductor': {
    says: 'the thinnest conductor that carries its current and keeps its drop',
    inputs: {
      basis,
      designA: number('A', 0, 10000),
      oneWayM,
      workingA: amps,
      volts,
      allowedDropPct: number('%', 0.01, 100),
      deviceA: optional(number('A, of the device that is to protect it', 1, 10000), null),
      ...lying,
    },
    outputs: { size: 'null where none does', parallel: '', ampacityA: 'A', dropPct: '%' },
    source: 'NEC 310.16, 310.15, 310.10(G), 110.14(C); IEC 60364-5-52',
    run: (input) => {
      const chosen = chooseConductor(lyingOf<Asked>(input))
      if (!chosen) return { size: null, parallel: null, ampacityA: null, dropPct: null }
      const { size, parallel, ampacityA, dropPct } = chosen
      return { size, parallel, ampacityA, dropPct }
    },
  },
  'wiring.device': {
    says: 'the next standard fuse or breaker',
    inputs: { designA: number('A', 0, 10000), basis: optional(basis, 'awg') },
    outputs: { amps: 'A, null above the largest' },
    source: 'NEC 240.6(A); IEC 60269',
    run: (input) => ({ amps: deviceFor(input.number('designA'), input.text('basis') as 'awg') }),
  },
  'wiring.shortCircuit': {
    says: 'current a bank drives into a short',
    inputs: {
      openV: number('V, of a string', 0.1, 2000),
      milliohm: number('mΩ, of a string', 0.01, 1e5),
      inParallel: integer('strings', 1, 1000),
      leadMilliohm: number('mΩ, of what all strings share', 0, 1e5),
    },
    outputs: { amps: 'A' },
    source: 'ΣV/R; IEC 61660-1',
    run: (input) => ({ amps: shortCircuitA(input.all()) }),
  },
  'wiring.groundConductor': {
    says: 'equipment ground of copper',
    inputs: {
      basis,
      deviceA: optional(number('A, where the basis is awg', 0.1, 1600), null),
      phaseSize: optional(text('as “16 mm2”, where the basis is metric'), null),
    },
    outputs: { size: '', areaMm2: 'mm²' },
    source: 'NEC 250.122; IEC 60364-5-54 table 54.2',
    run: (input) => {
      if (input.text('basis') === 'awg') {
        if (!(input.number('deviceA') > 0))
          throw new RangeError('deviceA is missing; with basis awg it is needed, in A')
        return sized(groundConductor({ basis: 'awg', deviceA: input.number('deviceA') }))
      }
      const phaseSize = input.text('phaseSize')
      if (!phaseSize) throw new RangeError('phaseSize is missing; with basis metric it is needed, as “16 mm2”')
      if (!phaseSize.endsWith(' mm2')) throw new RangeError(`phaseSize "${phaseSize}" is no metric size, as “16 mm2”`)
      return sized(groundConductor({ basis: 'metric', phaseSize }))
    },
  },
  'wiring.conduitFill': {
    says: 'how full a conduit is',
    inputs: { innerMm: number('mm', 1, 1000), outerMm: numbers('mm, of each conductor', 0.1, 500) },
    outputs: { share: 'of its cross-section', allowed: 'share', fits: '' },
    source: 'NEC chapter 9 table 1',
    run: (input) => {
      const outerMm = input.numbers('outerMm')
      if (outerMm.length === 0) throw new RangeError('outerMm is empty; at least one conductor is needed, in mm')
      return conduitFill(input.number('innerMm'), outerMm)
    },
  },
}
