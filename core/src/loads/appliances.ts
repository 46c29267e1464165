import type { Load, StartKind } from '../document/types.ts'
import { HOUR_SHAPES } from './shapes.ts'

/** A generic appliance: where a load starts from until it has been metered. */
export interface Appliance {
  id: string
  name: string
  room: string
  runningW: number
  hoursPerDay: number
  duty: number
  shape: keyof typeof HOUR_SHAPES
  priority: Load['priority']
  leg: Load['leg']
  startKind: StartKind
  movable?: boolean
  seasonShare?: readonly number[]
  daysPerWeek?: number
}

const COOLING_SEASON = [0.85, 0.85, 0.9, 1, 1.05, 1.15, 1.25, 1.25, 1.1, 1, 0.9, 0.85]
const HEATING_SEASON = [1, 1, 0.8, 0.5, 0.2, 0, 0, 0, 0.2, 0.6, 0.9, 1]
const GROWING_SEASON = [0, 0, 0, 0, 0.6, 1, 1, 1, 0.6, 0, 0, 0]
const LIGHT_SEASON = [1.2, 1.1, 1, 0.8, 0.7, 0.6, 0.6, 0.7, 0.9, 1, 1.2, 1.3]

type Row = [
  id: string,
  name: string,
  room: string,
  runningW: number,
  hoursPerDay: number,
  duty: number,
  shape: string,
  priority: Load['priority'],
  leg: Load['leg'],
  startKind: StartKind,
  more?: Partial<Appliance>,
]

