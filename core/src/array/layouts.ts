import { BRIGHT, stringsNeedFuses } from './stringFuses.ts'
import { chargesBank, passesW } from './controllers.ts'
import type { ControllerPart, Design, ModulePart } from '../document/types.ts'
import { coldVoltage, hotVoltage, type ColdMethod } from './voltage.ts'
import { amount, volts, watts as ofWatts } from '../units/say.ts'
import { say, type Words } from '../units/words.ts'

/** Where strings of a layout go: so many on a tracker (from 1) of a controller (0 is the one that is there). */
export interface Slot {
  controller: number
  tracker: number
  strings: number
}

export interface Layout {
  inSeries: number
  inParallel: number
  controllers: number
  slots: Slot[]
  coldV: number
  hotV: number
  watts: number
  /** why it stands where it stands, best reason first */
  remarks: Words[]
}

export interface LayoutQuestion {
  module: ModulePart
  controller: ControllerPart
  coldestC: number
  hottestCellC: number
  /** highest charging voltage of the bank, V */
  chargeV: number
  /** nominal volts of the bank; left out, the controller charges it */
  systemV?: Design['bank']['systemV']
  maxModules: number
  method?: ColdMethod
  /** array watts that are wanted; left out, the most are */
  needW?: number
  /** of that controller there may be so many: those inside units that stand there */
  mostControllers?: number
  /** no more strings than these side by side */
  mostParallel?: number
  /** what other arrays leave of the first controller: which trackers, what they bring to the first of these, their watts */
  beside?: { free: number[]; shortA: number; watts: number }
}

/** Volts a string may reach, open: what the controller survives and what the modules are insulated for. */
export const stringMostV = (
  { maxSystemV }: Partial<Pick<ModulePart, 'maxSystemV'>>,
  { maxInputV }: Pick<ControllerPart, 'maxInputV'>,
): number => Math.min(maxInputV, maxSystemV ?? Infinity)

/** Volts a string must keep on a hot afternoon for this controller and this charging voltage. */
export function trackerNeedsV(
  { kind, minTrackV, aboveBankV }: Pick<ControllerPart, 'kind' | 'minTrackV' | 'aboveBankV'>,
  chargeV: number,
): number {
  return kind === 'ac-coupled' || aboveBankV === 0 ? minTrackV : Math.max(minTrackV, chargeV + aboveBankV)
}

/** Volts, open, from which this controller starts at this charging voltage. */
export const trackerStartsV = (
  { kind, startV, startAboveBankV }: Pick<ControllerPart, 'kind' | 'startV' | 'startAboveBankV'>,
  chargeV: number,
): number => (kind === 'ac-coupled' || startAboveBankV === 0 ? startV : Math.max(startV, chargeV + startAboveBankV))

/** Arrays beyond this share of what the controller can pass are refused; below it the excess is clipped. */
const OVERSIZE_LIMIT = 1.5
/** Array beyond what the controller passes by which the dull months still gain in full. */
export const DULL_MONTH = 1.15
/** Layouts that come closer to what destroys the controller stand behind those that do not. */
export const COLD_MARGIN = 0.97
export const MOST_IN_SERIES = 40

/**
 * Every legal series × parallel × controller count for a module and a controller, best first: those that bring what is
 * wanted before those that do not, with a margin in the cold before those without, then the fewest controllers and the
 * least array; where nothing is named, most power that is used comes first.
 *
 * @param most so many of them, the best
 * @throws RangeError where maxModules is not at least 1
 */
export function layouts(question: LayoutQuestion, most = Infinity): Layout[] {
  const { module, controller, maxModules, chargeV } = question
  const { mostControllers = Infinity, mostParallel = Infinity, beside } = question
  if (!(maxModules >= 1)) throw new RangeError(`maxModules ${maxModules} must be at least 1`)
  if (question.systemV !== undefined && !chargesBank(controller, question.systemV)) return []
  if (question.controller.kind === 'pulse-width') return pulseWidthLayouts(question).slice(0, most)
  const each = passesW({ part: controller, chargeLimitA: null }, chargeV)
  const found: Found[] = []
  for (let inSeries = 1; inSeries <= Math.min(maxModules, MOST_IN_SERIES); inSeries++) {
    if (!stringFits(question, inSeries)) continue
    const room = roomOf(question, inSeries)
    for (let inParallel = 1; inParallel <= mostParallel && inSeries * inParallel <= maxModules; inParallel++) {
      const slots = spread(room, inParallel)
      if (!slots) break
      const controllers = slots[slots.length - 1].controller + 1
      if (controllers > mostControllers) break
      const watts = inSeries * inParallel * module.ratedW
      const others = beside?.watts ?? 0
      if (watts + others > controllers * each * OVERSIZE_LIMIT) break
      const passes = Math.max(1, controllers * each - Math.min(each, others))
      const used = Math.min(passes, takenBySlots(question, inSeries, slots))
      found.push({ inSeries, inParallel, controllers, slots, coldV: room.coldV, watts, used })
    }
  }
  return ranked(found, question)
    .slice(0, most)
    .map((each) => describe(question, each))
}

