import { describe, expect, it } from 'vitest'
import { copperDraw, gannetSkerry, larkspurBench } from '../design/samples.ts'
import { newArray } from '../design/defaults.ts'
import type { ArrayField, Design } from '../document/types.ts'
import { derive } from '../derive/derive.ts'
import { controllerParts, moduleParts, partById } from '../parts/shelf.ts'
import { findings } from '../rules/registry.ts'
import { MONTH_START } from '../calendar/calendar.ts'
import { sunYear } from '../sun/geometry.ts'
import { TiltedPlane, tiltOnDay, trackedPlane, type Surface } from '../plane/plane.ts'
import { suggestArray } from '../suggest/array.ts'
import { moreArray } from '../sizing/moreArray.ts'
import { WinterEngine } from '../winter/engine.ts'
import { arrayYield, bankWear, oversizing } from '../winter/yields.ts'
import { trackersApart } from '../change/array.ts'
import { moveModule, moveString } from '../change/board.ts'
import { boardRows, boardStrings } from './board.ts'
import { takeLayout } from '../change/array.ts'
import { said } from '../units/words.ts'
import { layouts, refusedLayouts } from './layouts.ts'
import { racking, winterSun } from './racking.ts'
import { unlikeGroups, unlikeLossAt } from './unlike.ts'
import { hottestCellC } from './voltage.ts'
import { atOnce } from '../math/pieces.ts'

const changed = (design: Design, change: (design: Design) => void): Design => {
  change(design)
  return design
}
const ids = (design: Design) => findings({ design, derived: derive(design), winter: null }).map(({ id }) => id)
const found = (design: Design, id: string) =>
  findings({ design, derived: derive(design), winter: null }).filter((finding) => finding.id === id)

describe('an inherited place', () => {
  // each fault, and the finding its remedy must clear
  it.each([
    ['bank.sharing', 'stop'],
    ['bank.charge-rate', 'watch'],
    ['array.unlike', 'watch'],
  ] as const)('%s is found, and its remedy clears it in one step', (id, level) => {
    const design = copperDraw()
    const [finding] = found(design, id)
    expect(finding.level).toBe(level)
    const mended = finding.remedy!.apply(design)
    expect(found(mended, id).filter((each) => each.level !== 'sound')).toEqual([])
    expect(design).toEqual(copperDraw())
  })

  it('all three remedies one after another leave no stop and none of the faults', () => {
    let design = copperDraw()
    for (const id of ['bank.sharing', 'array.unlike', 'bank.charge-rate'])
      design = found(design, id)[0].remedy!.apply(design)
    const left = findings({ design, derived: derive(design), winter: null }).filter(({ level }) => level === 'stop')
    expect(left).toEqual([])
    expect(ids(design)).not.toContain('array.unlike')
  })

  it('neither Suggest nor an added array takes a controller that comes inside another unit, or one that does not track', () => {
    for (const design of [copperDraw(), larkspurBench(), gannetSkerry()])
      for (const made of [suggestArray(design).design, moreArray(design, 0.1)])
        for (const { part } of made.controllers) expect([part.kind, part.price > 0]).toEqual(['tracker', true])
  })

  it('an added array brings the wanted rate in a legal layout, or nothing is changed', () => {
    const design = moreArray(copperDraw(), 0.1)
    expect(derive(design).worked['bank.charge-rate'].value).toBeGreaterThanOrEqual(0.0999)
    expect(design.arrays).toHaveLength(3)
    const impossible = copperDraw()
    expect(moreArray(impossible, 5)).toBe(impossible)
  })
})

