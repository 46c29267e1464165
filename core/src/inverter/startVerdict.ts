import type { Design, Load } from '../document/types.ts'
import { extraStart, guessedStart, startSeconds } from '../loads/peak.ts'
import { celsius, percent, watts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { HardestStart } from './start.ts'
import { surgeTable, type PeakWatts, type SurgeRow } from './surge.ts'

/** What all that shows a start agrees on: finding, picture and rail. */
export interface StartVerdict {
  level: 'sound' | 'watch' | 'stop'
  says: Words
  because: Words
  /** the start that is spoken of, where it meets the inverter; null where nothing starts hard */
  start: HardestStart | null
  /** all that is on with it, as the bank sees it */
  peak: PeakWatts
  /** the bank under it, from full to its cut-out, warm and cold */
  rows: SurgeRow[]
  /** the fullest bank, and of those the warmest, on which it does not start */
  failing: SurgeRow | null
}

/** From this share of what there is a start is close. */
export const CLOSE_START = 0.85
/** How a share of what there is for a start is judged, the bank under it left out. */
export const startLevel = (share: number): 'sound' | 'watch' | 'stop' =>
  share > 1 ? 'stop' : share > CLOSE_START ? 'watch' : 'sound'

const AT = { A: 'of leg A', B: 'of leg B', C: 'of phase C', all: 'of the inverter' } as const
const WHY: Record<SurgeRow['limitedBy'], string> = {
  none: '',
  inverter: 'over the inverter’s surge',
  voltage: 'the bank is pulled below the inverter’s cut-out',
  'bank-current': 'over what the units give for a moment',
}

/**
 * One verdict on all starts: each against its leg and the whole inverter, and against the bank's voltage and current
 * through its charge, warm and cold; the worst is told. A start that was guessed is never a stop: it is to be measured.
 * @param starts of the design, the hardest first
 * @param continuousW on at once, W
 * @param coldC of the bank in its coldest month
 */
export function startVerdict(
  design: Design,
  starts: readonly HardestStart[],
  continuousW: number,
  coldC: number,
): StartVerdict {
  const verdicts = worstOnes(starts).map((start) => verdictOf(design, start, continuousW, coldC))
  const [first, ...others] = verdicts
  if (!first)
    return {
      ...{ level: 'sound', says: 'Nothing starts hard.', because: '', start: null, rows: [], failing: null },
      peak: { continuousW, surgeW: continuousW, startS: 0 },
    }
  return others.reduce((worst, each) => (severity(each) > severity(worst) ? each : worst), first)
}

/** No other start can fail where these do not: the hardest and the largest of those that are known, and of the guessed. */
function worstOnes(starts: readonly HardestStart[]): HardestStart[] {
  const kinds = [true, false].map((guessed) => starts.filter(({ load }) => (guessedStart(load) !== null) === guessed))
  const picked = kinds.flatMap((of) => {
    const largest = of.reduce<HardestStart | null>(
      (most, each) => (most === null || extraStart(each.load) > extraStart(most.load) ? each : most),
      null,
    )
    return [of[0] ?? null, largest]
  })
  return starts.filter((start) => picked.includes(start))
}

/** Worse first; of two that are as bad the one that fails on the fuller bank. */
const severity = ({ level, failing }: StartVerdict) =>
  ['sound', 'watch', 'stop'].indexOf(level) * 10 + (failing ? 1 + failing.stateOfCharge : 0)

function verdictOf(design: Design, start: HardestStart, continuousW: number, coldC: number): StartVerdict {
  const { load, share, at } = start
  const peak = { continuousW, surgeW: continuousW + extraStart(load), startS: startSeconds(load) }
  const rows = surgeTable(design, peak, coldC, share > 1)
  const failing =
    rows.filter(({ starts }) => !starts).sort((a, b) => b.stateOfCharge - a.stateOfCharge || b.bankC - a.bankC)[0] ??
    null
  const common = { start, peak, rows, failing }
  if (share > 1) return { ...common, ...overInverter(start) }
  if (failing) return { ...common, ...overBank(rows, failing, load) }
  const level = startLevel(share)
  return {
    ...common,
    level,
    says: say`${load.name} starts at ${percent(share)} of the surge ${AT[at]}.`,
    because:
      level === 'watch'
        ? 'Close; a soft start would settle it.'
        : 'The bank carries it down to its cut-out, cold or warm.',
  }
}

type Told = Pick<StartVerdict, 'level' | 'says' | 'because'>

function overInverter({ load, at, baseW, addedW, limitW }: HardestStart): Told {
  const asks = say`With what else is on it asks ${watts(baseW + addedW)} of the ${watts(limitW)} surge ${AT[at]}.`
  return (
    isGuess(load, asks) ?? {
      level: 'stop',
      says: say`${load.name} will not start.`,
      because: say`${asks} A soft start or a larger inverter.`,
    }
  )
}

function overBank(rows: readonly SurgeRow[], failing: SurgeRow, load: Load): Told {
  const first = rows[0]
  const why = WHY[failing.limitedBy]
  if (failing === first) {
    const asks = say`Even a full, warm bank does not carry it: ${why}.`
    return (
      isGuess(load, asks) ?? {
        level: 'stop',
        says: say`${load.name} will not start.`,
        because: say`${asks} More strings, a soft start, or a lighter pump.`,
      }
    )
  }
  return {
    level: 'watch',
    says: say`${load.name} will not start on a bank at ${percent(failing.stateOfCharge)} and ${celsius(failing.bankC)}.`,
    because: say`There ${why}. More strings in parallel, a soft start, or start it only on a fuller bank.`,
  }
}

/** What is said of a start whose watts are only the usual of its kind. */
function isGuess(load: Load, asks: Words): Told | null {
  const range = guessedStart(load)
  if (!range) return null
  return {
    level: 'watch',
    says: say`${load.name} may not start: the usual of its kind is ${watts(range[0])} to ${watts(range[1])}.`,
    because: say`${asks} Measure its start, or tick that it was seen starting; a soft start or a larger inverter settles it.`,
  }
}
