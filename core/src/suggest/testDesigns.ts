import fc from 'fast-check'
import { newDesign } from '../design/defaults.ts'
import { takeChemistry } from '../change/bank.ts'
import { takeBackup } from '../change/generator.ts'
import { onLegsOf } from '../inverter/service.ts'
import { seasonsFor } from '../design/defaults.ts'
import type { Chemistry, Design, Load } from '../document/types.ts'
import { appliance, APPLIANCES, loadFromAppliance } from '../loads/appliances.ts'
import { ILLUSTRATIVE_CLIMATES } from '../weather/climates.ts'

/** A household somewhere, as somebody new would state it: a place, what is used, what kind of bank, whether there is a backup. */
export interface Scenario {
  name: string
  latitudeDeg: number
  longitudeDeg: number
  elevationM: number
  climate: string
  loads: readonly [appliance: string, times: number][]
  chemistry: Chemistry
  backup: boolean
}

/** The design such a household begins with. */
export function designOf({ name, loads, chemistry, backup, ...where }: Scenario): Design {
  const begun = newDesign(name, { label: name, ...where })
  const list = loads.map(([id, times], i): Load => {
    const load = loadFromAppliance(appliance(id), `load-${i + 1}`)
    const hours = Math.min(24, load.hoursPerDay * times)
    return seasonsFor(where.latitudeDeg, { ...load, hoursPerDay: hours })
  })
  const housed = onLegsOf({ ...begun, loads: list })
  const banked = chemistry === housed.bank.part.chemistry ? housed : takeChemistry(chemistry)(housed)
  return backup ? banked : takeBackup('none')(banked)
}

const CABIN: Scenario['loads'] = [
  ['fridge', 1],
  ['lights', 0.6],
  ['phones', 1],
  ['router', 1],
  ['radio', 1],
]
const HOUSE: Scenario['loads'] = [
  ['fridge', 1],
  ['freezer', 1],
  ['well-pump', 1],
  ['lights', 1],
  ['router', 1],
  ['laptop', 1],
  ['phones', 1],
  ['washer', 1],
  ['microwave', 1],
  ['television', 1],
]
const FARM: Scenario['loads'] = [...HOUSE, ['kettle', 2], ['satellite-link', 1], ['desktop', 3], ['dishwasher', 1]]

/** Twelve households from the equator to 65°, a 24 V cabin to some 30 kWh a day, dry, maritime and monsoon, with and without backup. */
// oxfmt-ignore
export const SCENARIOS: readonly Scenario[] = [
  { name: 'Forest clinic', latitudeDeg: 0.4, longitudeDeg: 20, elevationM: 400, climate: 'equatorial', loads: CABIN, chemistry: 'lfp', backup: true },
  { name: 'Wadi house', latitudeDeg: 24, longitudeDeg: 33, elevationM: 200, climate: 'hot-desert', loads: HOUSE, chemistry: 'lfp', backup: false },
  { name: 'Termite ridge', latitudeDeg: -14, longitudeDeg: 28, elevationM: 1200, climate: 'savanna', loads: HOUSE, chemistry: 'flooded', backup: true },
  { name: 'Rain terrace', latitudeDeg: 21, longitudeDeg: 82, elevationM: 300, climate: 'monsoon', loads: HOUSE, chemistry: 'lfp', backup: true },
  { name: 'Juniper rim', latitudeDeg: 37, longitudeDeg: -108, elevationM: 1980, climate: 'high-plateau', loads: HOUSE, chemistry: 'lfp', backup: true },
  { name: 'Olive slope', latitudeDeg: 38, longitudeDeg: 16, elevationM: 350, climate: 'winter-rain', loads: CABIN, chemistry: 'agm', backup: false },
  { name: 'Sheep station', latitudeDeg: -43, longitudeDeg: 170, elevationM: 500, climate: 'maritime-coast', loads: FARM, chemistry: 'lfp', backup: true },
  { name: 'Prairie quarter', latitudeDeg: 50, longitudeDeg: -106, elevationM: 600, climate: 'open-plains', loads: [...FARM, ['well-pump', 4]], chemistry: 'lfp', backup: true },
  { name: 'Fog bench', latitudeDeg: 48.5, longitudeDeg: -116, elevationM: 800, climate: 'cold-valley', loads: HOUSE, chemistry: 'flooded', backup: true },
  { name: 'Skerry cabin', latitudeDeg: 57.5, longitudeDeg: -6, elevationM: 20, climate: 'maritime-coast', loads: CABIN, chemistry: 'lfp', backup: true },
  { name: 'Big farm', latitudeDeg: 45, longitudeDeg: -90, elevationM: 350, climate: 'open-plains', loads: [...FARM, ['kettle', 18], ['freezer', 1], ['pressure-pump', 8], ['desktop', 6], ['well-pump', 8], ['microwave', 6]], chemistry: 'lfp', backup: true },
  { name: 'Lake of pines', latitudeDeg: 65, longitudeDeg: -147, elevationM: 150, climate: 'northern-forest', loads: CABIN, chemistry: 'lfp', backup: true },
]

/** Households of every kind, at random. */
export const anyScenario: fc.Arbitrary<Scenario> = fc.record({
  name: fc.constant('Somewhere'),
  latitudeDeg: fc.double({ min: -55, max: 65, noNaN: true }),
  longitudeDeg: fc.constantFrom(-150, -110, -70, 10, 80, 140),
  elevationM: fc.integer({ min: 0, max: 2500 }),
  climate: fc.constantFrom(...ILLUSTRATIVE_CLIMATES.map(({ id }) => id)),
  loads: fc.uniqueArray(fc.tuple(fc.constantFrom(...APPLIANCES.map(({ id }) => id)), fc.constantFrom(0.5, 1, 2)), {
    minLength: 1,
    maxLength: 14,
    selector: ([id]) => id,
  }),
  chemistry: fc.constantFrom<Chemistry>('lfp', 'flooded', 'agm', 'gel'),
  backup: fc.boolean(),
})
