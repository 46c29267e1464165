import { CHEMISTRIES } from '../bank/chemistry.ts'
import { absorptionV, bankNominalV } from '../bank/layout.ts'
import type { Design, DeviceKind } from '../document/types.ts'
import type { Words } from '../units/words.ts'
import type { Builder, Given } from './builder.ts'

/** Ohms in a bank's way that the jumpers of a string bring at the least; a bank of stated resistance has them inside. */
const LEAST_MILLIOHM = 0.05
/** The thickest cable there is still has so much, Ω/m, and both leads are in the way. */
const THICKEST_OHM_PER_M = 0.0002
/** Above this a usual DC breaker may not break a short; a fuse of the fastest class does. */
const BREAKER_KA = 10
/** More lithium strings than these ask for a fuse of the fastest class, whatever their resistance is said to be. */
const LITHIUM_STRINGS = 2

/** What the whole bank drives into a short at its terminals, charged full, with nothing but its own resistance in the way, A. */
export function bankFaultA({ bank }: Pick<Design, 'bank'>): number {
  const milliohm = Math.max(LEAST_MILLIOHM, bank.part.resistanceMilliohm * bank.inSeries)
  return (absorptionV(bank) / (milliohm / bank.inParallel)) * 1000
}

/** The same beyond the main leads, at the bars: where they are long it is less, A. */
export const barsFaultA = ({ bank }: Pick<Design, 'bank'>): number =>
  faultBeyond(bank, bankFaultA({ bank }), 2 * bank.leadM * THICKEST_OHM_PER_M)

/** A short's current with so much more in its way, A. */
export const faultBeyond = (bank: Design['bank'], faultA: number, ohm: number): number =>
  absorptionV(bank) / (absorptionV(bank) / faultA + ohm)

/** What breaks a short of so many amps. */
export const breaks = (faultA: number): 'class-t' | 'dc-breaker' =>
  faultA > BREAKER_KA * 1000 ? 'class-t' : 'dc-breaker'

/** The fuse or breaker that breaks what a bank drives into a short at its terminals. */
export function deviceAgainst({ bank }: Pick<Design, 'bank'>): Exclude<DeviceKind, ''> {
  const lithium = CHEMISTRIES[bank.part.chemistry].managed && bank.inParallel > LITHIUM_STRINGS
  return lithium ? 'class-t' : breaks(bankFaultA({ bank }))
}

/** A circuit on the bars: at the bank's volts, its device at the bars, because the bank can feed a short in it. */
export function onBars(
  builder: Builder,
  given: Omit<Given, 'volts' | 'highestV' | 'faultA' | 'device'>,
  why: Words = 'the bank can feed a short in this cable',
): void {
  const { bank, schools } = builder.design
  const faultA = barsFaultA({ bank })
  const kind = breaks(faultA)
  builder.circuit({
    volts: bankNominalV(bank),
    highestV: absorptionV(bank),
    faultA,
    device: { kind, poles: schools.poles === 'all' && kind === 'dc-breaker' ? 2 : 1, at: 'bars', why, mostA: null },
    ...given,
  })
}
