import { setField } from '../change/field.ts'
import { ownCharger } from '../change/generator.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { floorStateOfCharge } from '../bank/usable.ts'
import { derive } from '../derive/derive.ts'
import type { Design, GeneratorPart } from '../document/types.ts'
import { backupPower, economicalChargeA } from '../generator/backup.ts'
import { realWatts } from '../generator/power.ts'
import { takenShare } from '../generator/taken.ts'
import { generatorParts } from '../parts/shelf.ts'
import { followed } from '../sizing/follow.ts'
import type { Suggestion } from './suggestion.ts'
import { leastFaults, stillToWatch } from './tried.ts'
import { amount, celsius, percent } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** What a start level leaves above the charge at which a cold bank lets go, in steps of which. */
const MARGIN = 0.1
const STEP = 0.05

/**
 * The smallest set that carries what is on at once, its charger turned down to an economical load, held against all rules;
 * start and stop levels by chemistry and cold, and the care that chemistry asks for.
 */
export function suggestGenerator(design: Design): Suggestion {
  const { place, bank } = design
  const facts = CHEMISTRIES[bank.part.chemistry]
  const { peak, batteryC } = derive(design)
  // none that the inverter does not take; all of a set before part of a larger one
  const shares = new Map(generatorParts.map((part) => [part, takenShare(withSet(design, part, batteryC))]))
  const real = (part: GeneratorPart) => realWatts(part, place.elevationM, 25) * shares.get(part)!
  const isInPart = (part: GeneratorPart) => Number(shares.get(part)! < 1)
  const kept = design.generator.part.fuel
  // who has a fuel keeps it where a set of it does
  const smallestFirst = generatorParts
    .filter((part) => shares.get(part)! > 0)
    .sort((a, b) => Number(a.fuel !== kept) - Number(b.fuel !== kept) || isInPart(a) - isInPart(b) || real(a) - real(b))
  const carrying = smallestFirst.filter((each) => real(each) >= peak.continuousW)
  // where none that carries it will do, rather a smaller one than one the relay does not bear
  const sets = [...carrying, ...smallestFirst.filter((each) => !carrying.includes(each)).reverse()]
  const tried = leastFaults(sets, (part) => followed(withSet(design, part, batteryC)))
  const [best] = tried
  const part = best.choice
  const { chargerAcW, chargeA } = backupPower(best.design)
  const { startStateOfCharge, stopStateOfCharge } = best.design.generator
  const colder = startStateOfCharge > facts.generatorStart
  return {
    design: best.design,
    others: tried.slice(1).map((each) => each.design),
    reasons: [
      say`“${part.name}” ${carrying.includes(part) ? say`is the smallest of its fuel that carries ${amount(peak.continuousW, 'W')} on at once and stands against the rules` : say`does not carry all the ${amount(peak.continuousW, 'W')} on at once, but no larger one stands against the rules`}: it really gives ${amount(real(part), 'W')} here, and the charger, set to ${amount(chargeA, 'A')}, draws ${amount(chargerAcW, 'W')}, ${percent(chargerAcW / real(part))} of it.`,
      say`Starts at ${percent(startStateOfCharge)}${colder ? say`, above the charge at which the bank lets go at ${celsius(batteryC)}` : ''}, stops at ${percent(stopStateOfCharge)}: beyond that the tail wastes fuel.`,
      facts.fullChargeEveryDays === null
        ? say`${facts.name} needs no regular full charge. A run of twenty minutes a month keeps the set fit.`
        : say`A full charge every ${facts.fullChargeEveryDays} days keeps the plates clean${facts.equaliseV ? ', an equalising charge every quarter mixes the acid' : ''}.`,
      ...stillToWatch(design, best),
    ],
  }
}

/** The design with a set and the rules by which it runs, its charger turned down to what suits it. */
function withSet(design: Design, part: GeneratorPart, batteryC: number): Design {
  const { bank, inverter, generator } = design
  const { chemistry } = bank.part
  const facts = CHEMISTRIES[chemistry]
  const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
  const floor = floorStateOfCharge(chemistry, batteryC, bank.cutoffStateOfCharge)
  const overFloor = Math.ceil((floor + MARGIN) / STEP - 1e-9) * STEP
  const start = Math.min(Math.max(facts.generatorStart, overFloor), facts.generatorStop - STEP)
  const chosen: Design = {
    ...design,
    generator: {
      ...generator,
      present: true,
      kind: 'generator',
      part: { ...part },
      adapted: false,
      charger: 'inverter',
      chargeLimitA: null,
      startBy: 'charge',
      startWhenEmpty: true,
      startStateOfCharge: Math.round(start * 100) / 100,
      stopStateOfCharge: facts.generatorStop,
      fullChargeEveryDays: facts.fullChargeEveryDays,
      exerciseEveryDays: 30,
      equaliseEveryDays: facts.equaliseV ? 90 : null,
      restDays: 0,
      loadShareLimit: 0.8,
    },
  }
  const charging = inverter.part.chargerA > 0 ? chosen : ownCharger(chosen)
  const { chargeA } = backupPower(charging)
  const setA = Math.max(1, Math.floor(Math.min(economicalChargeA(charging), limitA)))
  return setA < chargeA ? setField('generator.chargeLimitA', setA)(charging) : charging
}

/** A backup that the inverter does not take, on the bank by a charger of its own; any other as it is. */
export const besideInverter = (design: Design): Design =>
  design.generator.present && takenShare(design) === 0 ? ownCharger(design) : design

/** What is said of a backup that came beside the inverter. */
export const besideSays = (before: Design, { generator }: Design): Words[] =>
  generator.charger === before.generator.charger
    ? []
    : ['The inverter does not take what the backup gives, so that charges the bank by a charger of its own.']
