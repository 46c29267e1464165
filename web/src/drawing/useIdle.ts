import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

const LIMIT_MS = 1000
/** Where the browser does not tell that it rests, a moment after the first picture will do. */
const SOON_MS = 100

let rested: Promise<void> | null = null
let isRested = false
/** The page had its first moment of rest. */
export const hasRested = (): boolean => isRested
/** The first moment of rest of the page after it was first asked for, or soon. */
export function firstRest(): Promise<void> {
  rested ??= new Promise((resolve) => {
    const rest = () => {
      isRested = true
      resolve()
    }
    if ('requestIdleCallback' in globalThis) requestIdleCallback(rest, { timeout: LIMIT_MS / 2 })
    else setTimeout(rest, SOON_MS)
  })
  return rested
}

/** True once the page has had a moment of rest after this was shown: what is dear and lies lower comes then. */
export function useIdle(): Ref<boolean> {
  const idle = ref(false)
  const told = 'requestIdleCallback' in globalThis
  let turn = 0
  const come = () => (idle.value = true)
  onMounted(() => {
    turn = told ? requestIdleCallback(come, { timeout: LIMIT_MS }) : window.setTimeout(come, SOON_MS)
  })
  onBeforeUnmount(() => (told ? cancelIdleCallback(turn) : window.clearTimeout(turn)))
  return idle
}
