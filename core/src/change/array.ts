import { canBeSet, isBuiltIn, onTheBus, outputOf, trackerOf } from '../array/controllers.ts'
import type { Layout } from '../array/layouts.ts'
import { stringKind } from '../array/unlike.ts'
import { newArray, nextId } from '../design/defaults.ts'
import type { ArrayField, Controller, ControllerPart, Design, ModulePart } from '../document/types.ts'
import { controllerParts, partById, structuredCloneOf } from '../parts/shelf.ts'
import { COUNTS } from '../fields/limits.ts'
import { prunedCircuits } from './circuits.ts'
import type { Change } from './change.ts'
import { setField } from './field.ts'

const FIRST_CONTROLLER = 'track-150-60'
const FIRST_MODULE = 'mono-415'
/** AC volts an AC-coupled one feeds at where its watts are not known yet */
const AC_V = 240

const controllerLike = (design: Design, part: ControllerPart): Controller => ({
  id: nextId('controller', design.controllers),
  name: `Controller ${design.controllers.length + 1}`,
  part: structuredCloneOf(part),
  chargeLimitA: null,
})

const withArray = (design: Design, index: number, changes: Partial<ArrayField>): Design => ({
  ...design,
  arrays: design.arrays.map((array, i) => (i === index ? { ...array, ...changes } : array)),
})

/** Another controller, like the last one; none beyond the most there may be. */
export const addController: Change = (design) => {
  if (design.controllers.length >= COUNTS.controllers) return design
  const last = design.controllers[design.controllers.length - 1]
  const part = last?.part ?? partById(controllerParts, FIRST_CONTROLLER)
  return { ...design, controllers: [...design.controllers, controllerLike(design, part)] }
}

/** Another array, like the last one, on its controller; the first brings a controller with it. */
export const addArray: Change = (design) => {
  if (design.arrays.length >= COUNTS.arrays) return design
  const based = design.controllers.length === 0 ? addController(design) : design
  const id = nextId('array', based.arrays)
  const last = based.arrays[based.arrays.length - 1]
  const array = last
    ? { ...structuredCloneOf(last), id, name: `Array ${based.arrays.length + 1}` }
    : newArray(id, FIRST_MODULE, based.controllers[0].id, {
        inSeries: 2,
        inParallel: 1,
        tiltDeg: 60,
        azimuthDeg: based.place.latitudeDeg >= 0 ? 180 : 0,
      })
  return { ...based, arrays: [...based.arrays, array] }
}

/** Takes an array away, and what its cable run says of it. */
export const removeArray =
  (index: number): Change =>
  (design) =>
    prunedCircuits({ ...design, arrays: design.arrays.filter((_, i) => i !== index) })

/** Takes a controller away; its arrays go to the first of the others. The last one stays while there are arrays. */
export const removeController =
  (index: number): Change =>
  (design) => {
    const gone = design.controllers[index]
    const controllers = design.controllers.filter((_, i) => i !== index)
    const onIt = design.arrays.some(({ controllerId }) => controllerId === gone?.id)
    if (!gone || (onIt && controllers.length === 0)) return design
    const arrays = design.arrays.map((array) =>
      array.controllerId === gone.id ? { ...array, controllerId: controllers[0].id, tracker: 1 } : array,
    )
    return prunedCircuits({ ...design, controllers, arrays: onIt ? arrays : design.arrays })
  }

/** Another module for one array, by its data sheet. */
export const takeModule =
  (index: number, module: ModulePart): Change =>
  (design) =>
    withArray(design, index, { module: structuredCloneOf(module) })

/** Another controller in the place of one, by its data sheet. */
export const takeController =
  (index: number, part: ControllerPart): Change =>
  (design) => ({
    ...design,
    controllers: design.controllers.map((each, i) => (i === index ? { ...each, part: structuredCloneOf(part) } : each)),
  })

