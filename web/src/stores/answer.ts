import { refDebounced } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch, type Ref } from 'vue'
import type { Design } from '@ambrel/core'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'

const PAUSE_MS = 350

/**
 * An answer of the second worker that follows the design: asked again when what it depends on has rested a moment.
 *
 * @param dependsOn the part of the design, and whatever else, the answer hangs on
 * @param ask gets the design
 * @param everySource whether the hours of the weather file are needed though another source rules
 */
export function useAnswer<T>(
  dependsOn: (design: Design) => unknown,
  ask: (service: Awaited<ReturnType<ReturnType<typeof useWinter>['side']>>, design: Design) => Promise<T>,
  everySource = false,
): { answer: Ref<T | null>; problem: Ref<string> } {
  const design = useDesign()
  const winter = useWinter()
  const answer = shallowRef<T | null>(null)
  const problem = ref('')
  let gone = false
  onBeforeUnmount(() => (gone = true))
  const key = computed(() => (design.document ? JSON.stringify(dependsOn(design.document)) : ''))
  watch(
    refDebounced(key, PAUSE_MS),
    async (now) => {
      const subject = design.document
      if (now === '' || !subject) return
      try {
        const service = await winter.side(subject, everySource)
        const result = await ask(service, toRaw(subject))
        if (gone || now !== key.value) return
        answer.value = result
        problem.value = ''
      } catch (error) {
        problem.value = (error as Error).message
      }
    },
    { immediate: true },
  )
  return { answer, problem }
}
