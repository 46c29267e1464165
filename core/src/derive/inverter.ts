import { coldFactor } from '../bank/chemistry.ts'
import { bankNominalV, bankOhm } from '../bank/layout.ts'
import { restedVoltage, sag } from '../bank/voltage.ts'
import type { Design } from '../design/types.ts'
import { legs, type LegBalance } from '../inverter/legs.ts'
import type { CoincidentPeak } from '../loads/peak.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'

/** Both legs with every AC load on: what the busiest moment could ask of each. */
export function runningLegs({ loads }: Design): LegBalance {
  return legs(
    loads.flatMap((load) =>
      load.leg === 'DC' || load.supply !== 'electric' ? [] : [{ watts: load.runningW * load.quantity, leg: load.leg }],
    ),
  )
}

export function inverterSheets(design: Design, peak: CoincidentPeak, batteryC: number, add: Add): void {
  const { inverter, bank } = design
  const { part, quantity } = inverter
  const ratedW = part.ratedW * quantity
  const balance = runningLegs(design)
  const total = balance.legAW + balance.legBW
  const heavier = total > 0 ? Math.max(balance.legAW, balance.legBW) / total : 0.5
  const split = part.topology === 'split-phase'
  const legW = peak.continuousW * (split ? heavier : 1)
  add(
    worked(
      'inverter.leg-share',
      split ? 'Heavier leg' : 'Continuous load',
      legW / (split ? ratedW / 2 : ratedW),
      'share',
      {
        says: split ? 'what is on at once × share of the heavier leg ÷ half the rating' : 'what is on at once ÷ rating',
        terms: [
          term('on at once', peak.continuousW, 'W'),
          term('heavier leg’s share', split ? heavier : 1, 'share'),
          term('rating', ratedW, 'W', part.name),
        ],
        school: peak.school,
        source: 'each leg of a split-phase inverter carries half its rating',
      },
    ),
  )
  add(
    worked('inverter.surge-share', 'Largest start', peak.surgeW / (part.surgeW * quantity), 'share', {
      says: 'largest start with what else is on ÷ surge rating',
      terms: [term('start', peak.surgeW, 'W'), term('surge rating', part.surgeW * quantity, 'W', `${part.surgeS} s`)],
      source: 'data sheet',
    }),
  )
  add(
    worked(
      'inverter.low-voltage-current',
      'Current at full load, bank low',
      ratedW / (part.fullLoadEfficiency * part.lowCutV),
      'A',
      {
        says: 'rating ÷ (efficiency × low cut-out voltage)',
        terms: [
          term('rating', ratedW, 'W'),
          term('efficiency', part.fullLoadEfficiency, 'share'),
          term('low cut-out', part.lowCutV, 'V'),
        ],
        source: 'practice: sized at the low voltage, not the nominal',
      },
    ),
  )
  const nominal = bank.part.chemistry === 'lfp' ? bankNominalV(bank) : bank.systemV
  const charge = Math.max(0.3, bank.cutoffStateOfCharge)
  const openV = restedVoltage(bank.part.chemistry, nominal, charge)
  const ohm = bankOhm(bank) / coldFactor(bank.part.chemistry, batteryC)
  const sagged = sag(openV, ohm, peak.surgeW / part.fullLoadEfficiency)
  add(
    worked('inverter.sag', 'Bank under the largest start, 30 % charged', sagged.volts ?? 0, 'V', {
      says: 'V = (E + √(E² − 4PR)) / 2; 0 where the bank cannot carry it at all',
      terms: [
        term('rested voltage', openV, 'V'),
        term('resistance, cold', ohm, 'Ω'),
        term('power from the bank', peak.surgeW / part.fullLoadEfficiency, 'W'),
        term('low cut-out', part.lowCutV, 'V', part.name),
      ],
      source: 'constant-power discharge through an internal resistance',
    }),
  )
}