/** A legal layout, and the watts of it that controllers and trackers pass at full sun. */
type Found = Omit<Layout, 'hotV' | 'remarks'> & { used: number }

function ranked(found: Found[], { controller, needW }: LayoutQuestion): Found[] {
  const close = ({ coldV }: Found) => Number(coldV > COLD_MARGIN * controller.maxInputV)
  // what a bright noon loses no dull month misses
  const brings = ({ watts, used }: Found) => Math.min(watts, used * DULL_MONTH)
  const short = (each: Found) => Number(needW !== undefined && brings(each) < needW)
  const usedW = ({ watts, used }: Found) => Math.min(watts, used)
  const byPower = (a: Found, b: Found) =>
    usedW(b) - usedW(a) || a.controllers - b.controllers || a.inParallel - b.inParallel
  const byNeed = (a: Found, b: Found) =>
    short(a) - short(b) ||
    (short(a) ? brings(b) - brings(a) : 0) ||
    close(a) - close(b) ||
    a.controllers - b.controllers ||
    a.watts - b.watts ||
    a.inParallel - b.inParallel
  return found.sort(needW === undefined ? byPower : byNeed)
}

/** Strings one tracker may have: by its short-circuit amps and watts, and, where it can be, without clipping. */
function stringsOf(
  { module, controller }: LayoutQuestion,
  inSeries: number,
  takenA: number,
  clipping: boolean,
): number {
  const byShort = (controller.maxInputA / BRIGHT - takenA) / module.iscA
  const byWatts = (controller.maxTrackerW ?? Infinity) / (inSeries * module.ratedW)
  const byAmps = clipping ? Infinity : (controller.maxOperatingA ?? Infinity) / module.impA
  return Math.max(0, Math.floor(Math.min(byShort, byWatts, byAmps) + 1e-9))
}

/** What the trackers of the first controller, and of each one after it, have room for of strings of one length. */
interface Room {
  /** of one string on the coldest dawn, open */
  coldV: number
  first: ControllerRoom
  later: ControllerRoom
}
interface ControllerRoom {
  /** strings that a tracker takes, which clips some */
  each: Slot[]
  /** and without clipping */
  gentle: Slot[]
  /** strings that the controller takes */
  all: number
}

function roomOf(question: LayoutQuestion, inSeries: number): Room {
  const { controller, module, beside, coldestC, method } = question
  const stringW = inSeries * module.ratedW
  const numbers = Array.from({ length: controller.trackers }, (_, i) => i + 1)
  const room = (free: readonly number[], shortA: number, watts: number): ControllerRoom => {
    const slots = (clipping: boolean) =>
      free.map((tracker, i): Slot => ({
        controller: 0,
        tracker,
        strings: stringsOf(question, inSeries, i === 0 ? shortA : 0, clipping),
      }))
    const each = slots(true)
    const most = Math.floor(((controller.maxArrayW ?? Infinity) - watts) / stringW + 1e-9)
    return { each, gentle: slots(false), all: Math.max(0, Math.min(most, sum(each))) }
  }
  const later = room(numbers, 0, 0)
  return {
    coldV: coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method }),
    first: beside ? room(beside.free, beside.shortA, beside.watts) : later,
    later,
  }
}

/**
 * Strings over the trackers of as few controllers as take them, evenly over as few trackers as take them without clipping.
 * @returns null where no number of controllers takes them
 */
function spread({ first, later }: Room, inParallel: number): Slot[] | null {
  const controllers =
    first.all >= inParallel ? 1 : later.all > 0 ? 1 + Math.ceil((inParallel - first.all) / later.all) : 0
  if (controllers === 0) return null
  const slots: Slot[] = []
  let left = inParallel
  for (let controller = 0; controller < controllers; controller++) {
    const { each, gentle, all } = controller === 0 ? first : later
    const share = Math.min(all, Math.ceil(left / (controllers - controller)))
    for (const slot of fewest(sum(gentle) >= share ? gentle : each, share))
      if (slot.strings > 0) slots.push({ ...slot, controller })
    left -= share
  }
  return left > 0 ? null : slots
}

const sum = (slots: readonly Slot[]): number => slots.reduce((total, { strings }) => total + strings, 0)

/** So many strings evenly over the first trackers that have room for them. */
function fewest(room: readonly Slot[], strings: number): Slot[] {
  let count = 1
  while (count < room.length && sum(room.slice(0, count)) < strings) count++
  const slots = room.slice(0, count).map((slot) => ({ ...slot, strings: 0 }))
  for (let left = strings; left > 0;) {
    const before = left
    slots.forEach((slot, i) => {
      if (left > 0 && slot.strings < room[i].strings) {
        slot.strings++
        left--
      }
    })
    if (left === before) break
  }
  return slots
}

/** Power that the trackers' own limits let through at full sun, W. */
function takenBySlots({ module, controller }: LayoutQuestion, inSeries: number, slots: readonly Slot[]): number {
  const { maxOperatingA, maxTrackerW } = controller
  return slots.reduce((total, { strings }) => {
    const watts = strings * inSeries * module.ratedW
    const share = Math.min(1, (maxOperatingA ?? Infinity) / (strings * module.impA))
    return total + Math.min(watts * (maxOperatingA === null ? 1 : share), maxTrackerW ?? Infinity)
  }, 0)
}

