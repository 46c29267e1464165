import type { Bank, BatteryPart, Chemistry, Design } from '../document/types.ts'
import { thinnestCircuits } from '../change/circuits.ts'
import { batteryParts } from '../parts/shelf.ts'
import type { Words } from '../units/words.ts'
import { cableName, workedCircuits } from '../system/work.ts'
import { CHEMISTRIES, CHEMISTRY_IDS, coldFactor } from '../bank/chemistry.ts'
import { classVoltage, ratedAh } from '../bank/layout.ts'
import { cyclesToFailure } from '../bank/life.ts'
import { sizeByHand } from '../bank/sizeByHand.ts'

/** What one bank voltage would mean for a design. */
export interface VoltageChoice {
  systemV: Bank['systemV']
  /** current from the bank at the inverter's full load, and for the largest start, at the low cut-out, A */
  fullLoadA: number
  surgeA: number
  /** conductor from the bars to each inverter */
  cable: Words
  /** what a 60 A controller passes, W */
  controllerW: number
  advised: boolean
  says: Words
}

const VOLTAGES: Bank['systemV'][] = [48, 24, 12]
const USUAL_CONTROLLER_A = 60
/** Low cut-out and absorption per 12 V. */
const LOW_V = 11
const ABSORB_V = 14.4

/** The voltage that practice advises: 48 V over 3 kW at once or 4 kWh a day, 24 V below; 12 V only for what exists. */
export function advisedVoltage(peakW: number, dailyWh: number): Bank['systemV'] {
  return peakW > 3000 || dailyWh > 4000 ? 48 : 24
}

/**
 * 48, 24 and 12 V side by side for the same inverter and loads.
 * @param peakW on at once; surgeW with the largest start; dailyWh at the battery
 */
export function voltageChoices(
  design: Design,
  { peakW, surgeW, dailyWh }: { peakW: number; surgeW: number; dailyWh: number },
): VoltageChoice[] {
  const { part, quantity } = design.inverter
  const advised = advisedVoltage(peakW, dailyWh)
  return VOLTAGES.map((systemV) => {
    const lowV = (systemV / 12) * LOW_V
    const amps = (watts: number) => watts / (part.fullLoadEfficiency * lowV)
    const at: Design = {
      ...design,
      inverter: { ...design.inverter, part: { ...part, lowCutV: lowV } },
      bank: { ...design.bank, systemV, inSeries: 1, part: { ...design.bank.part, nominalV: systemV } },
    }
    const main = workedCircuits(thinnestCircuits(at)).find(({ circuit }) => circuit.id === 'inverter')
    return {
      systemV,
      fullLoadA: amps(part.ratedW * quantity),
      surgeA: amps(surgeW),
      cable: main?.conductor ? cableName(main.conductor) : '',
      controllerW: USUAL_CONTROLLER_A * (systemV / 12) * ABSORB_V,
      advised: systemV === advised,
      says: SAYS[systemV],
    }
  })
}

const SAYS: Record<Bank['systemV'], string> = {
  48: 'Half the current of 24 V, thinner copper, twice the array on each controller. Over 50 V while charging it can kill: covers, insulated tools, rated disconnects.',
  24: 'Under the shock limit while charging. Fair up to about 3 kW at once or 4 kWh a day; beyond that the copper grows heavy.',
  12: 'Only to check what is there already: over 1.5 kW the currents are those of a welder.',
}

/** What a chemistry would mean for a design: a bank of it by the hand method, and what it asks of its keeper. */
export interface ChemistryChoice {
  chemistry: Chemistry
  part: BatteryPart
  inSeries: number
  inParallel: number
  usableWh: number
  price: number
  weightKg: number
  /** cases alone, without air between them, L */
  volumeL: number
  coldFactor: number
  /** years until it is worn out at one cycle a day of the daily need, or of its calendar */
  years: number
  pricePerYear: number
  upkeep: string
  cold: Words
}

/**
 * Each chemistry sized for the same days by the hand method, at the depth usual for it, in the shelf's part that costs
 * least without too many strings.
 *
 * @param dailyWh at the battery
 * @param batteryC temperature the bank is sized for
 */
export function chemistryChoices(design: Design, dailyWh: number, batteryC: number): ChemistryChoice[] {
  const { systemV, autonomyDays } = design.bank
  return CHEMISTRY_IDS.flatMap((chemistry) => {
    const facts = CHEMISTRIES[chemistry]
    const sized = batteryParts
      .filter((part) => part.chemistry === chemistry && Number.isInteger(systemV / classVoltage(part)))
      .map((part) => {
        const { inSeries, inParallel } = sizeByHand({
          dailyWh,
          days: autonomyDays,
          depth: facts.depth,
          batteryC,
          chemistry,
          systemV,
          unitV: part.nominalV,
          unitAh: ratedAh(part),
        })
        return { part, inSeries, inParallel, count: inSeries * inParallel }
      })
      .sort(
        (a, b) =>
          Math.max(0, a.inParallel - facts.parallel.recommended) -
            Math.max(0, b.inParallel - facts.parallel.recommended) || a.part.price * a.count - b.part.price * b.count,
      )
    if (sized.length === 0) return []
    const { part, inSeries, inParallel, count } = sized[0]
    const ratedWh = part.nominalV * ratedAh(part) * count
    const factor = coldFactor(chemistry, batteryC)
    const depth = Math.min(1, dailyWh / ratedWh)
    const years = Math.min(part.calendarYears, depth > 0 ? cyclesToFailure(part.cycles, depth) / 365 : Infinity)
    const price = part.price * count
    return [
      {
        chemistry,
        part,
        inSeries,
        inParallel,
        usableWh: ratedWh * facts.depth * factor,
        price,
        weightKg: part.weightKg * count,
        volumeL: ratedWh / facts.whPerL,
        coldFactor: factor,
        years,
        pricePerYear: price / years,
        upkeep: facts.upkeep,
        cold: facts.inTheCold,
      },
    ]
  })
}

/** One school of the hand method: how many days, how deep, and what that comes to. */
export interface HandSchool {
  days: number
  depth: number
  needWh: number
  strings: number
  /** days come from the dark spells of this place rather than from a rule */
  fromSpells: boolean
}

/**
 * The hand method by every school of days and depth, for the unit that is chosen.
 * @param spellDays longest dark spell of 1 year in 10, where it is known
 */
export function handSchools(design: Design, dailyWh: number, batteryC: number, spellDays: number | null): HandSchool[] {
  const { bank } = design
  const { chemistry } = bank.part
  const { depth, depthMax } = CHEMISTRIES[chemistry]
  const stringWh = bank.part.nominalV * bank.inSeries * ratedAh(bank.part)
  const rules = [...new Set([2, 3, 5, bank.autonomyDays])].sort((a, b) => a - b)
  const days = [...rules, ...(spellDays !== null && spellDays > 0 ? [spellDays] : [])]
  return days.flatMap((each, i) =>
    [depth, depthMax].map((deep) => {
      const needWh = (dailyWh * each) / deep / coldFactor(chemistry, batteryC)
      return {
        days: each,
        depth: deep,
        needWh,
        strings: Math.max(1, Math.ceil(needWh / stringWh - 1e-9)),
        fromSpells: i === rules.length,
      }
    }),
  )
}
