import { surfaceOf } from '../plane/surface.ts'
import { passesW, selfDayWh } from '../array/controllers.ts'
import { DULL_MONTH, layouts, type Layout } from '../array/layouts.ts'
import { arrayNeed, LEAST_SUN_H } from '../array/need.ts'
import { newArray } from '../design/defaults.ts'
import type { ArrayField, Controller, ControllerPart, Design, ModulePart } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { sunYearOf } from '../plane/sunYearOf.ts'
import { moduleParts, separateTrackers } from '../parts/shelf.ts'
import { MONTH_NAMES } from '../calendar/calendar.ts'
import { seasonOf } from '../weather/season.ts'
import { bestTilt, latitudeRules } from '../plane/monthly.ts'
import { absorptionV } from '../bank/layout.ts'
import { climateOf } from '../weather/ruling.ts'
import { layoutQuestion } from './layoutQuestion.ts'
import type { Suggestion } from './suggestion.ts'
import { amount } from '../units/say.ts'
import { say } from '../units/words.ts'

const MOST_MODULES = 40

/**
 * Tilt by search over the four darkest months, size by the hand method for the worst month, and the legal layout that
 * meets it with the least money over the shelf's controllers.
 */
export function suggestArray(design: Design): Suggestion {
  const { place, schools } = design
  const dark = seasonOf(place).months.slice(1, 5)
  const { latitudeDeg, horizon, skyModel, albedoBare, albedoSnow } = surfaceOf(
    place,
    { tiltDeg: 0, azimuthDeg: 180 },
    schools.skyModel,
  )
  const tilt = bestTilt(
    place,
    climateOf(place).monthly,
    dark,
    { latitudeDeg, horizon, skyModel, albedoBare, albedoSnow },
    sunYearOf(place),
  )
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
  const { sunHours, batteryWh } = derive(facing)
  // controllers draw day and night: each layout is held against the need with its own controllers in it
  const ownWh = selfDayWh(design.controllers.map(({ part }) => part))
  const { handFactor } = schools
  const daysWh = ({ layout, controller }: Choice) =>
    batteryWh.map((wh) => wh - ownWh + layout.controllers * selfDayWh([controller]))
  const needOf = (choice: Choice) => arrayNeed(daysWh(choice), sunHours, handFactor)
  const chosen = choose(facing, module, (choice) => needOf(choice).watts)
  if (!chosen)
    return {
      design: facing,
      reasons: ['No controller on the shelf takes this module at this record low; choose another module.'],
    }
  const controllers: Controller[] = Array.from({ length: chosen.layout.controllers }, (_, i) => ({
    id: `controller-${i + 1}`,
    name: `Controller ${i + 1}`,
    part: { ...chosen.controller },
    chargeLimitA: null,
  }))
  const arrays = controllers.map((controller, i): ArrayField => ({
    ...first,
    id: `array-${i + 1}`,
    name: controllers.length > 1 ? `Array ${i + 1}` : first.name,
    controllerId: controller.id,
    inSeries: chosen.layout.inSeries,
    inParallel: share(chosen.layout.inParallel, controllers.length, i),
  }))
  const { watts: needW, month } = needOf(chosen)
  const rules = latitudeRules(place.latitudeDeg)
  return {
    design: { ...design, arrays, controllers },
    reasons: [
      say`${tilt.tiltDeg}° facing ${tilt.azimuthDeg}° collects most in ${dark.map((month) => MONTH_NAMES[month]).join(', ')}: found by search. The latitude rules would say ${amount(rules.yearDeg, '°', 0)} for the year and ${amount(rules.winterDeg, '°', 0)} for winter.`,
      say`${amount(needW, 'W')} by the hand method: ${amount(daysWh(chosen)[month], 'Wh')} a day ÷ (${amount(sunHours[month], 'h')} × ${handFactor}), of ${MONTH_NAMES[month]}.${sunHours.some((hours) => hours < LEAST_SUN_H) ? ' Months with less than an hour of sun are left to the backup.' : ''}`,
      say`${chosen.layout.inSeries} × ${chosen.layout.inParallel} on ${controllers.length} × “${chosen.controller.name}”: ${amount(chosen.layout.coldV, 'V')} on the coldest dawn, least money of the legal layouts.`,
      ...(chosen.layout.watts < needW * 0.95
        ? [
            say`More than ${MOST_MODULES} modules would be needed for the worst month alone; the backup carries the rest.`,
          ]
        : []),
    ],
  }
}

function share(total: number, parts: number, index: number): number {
  return Math.floor(total / parts) + (index < total % parts ? 1 : 0)
}

interface Choice {
  layout: Layout
  controller: ControllerPart
}

/** @param needW rated watts that the house wants of a choice */
function choose(design: Design, module: ModulePart, needW: (choice: Choice) => number): Choice | null {
  const candidates = separateTrackers().flatMap((controller): Choice[] =>
    layouts(layoutQuestion(design, module, controller, MOST_MODULES)).map((layout) => ({ layout, controller })),
  )
  const price = ({ layout, controller }: Choice) =>
    layout.controllers * controller.price + layout.inSeries * layout.inParallel * module.price
  const enough = candidates.filter(
    (choice) =>
      choice.layout.watts >= needW(choice) &&
      choice.layout.watts <=
        choice.layout.controllers *
          passesW({ part: choice.controller, chargeLimitA: null }, absorptionV(design.bank)) *
          DULL_MONTH,
  )
  if (enough.length > 0) return [...enough].sort((a, b) => price(a) - price(b))[0]
  return [...candidates].sort((a, b) => b.layout.watts - a.layout.watts || price(a) - price(b))[0] ?? null
}
