import { useResizeObserver } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/**
 * The width of what holds a picture, px; 0 until the page has laid itself out. It is told and not asked for, which would
 * have the page laid out in the middle of being made.
 */
export function useWidth(holder: Ref<HTMLElement | null | undefined>): Ref<number> {
  const width = ref(0)
  useResizeObserver(holder, ([{ contentRect }]) => (width.value = contentRect.width))
  return width
}
