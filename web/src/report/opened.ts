import { ref, watch, type Ref } from 'vue'
import { onBeforeRouteLeave } from 'vue-router'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'

/**
 * Opens a design with its readings for a page of paper, names the page after it, and leaves it with the page.
 *
 * @param what the page is, as its title says
 * @returns why it could not be opened; empty while it is well
 */
export function useOpened(idOf: () => string, what: string): Ref<string> {
  const design = useDesign()
  const log = useLog()
  const failure = ref('')
  watch(
    idOf,
    async (id) => {
      try {
        await design.open(id)
        await log.open(id)
      } catch (error) {
        failure.value = `The design could not be opened: ${(error as Error).message}.`
      }
    },
    { immediate: true },
  )
  watch(
    () => design.document,
    (now) => (document.title = now ? `${now.name}, ${now.variant} · ${what}` : 'Ambrel'),
    { immediate: true },
  )
  onBeforeRouteLeave(() => design.leave())
  return failure
}