describe('unlike strings', () => {
  it('are those on one tracker; on another tracker or controller they are apart', () => {
    const design = copperDraw()
    expect(unlikeGroups(design)).toHaveLength(1)
    const two = changed(copperDraw(), (d) => {
      d.controllers[0].part.trackers = 2
      d.arrays[1].tracker = 2
    })
    expect(unlikeGroups(two)).toEqual([])
    const oneInput = changed(copperDraw(), (d) => (d.arrays[1].tracker = 2))
    expect(unlikeGroups(oneInput)).toHaveLength(1)
  })

  it('their loss runs straight from dull to bright light', () => {
    const group = { ...unlikeGroups(copperDraw())[0], dullLoss: 0.02, brightLoss: 0.1 }
    expect([0, 200, 600, 1000, 1300].map((light) => Number(unlikeLossAt(group, light).toFixed(4)))).toEqual([
      0.02, 0.02, 0.06, 0.1, 0.1,
    ])
  })

  it('cost energy in the year, which trackers of their own bring back', () => {
    const engine = new WinterEngine()
    const together = atOnce(arrayYield(engine, copperDraw(), 1))
    const apart = atOnce(
      arrayYield(
        engine,
        changed(copperDraw(), (d) => {
          d.controllers[0].part.trackers = 2
          d.arrays[1].tracker = 2
        }),
        1,
      ),
    )
    expect(together.unlikeKWh).toBeGreaterThan(30)
    expect(apart.unlikeKWh).toBeLessThan(1e-6)
    expect(apart.intoBusKWh - together.intoBusKWh).toBeCloseTo(together.unlikeKWh, 3)
  })
})

describe('the board', () => {
  const two = () =>
    changed(larkspurBench(), (d) => {
      d.controllers.push({
        id: 'controller-2',
        name: 'Controller 2',
        part: partById(controllerParts, 'track-250-85'),
        chargeLimitA: null,
      })
    })

  it('a string moved to another controller takes its modules along and merges when it comes back', () => {
    const design = two()
    const moved = moveString('array-1:0', 'controller-2')(design)
    expect(moved.arrays.map(({ inSeries, inParallel, controllerId }) => [inSeries, inParallel, controllerId])).toEqual([
      [7, 1, 'controller-2'],
      [7, 1, 'controller-1'],
    ])
    const key = boardStrings(moved).find(({ controllerId }) => controllerId === 'controller-2')!.key
    const back = moveString(key, 'controller-1')(moved)
    expect(back.arrays.map(({ inSeries, inParallel }) => [inSeries, inParallel])).toEqual([[7, 2]])
  })

  it('a module moved makes one string shorter and one longer, none gets lost', () => {
    const design = two()
    const moved = moveModule('array-1:0', 'array-1:1')(design)
    expect(moved.arrays.map(({ inSeries, inParallel }) => [inSeries, inParallel])).toEqual([
      [6, 1],
      [8, 1],
    ])
    expect(new Set(moved.arrays.map(({ id }) => id)).size).toBe(2)
    expect(unlikeGroups(moved)).toHaveLength(1)
    const again = moveModule(boardStrings(moved)[1].key, boardStrings(moved)[0].key)(moved)
    expect(again.arrays.map(({ inSeries, inParallel }) => [inSeries, inParallel])).toEqual([[7, 2]])
  })

  it('a tracker number the controller does not have counts as the one it is on, so that a tracker for each parts them', () => {
    const design = changed(moveModule('array-1:0', 'array-1:1')(two()), (d) => {
      Object.assign(d.controllers[0].part, { trackers: 1 })
      for (const array of d.arrays) Object.assign(array, { controllerId: 'controller-1', tracker: 2 })
    })
    const [group] = unlikeGroups(design)
    expect(unlikeGroups(trackersApart(group.arrayIds)(design))).toEqual([])
  })

  it('strings split off again and again are called by what they are, in no more letters than a name has', () => {
    const design = changed(two(), (d) => (d.arrays[0].name = 'Ground array '.repeat(10).slice(0, 120)))
    const once = moveModule('array-1:0', 'array-1:1')(design)
    const twice = moveModule(boardStrings(once)[0].key, boardStrings(once)[1].key)(once)
    for (const { name } of [...once.arrays, ...twice.arrays]) expect(name.length).toBeLessThanOrEqual(120)
    expect(once.arrays[1].name).toMatch(/^Ground array .*, 8 in series$/)
    const again = changed(once, (d) => d.arrays.splice(0, 1, { ...d.arrays[1], id: 'array-7', inParallel: 2 }))
    const names = moveModule('array-7:0', 'array-7:1')(again).arrays.map(({ name }) => name)
    expect(names.filter((name) => name.match(/in series/g)!.length > 1)).toEqual([])
  })

  it('a hundred strings of one array stay a hundred, and a string no longer than the longest', () => {
    const most = changed(two(), (d) => Object.assign(d.arrays[0], { inSeries: 60, inParallel: 2 }))
    expect(moveModule('array-1:0', 'array-1:1')(most)).toBe(most)
  })

  it('each string tells its volts, and what its controller makes of them', () => {
    const design = two()
    const { chargeV, arrays } = derive(design)
    const [row] = boardRows(design, chargeV)
    expect(row.coldV).toBeCloseTo(arrays[0].cold.coefficient, 9)
    expect(row.hotV).toBeCloseTo(arrays[0].hotV, 9)
    expect([row.tooHigh, row.tooLow]).toEqual([false, false])
    const moved = moveString(row.key, 'controller-2')(design)
    const there = boardRows(moved, chargeV).find(({ controllerId }) => controllerId === 'controller-2')!
    expect([there.tooHigh, there.tooLow]).toEqual([true, false])
    expect(
      boardRows(
        changed(two(), (d) => (d.arrays[0].inSeries = 1)),
        chargeV,
      )[0].tooLow,
    ).toBe(true)
  })

  it('the last module of a string takes the string with it', () => {
    const design = changed(copperDraw(), (d) => {
      d.arrays = [
        newArray('array-1', 'mono-100', 'controller-1', { inSeries: 1, inParallel: 2, tiltDeg: 40, azimuthDeg: 180 }),
      ]
    })
    const moved = moveModule('array-1:0', 'array-1:1')(design)
    expect(moved.arrays.map(({ inSeries, inParallel }) => [inSeries, inParallel])).toEqual([[2, 1]])
  })

  it('unlike modules do not mix in a string, and what is not there is named', () => {
    expect(() => moveModule('array-1:0', 'array-2:0')(copperDraw())).toThrow('cannot go into a string of')
    expect(() => moveModule('array-1:4', 'array-2:0')(copperDraw())).toThrow('string array-1:4 is not on the board')
    expect(() => moveString('array-1:0', 'nowhere')(copperDraw())).toThrow('controller nowhere is not in the design')
  })
})

