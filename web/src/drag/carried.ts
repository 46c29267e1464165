import { computed, shallowRef } from 'vue'
import { useEventListener } from '@vueuse/core'

/** Something taken hold of in a drawing: where the pointer is, and how far it came, in the drawing's own units. */
export interface Carried<T> {
  what: T
  x: number
  y: number
  dx: number
  dy: number
}

/** Where a pointer stands in a drawing, in the drawing's own units. */
export function inDrawing(event: MouseEvent, svg: SVGSVGElement): { x: number; y: number } {
  const box = svg.getBoundingClientRect()
  const { width, height } = svg.viewBox.baseVal
  return { x: ((event.clientX - box.left) / box.width) * width, y: ((event.clientY - box.top) / box.height) * height }
}

/**
 * The one way in which things are carried about a drawing, by mouse, pen or finger. Escape, or whatever takes the pointer
 * away, puts them back.
 *
 * @param on told while it is carried, when it is let go, and when it was put back
 */
export function useCarried<T>(on: {
  moved?: (carried: Carried<T>) => void
  dropped: (carried: Carried<T>) => void
  putBack?: () => void
}) {
  const held = shallowRef<Carried<T> | null>(null)
  let from = { x: 0, y: 0 }
  const here = (event: PointerEvent) => inDrawing(event, (event.currentTarget as SVGGraphicsElement).ownerSVGElement!)

  function putBack(): void {
    if (!held.value) return
    held.value = null
    on.putBack?.()
  }
  const whileHeld = computed(() => (held.value ? window : null))
  useEventListener(whileHeld, 'keydown', (event: KeyboardEvent) => event.key === 'Escape' && putBack())

  /** What a thing listens to, for `v-on`. */
  const carries = (what: T) => ({
    pointerdown(event: PointerEvent) {
      if (event.button !== 0) return
      ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
      from = here(event)
      held.value = { what, ...from, dx: 0, dy: 0 }
    },
    pointermove(event: PointerEvent) {
      if (!held.value || event.buttons !== 1) return
      const { x, y } = here(event)
      held.value = { ...held.value, x, y, dx: x - from.x, dy: y - from.y }
      on.moved?.(held.value)
    },
    pointerup() {
      const carried = held.value
      held.value = null
      if (carried) on.dropped(carried)
    },
    pointercancel: putBack,
  })
  return { held, carries, putBack }
}
