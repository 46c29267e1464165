import { gridIsTaken } from '../generator/taken.ts'
import { theBackup } from '../generator/words.ts'
import type { Change } from '../change/change.ts'
import { tiltBy } from '../change/array.ts'
import { addString, takeBattery } from '../change/bank.ts'
import { setField } from '../change/field.ts'
import { setRunLevels } from '../change/generator.ts'
import { takeInverter } from '../change/inverter.ts'
import { setOfLoads } from '../change/loads.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { chemistryChoices } from '../choices/bank.ts'
import type { Design, Load } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { dailyEnergy } from '../loads/energy.ts'
import { loadInWeek } from '../loads/week.ts'
import { withTrials, type LoadChange } from '../loads/whatIf.ts'
import { followed } from '../sizing/follow.ts'
import { moreModules } from '../sizing/moreModules.ts'
import { climateOf } from '../weather/ruling.ts'
import { seasonOf } from '../weather/season.ts'
import { isBoxed } from '../inverter/service.ts'
import { inverterParts } from '../parts/shelf.ts'
import { suggestGenerator } from './generator.ts'
import { faultsOf } from './tried.ts'
import { amount } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** One thing that could be changed. */
export interface Proposal {
  id: string
  says: Words
  change: Change
}

/**
 * The changes that are tried, of those that the rules do not stop.
 * @param only ids of the changes to try; all where it is left out
 */
export function candidates(design: Design, only: readonly string[] | null = null): (Proposal & { design: Design })[] {
  const before = stopsOf(design)
  const isWanted = (id: string) => only === null || only.includes(id)
  return proposals(design, isWanted)
    .filter(({ id }) => isWanted(id))
    .map((proposal) => ({ ...proposal, design: followed(proposal.change(design)) }))
    .filter((each) => each.design !== design && [...stopsOf(each.design)].every((stop) => before.has(stop)))
}

const stopsOf = (design: Design): Set<string> =>
  new Set(
    faultsOf(design)
      .filter(({ level }) => level === 'stop')
      .map(({ id, subject }) => `${id} ${subject}`),
  )

/** @param isWanted what is dear to make is left out where it is not */
function proposals(design: Design, isWanted: (id: string) => boolean): Proposal[] {
  const change = (id: string, says: Words, make: Change): Proposal => ({ id, says, change: make })
  const { bank, arrays, place, generator } = design
  const snows = climateOf(place).monthly.some(({ snowfallCm }) => snowfallCm > 0)
  const list = [
    ...(isBoxed(design) ? [] : [change('battery', say`One more string of “${bank.part.name}”`, addString)]),
    ...arrays
      .slice(0, 1)
      .map((array) => change('string', say`One more string of ${array.inSeries} on ${array.name}`, moreModules)),
    ...arrays
      .slice(0, 1)
      .filter(({ tracking, tiltSeasons }) => tracking === 'fixed' && tiltSeasons.length === 0)
      .flatMap((array) => [
        ...(array.tiltDeg <= 75 ? [change('steeper', say`${array.name} 15° steeper`, tiltBy(0, 15))] : []),
        ...(array.tiltDeg >= 15 ? [change('flatter', say`${array.name} 15° flatter`, tiltBy(0, -15))] : []),
      ]),
    ...(snows && (place.brushSnowDays === null || place.brushSnowDays > 1)
      ? [change('brush', 'Brush snow off within a day', setField('place.brushSnowDays', 1))]
      : []),
    ...(generator.present && generator.stopStateOfCharge - generator.startStateOfCharge > 0.3
      ? [
          change(
            'stop-sooner',
            say`Stop ${theBackup(design)} 20 points sooner, leaving room for the sun`,
            setRunLevels({ stopStateOfCharge: generator.stopStateOfCharge - 0.2 }),
          ),
        ]
      : []),
    ...(generator.present && generator.startStateOfCharge > 0.25
      ? [
          change(
            'start-later',
            say`Start ${theBackup(design)} 10 points lower`,
            setRunLevels({ startStateOfCharge: Math.max(0.15, generator.startStateOfCharge - 0.1) }),
          ),
        ]
      : []),
  ]
  if (isWanted('backup') && !generator.present && !gridIsTaken(design)) {
    const backed = suggestGenerator(design).design
    list.push(change('backup', say`A backup: “${backed.generator.part.name}”`, (each) => suggestGenerator(each).design))
  }
  const drawing = design.loads.filter((load) => load.supply === 'electric')
  const use = (load: Load) => dailyEnergy(loadInWeek(load, design.household), seasonOf(place).months[2])
  const canWait = drawing.filter((load) => load.priority === 'canWait').sort((a, b) => use(b) - use(a))
  for (const load of canWait.slice(0, 2))
    if (drawing.length > 1) list.push(trial(`drop-${load.id}`, say`Do without ${load.name}`, load, 'out'))
  const [largest] = [...drawing].sort((a, b) => use(b) - use(a))
  if (largest && use(largest) > 0)
    list.push(trial(`half-${largest.id}`, say`Use ${largest.name} half as much`, largest, 'half'))
  const fixed = drawing.filter((load) => !load.movable && load.leg !== 'DC' && load.priority === 'canWait')
  const [moved] = fixed
    .filter(({ hourShape }) => hourShape.some((weight) => weight === 0))
    .sort((a, b) => use(b) - use(a))
  if (moved && use(moved) > 0)
    list.push(
      change(
        `move-${moved.id}`,
        say`Run ${moved.name} in the sunny hours`,
        setOfLoads(new Set([moved.id]), 'movable', true),
      ),
    )
  return [...list, ...biggerCharger(design), ...(isWanted('chemistry') ? otherChemistry(design) : [])]
}

