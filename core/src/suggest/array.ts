import { isBuiltIn, passesW, selfDayWh } from '../array/controllers.ts'
import { COLD_MARGIN, DULL_MONTH, layouts, type Layout } from '../array/layouts.ts'
import { arrayNeed, LEAST_SUN_H } from '../array/need.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { absorptionV, bankNominalV, ratedAh, refillDayWh } from '../bank/layout.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { newArray } from '../design/defaults.ts'
import { derive } from '../derive/derive.ts'
import type { ArrayField, Controller, ControllerPart, Design, ModulePart } from '../document/types.ts'
import { moduleParts, separateTrackers } from '../parts/shelf.ts'
import { bestTilt, latitudeRules } from '../plane/monthly.ts'
import { sunOfMonths } from '../plane/sunOfMonths.ts'
import { surfaceOf } from '../plane/surface.ts'
import { followed } from '../sizing/follow.ts'
import { layoutQuestion } from '../sizing/layoutQuestion.ts'
import { climateOf } from '../weather/ruling.ts'
import { seasonOf } from '../weather/season.ts'
import type { Suggestion } from './suggestion.ts'
import { leastFaults, stillToWatch } from './tried.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

/** No more modules are laid out than this; beyond it the backup carries the darkest month. */
const MOST_MODULES = 60
/** Layouts of one controller that are looked at. */
const OF_EACH = 4
/** Above the least charge rate of a bank by so much, for dull days and dust. */
const OVER_LEAST_RATE = 1.05

interface Choice {
  layout: Layout
  controller: ControllerPart
  watts: number
  enough: boolean
  price: number
}

/**
 * Tilt by search over the four darkest months, size by the hand method for the worst month that has sun, and the legal layout
 * that meets it on the fewest controllers with the least money, held against all rules. Settings and cables follow.
 */
export function suggestArray(design: Design): Suggestion {
  const { place, schools, bank } = design
  const dark = seasonOf(place).months.slice(1, 5)
  const tilt = darkestTilt(design, dark)
  const module = design.arrays[0]?.module ?? moduleParts[0]
  const first: ArrayField = {
    ...(design.arrays[0] ??
      newArray('array-1', moduleParts[0].id, 'controller-1', {
        inSeries: 1,
        inParallel: 1,
        tiltDeg: 60,
        azimuthDeg: 180,
      })),
    tiltDeg: tilt.tiltDeg,
    azimuthDeg: tilt.azimuthDeg,
  }
  const facing = { ...design, arrays: [first] }
  const { sunHours, batteryWh, batteryC } = derive(facing)
  const refillWh = refillDayWh(design, batteryC)
  // controllers draw day and night: each layout is held against the need with its own controllers in it
  const ownWh = selfDayWh(design.controllers.map(({ part }) => part))
  const daysWh = (part: ControllerPart, count: number) =>
    batteryWh.map((wh) => wh - ownWh + refillWh + count * selfDayWh([part]))
  const handW = (part: ControllerPart, count: number) => arrayNeed(daysWh(part, count), sunHours, schools.handFactor)
  const rateW =
    CHEMISTRIES[bank.part.chemistry].chargeRate.low *
    ratedAh(bank.part) *
    bank.inParallel *
    bankNominalV(bank) *
    OVER_LEAST_RATE
  const wantedW = (part: ControllerPart, count: number) => Math.max(handW(part, count).watts, rateW)
  const choices = choicesOf(facing, module, wantedW)
  if (choices.length === 0)
    return {
      design: facing,
      reasons: ['No controller on the shelf takes this module at this record low; choose another module.'],
    }
  const tried = leastFaults(choices, (choice) => followed(laid(design, first, choice)))
  const [best] = tried
  const { layout, controller, watts } = best.choice
  const { watts: needW, month } = handW(controller, layout.controllers)
  const rules = latitudeRules(place.latitudeDeg)
  return {
    design: best.design,
    others: tried.slice(1).map((each) => each.design),
    reasons: [
      say`${tilt.tiltDeg}° facing ${tilt.azimuthDeg}° collects most in ${dark.map((each) => MONTH_NAMES[each]).join(', ')}: found by search. The latitude rules would say ${amount(rules.yearDeg, '°', 0)} for the year and ${amount(rules.winterDeg, '°', 0)} for winter.`,
      say`${amount(needW, 'W')} by the hand method: ${amount(daysWh(controller, layout.controllers)[month], 'Wh')} a day ÷ (${amount(sunHours[month], 'h')} × ${schools.handFactor}), of ${MONTH_NAMES[month]}.${sunHours.some((hours) => hours < LEAST_SUN_H) ? ' Months with less than an hour of sun are left to the backup.' : ''}`,
      ...(rateW > needW
        ? [say`${amount(rateW, 'W')} so that the bank is charged at the least rate that keeps it well.`]
        : []),
      say`${layout.inSeries} × ${layout.inParallel} on ${layout.controllers} × “${controller.name}”: ${amount(layout.coldV, 'V')} on the coldest dawn, the fewest controllers and then the least money of the legal layouts.`,
      ...(watts < needW * 0.95
        ? [
            say`The darkest month alone would want more than ${MOST_MODULES} modules, or than its controllers take; the backup carries the rest.`,
          ]
        : []),
      ...stillToWatch(design, best),
    ],
  }
}

