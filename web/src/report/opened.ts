import { ref, watch, type Ref } from 'vue'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'

/** Opens a design with its readings for a page of paper. @returns why it could not be opened; empty while it is well */
export function useOpened(idOf: () => string): Ref<string> {
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
  return failure
}
