import type { Change } from '../change/change.ts'
import { setField } from '../change/field.ts'
import { setRunLevels } from '../change/generator.ts'
import { derive } from '../derive/derive.ts'
import type { Design } from '../document/types.ts'
import { theBackup } from '../generator/words.ts'
import { followed } from '../sizing/follow.ts'
import { moreModules } from '../sizing/moreModules.ts'
import { findings } from '../rules/registry.ts'
import { amount, counted } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'
import type { WinterEngine } from '../winter/engine.ts'
import { summariseWinter, type WinterSummary } from '../winter/summary.ts'
import { suggestArray } from './array.ts'
import { suggestBank } from './bank.ts'
import type { Suggestion } from './suggestion.ts'
import { faultsOf } from './tried.ts'

/** Rules of the winter whose remedies a suggestion takes without asking. */
const MENDED = new Set(['generator.start-level', 'winter.cold-lock'])
/** Hours a year of what must run that may be short in 1 winter of 10. */
const LITTLE_SHORT_H = 0.5
const MOST_MENDS = 12
const MORE_DAYS = 0.5

export interface ProvedRequest {
  years: number
  seed: number
}

const mustShort = (winter: WinterSummary) => winter.oneInTen.shortHours.must

/** A suggestion run through its winters, mended where they show that it must be, with what they gave. */
export function proved(
  engine: WinterEngine,
  suggestion: Suggestion,
  request: ProvedRequest,
  before: Design,
): Suggestion {
  const run = (design: Design) => summariseWinter(engine.run(design, request), design)
  const was = mustShort(run(before))
  let best: { design: Design; winter: WinterSummary; mends: Words[] } | null = null
  for (const design of [suggestion.design, ...(suggestion.others ?? [])]) {
    const made = mended(design, run)
    if (!best || mustShort(made.winter) < mustShort(best.winter)) best = made
    if (mustShort(best.winter) <= Math.max(LITTLE_SHORT_H, was)) break
  }
  const { design, winter, mends } = best!
  return {
    design,
    reasons: [...suggestion.reasons, ...mends, howItRuns(design, winter, request.years)],
  }
}

/** What the winters of a design are like, in a sentence. */
function howItRuns(design: Design, winter: WinterSummary, years: number): Words {
  const must = winter.oneInTen.shortHours.must
  const short =
    must <= LITTLE_SHORT_H ? 'nothing that must run is dark' : say`what must run is dark ${amount(must, 'h')}`
  const backup = design.generator.present
    ? say`; ${theBackup(design)} runs ${amount(winter.median.generatorHours, 'h')} in a typical year, ${amount(winter.oneInTen.generatorHours, 'h')} in that one`
    : ''
  return say`Over ${counted(years, 'year')} of weather: in 1 of 10 ${short}${backup}.`
}

function mended(
  design: Design,
  run: (design: Design) => WinterSummary,
): { design: Design; winter: WinterSummary; mends: Words[] } {
  let now = { design, winter: run(design), mends: [] as Words[] }
  for (let i = 0; i < MOST_MENDS; i++) {
    const tries = mendsOf(now.design, now.winter)
      .map((mend) => ({ ...mend, design: mend.change(now.design) }))
      .filter((mend) => mend.design !== now.design && (mend.rule || stops(mend.design) <= stops(now.design)))
      .map((mend) => ({ ...mend, winter: run(mend.design) }))
    const [best] = tries.sort((a, b) => mustShort(a.winter) - mustShort(b.winter))
    if (!best || !(mustShort(best.winter) < mustShort(now.winter) || best.rule)) break
    now = { design: best.design, winter: best.winter, mends: [...now.mends, best.says] }
  }
  return now
}

const stops = (design: Design) => faultsOf(design).filter(({ level }) => level === 'stop').length

interface Mend {
  change: Change
  says: Words
  /** a rule asks for it, whatever it does to the hours */
  rule: boolean
}

/** What a run asks to be changed next: what a rule says, then one thing at a time, or one of several. */
function mendsOf(design: Design, winter: WinterSummary): Mend[] {
  const told = findings({ design, derived: derive(design), winter }).find(
    ({ id, level, remedy }) => MENDED.has(id) && level === 'stop' && remedy,
  )
  if (told) return [{ change: told.remedy!.apply, says: say`${told.says} So: ${told.remedy!.label}.`, rule: true }]
  if (mustShort(winter) <= LITTLE_SHORT_H) return []
  const { generator } = design
  const short = 'The run showed must-run loads short, so'
  const more: Mend[] = [
    {
      change: longer,
      says: say`${short} the bank holds ${design.bank.autonomyDays + MORE_DAYS} days without sun.`,
      rule: false,
    },
    { change: (each) => followed(moreModules(each)), says: `${short} the array has a string more.`, rule: false },
  ]
  if (!generator.present) return more
  if (!generator.startWhenEmpty)
    return [
      {
        change: setField('generator.startWhenEmpty', true),
        says: 'The backup also starts where the bank can give no more.',
        rule: false,
      },
    ]
  const raised = Math.round((generator.startStateOfCharge + 0.1) * 100) / 100
  const earlier: Mend[] =
    raised < generator.stopStateOfCharge - 0.15
      ? [
          {
            change: setRunLevels({ startStateOfCharge: raised }),
            says: say`${short} the backup starts at ${amount(raised * 100, '%')}.`,
            rule: false,
          },
        ]
      : []
  return [...earlier, ...more]
}

/** A bank for half a day more, and an array that charges it as it wants. */
const longer: Change = (design) =>
  suggestArray(
    suggestBank({ ...design, bank: { ...design.bank, autonomyDays: design.bank.autonomyDays + MORE_DAYS } }).design,
  ).design
