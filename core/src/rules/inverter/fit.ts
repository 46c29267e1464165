import { quantity, significant } from '../../units/format.ts'
import { percent, watts } from '../say.ts'
import { stop, watch, type Rule } from '../rule.ts'

/** Share of a day's need from which the draw at rest is worth a word. */
const IDLE_SHARE = 0.15

export const idleDraw: Rule = {
  id: 'inverter.idle',
  step: 'inverter',
  check: ({ derived: { worked } }) => {
    const idleWh = worked['inverter.idle-day'].value
    const dayWh = worked['loads.worst-day'].value
    if (dayWh <= 0 || idleWh < IDLE_SHARE * dayWh) return []
    return [
      watch(
        'inverter',
        `Its own draw is ${quantity(idleWh, 'Wh')} a day, ${percent(idleWh / dayWh)} of what the loads take.`,
        `It eats ${watts(worked['inverter.idle-panels'].value)} of modules in the darkest month. A smaller inverter, or search mode where nothing has to stay awake.`,
        { working: 'inverter.idle-panels' },
      ),
    ]
  },
}

export const searchMode: Rule = {
  id: 'inverter.search',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    if (!inverter.search) return []
    const awake = loads.filter(
      (load) =>
        load.leg !== 'DC' &&
        load.supply === 'electric' &&
        (load.standbyW > 0 || load.hourShape.every((weight) => weight > 0)),
    )
    const keptW = awake.reduce(
      (sum, load) => sum + Math.max(load.standbyW, load.duty === 1 ? load.runningW : 0) * load.quantity,
      0,
    )
    if (keptW < inverter.part.searchWakeW) return []
    return [
      watch(
        'inverter',
        `Search mode never sleeps: ${significant(keptW)} W are always on, and ${significant(inverter.part.searchWakeW)} W wake it.`,
        `${awake
          .map(({ name }) => name)
          .slice(0, 3)
          .join(', ')} keep it awake. Put them on direct current or on a switch.`,
      ),
    ]
  },
}

export const waveform: Rule = {
  id: 'inverter.waveform',
  step: 'inverter',
  check: ({ design: { inverter, loads } }) => {
    const motors = loads.filter(({ startKind, leg }) => startKind !== 'none' && leg !== 'DC')
    return inverter.part.waveform === 'stepped'
      ? [
          watch(
            'inverter',
            `A stepped wave${motors.length > 0 ? ` feeds ${motors[0].name}` : ''}.`,
            'Motors run hot and loud on it, and some chargers and electronics fail. A sine inverter costs little more.',
          ),
        ]
      : []
  },
}

/** Below this share of its rating heat and elevation deserve a word. */
const DERATED = 0.9

export const derated: Rule = {
  id: 'inverter.derated',
  step: 'inverter',
  check: ({ design, derived: { worked } }) => {
    const rating = worked['inverter.rating']
    const sheetW = design.inverter.part.ratedW * design.inverter.quantity
    return rating.value < DERATED * sheetW
      ? [
          watch(
            'inverter',
            `Of ${watts(sheetW)} it gives ${watts(rating.value)} at ${significant(design.inverter.hottestC)} °C and ${significant(design.place.elevationM)} m.`,
            'Heat and thin air take the rest. A cooler, open place on the wall gives most of it back.',
            { working: 'inverter.rating' },
          ),
        ]
      : []
  },
}

export const transferRelay: Rule = {
  id: 'inverter.transfer',
  step: 'inverter',
  check: ({ derived: { worked } }) => {
    const share = worked['inverter.transfer-share']?.value ?? 0
    return share > 1
      ? [
          stop(
            'inverter',
            `The backup can push ${percent(share)} of what the transfer relay carries.`,
            'The relay welds or burns. A breaker of the relay’s rating before it, or a larger relay.',
            { working: 'inverter.transfer-share' },
          ),
        ]
      : []
  },
}

export const acCoupled: Rule = {
  id: 'inverter.ac-coupled',
  step: 'inverter',
  check: ({ design: { controllers, sources, inverter } }) => {
    const arrayW = controllers.reduce((sum, { part }) => sum + (part.outputAcW ?? 0), 0)
    const otherW = sources
      .filter(({ side }) => side === 'ac')
      .reduce((sum, { wattsByMonth, hourlyW }) => sum + Math.max(...(hourlyW ?? wattsByMonth.flat())), 0)
    const feedW = arrayW + otherW
    const ratedW = inverter.part.ratedW * inverter.quantity
    if (feedW === 0) return []
    return feedW > ratedW
      ? [
          stop(
            'inverter',
            `${watts(feedW)} feed the AC side of an inverter of ${watts(ratedW)}.`,
            'When the house drops its load all of it runs back through the inverter, which must carry it until the frequency rises. No more than its rating.',
          ),
        ]
      : [
          watch(
            'inverter',
            `${watts(feedW)} feed the AC side.`,
            'The inverter’s maker must allow it and must raise the frequency when the bank is full; while a generator runs they are held off.',
          ),
        ]
  },
}
