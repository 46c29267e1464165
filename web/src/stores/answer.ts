import { refDebounced } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, onScopeDispose, ref, shallowRef, toRaw, watch, type Ref } from 'vue'
import { keyOf, type Design } from '@ambrel/core'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'

const PAUSE_MS = 350
/** More than one design asks on all its steps together. */
const KEPT = 32

/** The answers that were had last: a step that is come back to, or an edit that is undone, shows at once what it showed. */
const useAnswers = defineStore('answers', () => {
  const kept = new Map<string, unknown>()
  return {
    kept: (to: string) => kept.get(to),
    keep(to: string, answer: unknown): void {
      kept.delete(to)
      kept.set(to, answer)
      if (kept.size > KEPT) kept.delete(kept.keys().next().value!)
    },
  }
})

/**
 * An answer of the strip's worker that follows the design: asked again when the question has changed and rested a moment.
 *
 * @param name what is asked: the same question asked by this name elsewhere has the same answer
 * @param question what of the design, and whatever else, the answer hangs on: the worker gets this and nothing else;
 * null where nothing is to be asked
 * @param everySource whether the hours of the weather file are needed though another source rules
 */
export function useAnswer<Q extends { design: Pick<Design, 'place'> }, T>(
  name: string,
  question: (design: Design) => Q | null,
  ask: (service: Awaited<ReturnType<ReturnType<typeof useWinter>['resting']>>, question: Q) => Promise<T>,
  everySource = false,
): { answer: Ref<T | null>; problem: Ref<string> } {
  const design = useDesign()
  const winter = useWinter()
  const answers = useAnswers()
  const answer = shallowRef<T | null>(null)
  const problem = ref('')
  let gone = false
  onScopeDispose(() => (gone = true))
  const key = computed(() => {
    const asked = design.document && question(toRaw(design.document))
    return asked ? keyOf(asked) : ''
  })
  const rested = refDebounced(key, PAUSE_MS)
  watch(
    rested,
    async (now) => {
      if (now === '') return
      const to = `${name} ${now}`
      const kept = answers.kept(to)
      if (kept !== undefined) {
        answer.value = kept as T
        problem.value = ''
        answers.keep(to, kept)
        return
      }
      try {
        const asked = JSON.parse(now) as Q
        const service = await winter.resting(asked.design, everySource)
        const result = await ask(service, asked)
        answers.keep(to, result)
        // an edit that is undone before it has rested asks nothing anew
        if (gone || now !== rested.value) return
        answer.value = result
        problem.value = ''
      } catch (error) {
        if (!gone && now === rested.value) problem.value = (error as Error).message
      }
    },
    { immediate: true },
  )
  return { answer, problem }
}
