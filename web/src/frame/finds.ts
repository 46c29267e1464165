import type { Router } from 'vue-router'
import { addWritten, appliancesCalled, DESIGN, eachField, type Step } from '@ambrel/core'
import { reveal } from '../fields/reveal.ts'
import type { useDesign } from '../stores/design.ts'
import type { useParts } from '../stores/parts.ts'
import type { usePrefs } from '../stores/prefs.ts'
import { KIND_WORDS } from '../parts/partWords.ts'
import type { Command } from './commands.ts'
import { GLOSSARY, type Word } from './glossary.ts'
import { stepName, stepOfPath } from './steps.ts'

/** Something that can be found beside the commands: it stands in the same list and says what kind of thing it is. */
export interface Find extends Command {
  kind: string
}

/** Parts of the document that are lists of their own, read from files, or no field of a form. */
const NO_FIELD =
  /^(format|version|loads|place\.(hours|monthly|horizon)|touched|build|circuits|pumps|sources|budget\.(owned|extras|priced|kits|phases)|bank\.(order|weak)|household\.away|inverter\.part\.(battery|controller))|\.(id|estimated|capacities|cycles)\b/
/** of lists that hold at least one, the field of the first is meant */
const first = (path: string) => path.replaceAll('[]', '.0')

/** Fields, loads, findings, parts and words, for the palette; made when it is opened. */
export function findsOf(
  router: Router,
  design: ReturnType<typeof useDesign>,
  prefs: ReturnType<typeof usePrefs>,
  parts: ReturnType<typeof useParts>,
  explain: (word: Word) => void,
): Find[] {
  const document = design.document
  if (!document) return []
  const to = (step: Step) => router.push({ name: 'design', params: { id: design.id, step } })
  /** Goes to the step of a place and to its field. */
  const go = async (path: string) => {
    const step = stepOfPath(path)
    await to(step)
    await reveal(path, step)
  }
  const holds = (path: string) =>
    (!path.startsWith('arrays') || document.arrays.length > 0) &&
    (!path.startsWith('controllers') || document.controllers.length > 0)
  const fields = eachField(DESIGN).filter(
    ({ path, field }) => !['rows', 'part'].includes(field.kind) && !NO_FIELD.test(path) && holds(path),
  )
  void parts.load()
  return [
    ...document.loads.map((load, i) => ({
      says: load.name,
      also: `load ${load.room}`,
      kind: 'load',
      run: () => go(`loads.${i}.name`),
    })),
    ...design.findings.map((finding) => ({
      says: prefs.say(finding.says),
      also: `finding ${finding.level}`,
      kind: `finding, ${stepName(finding.step, document)}`,
      run: async () => {
        prefs.findingsOpen = true
        await to(finding.step)
      },
    })),
    ...fields.map(({ path, field }) => ({
      says: field.label.charAt(0).toUpperCase() + field.label.slice(1),
      also: `field ${prefs.say(field.help)}`,
      kind: `field, ${stepName(stepOfPath(path), document)}`,
      run: () => go(first(path)),
    })),
    ...parts.all.map(({ id, kind, part, own }) => ({
      says: String(part.name),
      also: `part shelf ${KIND_WORDS[kind].one}`,
      kind: `part${own ? ', yours' : ''}`,
      run: () => router.push({ name: 'parts', query: { kind, part: id } }),
    })),
    ...GLOSSARY.map((word) => ({
      says: word.word,
      also: `word glossary ${word.also ?? ''}`,
      kind: 'word',
      run: () => explain(word),
    })),
  ]
}

const MOST_LOADS = 3

/** Loads that could be added by what was typed. */
export const newLoadsFor = (typed: string, design: ReturnType<typeof useDesign>, router: Router): Find[] =>
  typed.trim().length < 3 || !design.document
    ? []
    : appliancesCalled(typed)
        .slice(0, MOST_LOADS)
        .map((appliance) => ({
          says: `Add a load: ${appliance.name}`,
          kind: 'new load',
          run: async () => {
            await router.push({ name: 'design', params: { id: design.id, step: 'loads' } })
            design.change(
              `add ${appliance.name}`,
              addWritten([{ written: { name: appliance.name, quantity: 1 }, appliance }]),
            )
          },
        }))
