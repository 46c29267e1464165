import {
  bankNominalV,
  continuousShare,
  legsOfService,
  MONTH_NAMES,
  serviceOf,
  significant,
  STEPS,
  type Derived,
  type Design,
  type Step,
  type WinterSummary,
  worstOf,
} from '@ambrel/core'
import { quantity, type UnitSystem } from '@ambrel/core/units'

export const STEP_NAMES: Record<Step, string> = {
  place: 'Place',
  loads: 'Loads',
  bank: 'Bank',
  array: 'Array',
  inverter: 'Inverter',
  generator: 'Generator',
  winter: 'Winter',
  wiring: 'Wiring',
  cost: 'Cost',
  build: 'Build',
  log: 'Log',
}

/** What a step is called for a design: what is no generator is not called one. */
export const stepName = (step: Step, design: Design | null): string =>
  step === 'generator' && design !== null && !isGenerator(design) ? 'Backup' : STEP_NAMES[step]
const isGenerator = ({ generator, grid }: Design) =>
  generator.present ? generator.kind === 'generator' : !grid.present

/** The step in whose forms a place of the document stands. */
const STEP_OF: readonly [RegExp, Step][] = [
  [/^(place|schools\.skyModel)/, 'place'],
  [/^(loads|household|pumps)/, 'loads'],
  [/^(bank|growth\.bankKWh)/, 'bank'],
  [/^(arrays|controllers|growth\.arrayW|schools\.(coldVoltage|handFactor))/, 'array'],
  [/^(inverter|growth\.inverterW|schools\.peak)/, 'inverter'],
  [/^(generator|grid|sources)/, 'generator'],
  [/^winter/, 'winter'],
  [/^(circuits|wall|schools\.(ampacity|deviceSize|electrodes))/, 'wiring'],
  [/^budget/, 'cost'],
  [/^build/, 'build'],
]
export const stepOfPath = (path: string): Step => STEP_OF.find(([places]) => places.test(path))?.[1] ?? 'place'

/** Keys 1…9, 0 and - go to the steps in order. */
export const STEP_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '-']

export const isStep = (value: string): value is Step => (STEPS as readonly string[]).includes(value)

/** The one verdict on starts, in a word or two. */
function startWords({ start }: Derived): string {
  if (!start.start) return 'no start'
  if (start.level === 'stop') return 'will not start'
  if (start.failing) return start.failing === start.rows[0] ? 'may not start' : 'no start when low'
  return `start ${Math.round(start.start.share * 100)} %`
}

/** The key figure of each step, so that the rail is the summary of the design. */
export function keyFigure(
  step: Step,
  design: Design,
  derived: Derived | null,
  winter: WinterSummary | null,
  readings: number,
  units: UnitSystem,
): string {
  if (!derived) return '—'
  const value = (id: string) => derived.worked[id]?.value ?? 0
  switch (step) {
    case 'place':
      return `${significant(value('place.worst-month-sun'), 2)} h of sun, ${MONTH_NAMES[derived.worstMonth]}`
    case 'loads':
      return `${quantity(value('loads.worst-day'), 'Wh', units)} a day`
    case 'bank': {
      const usableWh = value('bank.usable')
      const ampHours = quantity(usableWh / bankNominalV(design.bank), 'Ah', units)
      return `${design.bank.systemV} V · ${quantity(usableWh, 'Wh', units)}, ${ampHours} · ${significant(value('bank.days'), 2)} d`
    }
    case 'array': {
      const [array] = design.arrays
      const more = design.arrays.length > 1 ? ` +${design.arrays.length - 1}` : ''
      return array
        ? `${array.inSeries} × ${array.inParallel}${more} · ${quantity(value('array.rated'), 'W')}`
        : 'none yet'
    }
    case 'inverter':
      return `${legsOfService(serviceOf(design.inverter)).length > 1 ? 'leg' : 'load'} ${Math.round(continuousShare(derived.worked).value * 100)} % · ${startWords(derived)}`
    case 'generator':
      if (!design.generator.present) return 'none'
      return winter ? `${significant(winter.median.generatorHours)} h a year` : '…'
    case 'winter': {
      if (!winter) return '…'
      const short = worstOf(winter.oneInTen.shortHours)
      return short < 0.5 ? 'holds, 9 in 10' : `${significant(short, 2)} h short, 1 in 10`
    }
    case 'wiring':
      return `${derived.circuits.filter(({ sound, unmeasured }) => sound && !unmeasured).length} of ${derived.circuits.length} circuits sound`
    case 'cost':
      return `${significant(derived.bill.total, 4)} ${design.budget.currency}`
    case 'build': {
      const ids = new Set(derived.tasks.map((task) => task.id))
      return `${design.build.done.filter((id) => ids.has(id)).length} of ${derived.tasks.length} done`
    }
    case 'log':
      return readings === 0 ? 'no readings yet' : `${readings} reading${readings === 1 ? '' : 's'}`
  }
}