/** What a controller is: one that is AC-coupled has AC watts, the others have none. */
export const setControllerKind =
  (index: number, kind: ControllerPart['kind']): Change =>
  (design) => {
    const { part } = setField(`controllers.${index}.part.kind`, kind)(design).controllers[index]
    const outputAcW = kind === 'ac-coupled' ? (part.outputAcW ?? Math.max(50, part.outputA * AC_V)) : null
    return takeController(index, { ...part, outputAcW })(design)
  }

/** Modules of an array in another layout: a part of it on each tracker that the layout names, more controllers like its own. */
export const takeLayout =
  (index: number, { inSeries, slots }: Pick<Layout, 'inSeries' | 'slots'>): Change =>
  (design) => {
    const array = design.arrays[index]
    const own = design.controllers.find(({ id }) => id === array.controllerId)
    const moreControllers = slots.reduce((most, { controller }) => Math.max(most, controller), 0)
    const moreArrays = slots.length - 1
    if (!own || slots.length === 0) return design
    if (
      design.arrays.length + moreArrays > COUNTS.arrays ||
      design.controllers.length + moreControllers > COUNTS.controllers
    )
      return design
    if (moreControllers > 0 && isBuiltIn(design, own)) return design
    let next = design
    const ids = [own.id]
    for (let i = 1; i <= moreControllers; i++) {
      const controller = controllerLike(next, own.part)
      ids.push(controller.id)
      next = { ...next, controllers: [...next.controllers, controller] }
    }
    slots.forEach(({ controller, tracker, strings }, i) => {
      const placed = { inSeries, inParallel: strings, controllerId: ids[controller], tracker }
      if (i === 0) next = withArray(next, index, placed)
      else {
        const id = nextId('array', next.arrays)
        next = {
          ...next,
          arrays: [...next.arrays, { ...structuredCloneOf(array), id, name: `${array.name} ${i + 1}`, ...placed }],
        }
      }
    })
    return next
  }

/**
 * Puts every kind of string after the first on a free tracker of their controller, or on a controller of its own, as long
 * as there may be another.
 *
 * @param arrayIds arrays that share a tracker
 */
export const trackersApart =
  (arrayIds: readonly string[]): Change =>
  (design) => {
    const [first, ...others] = design.arrays.filter(({ id }) => arrayIds.includes(id))
    const controller = design.controllers.find(({ id }) => id === first?.controllerId)
    if (!controller) return design
    const together = [first, ...others.filter(({ controllerId }) => controllerId === controller.id)]
    let next = design
    const onIt = design.arrays.filter(({ controllerId }) => controllerId === controller.id)
    const used = new Set(onIt.map((array) => trackerOf(design, array)))
    const places = new Map([[stringKind(first), { controllerId: controller.id, tracker: trackerOf(design, first) }]])
    for (const kind of together.map(stringKind)) {
      if (places.has(kind)) continue
      const free = Array.from({ length: controller.part.trackers }, (_, t) => t + 1).find((t) => !used.has(t))
      if (free) {
        used.add(free)
        places.set(kind, { controllerId: controller.id, tracker: free })
      } else if (next.controllers.length < COUNTS.controllers) {
        const own = controllerLike(next, controller.part)
        next = { ...next, controllers: [...next.controllers, own] }
        places.set(kind, { controllerId: own.id, tracker: 1 })
      }
    }
    return {
      ...next,
      arrays: next.arrays.map((array) =>
        together.includes(array) ? { ...array, ...places.get(stringKind(array)) } : array,
      ),
    }
  }

/** Another array with a controller of its own, facing and standing as the first array does, or towards the sun. */
export const addArrayOf =
  (module: ModulePart, part: ControllerPart, layout: { inSeries: number; inParallel: number }): Change =>
  (design) => {
    if (design.arrays.length >= COUNTS.arrays || design.controllers.length >= COUNTS.controllers) return design
    const controller = controllerLike(design, part)
    const [first] = design.arrays
    const { tiltDeg, azimuthDeg, mounting, site } = first ?? {}
    const facing = first
      ? { tiltDeg, azimuthDeg, mounting, site }
      : { tiltDeg: 60, azimuthDeg: design.place.latitudeDeg >= 0 ? 180 : 0 }
    const array = newArray(nextId('array', design.arrays), module.id, controller.id, {
      ...facing,
      ...layout,
      name: 'Added array',
    })
    return { ...design, arrays: [...design.arrays, array], controllers: [...design.controllers, controller] }
  }

