import { modulesForDay } from '../array/need.ts'
import { coldFactor } from '../bank/chemistry.ts'
import { bankOhm } from '../bank/layout.ts'
import { restedBankV, sag } from '../bank/voltage.ts'
import type { Design } from '../document/types.ts'
import { backupPower } from '../generator/backup.ts'
import { countsVA, legLoads, legVA, peakVA } from '../inverter/apparent.ts'
import { acrossVolts, inverterRating, legsOfService, serviceOf, type LiveLeg } from '../inverter/service.ts'
import type { StartVerdict } from '../inverter/startVerdict.ts'
import type { PeakWatts } from '../inverter/surge.ts'
import type { HardestStart } from '../inverter/start.ts'
import { startSeconds, type CoincidentPeak } from '../loads/peak.ts'
import { term, worked } from '../working/working.ts'
import type { Add } from './sheets.ts'

/** Charge at which the largest start is judged. */
const LOW_CHARGE = 0.3
/**
 * Worked sheets of the inverter.
 * @param peak the hour in which most is on
 * @param hardest start on the inverter, and the verdict with the one that is spoken of
 * @param batteryC °C of the cells in the coldest month
 */
export function inverterSheets(
  design: Design,
  peak: CoincidentPeak,
  { hardest, start }: { hardest: HardestStart | null; start: StartVerdict },
  batteryC: number,
  worstSunHours: number,
  add: Add,
): void {
  ratingSheets(design, peak, hardest, add)
  idleSheets(design, worstSunHours, add)
  sagSheets(design, start.peak, batteryC, add)
  transferSheet(design, add)
}

function ratingSheets(design: Design, peak: CoincidentPeak, hardest: HardestStart | null, add: Add): void {
  const { inverter, place } = design
  const { part } = inverter
  const service = serviceOf(inverter)
  const legCount = legsOfService(service).length
  const rating = inverterRating(design, peak.startS)
  const startS = hardest ? startSeconds(hardest.load) : 0
  const legs = legLoads(design)
  const heaviest = legs.reduce((so, each) => (each.watts > so.watts ? each : so))
  const onLeg = (leg: LiveLeg) =>
    legCount > 1 ? `on at once on ${legCount > 2 ? 'phase' : 'leg'} ${leg}` : 'on at once'
  add(
    worked('inverter.rating', 'Continuous, at its hottest', rating.continuousW, 'W', {
      says: 'rating × what heat and thin air leave of it',
      terms: [
        term('rating', rating.sheetW, 'W', `${inverter.quantity} × ${part.name}`),
        term('hottest air around it', inverter.hottestC, '°C'),
        term('elevation', place.elevationM, 'm', 'step Place'),
        term('left of it', rating.derating, 'share'),
      ],
      source: 'data sheet slopes',
    }),
  )
  add(
    worked(
      'inverter.leg-share',
      legCount > 1 ? 'Heaviest leg' : 'Continuous load',
      heaviest.watts / rating.legW,
      'share',
      {
        says:
          legCount > 1
            ? 'what is on at once on the leg, asked by itself ÷ its part of the rating'
            : 'what is on at once ÷ rating',
        terms: [
          term(onLeg(heaviest.leg), heaviest.watts, 'W'),
          term(legCount > 1 ? 'rating of a leg' : 'rating', rating.legW, 'W', part.name),
        ],
        school: peak.school,
        source: 'each leg of a split-phase inverter carries half its rating, each phase of three a third',
      },
    ),
  )
  if (countsVA(design)) {
    const most = legs.reduce((so, each) => (each.va > so.va ? each : so))
    add(
      worked('loads.peak-va', 'On at once, in volt-amperes', peakVA(design, peak.school), 'VA', {
        says: 'as what is on at once, each load’s watts ÷ its power factor',
        terms: [term('on at once', peak.continuousW, 'W')],
        school: peak.school,
        source: 'S = P ÷ cos φ, added plainly, which errs on the safe side',
      }),
    )
    add(
      worked(
        'inverter.va-share',
        legCount > 1 ? 'Heaviest leg, in volt-amperes' : 'Continuous load, in volt-amperes',
        most.va / legVA(design),
        'share',
        {
          says: 'volt-amperes on at once there ÷ what a leg carries of them',
          terms: [
            term(onLeg(most.leg), most.va, 'VA'),
            term(
              'a leg carries',
              legVA(design),
              'VA',
              part.ratedVA === null ? 'the sheet states watts alone' : part.name,
            ),
          ],
          school: peak.school,
          source: 'data sheet',
        },
      ),
    )
  }
  add(
    worked('inverter.surge-share', 'Hardest start', hardest?.share ?? 0, 'share', {
      says: '(what is on at once + what the start adds) ÷ surge, on the leg it is on or on all of them, whichever is nearer',
      terms: [
        term('on at once there', hardest?.baseW ?? 0, 'W'),
        term(`the start of ${hardest?.load.name ?? 'nothing'} adds`, hardest?.addedW ?? 0, 'W'),
        term('it lasts', startS, 's'),
        term(
          startS > part.surgeS ? 'continuous rating, the start outlasts the surge' : 'surge',
          hardest?.limitW ?? rating.surgeW,
          'W',
          hardest && hardest.at !== 'all' ? `leg ${hardest.at}, for ${part.surgeS} s` : `for ${part.surgeS} s`,
        ),
      ],
      source: 'data sheet',
    }),
  )
  add(
    worked(
      'inverter.low-voltage-current',
      'Current at full load, bank low',
      rating.sheetW / (part.fullLoadEfficiency * part.lowCutV),
      'A',
      {
        says: 'rating ÷ (efficiency × low cut-out voltage)',
        terms: [
          term('rating', rating.sheetW, 'W'),
          term('efficiency', part.fullLoadEfficiency, 'share'),
          term('low cut-out', part.lowCutV, 'V'),
        ],
        source: 'practice: sized at the low voltage, not the nominal',
      },
    ),
  )
}