describe('layouts', () => {
  const question = (controllerId: string) => ({
    module: moduleParts[0],
    controller: partById(controllerParts, controllerId),
    coldestC: -34,
    hottestCellC: 74,
    chargeV: 57.6,
    maxModules: 24,
  })

  it('keep strings below what the modules are insulated for, and say so of the others', () => {
    const asked = question('track-450-100')
    const thin = { ...asked, module: { ...asked.module, maxSystemV: 200 } }
    expect(Math.max(...layouts(asked).map(({ coldV }) => coldV))).toBeGreaterThan(200)
    for (const { coldV } of layouts(thin)) expect(coldV).toBeLessThanOrEqual(200)
    expect(layouts(thin).length).toBeGreaterThan(0)
    expect(
      refusedLayouts(thin)
        .map(({ says }) => said(says))
        .at(-1),
    ).toContain('insulated for')
  })

  it('are none on a controller that is not made for the bank, and it is said why', () => {
    const small = { ...question('track-100-30'), chargeV: 28.8 }
    expect(layouts({ ...small, systemV: 24 }).length).toBeGreaterThan(0)
    expect(layouts({ ...small, systemV: 48 })).toEqual([])
    expect(refusedLayouts({ ...small, systemV: 24 }).some(({ says }) => said(says).includes('bank'))).toBe(false)
    expect(refusedLayouts({ ...small, systemV: 48 }).map(({ says }) => said(says))).toContain(
      'the controller does not charge a 48 V bank',
    )
  })

  it.each(controllerParts.filter(({ kind }) => kind === 'tracker').map(({ id }) => id))(
    '%s: what is refused is never offered',
    (id) => {
      const legal = new Set(layouts(question(id)).map(({ inSeries }) => inSeries))
      for (const { inSeries, says } of refusedLayouts(question(id))) {
        expect(legal.has(inSeries)).toBe(false)
        expect(said(says)).toMatch(/cold dawn|hot afternoon/)
      }
    },
  )

  it.each(controllerParts.map(({ id }) => id))(
    '%s: fewer of them are the best of all, or those of so few strings',
    (id) => {
      for (const needW of [undefined, 4000]) {
        const asked = { ...question(id), needW }
        const all = layouts(asked)
        expect(layouts(asked, 3)).toEqual(all.slice(0, 3))
        expect(layouts({ ...asked, mostParallel: 2 })).toEqual(all.filter(({ inParallel }) => inParallel <= 2))
      }
    },
  )

  it('none that is offered is stopped by a rule', () => {
    const design = larkspurBench()
    const { recordLowC, recordHighC } = design.place
    const list = layouts({
      ...question('track-450-100'),
      coldestC: recordLowC,
      hottestCellC: hottestCellC(recordHighC, moduleParts[0]),
    })
    for (const layout of list) {
      const { inSeries, inParallel } = layout
      const laid = takeLayout(0, layout)(design)
      const stops = findings({ design: laid, derived: derive(laid), winter: null }).filter(
        ({ level, step }) => level === 'stop' && step === 'array',
      )
      expect(stops, `${inSeries} × ${inParallel}`).toEqual([])
    }
  })

  it('a pulse-width controller takes only as many in series as make the bank’s voltage', () => {
    const list = layouts({ ...question('pulse-55-45'), module: partFor('mono-100'), chargeV: 28.8, coldestC: 0 })
    expect(new Set(list.map(({ inSeries }) => inSeries))).toEqual(new Set([2]))
    expect(Math.max(...list.map(({ inParallel }) => inParallel))).toBe(Math.floor(45 / (5.86 * 1.25)))
  })
})
const partFor = (id: string) => partById(moduleParts, id)

