import { addArray } from '../change/array.ts'
import { addSource, takeBackup } from '../change/generator.ts'
import { setInverterCount, takeInverter } from '../change/inverter.ts'
import { inverterParts, partById, structuredCloneOf } from '../parts/shelf.ts'
import {
  copperDraw,
  gannetSkerry,
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  rowanForks,
} from '../design/samples.ts'
import type { Design } from '../document/types.ts'

const changed =
  (make: () => Design, change: (design: Design) => unknown): (() => Design) =>
  () => {
    const design = structuredCloneOf(make())
    return (change(design) as Design | undefined) ?? design
  }
/** Designs of every shape that is drawn. */
export const SHAPES: Record<string, () => Design> = {
  larkspurBench,
  larkspurFlooded,
  larkspurMoreSun,
  gannetSkerry,
  copperDraw,
  rowanForks,
  'no array': changed(larkspurBench, (d) => void (d.arrays = [])),
  'six arrays on two controllers': () => {
    let design = larkspurMoreSun()
    for (let i = 0; i < 4; i++) design = addArray(design)
    return design
  },
  'no backup, direct loads': changed(takeNone, (d) => void d.loads.slice(0, 5).forEach((load) => (load.leg = 'DC'))),
  'wind with its dump load and a stream': changed(
    () => addSource('stream', 200)(addSource('wind', 400)(larkspurBench())),
    (d) => void Object.assign(d.sources[0], { side: 'dc', surplus: 'dump-load' }),
  ),
  'a stream on the house side': changed(
    () => addSource('stream', 200)(larkspurBench()),
    (d) => void (d.sources[0].side = 'ac'),
  ),
  'grid beside a generator with a charger of its own': changed(larkspurBench, (d) => {
    d.grid.present = true
    d.generator.charger = 'separate'
  }),
  'grid beside a generator': changed(larkspurBench, (d) => void (d.grid.present = true)),
  'an all-in-one pair': () => setInverterCount(2)(takeInverter(partById(inverterParts, 'all-12k-48'))(larkspurBench())),
  'a power box': () => takeInverter(inverterParts.find(({ battery }) => battery)!)(gannetSkerry()),
  'a vehicle': () => takeBackup('vehicle')(gannetSkerry()),
  'an AC-coupled array': changed(
    larkspurMoreSun,
    (d) => void Object.assign(d.controllers[1].part, { kind: 'ac-coupled', outputAcW: 3000 }),
  ),
  'a second electrode': changed(larkspurBench, (d) => void (d.schools.electrodes = 'bonded-second')),
  'home runs of three strings': changed(larkspurBench, (d) => {
    d.arrays[0].inParallel = 3
    d.schools.combining = 'home-runs'
  }),
  'a changeover, a meter and a regulator beside grid and generator': changed(larkspurBench, (d) => {
    d.grid.present = true
    Object.assign(d.house, { bypass: true, meter: true, regulator: true })
  }),
  'a changeover before a generator': changed(larkspurBench, (d) => {
    Object.assign(d.house, { bypass: true, bond: 'bypass' })
  }),
  'a bond inside of the inverter': changed(larkspurBench, (d) => void (d.inverter.part.bond = 'fixed')),
  'a rod that is bonded to nothing': changed(larkspurBench, (d) => void (d.schools.electrodes = 'floating')),
  'nothing parts the array': changed(larkspurBench, (d) => {
    d.schools.arrayDisconnect = 'built-in'
    d.schools.poles = 'positive'
  }),
  'long names': changed(larkspurBench, (d) => {
    d.arrays[0].name = 'The array on the south wall of the old barn beside the second orchard'
    d.loads[2].name = 'Submersible pump of the well behind the house, with its soft starter'
  }),
}
function takeNone(): Design {
  return takeBackup('none')(larkspurBench())
}
