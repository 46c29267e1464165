import { bankKinetic } from '../bank/kinetic.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { bankNominalV, bankRatedAh } from '../bank/layout.ts'
import { stringsAtLimit } from '../bank/strings.ts'
import type { Design } from '../document/types.ts'
import { takenShare } from '../generator/taken.ts'
import { backupPower, ECONOMICAL_LOAD, economicalChargeA, type BackupPower } from '../generator/backup.ts'
import { refillHours } from '../generator/refill.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'
import { amount, celsius, metres } from '../units/say.ts'
import { say } from '../units/words.ts'

const LONGEST_REFILL_H = 96

/** Worked sheets of the backup; none where there is none. */
export function generatorSheets(design: Design, add: Add): void {
  const { generator, bank } = design
  if (!generator.present) return
  const power = backupPower(design)
  const volts = bankNominalV(bank)
  powerSheet(design, power, add)
  const byPowerA = generator.kind === 'vehicle' ? power.chargeA : (power.acW * power.chargerEfficiency) / volts
  const chargeA = Math.min(power.chargeA, byPowerA, bank.part.maxChargeA * stringsAtLimit(bank))
  const drawnW = (chargeA * volts) / power.chargerEfficiency
  if (generator.kind === 'generator')
    add(
      worked('generator.planned', 'Planned on', power.acW, 'W', {
        says: 'real power × the highest share of it that is planned on',
        terms: [term('real power', power.realW, 'W'), term('planned share', generator.loadShareLimit, 'share')],
        source: 'a set that runs for hours is not run at its limit',
      }),
    )
  if (generator.kind !== 'vehicle') {
    add(
      worked('generator.load-share', 'Load while charging', power.realW > 0 ? drawnW / power.realW : 0, 'share', {
        says: 'charger draw ÷ real power, the house not counted',
        terms: [term('charging current', chargeA, 'A'), term('real power', power.realW, 'W')],
        source: '50–75 % is the economical load; under 30 % glazes and wastes',
      }),
    )
    add(
      worked('generator.charge-limit', 'Charger setting for 70 % load', economicalChargeA(design), 'A', {
        says: 'real power × 70 % × charger efficiency ÷ bank voltage, no more than the charger has',
        terms: [
          term('real power', power.realW, 'W'),
          term('economical load', ECONOMICAL_LOAD, 'share'),
          term('charger efficiency', power.chargerEfficiency, 'share'),
          term('bank voltage', volts, 'V'),
        ],
        source: '50–75 % is the economical load of small sets',
      }),
    )
  }
  if (generator.kind !== 'shore')
    add(
      worked('generator.fuel-hour', 'Fuel an hour, charging', power.idleLPerH + power.litresPerWh * drawnW, 'L/h', {
        says: 'fuel at no load + fuel by output',
        terms: [
          term('at no load', power.idleLPerH, 'L/h'),
          term('by output', power.litresPerWh * 1000, 'L/kWh'),
          term('output', generator.kind === 'vehicle' ? 0 : drawnW, 'W'),
        ],
        source: 'straight Willans line of small sets',
      }),
    )
  refillSheet(design, chargeA, add)
}

function powerSheet(design: Design, power: BackupPower, add: Add): void {
  const { generator, place } = design
  const { kind, part } = generator
  const share = takenShare(design)
  if (kind === 'generator')
    add(
      worked('generator.power', 'Real power', power.realW, 'W', {
        says: say`rating less 3.5 % per ${metres(300)} over ${metres(150)}, 1 % per ${amount(5.5, 'K', 1)} over ${celsius(25)}, and ${part.ratedOn === 'own' ? 'nothing for its fuel, on which it is rated' : 'the fuel’s share'}${share > 0 && share < 1 ? ', × the windings that feed the inverter’s one live wire' : ''}`,
        terms: [
          term('rating', part.ratedW, 'W', part.name),
          term('elevation', place.elevationM, 'm', 'step Place'),
          ...(share > 0 && share < 1 ? [term('windings in use', share, 'share')] : []),
        ],
        source: 'makers’ usual de-rating rules',
      }),
    )
  else
    add(
      worked('generator.power', kind === 'shore' ? 'What the cord carries' : 'Into the bank', power.realW, 'W', {
        says: kind === 'shore' ? 'amps × volts of the cord' : 'amps × bank voltage',
        terms:
          kind === 'shore'
            ? [term('cord', generator.cordA, 'A'), term('voltage', generator.cordV, 'V')]
            : [term('from the vehicle', generator.vehicleA, 'A')],
        source:
          kind === 'shore'
            ? 'the breaker at the other end rules'
            : 'an alternator gives a third of its rating for long',
      }),
    )
}

function refillSheet({ generator, bank, ...design }: Design, chargeA: number, add: Add): void {
  const { startStateOfCharge, stopStateOfCharge } = generator
  if (chargeA <= 0 || stopStateOfCharge <= startStateOfCharge) return
  const rated = bankRatedAh(bank)
  const refillAh = rated * (stopStateOfCharge - startStateOfCharge)
  const { chargeEfficiency } = CHEMISTRIES[bank.part.chemistry]
  const kinetic = bankKinetic({ generator, bank, ...design })
  // a bank that never gets there is shown at the longest that is looked at
  const found = refillHours(kinetic, startStateOfCharge, stopStateOfCharge, chargeA, chargeEfficiency, rated)
  add(
    worked('generator.refill-hours', 'Hours to refill', Math.min(found.hours, LONGEST_REFILL_H), 'h', {
      says: 'charging current into the bank from start to stop level, falling where the bank accepts no more',
      terms: [
        term('capacity to put back', refillAh, 'Ah'),
        term('charging current', chargeA, 'A'),
        term('stored of it', chargeEfficiency, 'share'),
        term('of these hours in the absorption tail', found.tailHours, 'h'),
      ],
      source: 'Manwell & McGowan 1993 charge limit for lead-acid; charge balance for lithium',
    }),
  )
}
