import { ratedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { nextId } from '../design/defaults.ts'
import { hourIsQuiet, MOST_QUIET_H, quietHours, START_BELOW } from '../generator/limits.ts'
import { mostChargerA } from '../generator/backup.ts'
import { fittedAnew } from '../generator/taken.ts'
import { newSource } from '../generator/sources.ts'
import type { BackupKind, Design, Generator, GeneratorPart, OtherSource } from '../document/types.ts'
import { addTo } from './field.ts'
import type { Change } from './change.ts'

const LEAST_SPAN = 0.05

/** What a generator's settings must keep among themselves and with bank and inverter, put right with as little as it takes. */
export function settledGenerator({ generator, bank, inverter }: Design): Generator {
  const stop = Math.max(generator.stopStateOfCharge, LEAST_SPAN)
  const settled: Generator = {
    ...generator,
    stopStateOfCharge: stop,
    startStateOfCharge: generator.startStateOfCharge < stop ? generator.startStateOfCharge : stop - LEAST_SPAN,
    minRunH: Math.min(generator.minRunH, generator.maxRunH),
    ...(quietHours(generator) > MOST_QUIET_H ? { quietFromH: 0, quietToH: 0 } : {}),
  }
  const { lowCutV } = inverter.part
  const highV = bank.systemV * START_BELOW
  if (settled.startV > highV) settled.startV = bank.systemV
  if (settled.startV <= lowCutV) settled.startV = Math.min(highV, lowCutV + bank.systemV / 48)
  // a cut-out above every start leaves only the charge to go by
  if (settled.startBy === 'voltage' && settled.startV <= lowCutV) settled.startBy = 'charge'
  if (settled.startBy === 'morning' && hourIsQuiet(settled, settled.morningH)) settled.morningH = settled.quietToH
  return settled
}

/** A charger beside the inverter: so much of the bank's Ah an hour, and no more than a small set bears. */
const OWN_CHARGER_RATE = 0.15
const OWN_CHARGER_A = 60

/** The backup on the bank by a charger of its own, as large as suits the bank and as the backup carries. */
export const ownCharger: Change = (design) => {
  const { bank, generator } = design
  const limitA = bank.part.maxChargeA * stringsAtLimit(bank)
  const suitsA = OWN_CHARGER_RATE * ratedAh(bank.part) * bank.inParallel
  const own: Design = { ...design, generator: { ...generator, charger: 'separate', chargeLimitA: null } }
  const separateChargerA = Math.max(1, Math.floor(Math.min(limitA, OWN_CHARGER_A, suitsA, mostChargerA(own))))
  return { ...own, generator: { ...own.generator, separateChargerA } }
}

/** Another set; whether its volts fit is for somebody to look at anew. */
export const takeSet =
  (part: GeneratorPart): Change =>
  (design) => ({ ...design, generator: { ...design.generator, part: { ...part }, adapted: false } })

/** Another backup, or none. */
export const takeBackup =
  (kind: BackupKind | 'none'): Change =>
  (design) => {
    const { generator } = design
    if (kind === 'none') return { ...design, generator: { ...generator, present: false } }
    // nobody drives out for a few minutes, and not twice a day
    const restDays = kind === 'vehicle' ? Math.max(1, generator.restDays) : generator.restDays
    const next = {
      ...design,
      generator: { ...generator, present: true, kind, restDays },
    }
    return fittedAnew(design, { ...next, generator: settledGenerator(next) })
  }

/** Levels at which a run starts and stops, 0…1; the start is held below the stop. */
export const setRunLevels =
  (levels: Partial<Pick<Generator, 'startStateOfCharge' | 'stopStateOfCharge'>>): Change =>
  (design) => {
    const next = { ...design, generator: { ...design.generator, ...levels } }
    return { ...next, generator: settledGenerator(next) }
  }

/** Another source that makes so many watts throughout. */
export const addSource =
  (kind: OtherSource['kind'], watts: number): Change =>
  (design) =>
    addTo('sources', newSource(nextId('source', design.sources), kind, watts))(design)

/** Another source of power, made of what it was. */
export const changeSource =
  (index: number, make: (source: OtherSource) => OtherSource): Change =>
  (design) => ({ ...design, sources: design.sources.map((each, i) => (i === index ? make(each) : each)) })
