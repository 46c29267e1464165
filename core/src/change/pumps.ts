import { nextId } from '../design/defaults.ts'
import { COUNTS } from '../fields/limits.ts'
import type { Change } from './change.ts'
import { removeFrom } from './field.ts'

const FIRST_WANTED_L = 1000

/** A small submersible pump on 400 W of modules that stand for the year, to be corrected. */
export const addPump: Change = (design) => {
  if (design.pumps.length >= COUNTS.pumps) return design
  const { latitudeDeg } = design.place
  return {
    ...design,
    pumps: [
      ...design.pumps,
      {
        id: nextId('pump', design.pumps),
        name: `Solar pump ${design.pumps.length + 1}`,
        arrayW: 400,
        tiltDeg: Math.min(90, Math.round(Math.abs(latitudeDeg))),
        azimuthDeg: latitudeDeg >= 0 ? 180 : 0,
        headM: 30,
        startW: 60,
        ratedW: 400,
        efficiency: 0.4,
        wantedLByMonth: Array<number>(12).fill(FIRST_WANTED_L),
        price: 0,
      },
    ],
  }
}

/** Takes a pump away. */
export const removePump = (index: number): Change => removeFrom('pumps', index)

/** The same water wanted every day of the year, L/d ≥ 0. */
export const wantWater =
  (index: number, litres: number): Change =>
  (design) => ({
    ...design,
    pumps: design.pumps.map((pump, i) =>
      i === index ? { ...pump, wantedLByMonth: Array<number>(12).fill(litres) } : pump,
    ),
  })
