import { ID_INJECTION_KEY, ZINDEX_INJECTION_KEY } from 'element-plus'
import { createPinia, setActivePinia } from 'pinia'
import { createSSRApp, ref, type Component } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { createMemoryHistory, createRouter } from 'vue-router'
import { expect, vi } from 'vitest'
import { kept, keyOf, larkspurBench, WinterEngine, type Design } from '@ambrel/core'
import { NEW_ROW } from '../frame/newRow.ts'
import { loadCheck } from '../stores/check.ts'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWinter } from '../stores/winter.ts'
import { packWinters } from '../workers/winters.ts'

const engine = new WinterEngine()
/** Winters run for a view, few because only their drawing is looked at. */
const YEARS = 3
/** those of the designs that are drawn again and again */
const winterOf = kept<ReturnType<typeof packWinters>>(30)

export interface Reader {
  imperial?: boolean
  /** before the first run has ended */
  noWinter?: boolean
  props?: Record<string, unknown>
  /** anything else to be so before it is drawn */
  before?: () => void
}

/** The markup of a view of a design and its winters, drawn without a browser. Warnings of the framework fail it. */
export async function rendered(view: Component, subject: Design, reader: Reader = {}): Promise<string> {
  const warnings: unknown[] = []
  const warn = vi.spyOn(console, 'warn').mockImplementation((...words) => void warnings.push(words[0]))
  const pinia = createPinia()
  setActivePinia(pinia)
  const design = useDesign()
  const { document, problems } = (await loadCheck()).rulingOf(subject, larkspurBench())
  design.document = document
  design.entered = problems.length > 0 ? subject : null
  if (!reader.noWinter) {
    const winters = winterOf(keyOf(document), () =>
      packWinters(document, engine.run(document, { years: YEARS, seed: 7 })),
    )
    design.winterSummary = winters.summary
    useWinter().winters = winters
  }
  if (reader.imperial) usePrefs().toggleUnits()
  reader.before?.()
  const routes = [
    { path: '/', name: 'shelf', component: {} },
    { path: '/design/:id?/drawings', name: 'drawings', component: {} },
    { path: '/design/:id/:step?', name: 'design', component: {} },
    { path: '/:rest(.*)', component: {} },
  ]
  const router = createRouter({ history: createMemoryHistory(), routes })
  const app = createSSRApp(view, reader.props).use(pinia).use(router)
  app.provide(ID_INJECTION_KEY, { prefix: 1, current: 0 }).provide(ZINDEX_INJECTION_KEY, { current: 0 })
  app.provide(NEW_ROW, ref(null))
  const html = await renderToString(app)
  warn.mockRestore()
  expect(warnings).toEqual([])
  return html
}

/** The words of a piece of markup. */
export const wordsOf = (html: string) =>
  html
    .replace(/<!--[\s\S]*?-->/g, '')
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()

/** Cells of the body of the first table, row by row. */
export function rowsOf(html: string): string[][] {
  const body = html.match(/<tbody[^>]*>([\s\S]*?)<\/tbody>/)?.[1] ?? ''
  return [...body.matchAll(/<tr[^>]*>([\s\S]*?)<\/tr>/g)].map(([, row]) =>
    [...row.matchAll(/<t[dh][^>]*>([\s\S]*?)<\/t[dh]>/g)].map(([, cell]) => wordsOf(cell)),
  )
}
