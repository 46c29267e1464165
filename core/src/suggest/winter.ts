import { theBackup } from '../generator/words.ts'
import type { Change } from '../change/change.ts'
import { addModuleString, tiltBy } from '../change/array.ts'
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
import { seasonOf } from '../weather/season.ts'
import { inverterParts } from '../parts/shelf.ts'
import { bill } from '../money/parts.ts'
import type { WinterEngine } from '../winter/engine.ts'
import { figuresAt, figuresOf, worstOf } from '../winter/figures.ts'
import { amount } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** One change to the design, run over the same weather. */
export interface Candidate {
  id: string
  says: Words
  /** money it costs, in the design's currency; never below 0 */
  price: number
  generatorHours: number
  shortHours: number
  /** what it saves against the design as it is: hours of generator and short hours of 1 in 10 */
  generatorHoursSaved: number
  shortHoursSaved: number
  design: Design
}

/** A short hour weighs as much as this many generator hours when changes are ranked. */
const SHORT_HOUR_WEIGHT = 10

/** The changes that are tried, each as a whole design. */
export function candidates(design: Design): { id: string; says: Words; design: Design }[] {
  const change = (id: string, says: Words, make: Change) => ({ id, says, design: make(design) })
  const { bank, arrays, place, generator } = design
  const list = [
    change('battery', say`One more string of “${bank.part.name}”`, addString),
    ...arrays
      .slice(0, 1)
      .map((array) => change('string', say`One more string of ${array.inSeries} on ${array.name}`, addModuleString(0))),
    ...arrays
      .slice(0, 1)
      .filter(({ tracking, tiltSeasons }) => tracking === 'fixed' && tiltSeasons.length === 0)
      .flatMap((array) => [
        ...(array.tiltDeg <= 75 ? [change('steeper', say`${array.name} 15° steeper`, tiltBy(0, 15))] : []),
        ...(array.tiltDeg >= 15 ? [change('flatter', say`${array.name} 15° flatter`, tiltBy(0, -15))] : []),
      ]),
    ...(place.brushSnowDays === null || place.brushSnowDays > 1
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
  const drawing = design.loads.filter((load) => load.supply === 'electric')
  const use = (load: Load) => dailyEnergy(loadInWeek(load, design.household), seasonOf(place).months[2])
  const canWait = drawing.filter((load) => load.priority === 'canWait').sort((a, b) => use(b) - use(a))
  for (const load of canWait.slice(0, 2))
    if (drawing.length > 1) list.push(tried(design, `drop-${load.id}`, say`Do without ${load.name}`, load, 'out'))
  const [largest] = [...drawing].sort((a, b) => use(b) - use(a))
  if (largest && use(largest) > 0)
    list.push(tried(design, `half-${largest.id}`, say`Use ${largest.name} half as much`, largest, 'half'))
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
  return [...list, ...biggerCharger(design), ...otherChemistry(design)]
}

/** The next stronger charger: of its own, or the one in the next inverter of the kind. */
function biggerCharger(design: Design): { id: string; says: Words; design: Design }[] {
  const { generator, inverter } = design
  if (!generator.present || generator.kind === 'vehicle') return []
  if (generator.chargeLimitA !== null)
    return [
      {
        id: 'charger',
        says: say`Charger turned up from ${amount(generator.chargeLimitA, 'A')} to all it has`,
        design: setField('generator.chargeLimitA', null)(design),
      },
    ]
  if (generator.charger === 'separate') {
    const amps = Math.round(generator.separateChargerA * MORE_CHARGER)
    return [
      {
        id: 'charger',
        says: say`A charger of ${amount(amps, 'A')} in place of ${amount(generator.separateChargerA, 'A')}`,
        design: setField('generator.separateChargerA', amps)(design),
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
      design: takeInverter(next)(design),
    },
  ]
}

const MORE_CHARGER = 1.5

function tried(design: Design, id: string, says: Words, load: Load, what: LoadChange) {
  return { id, says, design: withTrials(design, [{ loadId: load.id, change: what }]) }
}

/** A bank of the other kind, lead for lithium or lithium for lead, as the hand method sizes it. */
function otherChemistry(design: Design): { id: string; says: Words; design: Design }[] {
  const { worked, batteryC } = derive(design)
  const wanted = CHEMISTRIES[design.bank.part.chemistry].counterpart
  const choice = chemistryChoices(design, worked['loads.battery-day'].value, batteryC).find(
    ({ chemistry }) => chemistry === wanted,
  )
  if (!choice) return []
  return [
    {
      id: 'chemistry',
      says: say`A bank of ${choice.inSeries} × ${choice.inParallel} “${choice.part.name}”`,
      design: takeBattery(choice.part, choice.inParallel)(design),
    },
  ]
}

/** What a design comes to over the weather that changes are compared on. */
export interface Measured {
  /** of the median year */
  generatorHours: number
  /** of the worst priority in 1 year of 10 */
  shortHours: number
}

/** Runs a design for {@link whatNext}. */
export function measured(engine: WinterEngine, design: Design, request: { years: number; seed: number }): Measured {
  const years = engine.run(design, request).map((year) => figuresOf(year))
  return { generatorHours: figuresAt(years, 0.5).generatorHours, shortHours: worstOf(figuresAt(years, 0.9).shortHours) }
}

/**
 * Tries one change at a time over the same weather and ranks them by generator hours and short hours saved per money.
 *
 * @param measure runs a design; may be handed out to several workers
 * @param atOnce how many are measured at the same time
 * @param onProgress called after each change with the share done; return false to cancel
 * @param only ids of the changes to try; all where it is left out
 * @returns ranked candidates, or null where it was cancelled
 */
export async function whatNext(
  design: Design,
  measure: (each: Design, lane: number) => Measured | Promise<Measured>,
  atOnce = 1,
  onProgress: (share: number) => boolean = () => true,
  only: readonly string[] | null = null,
): Promise<Candidate[] | null> {
  const base = await measure(design, 0)
  const basePrice = bill(design).total
  const waiting = candidates(design).filter(({ id }) => only === null || only.includes(id))
  const count = waiting.length
  const tried: Candidate[] = []
  let wanted = true
  const work = async (lane: number) => {
    for (let next = waiting.shift(); next && wanted; next = waiting.shift()) {
      const figures = await measure(next.design, lane)
      tried.push({
        ...next,
        ...figures,
        price: Math.max(0, bill(next.design).total - basePrice),
        generatorHoursSaved: base.generatorHours - figures.generatorHours,
        shortHoursSaved: base.shortHours - figures.shortHours,
      })
      wanted = onProgress(tried.length / count) && wanted
    }
  }
  await Promise.all(Array.from({ length: atOnce }, (_, lane) => work(lane)))
  return wanted ? tried.sort((a, b) => worth(b) - worth(a) || a.id.localeCompare(b.id)) : null
}

/** Hours saved per thousand of money; a free change counts as costing ten. */
export function worth({ generatorHoursSaved, shortHoursSaved, price }: Candidate): number {
  const saved = generatorHoursSaved + SHORT_HOUR_WEIGHT * shortHoursSaved
  return saved > 0 ? (saved / Math.max(price, 10)) * 1000 : saved
}

/** The changes that {@link provedBottleneck} weighs. */
export const BOTTLENECK_TRIALS = ['battery', 'string']

/**
 * What holds a design back, proved by the changes that were tried over the same winters: more storage against more
 * modules, by the generator hours and short hours each saves.
 *
 * @returns one sentence, or null where neither was tried
 */
export function provedBottleneck(list: readonly Candidate[]): Words | null {
  const battery = list.find(({ id }) => id === 'battery')
  const string = list.find(({ id }) => id === 'string')
  if (!battery || !string) return null
  const saves = ({ generatorHoursSaved, shortHoursSaved }: Candidate) =>
    say`${amount(generatorHoursSaved, '', 0)} hours of backup${Math.abs(shortHoursSaved) >= 0.5 ? say` and ${amount(shortHoursSaved, '', 0)} short hours` : ''}`
  const tried = say`Tried over the same winters, one more string of batteries saves ${saves(battery)} a year and one more string of modules ${saves(string)}`
  const weight = ({ generatorHoursSaved, shortHoursSaved }: Candidate) =>
    generatorHoursSaved + SHORT_HOUR_WEIGHT * shortHoursSaved
  const [stored, made] = [weight(battery), weight(string)]
  if (Math.max(stored, made) < 1) return say`${tried}: neither holds this design back.`
  if (made > 2 * stored) return say`${tried}: modules hold it back, not storage.`
  if (stored > 2 * made) return say`${tried}: storage holds it back, not modules.`
  return say`${tried}: both are about equally short.`
}
