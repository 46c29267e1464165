import { setCircuit } from '../../change/circuits.ts'
import { DEVICE_NAMES } from '../../system/devices.ts'
import { cableName, type Fault, type WorkedCircuit } from '../../system/work.ts'
import { amount, amps, metres, volts } from '../../units/say.ts'
import { say, type Words } from '../../units/words.ts'
import { sound, stop, watch, type Remedy, type Rule } from '../rule.ts'

export const circuitsCarry: Rule = {
  id: 'wiring.runs',
  step: 'wiring',
  check: ({ derived: { circuits, link, worked } }) => {
    const ofFullLoad = Math.min(1, link.loadA / worked['inverter.low-voltage-current'].value)
    const found = circuits.flatMap((each) => findingsOf(each, ofFullLoad))
    return found.length > 0
      ? found
      : [
          sound(
            'wiring',
            'Every circuit carries its current behind its fuse or breaker and keeps its drop.',
            'By table and temperature; local code and the inspector have the last word.',
          ),
        ]
  },
}

type Body = ReturnType<typeof stop>

/** @param ofFullLoad share of the inverter's full load that is on at once */
const findingsOf = (worked: WorkedCircuit, ofFullLoad: number): Body[] =>
  worked.faults.map((fault) => TELL[fault](worked, ofFullLoad))

/** What surely flows in a circuit for hours, by sun, charger and load, or by what is on at once, A. */
const flowsA = ({ circuit: { steadyA, fullLoadA } }: WorkedCircuit, ofFullLoad: number): number =>
  Math.max(steadyA, fullLoadA * ofFullLoad)

/** Whoever chose a conductor may leave it to the program again. */
const thinnestRemedy = ({ circuit, own }: WorkedCircuit): { remedy?: Remedy } =>
  own ? { remedy: { label: 'the thinnest that does', apply: setCircuit(circuit.id, { size: '', parallel: 1 }) } } : {}
const withoutDevice = ({ circuit }: WorkedCircuit): { remedy: Remedy } => ({
  remedy: {
    label: 'the one that is asked',
    apply: setCircuit(circuit.id, { device: '', deviceA: null, deviceV: null, deviceKA: null }),
  },
})
const named = ({ circuit, conductor }: WorkedCircuit): Words =>
  conductor ? say`${circuit.name}: ${cableName(conductor)}` : circuit.name

/** What loses more of its volts does not run what hangs on it. */
const USELESS_DROP_PCT = 20