function idleSheets({ inverter, schools }: Design, worstSunHours: number, add: Add): void {
  const { part, quantity, search } = inverter
  const restW = (search && part.searchW !== null ? part.searchW : part.idleW) * quantity
  const dayWh = add(
    worked('inverter.idle-day', 'Its own draw', restW * 24, 'Wh/d', {
      says: 'draw at rest × 24 h',
      terms: [
        term(
          search && part.searchW !== null ? 'draw while searching' : 'idle draw',
          restW,
          'W',
          `${quantity} × ${part.name}`,
        ),
      ],
      source: 'data sheet',
    }),
  )
  add(
    worked(
      'inverter.idle-panels',
      'Modules for its own draw',
      modulesForDay(dayWh, worstSunHours, schools.handFactor),
      'W',
      {
        says: 'own draw a day ÷ (peak sun hours of the worst month × system factor); 0 where there is no sun at all',
        terms: [
          term('own draw', dayWh, 'Wh/d'),
          term('peak sun hours', worstSunHours, 'h/d', 'worst month'),
          term('system factor', schools.handFactor, 'share'),
        ],
        source: 'hand method',
      },
    ),
  )
}

function sagSheets({ bank, inverter }: Design, peak: PeakWatts, batteryC: number, add: Add): void {
  const { part } = inverter
  const charge = Math.max(LOW_CHARGE, bank.cutoffStateOfCharge)
  const openV = restedBankV(bank, charge)
  const ohm = bankOhm(bank) / coldFactor(bank.part.chemistry, batteryC)
  const sagged = sag(openV, ohm, peak.surgeW / part.fullLoadEfficiency)
  add(
    worked('inverter.sag', 'Bank under the start, 30 % charged', sagged.volts ?? 0, 'V', {
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

/** What passes the transfer relay while a backup carries the house. */
function transferSheet(design: Design, add: Add): void {
  const { generator, grid, inverter } = design
  const { transferA } = inverter.part
  const backup = backupPower(design)
  const backupW = generator.present && backup.passesHouse ? backup.realW : 0
  const gridW = grid.present ? grid.breakerA * grid.breakerV : 0
  const realW = Math.max(backupW, gridW)
  if (realW <= 0 || transferA <= 0) return
  const volts = acrossVolts(inverter)
  add(
    worked('inverter.transfer-share', 'Transfer relay', realW / volts / (transferA * inverter.quantity), 'share', {
      says: `power of the ${gridW > backupW ? 'grid’s breaker' : 'backup'} ÷ voltage ÷ relay rating`,
      terms: [
        term('power', realW, 'W'),
        term('voltage', volts, 'V'),
        term('relay', transferA * inverter.quantity, 'A', inverter.part.name),
      ],
      source: 'data sheet',
    }),
  )
}
