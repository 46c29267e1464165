import { h } from 'vue'
import { vi } from 'vitest'

/** Charts draw in a browser only; for the tests they tell what they were given to draw. */
export const chartInWords = {
  default: {
    props: ['series', 'categories', 'label'],
    setup: (props: object) => () => h('pre', JSON.stringify(props)),
  },
}
/** A worker that never answers. */
class SilentWorker {
  service = { run: () => new Promise(() => {}), cancel: () => {} }
  ready = () => Promise.resolve()
}
export const silentWorker = { WinterWorker: SilentWorker, shownWorker: () => new SilentWorker(), nextRun: () => 0 }

/** What of a browser the views ask for while they are set up. */
export function stubBrowser(): void {
  const nothing = () => {}
  vi.stubGlobal('window', { addEventListener: nothing })
  vi.stubGlobal('document', { addEventListener: nothing, removeEventListener: nothing })
}