describe('pulse-width controllers', () => {
  const pwm = (inSeries: number) =>
    changed(gannetSkerry(), (d) => {
      d.controllers[0].part = partById(controllerParts, 'pulse-55-45')
      d.arrays = [
        newArray('array-1', 'mono-100', 'controller-1', { inSeries, inParallel: 4, tiltDeg: 60, azimuthDeg: 180 }),
      ]
    })

  it('throw away what lies above the bank’s voltage', () => {
    const engine = new WinterEngine()
    const { thrownKWh, intoBusKWh } = atOnce(arrayYield(engine, pwm(2), 1))
    expect(thrownKWh / (thrownKWh + intoBusKWh)).toBeGreaterThan(0.1)
    expect(thrownKWh / (thrownKWh + intoBusKWh)).toBeLessThan(0.35)
    expect(atOnce(arrayYield(engine, gannetSkerry(), 1)).thrownKWh).toBe(0)
    // beside one that feeds the AC side, and one whose tracker cannot use its strings
    const beside = (part: object, inSeries: number) =>
      changed(pwm(2), (d) => {
        const [tracking] = gannetSkerry().controllers
        d.controllers.push({ ...tracking, id: 'controller-2', part: { ...tracking.part, ...part } })
        d.arrays.push({ ...d.arrays[0], id: 'array-2', inSeries, controllerId: 'controller-2' })
      })
    for (const each of [beside({ kind: 'ac-coupled', outputAcW: 2000 }, 4), beside({ minTrackV: 300 }, 2)])
      // the efficiency of both controllers together is a little another
      expect(atOnce(arrayYield(engine, each, 1)).thrownKWh / thrownKWh).toBeCloseTo(1, 1)
  })

  it('are watched for it, and stopped where they can never charge full', () => {
    expect(found(pwm(2), 'array.pulse-width')[0].level).toBe('watch')
    expect(found(pwm(1), 'array.pulse-width')[0].level).toBe('stop')
    expect(ids(gannetSkerry())).not.toContain('array.pulse-width')
  })
})