// oxfmt-ignore
const rows: Row[] = [
  ['fridge', 'Refrigerator', 'Kitchen', 90, 24, 0.4, 'flat', 'must', 'A', 'compressor', { seasonShare: COOLING_SEASON }],
  ['freezer', 'Chest freezer', 'Pantry', 80, 24, 0.35, 'flat', 'must', 'B', 'compressor', { seasonShare: COOLING_SEASON }],
  ['well-pump', 'Submersible well pump', 'Water', 1100, 0.5, 1, 'morningEvening', 'must', 'AB', 'submersible-pump'],
  ['pressure-pump', 'Pressure pump', 'Water', 550, 0.5, 1, 'morningEvening', 'must', 'A', 'submersible-pump'],
  ['lights', 'LED lights', 'House', 60, 5, 1, 'evening', 'must', 'A', 'none', { seasonShare: LIGHT_SEASON }],
  ['bulb', 'LED bulb', 'House', 9, 4, 1, 'evening', 'must', 'A', 'none', { seasonShare: LIGHT_SEASON }],
  ['yard-lights', 'Yard lights', 'Outside', 40, 3, 1, 'evening', 'canWait', 'B', 'none', { seasonShare: LIGHT_SEASON }],
  ['router', 'Modem and router', 'House', 14, 24, 1, 'flat', 'must', 'A', 'none'],
  ['satellite-link', 'Satellite internet dish', 'House', 55, 24, 1, 'flat', 'should', 'A', 'none'],
  ['laptop', 'Laptop', 'House', 45, 5, 1, 'daytime', 'should', 'A', 'none'],
  ['desktop', 'Desktop computer and screen', 'House', 150, 4, 1, 'daytime', 'should', 'B', 'none'],
  ['phones', 'Phones and tablets', 'House', 15, 4, 1, 'evening', 'must', 'A', 'none'],
  ['television', 'Television', 'House', 90, 3, 1, 'evening', 'canWait', 'A', 'none'],
  ['radio', 'Radio', 'House', 8, 6, 1, 'daytime', 'canWait', 'A', 'none'],
  ['washer', 'Washing machine', 'Laundry', 400, 1, 0.6, 'daytime', 'canWait', 'B', 'induction-tool', { movable: true, daysPerWeek: 3 }],
  ['gas-dryer', 'Gas dryer, drum only', 'Laundry', 300, 0.8, 1, 'daytime', 'canWait', 'B', 'induction-tool', { movable: true, daysPerWeek: 2 }],
  ['dishwasher', 'Dishwasher, no heater', 'Kitchen', 250, 1, 1, 'evening', 'canWait', 'B', 'none', { movable: true }],
  ['microwave', 'Microwave oven', 'Kitchen', 1200, 0.25, 1, 'meals', 'should', 'A', 'none'],
  ['kettle', 'Electric kettle', 'Kitchen', 1500, 0.2, 1, 'meals', 'canWait', 'B', 'none'],
  ['coffee', 'Coffee maker', 'Kitchen', 900, 0.25, 1, 'meals', 'canWait', 'B', 'none'],
  ['toaster', 'Toaster', 'Kitchen', 1000, 0.1, 1, 'meals', 'canWait', 'B', 'none'],
  ['induction-hob', 'Single induction hob', 'Kitchen', 1600, 0.6, 0.7, 'meals', 'canWait', 'A', 'none'],
  ['mixer', 'Blender or mixer', 'Kitchen', 500, 0.1, 1, 'meals', 'canWait', 'A', 'universal-tool'],
  ['range-hood', 'Range hood', 'Kitchen', 80, 1, 1, 'meals', 'canWait', 'A', 'none'],
  ['furnace-fan', 'Furnace blower', 'Heating', 350, 8, 0.5, 'night', 'must', 'B', 'induction-tool', { seasonShare: HEATING_SEASON }],
  ['circulator', 'Boiler circulator', 'Heating', 45, 10, 1, 'night', 'must', 'B', 'none', { seasonShare: HEATING_SEASON }],
  ['stove-fan', 'Wood stove blower', 'Heating', 60, 8, 1, 'evening', 'should', 'B', 'none', { seasonShare: HEATING_SEASON }],
  ['pellet-stove', 'Pellet stove', 'Heating', 110, 12, 1, 'flat', 'must', 'B', 'none', { seasonShare: HEATING_SEASON }],
  ['mini-split', 'Small heat pump', 'Heating', 700, 6, 0.6, 'daytime', 'canWait', 'AB', 'none', { movable: true, seasonShare: HEATING_SEASON }],
  ['ceiling-fan', 'Ceiling fan', 'House', 35, 8, 1, 'evening', 'canWait', 'A', 'none', { seasonShare: GROWING_SEASON }],
  ['air-exchanger', 'Air exchanger', 'House', 60, 12, 1, 'flat', 'should', 'B', 'none'],
  ['heat-tape', 'Pipe heat tape', 'Water', 120, 10, 0.5, 'night', 'must', 'B', 'none', { seasonShare: [1, 1, 0.5, 0, 0, 0, 0, 0, 0, 0, 0.5, 1] }],
  ['uv-filter', 'Water UV lamp', 'Water', 35, 24, 1, 'flat', 'must', 'A', 'none'],
  ['irrigation', 'Irrigation pump', 'Outside', 750, 3, 1, 'daytime', 'canWait', 'AB', 'submersible-pump', { movable: true, seasonShare: GROWING_SEASON }],
  ['stock-tank', 'Stock tank heater', 'Outside', 500, 12, 0.4, 'night', 'should', 'B', 'none', { seasonShare: [1, 1, 0.4, 0, 0, 0, 0, 0, 0, 0, 0.3, 1] }],
  ['fence', 'Electric fence', 'Outside', 8, 24, 1, 'flat', 'must', 'A', 'none'],
  ['coop-light', 'Hen house light', 'Outside', 12, 4, 1, 'night', 'should', 'A', 'none', { seasonShare: LIGHT_SEASON }],
  ['table-saw', 'Table saw', 'Workshop', 1400, 0.3, 1, 'daytime', 'canWait', 'B', 'induction-tool', { movable: true, daysPerWeek: 3 }],
  ['drill', 'Corded drill', 'Workshop', 600, 0.2, 1, 'daytime', 'canWait', 'B', 'universal-tool', { movable: true, daysPerWeek: 3 }],
  ['compressor', 'Air compressor', 'Workshop', 1500, 0.3, 1, 'daytime', 'canWait', 'AB', 'induction-tool', { movable: true, daysPerWeek: 2 }],
  ['dust-extractor', 'Dust extractor', 'Workshop', 900, 0.3, 1, 'daytime', 'canWait', 'A', 'universal-tool', { movable: true, daysPerWeek: 3 }],
  ['tool-charger', 'Tool battery charger', 'Workshop', 90, 1.5, 1, 'daytime', 'canWait', 'A', 'none', { movable: true }],
  ['welder', 'Small welder', 'Workshop', 3500, 0.2, 0.4, 'daytime', 'canWait', 'AB', 'none', { movable: true, daysPerWeek: 1 }],
  ['vacuum', 'Vacuum cleaner', 'House', 900, 0.3, 1, 'daytime', 'canWait', 'A', 'universal-tool', { movable: true, daysPerWeek: 3 }],
  ['iron', 'Clothes iron', 'Laundry', 1200, 0.3, 0.6, 'daytime', 'canWait', 'B', 'none', { movable: true, daysPerWeek: 1 }],
  ['sewing', 'Sewing machine', 'House', 100, 1, 0.5, 'daytime', 'canWait', 'A', 'none', { daysPerWeek: 2 }],
  ['hair-dryer', 'Hair dryer', 'Bathroom', 1200, 0.1, 1, 'morningEvening', 'canWait', 'B', 'none'],
  ['breathing-aid', 'Breathing machine at night', 'Bedroom', 40, 8, 1, 'night', 'must', 'A', 'none'],
  ['electric-blanket', 'Electric blanket', 'Bedroom', 80, 8, 0.5, 'night', 'canWait', 'A', 'none', { seasonShare: HEATING_SEASON }],
  ['ebike', 'Electric bicycle charger', 'Outside', 120, 3, 1, 'daytime', 'canWait', 'A', 'none', { movable: true, daysPerWeek: 3 }],
  ['water-heater', 'Electric water heater', 'Water', 2000, 2, 1, 'daytime', 'canWait', 'AB', 'none', { movable: true }],
  ['demand-heater', 'Gas water heater ignition', 'Water', 60, 0.5, 1, 'morningEvening', 'must', 'A', 'none'],
  ['composting-fan', 'Composting toilet fan', 'Bathroom', 5, 24, 1, 'flat', 'must', 'A', 'none'],
  ['bath-fan', 'Bathroom fan', 'Bathroom', 25, 0.7, 1, 'morningEvening', 'canWait', 'A', 'none'],
  ['alarm', 'Smoke and gas alarms', 'House', 4, 24, 1, 'flat', 'must', 'A', 'none'],
  ['camera', 'Camera and recorder', 'Outside', 25, 24, 1, 'flat', 'should', 'B', 'none'],
  ['phantom', 'Standby of everything left plugged in', 'House', 20, 24, 1, 'flat', 'should', 'B', 'none'],
  ['dc-fridge', 'DC refrigerator', 'Kitchen', 55, 24, 0.35, 'flat', 'must', 'DC', 'none', { seasonShare: COOLING_SEASON }],
  ['dc-lights', 'DC lights', 'House', 30, 5, 1, 'evening', 'must', 'DC', 'none', { seasonShare: LIGHT_SEASON }],
  ['dc-pump', 'DC diaphragm pump', 'Water', 90, 0.6, 1, 'morningEvening', 'must', 'DC', 'none'],
  ['dc-fan', 'DC vent fan', 'House', 12, 10, 1, 'flat', 'should', 'DC', 'none'],
]