/** The next stronger charger: of its own, or the one in the next inverter of the kind. */
function biggerCharger(design: Design): Proposal[] {
  const { generator, inverter } = design
  if (!generator.present || generator.kind === 'vehicle') return []
  if (generator.chargeLimitA !== null)
    return [
      {
        id: 'charger',
        says: say`Charger turned up from ${amount(generator.chargeLimitA, 'A')} to all it has`,
        change: setField('generator.chargeLimitA', null),
      },
    ]
  if (generator.charger === 'separate') {
    const amps = Math.round(generator.separateChargerA * MORE_CHARGER)
    return [
      {
        id: 'charger',
        says: say`A charger of ${amount(amps, 'A')} in place of ${amount(generator.separateChargerA, 'A')}`,
        change: setField('generator.separateChargerA', amps),
      },
    ]
  }
  const { part } = inverter
  const [next] = inverterParts
    .filter(
      ({ topology, bankV, chargerA, controller }) =>
        topology === part.topology && bankV === part.bankV && chargerA > part.chargerA && controller === null,
    )
    .sort((a, b) => a.chargerA - b.chargerA)
  if (!next) return []
  return [
    {
      id: 'charger',
      says: say`“${next.name}” with its charger of ${amount(next.chargerA, 'A')}`,
      change: takeInverter(next),
    },
  ]
}

const MORE_CHARGER = 1.5

function trial(id: string, says: Words, load: Load, what: LoadChange): Proposal {
  return { id, says, change: (design) => withTrials(design, [{ loadId: load.id, change: what }]) }
}

/** A bank of the other kind, lead for lithium or lithium for lead, as the hand method sizes it. */
function otherChemistry(design: Design): Proposal[] {
  const { worked, batteryC } = derive(design)
  const wanted = CHEMISTRIES[design.bank.part.chemistry].counterpart
  const choice = chemistryChoices(design, worked['loads.battery-day'].value, batteryC).find(
    ({ chemistry }) => chemistry === wanted,
  )
  if (!choice || isBoxed(design)) return []
  return [
    {
      id: 'chemistry',
      says: say`A bank of ${choice.inSeries} × ${choice.inParallel} “${choice.part.name}”`,
      change: takeBattery(choice.part, choice.inParallel),
    },
  ]
}
