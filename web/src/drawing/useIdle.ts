import { computed, onBeforeUnmount, onMounted, ref, watch, type Ref } from 'vue'

const LIMIT_MS = 1000
/** Where the browser does not tell that it rests, a moment after the first picture will do. */
const SOON_MS = 100

let rested: Promise<void> | null = null
/** The first moment of rest of the page after it was first asked for, or soon. */
export function firstRest(): Promise<void> {
  rested ??= new Promise((resolve) =>
    'requestIdleCallback' in globalThis
      ? void requestIdleCallback(() => resolve(), { timeout: LIMIT_MS / 2 })
      : void setTimeout(resolve, SOON_MS),
  )
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

/** How many parts of the step that is open are still to come. */
export const awaited = ref(0)

/**
 * Whether what lies below the first screen of a step is to be there: once the page has drawn that and rests. What is drawn
 * for no window never rests, and is whole at once.
 */
export function useLater(): Ref<boolean> {
  const idle = useIdle()
  const isThere = computed(() => idle.value || !('document' in globalThis))
  let isAwaited = !isThere.value
  if (isAwaited) awaited.value++
  const arrived = () => {
    if (isAwaited) awaited.value--
    isAwaited = false
  }
  watch(isThere, arrived)
  onBeforeUnmount(arrived)
  return isThere
}
