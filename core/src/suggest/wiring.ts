import type { Design } from '../document/types.ts'
import { cableName, withThinnestRuns } from '../wiring/runs.ts'
import type { Suggestion } from './suggestion.ts'
import { say } from '../units/words.ts'

/** Every run in the thinnest conductor that carries it and keeps its drop. */
export function suggestWiring(design: Design): Suggestion {
  const { runs } = withThinnestRuns(design)
  const changed = runs.filter((run, i) => run.size !== design.runs[i].size || run.parallel !== design.runs[i].parallel)
  return {
    design: { ...design, runs },
    reasons:
      changed.length > 0
        ? changed.map((run) => say`${run.name}: ${cableName(run)}.`)
        : ['Every run already has the thinnest conductor that does.'],
  }
}
