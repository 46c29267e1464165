import { racking } from '../array/racking.ts'
import type { Design } from '../document/types.ts'
import { DEVICE_NAMES, deviceName, INLINE_NAMES } from '../system/devices.ts'
import type { Circuit, Inline, Lead, System, SystemNode } from '../system/graph.ts'
import { labelsOf } from '../system/labels.ts'
import { systemOf } from '../system/systemOf.ts'
import { workedCircuits, type WorkedCircuit } from '../system/work.ts'
import { amount, amps, volts } from '../units/say.ts'
import { joined, said, say, type Words } from '../units/words.ts'
import { conductor } from '../wiring/conductors.ts'
import { conduitInnerMm } from '../wiring/protection.ts'
import { samplePrice } from './samplePrices.ts'

/** What is bought once and lasts, what keeps it from harm, what joins it, and what is used up in the work. */
export type MaterialGroup = 'major' | 'safety' | 'wire' | 'sundries'

/** A line of the material list: so many pieces or metres of one thing, and what of the system they are for. */
export interface Material {
  /** by which a price is kept for it: what it is and its size, not where it goes */
  key: string
  group: Exclude<MaterialGroup, 'major'>
  what: Words
  unit: '' | 'm'
  /** as it is used, and with what is cut off; metres are bought whole */
  net: number
  quantity: number
  /** sample price of one */
  unitPrice: number
  /** ids of the nodes that it is, and of the circuits, leads and inline pieces that it is for */
  nodes: string[]
  of: string[]
  /** how much of `net` each of them takes */
  netOf: Readonly<Record<string, number>>
}

/** Cut off at ends and bends. */
const WASTE_SHARE = 0.1
/** From the ground bar to the rod; from a rod at an array it goes back along the line. */
const ELECTRODE_LEAD_M = 6
const FITTINGS_A_RUN = 2

/** What is bought for so much that is used: metres with what is cut off, whole. */
const boughtOf = (unit: Material['unit'], net: number): number =>
  unit === 'm' ? Math.ceil(net * (1 + WASTE_SHARE) - 1e-9) : net

type Line = Omit<Material, 'netOf'> & { netOf: Record<string, number> }

/** Gathers a list, joining what is the same. */
class List {
  private readonly lines = new Map<string, Line>()

  add(line: Omit<Material, 'quantity' | 'of' | 'nodes' | 'netOf'>, id: string, as: 'nodes' | 'of' = 'of'): void {
    const { key, group, what, unit, net, unitPrice } = line
    const there = this.lines.get(key) ?? {
      key,
      group,
      what,
      unit,
      net: 0,
      quantity: 0,
      unitPrice,
      nodes: [],
      of: [],
      netOf: {},
    }
    there.net += net
    there.netOf[id] = (there.netOf[id] ?? 0) + net
    if (!there[as].includes(id)) there[as].push(id)
    this.lines.set(key, there)
  }

  all(): Material[] {
    return [...this.lines.values()].map((line) => ({ ...line, quantity: boughtOf(line.unit, line.net) }))
  }
}

/** Every id that something in a list is, or is for. */
export const idsIn = (materials: readonly Material[]): Set<string> =>
  new Set(materials.flatMap(({ netOf }) => Object.keys(netOf)))

/** How much of a line is bought for the part of a system that stands. @param standing ids of it, as {@link idsIn} gives them */
export const quantityFor = ({ unit, netOf }: Material, standing: ReadonlySet<string>): number =>
  boughtOf(
    unit,
    Object.entries(netOf).reduce((sum, [id, net]) => sum + (standing.has(id) ? net : 0), 0),
  )

/**
 * Everything a design wants beside its major parts, derived from its graph: boxes, switches, fuses with their holders,
 * breakers, cable by the metre, lugs, conduit, racks, rods and labels. Circuits that are not laid want nothing, nor does
 * what is built into a unit.
 */