const TELL: Record<Fault, (worked: WorkedCircuit, ofFullLoad: number) => Body> = {
  'no-conductor': ({ circuit }) =>
    stop(
      circuit.id,
      say`No cable does for ${circuit.name}: ${amps(circuit.designA)} to carry.`,
      'Not even four of the thickest side by side carry it and keep the drop. Split it, shorten it, or raise its volts.',
    ),
  terminals: (worked) =>
    stop(
      worked.circuit.id,
      say`${named(worked)} ends in terminals that ${amps(worked.circuit.designA)} make too hot.`,
      'Whatever its insulation bears, the terminals at both ends cap it. Thicker, or terminals of a higher class.',
      thinnestRemedy(worked),
    ),
  ampacity: (worked) =>
    stop(
      worked.circuit.id,
      say`${named(worked)} carries ${amps(worked.conductor!.ampacityA)} where it lies, ${amps(worked.circuit.correctedA)} needed.`,
      'An overloaded cable burns its insulation. Thicker, cooler, or fewer together.',
      thinnestRemedy(worked),
    ),
  device: (worked) =>
    stop(
      worked.circuit.id,
      say`${named(worked)} is not protected by its ${amps(worked.device!.amps!)} ${DEVICE_NAMES[worked.device!.kind]}.`,
      'A device larger than the cable lets it burn before it opens. Thicker cable, or a smaller device.',
      worked.own ? thinnestRemedy(worked) : withoutDevice(worked),
    ),
  drop: (worked) =>
    (worked.conductor!.dropPct > USELESS_DROP_PCT ? stop : watch)(
      worked.circuit.id,
      say`${worked.circuit.name} loses ${amount(worked.conductor!.dropPct, '%', 1)}, ${amount(worked.choice.allowedDropPct, '%')} wanted.`,
      'Thicker cable, or a higher string voltage.',
      thinnestRemedy(worked),
    ),
  'no-device': ({ circuit }) =>
    stop(
      circuit.id,
      say`${circuit.name} needs a device for ${amps(circuit.designA)}.`,
      'No single standard fuse or breaker is made for that. Split it into two circuits.',
    ),
  'device-small': (worked, ofFullLoad) => {
    const { circuit, device } = worked
    const sureA = flowsA(worked, ofFullLoad)
    const opens = device!.amps! < sureA
    const which = say`The ${amps(device!.amps!)} ${DEVICE_NAMES[device!.kind]} of ${circuit.name}`
    return (opens ? stop : watch)(
      circuit.id,
      opens
        ? say`${which} opens while it works: ${amps(sureA)} flow.`
        : say`${which} may open while it works: ${amps(circuit.designA)} are wanted.`,
      'A device is chosen a quarter above what flows for hours.',
      withoutDevice(worked),
    )
  },
  'device-over-modules': ({ circuit, device }) =>
    stop(
      circuit.id,
      say`The ${amps(device!.amps!)} fuse of ${circuit.name} is more than its modules stand: ${amps(circuit.device!.mostA!)}.`,
      'Behind a larger fuse a faulty string burns. Fewer strings side by side, a tracker each, or modules of a higher fuse rating.',
    ),
  'device-volts': (worked) =>
    stop(
      worked.circuit.id,
      say`The ${DEVICE_NAMES[worked.device!.kind]} of ${worked.circuit.name} breaks ${volts(worked.device!.ratedV!)}, and meets ${volts(worked.circuit.highestV)}.`,
      'Above its volts it may not put out the arc, and burns.',
      withoutDevice(worked),
    ),
  'device-ac-on-dc': (worked) =>
    stop(
      worked.circuit.id,
      say`${worked.circuit.name} has an AC breaker in direct current.`,
      'Direct current does not pass through nought: a breaker made for AC may hold the arc and burn.',
      withoutDevice(worked),
    ),
  'device-dc-on-ac': (worked) =>
    watch(
      worked.circuit.id,
      say`Nobody has said that the ${DEVICE_NAMES[worked.device!.kind]} of ${worked.circuit.name} breaks alternating current.`,
      'Many do, as is printed on them with their AC volts: enter those. What is made for DC alone may not open at its rating, and no inspector takes it.',
      withoutDevice(worked),
    ),
  'device-breaks': (worked) =>
    stop(
      worked.circuit.id,
      say`The ${DEVICE_NAMES[worked.device!.kind]} of ${worked.circuit.name} breaks ${amount(worked.device!.ratedKA!, 'kA')}, and a short brings ${amount(worked.device!.leastKA, 'kA')}.`,
      'Above its interrupting rating a device bursts and goes on conducting. At the bank a current-limiting fuse of the fastest class.',
      withoutDevice(worked),
    ),
  'device-unrated': (worked) =>
    watch(
      worked.circuit.id,
      say`Nobody has said what the ${DEVICE_NAMES[worked.device!.kind]} of ${worked.circuit.name} breaks; a short brings ${amount(worked.device!.leastKA, 'kA')}.`,
      'The usual one of its kind breaks less. Enter what is printed on it.',
      withoutDevice(worked),
    ),
  conduit: ({ circuit, conduit }) =>
    watch(
      circuit.id,
      say`The ${conduit!.name} conduit of ${circuit.name} is ${amount(conduit!.share * 100, '%')} full.`,
      'Two conductors may fill 31 % of it, more of them 40 %: beyond that they are hurt while they are drawn in, and run hot.',
      { remedy: { label: 'the smallest that does', apply: setCircuit(circuit.id, { conduit: '' }) } },
    ),
  cord: ({ circuit }) =>
    watch(
      circuit.id,
      say`${circuit.name} is laid as a flexible cord.`,
      'A cord is for what is plugged in. As wiring its jacket wears and nobody sees it; codes refuse it.',
      { remedy: { label: 'in conduit', apply: setCircuit(circuit.id, { laid: 'conduit' }) } },
    ),
  'no-disconnect': ({ circuit }) =>
    stop(
      circuit.id,
      say`Nothing parts ${circuit.name}.`,
      circuit.area === 'array'
        ? 'Modules are live in any light: without a switch nobody works on the controller but under volts. Its own, or one inside of a unit that has one.'
        : 'Without a switch nobody works on the bars but under the volts of the bank.',
      { remedy: { label: 'a switch of its own', apply: setCircuit(circuit.id, { disconnect: 'external' }) } },
    ),
  'no-arresters': ({ circuit, choice }) =>
    watch(
      circuit.id,
      say`${circuit.name} has no surge arresters on ${metres(choice.oneWayM)}.`,
      'Lightning far off sends its surge along a long line, into modules at one end and the controller at the other.',
      { remedy: { label: 'one at each end', apply: setCircuit(circuit.id, { withoutArresters: false }) } },
    ),
  unused: ({ circuit }) =>
    watch(
      circuit.id,
      say`${circuit.name} is marked as not laid.`,
      'What hangs on it is in the winter run and in the verdicts all the same.',
      { remedy: { label: 'lay it', apply: setCircuit(circuit.id, { unused: false }) } },
    ),
}
