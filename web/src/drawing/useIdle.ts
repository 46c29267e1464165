import { onBeforeUnmount, onMounted, ref, type Ref } from 'vue'

const LIMIT_MS = 1000

/** True once the page has had a moment of rest after this was shown: what is dear and lies lower comes then. */
export function useIdle(): Ref<boolean> {
  const idle = ref(false)
  let turn = 0
  onMounted(() => (turn = requestIdleCallback(() => (idle.value = true), { timeout: LIMIT_MS })))
  onBeforeUnmount(() => cancelIdleCallback(turn))
  return idle
}