export const APPLIANCES: readonly Appliance[] = rows.map(
  ([id, name, room, runningW, hoursPerDay, duty, shape, priority, leg, startKind, more]) => ({
    id,
    name,
    room,
    runningW,
    hoursPerDay,
    duty,
    shape,
    priority,
    leg,
    startKind,
    ...more,
  }),
)

/** A load of the document made from an appliance of the shelf; its figures are guesses until metered. */
export function loadFromAppliance(appliance: Appliance, id: string, quantity = 1): Load {
  return {
    id,
    name: appliance.name,
    room: appliance.room,
    quantity,
    basis: 'rated',
    powerFactor: 1,
    strip: '',
    stripShare: 1,
    runningW: appliance.runningW,
    hoursPerDay: appliance.hoursPerDay,
    duty: appliance.duty,
    daysPerWeek: appliance.daysPerWeek ?? 7,
    weekdays: null,
    seenStarting: false,
    meteredKWh: null,
    meteredHours: null,
    cycleWh: null,
    cycleDepth: null,
    cycleChargerEfficiency: null,
    cyclesPerWeek: null,
    monthKWh: null,
    meterReadings: [],
    standbyW: 0,
    supply: 'electric',
    seasonShare: [...(appliance.seasonShare ?? Array<number>(12).fill(1))],
    hourShape: [...HOUR_SHAPES[appliance.shape].weights],
    leg: appliance.leg,
    switched: false,
    priority: appliance.priority,
    movable: appliance.movable ?? false,
    startS: null,
    storeDays: 0,
    whenAway: appliance.shape === 'flat' || appliance.seasonShare === HEATING_SEASON,
    startKind: appliance.startKind,
    startW: null,
  }
}

/** The appliance with this id. @throws RangeError for an unknown one */
export function appliance(id: string): Appliance {
  const found = APPLIANCES.find((candidate) => candidate.id === id)
  if (!found) throw new RangeError(`appliance ${JSON.stringify(id)} is not on the shelf`)
  return found
}
