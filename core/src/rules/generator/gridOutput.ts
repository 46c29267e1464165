import { gridIsTaken } from '../../generator/taken.ts'
import { takenVolts } from '../../generator/words.ts'
import { acrossVolts } from '../../inverter/service.ts'
import { volts } from '../../units/say.ts'
import { say } from '../../units/words.ts'
import { stop, type Rule } from '../rule.ts'

/** What the grid gives is what the inverter takes. */
export const gridOutput: Rule = {
  id: 'generator.grid-output',
  step: 'generator',
  check: ({ design }) => {
    const { grid, inverter } = design
    if (!grid.present || gridIsTaken(design)) return []
    const does =
      grid.breakerV > acrossVolts(inverter)
        ? 'So many volts destroy it, and with it what it passes them on to.'
        : 'Most inverters refuse it, and where one lets it through, what runs on the full voltage stays dark.'
    return [
      stop(
        'grid',
        say`The grid gives ${volts(grid.breakerV)}; the inverter takes ${takenVolts(inverter)}.`,
        say`${does} Another breaker, a transformer between, or another inverter. In the winter run the grid is left out.`,
      ),
    ]
  },
}
