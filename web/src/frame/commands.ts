import type { Router } from 'vue-router'
import { cellsOfLoads, STEPS, SUGGESTED_STEPS, type Step } from '@ambrel/core'
import type { useDesign } from '../stores/design.ts'
import type { usePrefs } from '../stores/prefs.ts'
import type { useSuggest } from '../stores/suggest.ts'
import { saveCells, saveDesign } from './files.ts'
import { STEP_KEYS, stepName } from './steps.ts'

/** What can be done, under one name, by palette and by key: this list is the only one of the keys. */
export interface Command {
  says: string
  /** what else somebody may call it */
  also?: string
  /** one letter works wherever no field has the focus */
  key?: string
  run: () => unknown
}

/** Whether a step fills itself from the steps before; Winter ranks changes in its worker instead. */
export const isSuggested = (step: Step): step is (typeof SUGGESTED_STEPS)[number] =>
  (SUGGESTED_STEPS as readonly Step[]).includes(step)

export function commandsFor(
  router: Router,
  design: ReturnType<typeof useDesign>,
  prefs: ReturnType<typeof usePrefs>,
  suggest: ReturnType<typeof useSuggest>,
  dialogs: Record<
    'palette' | 'keys' | 'variant' | 'history' | 'working' | 'newRow' | 'winterTable' | 'about' | 'around',
    () => void
  >,
): Command[] {
  const go = (step: Step) => design.id && router.push({ name: 'design', params: { id: design.id, step } })
  return [
    ...STEPS.map((step, i) => ({
      says: `Go to ${stepName(step, design.document)}`,
      key: STEP_KEYS[i],
      run: () => go(step),
    })),
    ...SUGGESTED_STEPS.map((step) => ({
      says: `Suggest ${stepName(step, design.document)}`,
      run: async () => {
        await go(step)
        await suggest.ask(step, step, `suggest ${stepName(step, design.document)}`)
      },
    })),
    {
      says: 'Suggest the whole system from place and loads',
      run: async () => {
        await go('loads')
        await suggest.ask('whole', 'loads', 'suggest the whole system')
      },
    },
    { says: 'Find a command', key: 'Ctrl K', run: dialogs.palette },
    { says: 'Undo', key: 'Ctrl Z', run: design.undo },
    { says: 'Redo', key: 'Ctrl Shift Z', run: design.redo },
    { says: 'Next variant', key: 'v', run: () => nextVariant(router, design) },
    { says: 'New variant of this design', also: 'copy duplicate alternative', run: dialogs.variant },
    { says: 'Earlier versions of this design', also: 'history restore backup', run: dialogs.history },
    { says: 'Show or hide findings', key: 'f', run: () => (prefs.findingsOpen = !prefs.findingsOpen) },
    { says: 'Working of the figure in focus', key: 'w', run: dialogs.working },
    { says: 'New row in the table at hand', key: 'n', run: dialogs.newRow },
    { says: 'Metric or imperial units', also: 'feet celsius fahrenheit metres', run: prefs.toggleUnits },
    { says: 'Day or night theme', also: 'dark light colours', run: prefs.toggleTheme },
    {
      says: 'Save the design as a file',
      also: 'export download json copy',
      run: () => design.document && saveDesign(design.document),
    },
    {
      says: 'Save the loads as CSV',
      also: 'export download spreadsheet',
      run: () => design.document && saveCells(`${design.document.name} loads.csv`, cellsOfLoads(design.document.loads)),
    },
    { says: 'Name and notes of this design', also: 'rename title markdown', run: dialogs.about },
    {
      says: 'Report of the whole design',
      also: 'print paper pdf export summary',
      run: () => router.push({ name: 'report', params: { id: design.id } }),
    },
    { says: 'Print this step', also: 'paper pdf', run: () => window.print() },
    { says: 'The coming winter as a table', also: 'strip weeks', run: dialogs.winterTable },
    {
      says: 'Parts shelf: parts of your own',
      also: 'modules batteries inverters export',
      run: () => router.push({ name: 'parts' }),
    },
    { says: 'Back to the design shelf', run: () => router.push({ name: 'shelf' }) },
    { says: 'Show me around', also: 'tour help first', run: dialogs.around },
    { says: 'Guide', also: 'help manual handbook', run: () => router.push({ name: 'guide' }) },
    { says: 'All keys', also: 'shortcuts help', key: '?', run: dialogs.keys },
  ]
}

export function nextVariant(router: Router, design: ReturnType<typeof useDesign>): unknown {
  const ids = design.siblings.map((entry) => entry.id)
  const next = ids[(ids.indexOf(design.id) + 1) % ids.length]
  if (next && next !== design.id)
    return router.push({ name: 'design', params: { id: next, step: router.currentRoute.value.params.step } })
}
