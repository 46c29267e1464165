import type { CircuitChoice, Design } from '../document/types.ts'
import type { Words } from '../units/words.ts'
import type { Circuit, Lead, System, SystemNode } from './graph.ts'

const USUAL: Omit<CircuitChoice, 'id' | 'oneWayM' | 'conductors'> = {
  size: '',
  parallel: 1,
  insulationC: 90,
  terminalC: 75,
  laid: 'conduit',
  ambientC: 30,
  allowedDropPct: 3,
  device: '',
  deviceA: null,
  deviceV: null,
  deviceKA: null,
  builtIn: false,
  unused: false,
  conduit: '',
  disconnect: '',
  withoutArresters: false,
}

/** Continuous loads count a quarter more. Source: NEC 210.19(A), 215.2. */
export const CONTINUOUS = 1.25

/** What differs from circuit to circuit in what is usual. */
type OwnUsual = { oneWayM: number } & Partial<
  Pick<CircuitChoice, 'conductors' | 'laid' | 'ambientC' | 'allowedDropPct'>
>

/** What a circuit is asked about; the rest follows. */
export type Given = Pick<Circuit, 'id' | 'name' | 'area' | 'from' | 'to' | 'workingA' | 'volts' | 'because'> &
  Partial<Omit<Circuit, 'usual'>> & { usual: OwnUsual }

/** What is usual for a circuit: its own, else what is usual for any. */
const usualOf = (id: string, wires: number, of: Given['usual']): Circuit['usual'] => ({
  // an object spread over another is slow, and a design has hundreds of circuits
  id,
  oneWayM: of.oneWayM,
  conductors: of.conductors ?? wires,
  laid: of.laid ?? USUAL.laid,
  ambientC: of.ambientC ?? USUAL.ambientC,
  allowedDropPct: of.allowedDropPct ?? USUAL.allowedDropPct,
  size: USUAL.size,
  parallel: USUAL.parallel,
  insulationC: USUAL.insulationC,
  terminalC: USUAL.terminalC,
  device: USUAL.device,
  deviceA: USUAL.deviceA,
  deviceV: USUAL.deviceV,
  deviceKA: USUAL.deviceKA,
  builtIn: USUAL.builtIn,
  unused: USUAL.unused,
  conduit: USUAL.conduit,
  disconnect: USUAL.disconnect,
  withoutArresters: USUAL.withoutArresters,
})

/** Gathers the equipment and circuits of a design. */
export class Builder {
  readonly system: System = { nodes: [], circuits: [], leads: [] }

  private readonly choices: ReadonlyMap<string, CircuitChoice>

  constructor(readonly design: Design) {
    this.choices = new Map(design.circuits.map((choice) => [choice.id, choice]))
  }

  /** What somebody chose about a circuit, where anybody did. */
  chosen(id: string): CircuitChoice | undefined {
    return this.choices.get(id)
  }

  node(node: Omit<SystemNode, 'count'> & { count?: number }): string {
    this.system.nodes.push({ count: 1, ...node })
    return node.id
  }

  circuit(given: Given): void {
    const { id, name, area, from, to, workingA, volts, because, usual, wires = 2 } = given
    const { designA = workingA * CONTINUOUS } = given
    this.system.circuits.push({
      id,
      name,
      area,
      current: given.current ?? 'dc',
      from,
      to,
      quantity: given.quantity ?? 1,
      wires,
      threePhase: given.threePhase ?? false,
      workingA,
      designA,
      correctedA: given.correctedA ?? designA,
      steadyA: given.steadyA ?? 0,
      fullLoadA: given.fullLoadA ?? 0,
      volts,
      highestV: given.highestV ?? volts,
      faultA: given.faultA ?? 0,
      backA: given.backA ?? 0,
      because,
      device: given.device ?? null,
      inline: given.inline ?? [],
      grounded: given.grounded ?? true,
      within: given.within ?? false,
      asksLength: given.asksLength ?? false,
      asks: given.asks ?? [],
      lacks: given.lacks ?? [],
      yearKWh: given.yearKWh ?? null,
      usual: usualOf(id, wires, usual),
    })
  }

  lead(
    id: string,
    name: string,
    from: string,
    to: string,
    current: Lead['current'],
    size: string,
    because: Words,
  ): void {
    this.system.leads.push({ id, name, from, to, current, size, because })
  }

  has(id: string): boolean {
    return this.system.nodes.some((node) => node.id === id)
  }
}