describe('clipping and oversizing', () => {
  it('each further string brings less than the one before once the controller clips', () => {
    const steps = atOnce(oversizing(new WinterEngine(), larkspurBench(), 'array-1', 1, 6))
    const gains = steps.slice(1).map(({ gainKWh }) => gainKWh)
    gains.forEach((gain, i) => i > 0 && expect(gain).toBeLessThanOrEqual(gains[i - 1] + 1e-6))
    expect(gains.at(-1)!).toBeGreaterThan(0)
    expect(() => atOnce(oversizing(new WinterEngine(), larkspurBench(), 'array-9', 1))).toThrow('array-9')
  })

  it('is watched, never stopped', () => {
    const big = changed(larkspurBench(), (d) => (d.arrays[0].inParallel = 3))
    expect(found(big, 'array.clipping').map(({ level }) => level)).toEqual(['watch'])
    expect(atOnce(arrayYield(new WinterEngine(), big, 1)).clippedKWh).toBeGreaterThan(
      atOnce(arrayYield(new WinterEngine(), larkspurBench(), 1)).clippedKWh,
    )
  })
})

describe('tilts through the year', () => {
  const seasons = [
    { month: 10, day: 1, tiltDeg: 70 },
    { month: 4, day: 15, tiltDeg: 25 },
  ]
  it.each([
    [0, 70],
    [MONTH_START[3] + 13, 70],
    [MONTH_START[3] + 14, 25],
    [MONTH_START[8] + 29, 25],
    [MONTH_START[9], 70],
    [364, 70],
  ])('day %s stands at %s°', (day, tilt) => {
    expect(tiltOnDay({ tiltDeg: 50, tiltSeasons: seasons }, day)).toBe(tilt)
  })

  const place = { latitudeDeg: 40, longitudeDeg: -105, utcOffsetH: -7 }
  const sun = sunYear(place)
  const surface: Surface = {
    tiltDeg: 40,
    azimuthDeg: 180,
    horizon: [],
    latitudeDeg: 40,
    skyModel: 'hay-davies',
    albedoBare: 0.2,
    albedoSnow: 0.6,
  }
  const energy = (change: Partial<Surface>) => {
    const plane = new TiltedPlane(sun, { ...surface, ...change })
    let sum = 0
    for (let i = 0; i < 8760; i++) sum += plane.effective(i, 0.65 * sun.extraWhM2[i], false)
    return sum
  }

  it('two settings collect more than either alone, the same one twice just as much', () => {
    const both = energy({
      tiltSeasons: [
        { month: 10, day: 1, tiltDeg: 60 },
        { month: 4, day: 1, tiltDeg: 20 },
      ],
    })
    expect(both).toBeGreaterThan(energy({ tiltDeg: 60 }))
    expect(both).toBeGreaterThan(energy({ tiltDeg: 20 }))
    expect(energy({ tiltSeasons: [{ month: 3, day: 3, tiltDeg: 40 }] })).toBeCloseTo(energy({}), 6)
  })

  it('a tracker faces east in the morning, lies flat at noon, faces west in the evening, and collects more in a year', () => {
    expect(trackedPlane(0.3, 95)).toMatchObject({ azimuthDeg: 90, tiltDeg: 60 })
    expect(trackedPlane(0.9, 180).tiltDeg).toBeCloseTo(0, 6)
    expect(trackedPlane(0.6, 260).azimuthDeg).toBe(270)
    expect(energy({ tracking: 'single-axis' })).toBeGreaterThan(1.1 * energy({}))
  })

  it('the less of the horizon stands in the way, the more sun', () => {
    const horizon = [{ azimuthDeg: 0, elevationDeg: 20, cover: 'terrain' as const }]
    const sums = [1, 0.5, 0].map((horizonShare) => energy({ horizon, horizonShare }))
    expect(sums[0]).toBeLessThan(sums[1])
    expect(sums[1]).toBeLessThan(sums[2])
    expect(sums[2]).toBeCloseTo(energy({}), 6)
  })

  it('a run follows them', () => {
    const engine = new WinterEngine()
    const sum = (change: Partial<ArrayField>) => {
      const design = changed(larkspurBench(), (d) => Object.assign(d.arrays[0], change))
      return engine.planeOf(design, design.arrays[0], 1, 0).reduce((a, b) => a + b, 0)
    }
    expect(sum({ tiltSeasons: seasons })).not.toBe(sum({}))
    expect(sum({ tracking: 'single-axis' })).toBeGreaterThan(sum({}))
  })
})

