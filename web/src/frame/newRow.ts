import { inject, onMounted, type InjectionKey, type Ref } from 'vue'

/** What the key `n` does in the step at hand. */
export const NEW_ROW: InjectionKey<Ref<(() => void) | null>> = Symbol('new row')

export function useNewRow(add: () => void): void {
  const slot = inject(NEW_ROW)
  onMounted(() => {
    if (slot) slot.value = add
  })
}
