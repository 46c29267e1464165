import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue'
import { useDesign } from '../stores/design.ts'

/**
 * What stands at a place of the document: what is typed there and waits, or what rules.
 *
 * @param path dotted place, empty for a value that is no part of the document
 */
export function useEntry(path: () => string, ruling: () => unknown) {
  const design = useDesign()
  const waits = computed(() => path() !== '' && design.waiting.has(path()))
  return {
    waits,
    value: computed(() => (waits.value ? design.waiting.get(path()) : ruling())),
    problem: computed(() => (path() === '' ? '' : (design.problemAt.get(path()) ?? ''))),
  }
}

/**
 * Typing in a field: Enter takes it and leaves the field, Escape restores what stood there and leaves. What is typed
 * and not yet taken is taken when the field is left, or goes from the screen.
 *
 * @param shown what stands in the field when nothing is typed
 * @param take what is typed
 */
export function useTyping(shown: Ref<string>, take: (typed: string) => void) {
  const typed = ref(shown.value)
  watch(shown, (now) => (typed.value = now))

  function commit(): void {
    if (typed.value !== shown.value) take(typed.value)
  }
  let field: HTMLInputElement | HTMLTextAreaElement | null = null
  function onKey(event: KeyboardEvent): void {
    field = event.target as HTMLInputElement | HTMLTextAreaElement
    if (event.key === 'Escape') {
      // a dialog around it is closed by the next one
      if (typed.value !== shown.value) event.stopPropagation()
      typed.value = shown.value
      // the value goes back at once, so that leaving finds nothing to take
      field.value = shown.value
      field.blur()
    } else if (event.key === 'Enter' && !(field instanceof HTMLTextAreaElement)) {
      commit()
      if (!field.form) field.blur()
    }
  }
  onBeforeUnmount(() => field && document.activeElement === field && commit())
  return { typed, commit, onKey }
}