export function materialsOf(
  design: Design,
  system: System = systemOf(design),
  circuits: readonly WorkedCircuit[] = workedCircuits(design, system),
): Material[] {
  const list = new List()
  for (const node of system.nodes) nodeLine(list, node, circuits)
  for (const worked of circuits) {
    if (worked.choice.unused || worked.circuit.within) continue
    deviceLines(list, worked)
    cableLines(list, design, worked)
    for (const inline of worked.circuit.inline) inlineLine(list, inline)
  }
  for (const lead of system.leads) leadLine(list, design, lead, circuits)
  for (const array of design.arrays) racks(list, array)
  for (const { id } of labelsOf(design, system, circuits))
    list.add(
      { key: 'label', group: 'sundries', what: 'label', unit: '', net: 1, unitPrice: samplePrice.label },
      `label:${id}`,
    )
  return list.all()
}

const NODE_NAMES: Partial<Record<SystemNode['kind'], string>> = {
  combiner: 'combiner box',
  bars: 'DC box with both bars',
  panel: 'house panel',
  'dc-centre': 'DC load centre',
  bypass: 'changeover switch',
  grid: 'grid inlet',
  shore: 'shore inlet',
  dump: 'dump load',
  charger: 'charger',
  'ground-bar': 'ground bar',
  electrode: 'ground rod with its clamp',
}

function nodeLine(list: List, node: SystemNode, circuits: readonly WorkedCircuit[]): void {
  const name = NODE_NAMES[node.kind]
  if (!name) return
  const at = circuits.filter(({ circuit }) => circuit.from === node.id || circuit.to === node.id)
  const ways = at.reduce((sum, { circuit }) => sum + circuit.quantity, 0)
  const carriesA = Math.max(0, ...at.map(({ circuit }) => circuit.designA))
  const price = samplePrice.node(node.kind, carriesA, ways)!
  const [size, what]: [string, Words] = ONE_SIZE.has(node.kind)
    ? ['', name]
    : BY_WAYS.has(node.kind)
      ? [` ${ways}`, say`${name}, ${ways} ways`]
      : [` ${Math.ceil(carriesA)} A`, say`${name}, over ${amps(carriesA)}`]
  const line = { key: `${node.kind}${size}`, group: 'safety', what, unit: '', net: 1, unitPrice: price } as const
  list.add(line, node.id, 'nodes')
}
const ONE_SIZE = new Set<SystemNode['kind']>(['ground-bar', 'electrode'])
const BY_WAYS = new Set<SystemNode['kind']>(['combiner', 'panel', 'dc-centre'])

function deviceLines(list: List, { circuit, device }: WorkedCircuit): void {
  if (!device || device.builtIn) return
  const { kind, poles, amps: rated, leastV, ratedV } = device
  const pieces = circuit.device!.pieces ?? circuit.quantity
  const atV = ratedV ?? leastV
  const size = rated === null ? 'special' : `${rated} A`
  list.add(
    {
      key: `${kind} ${poles} ${size} ${atV} V`,
      group: 'safety',
      what: joined([deviceName(device), ...(rated === null ? [] : [say`${amps(rated)}`]), say`${volts(atV)}`], ', '),
      unit: '',
      net: pieces,
      // none is made for the current: nobody knows what a special one costs
      unitPrice: rated === null ? 0 : samplePrice.device(kind, rated, poles),
    },
    circuit.id,
  )
  const holder = samplePrice.holder(kind)
  if (holder !== null)
    list.add(
      {
        key: `holder ${kind}`,
        group: 'safety',
        what: `holder for a ${DEVICE_NAMES[kind]}`,
        unit: '',
        net: pieces,
        unitPrice: holder,
      },
      circuit.id,
    )
}

function inlineLine(list: List, { id, kind, rating, overA, builtIn }: Inline): void {
  if (builtIn) return
  list.add(
    {
      key: `${kind}, ${said(rating)}`,
      group: 'safety',
      what: joined([INLINE_NAMES[kind], rating], ', '),
      unit: '',
      net: 1,
      unitPrice: samplePrice.inline(kind, overA),
    },
    id,
  )
}

