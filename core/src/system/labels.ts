import type { Design } from '../document/types.ts'
import { absorptionV } from '../bank/layout.ts'
import { acrossVolts } from '../inverter/service.ts'
import { amount, amps, volts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { System } from './graph.ts'
import type { WorkedCircuit } from './work.ts'

/** A label that the installation wants, at true size. */
export interface SystemLabel {
  id: string
  /** danger warns of what kills, warning of what hurts; the others only tell */
  kind: 'danger' | 'warning' | 'notice'
  title: string
  lines: Words[]
  /** where it is put */
  place: string
}

/** Over these direct volts a touch can kill. Source: IEC 60364-4-41, 60 V DC free of ripple. */
const DANGEROUS_V = 60

/**
 * Every label a system wants, made from it: disconnects with their highest volts and amps, the sources there are, the order
 * in which it is shut down, and what arcs and shocks.
 * They follow what NEC 690.13, 690.53, 690.56, 705.10, 706.15 and IEC 60364-7-712 ask; the maker's own stay where they are.
 */
export function labelsOf(design: Design, system: System, circuits: readonly WorkedCircuit[]): SystemLabel[] {
  const labels: SystemLabel[] = []
  for (const { circuit } of circuits.filter(({ circuit: { area, inline } }) => area === 'array' && inline.length > 0)) {
    const disconnect = circuit.inline.find(({ kind }) => kind === 'switch')
    if (!disconnect) continue
    labels.push({
      id: disconnect.id,
      kind: circuit.highestV > DANGEROUS_V ? 'danger' : 'warning',
      title: 'Photovoltaic disconnect',
      lines: [
        disconnect.name,
        say`Highest volts ${volts(circuit.highestV)} DC`,
        say`Works at ${volts(circuit.volts)}, ${amps(circuit.workingA)}; short circuit ${amps(circuit.correctedA)}`,
        'Both sides are live while there is light.',
      ],
      place: 'on the disconnect',
    })
  }
  const main = circuits.find(({ circuit }) => circuit.id === 'bank-main')
  if (main)
    labels.push({
      id: 'battery-switch',
      kind: absorptionV(design.bank) > DANGEROUS_V ? 'danger' : 'warning',
      title: 'Battery disconnect',
      lines: [
        say`Highest volts ${volts(absorptionV(design.bank))} DC`,
        say`Short circuit up to ${amount(main.circuit.faultA / 1000, 'kA')}`,
        'An arc here burns. Switch off every load first; insulated tools, eyes covered.',
      ],
      place: 'on the battery switch',
    })
  labels.push({
    id: 'panel',
    kind: 'warning',
    title: 'Fed by more than one source',
    lines: [
      say`${volts(acrossVolts(design.inverter))} AC`,
      sourcesOf(system),
      'Switch off all of them before the cover comes off.',
    ],
    place: 'on the house panel',
  })
  labels.push({
    id: 'bond',
    kind: 'notice',
    title: 'Neutral and ground are joined here, and only here',
    lines: ['A second bond anywhere sends current through frames and cases.'],
    place: 'at the bond',
  })
  labels.push({
    id: 'shut-down',
    kind: 'notice',
    title: 'To shut down',
    lines: shutDown(system),
    place: 'beside the inverter, and at the door',
  })
  labels.push({
    id: 'bank-room',
    kind: 'danger',
    title: 'Battery bank',
    lines: [
      design.bank.part.minChargeC === null
        ? 'Gives off hydrogen while it charges: no flame, no spark, air high and low.'
        : 'Never open a unit. In a fire leave, shut the door, and tell the brigade what it is.',
      'Stored energy stays when everything is off.',
    ],
    place: 'at the door of the battery room',
  })
  return labels
}

const SOURCES = ['strings', 'bank', 'generator', 'shore', 'grid', 'vehicle', 'source'] as const

function sourcesOf({ nodes }: System): Words {
  const names = SOURCES.flatMap((kind) => nodes.filter((node) => node.kind === kind).map(({ name }) => name))
  return say`Sources: ${[...new Set(names)].join(', ')}`
}

/** Loads first, then what feeds, then the bank, the array last: nothing is parted under load. */
function shutDown({ nodes }: System): Words[] {
  const has = (kind: string) => nodes.some((node) => node.kind === kind)
  const steps = [
    'Main breaker of the house panel: off',
    ...(has('generator') || has('shore') || has('vehicle') ? ['Backup: stopped, its breaker off'] : []),
    ...(has('grid') ? ['Grid inlet: off'] : []),
    'Inverter: off at its own switch',
    ...(has('strings') ? ['Array disconnects: off'] : []),
    ...(has('source') ? ['Other sources: braked or on their dump load'] : []),
    'Battery switch: off',
    'Wait five minutes, then measure before you touch.',
  ]
  return steps.map((step, i) => `${i + 1}. ${step}`)
}