/** Every array faces the same way. */
export const turnAll =
  (facing: Pick<ArrayField, 'tiltDeg' | 'azimuthDeg'>): Change =>
  (design) => ({ ...design, arrays: design.arrays.map((array) => ({ ...array, ...facing })) })

/** One array steeper by so many degrees, or flatter; held within 0…90. */
export const tiltBy =
  (index: number, byDeg: number): Change =>
  (design) =>
    withArray(design, index, { tiltDeg: Math.max(0, Math.min(90, design.arrays[index].tiltDeg + byDeg)) })

/** One more string of an array, as long as there may be another. */
export const addModuleString =
  (index: number): Change =>
  (design) =>
    withArray(design, index, { inParallel: Math.min(COUNTS.stringsOfArray, design.arrays[index].inParallel + 1) })

/**
 * Another number of modules in series of one array.
 * @param inSeries ≥ 1
 */
export const setInSeries =
  (arrayId: string, inSeries: number): Change =>
  (design) => ({
    ...design,
    arrays: design.arrays.map((array) => (array.id === arrayId ? { ...array, inSeries } : array)),
  })

/** One array to another bearing, ° from north over east. */
export const faceArray =
  (arrayId: string, azimuthDeg: number): Change =>
  (design) => ({
    ...design,
    arrays: design.arrays.map((array) => (array.id === arrayId ? { ...array, azimuthDeg } : array)),
  })

/**
 * The modules of one array in strings of another length: as many as they make, and one where they make none.
 * @param inSeries ≥ 1
 */
export const relayStrings =
  (arrayId: string, inSeries: number): Change =>
  (design) => ({
    ...design,
    arrays: design.arrays.map((array) =>
      array.id === arrayId ? { ...array, inSeries, inParallel: stringsOfLength(array, inSeries) } : array,
    ),
  })

/** Strings of a length that the modules of an array make, at least one. */
export const stringsOfLength = (array: Pick<ArrayField, 'inSeries' | 'inParallel'>, inSeries: number): number =>
  Math.max(1, Math.floor((array.inSeries * array.inParallel) / inSeries))

const FLATTER_DEG = 35

/** Two tilts to begin with: as it stands from October, flatter from April; turned about in the south. */
export const beginTiltSeasons =
  (index: number): Change =>
  (design) => {
    const { tiltDeg } = design.arrays[index]
    const south = design.place.latitudeDeg < 0
    return withArray(design, index, {
      tiltSeasons: [
        { month: south ? 4 : 10, day: 1, tiltDeg },
        { month: south ? 10 : 4, day: 1, tiltDeg: Math.max(0, tiltDeg - FLATTER_DEG) },
      ],
    })
  }

/**
 * Sets the controllers that can be set so that all together charge the bank with no more than so many amps, each by its share;
 * one that is set lower already stays so.
 * @param totalA ≥ 1
 */
export const limitControllers =
  (totalA: number): Change =>
  (design) => {
    const settable = onTheBus(design.controllers).filter(canBeSet)
    const fixedA = onTheBus(design.controllers).reduce((sum, each) => sum + (canBeSet(each) ? 0 : outputOf(each)), 0)
    const allA = settable.reduce((sum, { part }) => sum + part.outputA, 0)
    const share = Math.max(0, totalA - fixedA) / allA
    if (!(share < 1)) return design
    const controllers = design.controllers.map((each) => {
      if (!settable.includes(each)) return each
      const shareA = Math.max(1, Math.floor(each.part.outputA * share))
      return { ...each, chargeLimitA: Math.min(each.chargeLimitA ?? shareA, shareA) }
    })
    return { ...design, controllers }
  }