describe('rails and ground', () => {
  const array = newArray('a', 'mono-415', 'c', { inSeries: 5, inParallel: 2, tiltDeg: 60, azimuthDeg: 180 })

  it('one row of ten by hand', () => {
    const needs = racking(array, 1, { azimuthDeg: 180, elevationDeg: 15 })
    expect(needs.railM).toBeCloseTo(10 * 1.134 + 9 * 0.02 + 0.2, 9)
    expect([needs.rails, needs.midClamps, needs.endClamps]).toEqual([2, 18, 4])
    expect(needs.feet).toBe(2 * (Math.ceil(needs.railM / 1.2) + 1))
    expect(needs.pitchM).toBeNull()
    expect(needs.weightKg).toBeCloseTo(215, 9)
  })

  it('two rows stand apart by their depth and their shadow', () => {
    const { pitchM } = racking(array, 2, { azimuthDeg: 180, elevationDeg: 15 })
    const length = 1.722
    const rad = Math.PI / 180
    expect(pitchM).toBeCloseTo(length * Math.cos(60 * rad) + (length * Math.sin(60 * rad)) / Math.tan(15 * rad), 9)
  })

  it('the lower the sun, the wider; a sun from the side casts less behind', () => {
    const pitch = (azimuthDeg: number, elevationDeg: number) => racking(array, 2, { azimuthDeg, elevationDeg }).pitchM!
    expect(pitch(180, 8)).toBeGreaterThan(pitch(180, 16))
    expect(pitch(140, 15)).toBeLessThan(pitch(180, 15))
    expect(Number.isFinite(pitch(180, -5))).toBe(true)
    expect(() => racking(array, 0, { azimuthDeg: 180, elevationDeg: 15 })).toThrow('rows 0')
  })

  it('the winter sun is that of the shortest day there', () => {
    expect(winterSun(larkspurBench(), 12.7).elevationDeg).toBeCloseTo(90 - 48.2 - 23.4, 0)
    const south = changed(larkspurBench(), (d) =>
      Object.assign(d.place, { latitudeDeg: -41, longitudeDeg: 174, utcOffsetH: 12 }),
    )
    expect(winterSun(south, 12.4).elevationDeg).toBeCloseTo(90 - 41 - 23.4, 0)
  })

  it('the hottest cell follows the NOCT', () => {
    expect(hottestCellC(40, { noctC: 45 })).toBeCloseTo(75, 9)
    expect(hottestCellC(40, { noctC: 48 })).toBeGreaterThan(hottestCellC(40, { noctC: 42 }))
  })
})

describe('wear in a run', () => {
  it('a small bank wears faster than a large one', () => {
    const wear = (inParallel: number) =>
      atOnce(
        bankWear(
          new WinterEngine(),
          changed(larkspurBench(), (d) => (d.bank.inParallel = inParallel)),
          2,
        ),
      ).wearPerYear
    expect(wear(3)).toBeGreaterThan(wear(8))
  })
})