function darkestTilt({ place, schools }: Design, months: readonly number[]) {
  const { latitudeDeg, horizon, skyModel, albedoBare, albedoSnow } = surfaceOf(
    place,
    { tiltDeg: 0, azimuthDeg: 180 },
    schools.skyModel,
  )
  const seen = { latitudeDeg, horizon, skyModel, albedoBare, albedoSnow }
  return bestTilt(place, climateOf(place).monthly, [...months], seen, sunOfMonths(place))
}

/** Legal layouts over the controllers that there can be, best first. */
function choicesOf(
  design: Design,
  module: ModulePart,
  wantedW: (part: ControllerPart, count: number) => number,
): Choice[] {
  const chargeV = absorptionV(design.bank)
  const { arrayW } = design.growth
  const inside = design.controllers.filter((controller) => isBuiltIn(design, controller))
  const parts = inside.length > 0 ? [inside[0].part] : separateTrackers()
  return parts
    .flatMap((controller): Choice[] =>
      layouts(
        {
          ...layoutQuestion(design, module, controller, MOST_MODULES),
          needW: wantedW(controller, 1),
          mostControllers: inside.length > 0 ? inside.length : undefined,
        },
        OF_EACH,
      ).map((layout): Choice => {
        const { controllers, watts } = layout
        const brings = Math.min(
          watts,
          controllers * passesW({ part: controller, chargeLimitA: null }, chargeV) * DULL_MONTH,
        )
        return {
          layout,
          controller,
          watts,
          enough: brings >= wantedW(controller, controllers) && roomLater(layout, controller, chargeV) >= arrayW,
          price: controllers * controller.price + layout.inSeries * layout.inParallel * module.price,
        }
      }),
    )
    .sort(
      (a, b) =>
        Number(b.enough) - Number(a.enough) ||
        (a.enough ? 0 : b.watts - a.watts) ||
        close(a) - close(b) ||
        a.layout.controllers - b.layout.controllers ||
        a.price - b.price ||
        a.layout.inParallel - b.layout.inParallel,
    )
}

/** Watts of modules that its controllers still pass in full beside those of a layout. */
const roomLater = ({ watts, controllers }: Layout, part: ControllerPart, chargeV: number): number =>
  controllers * passesW({ part, chargeLimitA: null }, chargeV) - watts

const close = ({ layout, controller }: Choice) => Number(layout.coldV > COLD_MARGIN * controller.maxInputV)

/** The design with its arrays and controllers as a layout wants them; those inside an all-in-one stay. */
function laid(design: Design, first: ArrayField, { layout, controller }: Choice): Design {
  const inside = design.controllers.filter((each) => isBuiltIn(design, each))
  const controllers: Controller[] =
    inside.length > 0
      ? inside
      : Array.from({ length: layout.controllers }, (_, i) => ({
          id: `controller-${i + 1}`,
          name: `Controller ${i + 1}`,
          part: { ...controller },
          chargeLimitA: null,
        }))
  const { slots, inSeries } = layout
  const arrays = slots.map((slot, i): ArrayField => ({
    ...first,
    id: `array-${i + 1}`,
    name: slots.length > 1 ? `Array ${i + 1}` : first.name,
    controllerId: controllers[slot.controller].id,
    tracker: slot.tracker,
    inSeries,
    inParallel: slot.strings,
  }))
  return { ...design, arrays, controllers }
}
