import type { CircuitChoice, Design } from '../document/types.ts'
import type { Words } from '../units/words.ts'
import type { Circuit, Lead, System, SystemNode } from './graph.ts'

const USUAL: Omit<CircuitChoice, 'id' | 'oneWayM'> = {
  size: '',
  parallel: 1,
  insulationC: 90,
  terminalC: 75,
  laid: 'conduit',
  ambientC: 30,
  conductors: 2,
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

/** What a circuit is asked about; the rest follows. */
export type Given = Pick<Circuit, 'id' | 'name' | 'area' | 'from' | 'to' | 'workingA' | 'volts' | 'because'> &
  Partial<Omit<Circuit, 'usual'>> & { usual: { oneWayM: number } & Partial<CircuitChoice> }

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
    const { workingA, volts, usual } = given
    const designA = given.designA ?? workingA * CONTINUOUS
    this.system.circuits.push({
      current: 'dc',
      quantity: 1,
      wires: 2,
      threePhase: false,
      highestV: volts,
      faultA: 0,
      backA: 0,
      device: null,
      inline: [],
      grounded: true,
      within: false,
      asksLength: false,
      asks: [],
      lacks: [],
      yearKWh: null,
      ...given,
      designA,
      correctedA: given.correctedA ?? designA,
      usual: { ...USUAL, conductors: given.wires ?? USUAL.conductors, ...usual, id: given.id },
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