/**
 * A pulse-width controller joins the array to the bank: only as many in series as make the bank's voltage (36 cells, or
 * about 18 V at the power point, to 12 V), strings up to its current.
 */
function pulseWidthLayouts({
  module,
  controller,
  coldestC,
  hottestCellC,
  chargeV,
  maxModules,
  method,
  needW = Infinity,
  mostParallel = Infinity,
}: LayoutQuestion): Layout[] {
  const inSeries = Math.max(1, Math.round((chargeV * 1.25) / module.vmpV))
  const string = { inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method }
  const coldV = coldVoltage(string)
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  if (coldV > stringMostV(module, controller) || hotV < chargeV) return []
  const most = Math.min(
    mostParallel,
    Math.floor(maxModules / inSeries),
    Math.floor(Math.min(controller.maxInputA, controller.outputA) / (module.iscA * 1.25)),
  )
  const thrown = Math.round(100 * (1 - chargeV / (inSeries * module.vmpV)))
  // most power first, but no more than is wanted
  const wanted = Math.min(most, Math.ceil(needW / (inSeries * module.ratedW)))
  const order = Array.from({ length: Math.max(0, most) }, (_, i) => most - i)
  const first = [...order.filter((n) => n >= wanted).reverse(), ...order.filter((n) => n < wanted)]
  return (needW === Infinity ? order : first).map((inParallel) => ({
    inSeries,
    inParallel,
    controllers: 1,
    slots: [{ controller: 0, tracker: 1, strings: inParallel }],
    coldV,
    hotV,
    watts: inSeries * inParallel * module.ratedW,
    remarks: [say`held at the bank’s voltage: throws away about ${amount(Math.max(0, thrown), '%')}`],
  }))
}

/** Whether so many modules in series stay below what destroys the controller and above what it needs. */
export function stringFits(
  { module, controller, coldestC, hottestCellC, chargeV, method }: LayoutQuestion,
  inSeries: number,
): boolean {
  const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  return coldV <= stringMostV(module, controller) && hotV >= trackerNeedsV(controller, chargeV)
}

function describe(
  { module, controller, hottestCellC }: LayoutQuestion,
  { inSeries, inParallel, controllers, slots, coldV, watts, used }: Found,
): Layout {
  const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
  const remarks: Words[] = []
  if (coldV > COLD_MARGIN * controller.maxInputV) remarks.push('within 3 % of the controller’s limit on a cold dawn')
  else if (coldV > 0.9 * controller.maxInputV) remarks.push('close to the controller’s limit on a cold dawn')
  if (watts > used) remarks.push(say`clips above ${ofWatts(used)}, harmlessly`)
  if (coldV > controller.maxTrackV) remarks.push('leaves the tracker’s window when cold')
  if (slots.some(({ strings }) => stringsNeedFuses(module, strings))) remarks.push('needs a fuse per string')
  if (inParallel === 1) remarks.push('one string, least copper')
  return { inSeries, inParallel, controllers, slots, coldV, hotV, watts, remarks }
}

/** A number of modules in series that a controller cannot have, and why. */
export interface RefusedLayout {
  inSeries: number
  coldV: number
  hotV: number
  says: Words
}

/** Series counts next to the legal ones, with the reason each is refused. */
export function refusedLayouts(question: LayoutQuestion): RefusedLayout[] {
  const { module, controller, coldestC, hottestCellC, systemV, maxModules, method } = question
  const charges = systemV === undefined || chargesBank(controller, systemV)
  const refused: RefusedLayout[] = []
  let above = 0
  for (let inSeries = 1; inSeries <= Math.min(maxModules, MOST_IN_SERIES) && above < 2; inSeries++) {
    const fits = stringFits(question, inSeries)
    if (fits && charges) continue
    const coldV = coldVoltage({ inSeries, vocV: module.vocV, betaVocPctPerK: module.betaVocPctPerK, coldestC, method })
    const hotV = hotVoltage({ inSeries, vmpV: module.vmpV, betaVmpPctPerK: module.gammaPctPerK, hottestCellC })
    if (coldV > stringMostV(module, controller)) above++
    refused.push({ inSeries, coldV, hotV, says: whyRefused(question, coldV, fits) })
  }
  return refused
}

function whyRefused({ module, controller, chargeV, systemV }: LayoutQuestion, coldV: number, fits: boolean): Words {
  if (coldV > controller.maxInputV)
    return say`over ${volts(controller.maxInputV)} on a cold dawn: destroys the controller`
  if (coldV > stringMostV(module, controller))
    return say`over ${volts(module.maxSystemV!)} on a cold dawn: more than the modules are insulated for`
  if (!fits) return say`under ${volts(trackerNeedsV(controller, chargeV))} on a hot afternoon: charging stops`
  return say`the controller does not charge a ${volts(systemV!)} bank`
}