function cable(list: List, design: Design, size: string, metres: number, of: string, cord = false): void {
  const { areaMm2 } = conductor(size)
  const perM = areaMm2 * design.budget.cablePerMm2M * (cord ? samplePrice.cordTimes : 1)
  list.add(
    {
      key: `${cord ? 'cord' : 'cable'} ${size}`,
      group: 'wire',
      what: [cord ? 'cord ' : 'cable ', { size }],
      unit: 'm',
      net: metres,
      unitPrice: Math.round(perM * 100) / 100,
    },
    of,
  )
}

/** Conductors that carry current, those of the ground beside them, the lugs at their ends, and the conduit they lie in. */
function cableLines(list: List, design: Design, worked: WorkedCircuit): void {
  const { circuit, conductor: laid, choice, groundSize, conduit, studMm } = worked
  if (!laid) return
  const { id, wires, quantity } = circuit
  const pieces = wires * laid.parallel * quantity
  cable(list, design, laid.size, pieces * choice.oneWayM, id, choice.laid === 'cord')
  if (groundSize) cable(list, design, groundSize, quantity * choice.oneWayM, id)
  if (studMm !== null && circuit.current === 'dc')
    list.add(
      {
        key: `lug ${laid.size} ${studMm}`,
        group: 'sundries',
        what: ['lug for ', { size: laid.size }, ', stud of ', amount(studMm, 'mm')],
        unit: '',
        net: 2 * pieces,
        unitPrice: samplePrice.lug(conductor(laid.size).areaMm2),
      },
      id,
    )
  if (conduit) conduitLines(list, circuit, choice, conduit.name)
  if (id.startsWith('string:') || (id.startsWith('array:') && circuit.from.startsWith('strings:')))
    list.add(
      {
        key: 'connectors',
        group: 'sundries',
        what: 'plug connectors, a pair',
        unit: '',
        net: quantity,
        unitPrice: samplePrice.connectors,
      },
      id,
    )
}

function conduitLines(list: List, circuit: Circuit, choice: WorkedCircuit['choice'], name: string): void {
  const innerMm = conduitInnerMm(name)!
  const inOne = Math.max(1, Math.floor(choice.conductors / circuit.wires))
  const runs = Math.ceil(circuit.quantity / inOne)
  list.add(
    {
      key: `conduit ${name}`,
      group: 'wire',
      what: `conduit ${name}`,
      unit: 'm',
      net: runs * choice.oneWayM,
      unitPrice: samplePrice.conduit(innerMm),
    },
    circuit.id,
  )
  list.add(
    {
      key: `fitting ${name}`,
      group: 'sundries',
      what: `end fitting of conduit ${name}`,
      unit: '',
      net: FITTINGS_A_RUN * runs,
      unitPrice: samplePrice.fitting(innerMm),
    },
    circuit.id,
  )
}

function leadLine(list: List, design: Design, { id, size, from }: Lead, circuits: readonly WorkedCircuit[]): void {
  // leads that sense or talk come with their units
  if (!size) return
  const array = from.replace(/^electrode:/, '')
  const alongM = circuits.find(({ circuit }) => circuit.id === `array:${array}`)?.choice.oneWayM
  cable(list, design, size, id.startsWith('bonded:') && alongM !== undefined ? alongM : ELECTRODE_LEAD_M, id)
}

function racks(list: List, array: Design['arrays'][number]): void {
  const { rails, railM, midClamps, endClamps, feet } = racking(array, 1, { azimuthDeg: 180, elevationDeg: 20 })
  const add = (key: string, what: string, unit: '' | 'm', net: number, unitPrice: number) => {
    if (net > 0) list.add({ key, group: 'sundries', what, unit, net, unitPrice }, `strings:${array.id}`)
  }
  add('rail', 'rail', 'm', rails * railM, samplePrice.rail)
  add('mid-clamp', 'clamp between modules', '', midClamps, samplePrice.clamp)
  add('end-clamp', 'clamp at an end', '', endClamps, samplePrice.clamp)
  add('foot', 'foot of a rail', '', feet, samplePrice.foot)
}
