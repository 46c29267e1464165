import { sunChargeA } from '../array/controllers.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankNominalV, ratedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import { limitControllers } from '../change/array.ts'
import { settledCircuits } from '../change/circuits.ts'
import type { Change } from '../change/change.ts'
import type { Bank } from '../document/types.ts'

/** Most amps a bank is to be charged with: what its units take, or the rate its chemistry bears. */
function mostChargeA(bank: Bank): number {
  const byUnits = bank.part.maxChargeA * stringsAtLimit(bank)
  const { managed, chargeRate } = CHEMISTRIES[bank.part.chemistry]
  return managed ? byUnits : Math.min(byUnits, chargeRate.high * ratedAh(bank.part) * bank.inParallel)
}

/** Controllers set so that the sun brings the bank no more than it takes; what somebody has set lower stays. */
const settledControllers: Change = (design) => {
  const most = Math.floor(mostChargeA(design.bank))
  if (most < 1 || sunChargeA(design, bankNominalV(design.bank)) <= most) return design
  return limitControllers(most)(design)
}

/** What follows another bank, array, inverter or backup: the controllers' settings and the cables. */
export const followed: Change = (design) => settledCircuits(settledControllers(design))
