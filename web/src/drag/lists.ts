import type Sortable from 'sortablejs'
import type { ObjectDirective } from 'vue'
import { isStill } from '../drawing/motion.ts'
import { firstRest } from '../drawing/useIdle.ts'

/** What was dragged from where to where; places count the draggable things of a list. */
export interface Dropped {
  item: HTMLElement
  from: HTMLElement
  to: HTMLElement
  fromIndex: number
  toIndex: number
}

export interface DragLists {
  /** lists of one name take from each other */
  group?: string
  /** what can be dragged, and by what part of it */
  draggable: string
  handle?: string
  /** false where the order within a list says nothing */
  sort?: boolean
  /** asked whenever what holds the list is drawn anew */
  disabled?: () => boolean
  dropped: (drop: Dropped) => void
}

/** A finger held so long drags; one that moves before scrolls. */
const TOUCH_DELAY_MS = 160

/**
 * The one way in which things are dragged within a list or to another, by mouse, pen or finger: a directive for each of
 * the lists. What was dragged is put back where it was, because the lists are drawn of the document: `dropped` changes
 * that. What the same does by keys is the matter of the view.
 */
export function dragLists({ group, draggable, handle, sort = true, disabled, dropped }: DragLists): ObjectDirective {
  /** null while what drags is still on its way */
  const made = new WeakMap<Element, Sortable | null>()
  let next: Node | null = null
  return {
    async mounted(list: HTMLElement) {
      made.set(list, null)
      await firstRest()
      const { default: Sortable } = await import('sortablejs')
      if (!made.has(list)) return
      const sortable = new Sortable(list, {
        group,
        draggable,
        handle,
        sort,
        disabled: disabled?.(),
        // let go beside the lists it goes back; a row of one long list may be dropped past its end
        revertOnSpill: group !== undefined,
        animation: isStill() ? 0 : 120,
        forceFallback: true,
        delay: TOUCH_DELAY_MS,
        delayOnTouchOnly: true,
        chosenClass: 'drag-held',
        ghostClass: 'drag-goal',
        fallbackClass: 'drag-carried',
        onStart: () => document.documentElement.classList.add('dragging'),
        onChoose: ({ item }) => (next = item.nextSibling),
        onEnd: ({ item, from, to, oldDraggableIndex, newDraggableIndex }) => {
          document.documentElement.classList.remove('dragging')
          // a long list may have let go of what stood behind it while it was carried
          from.insertBefore(item, next?.parentNode === from ? next : null)
          dropped({ item, from, to, fromIndex: oldDraggableIndex!, toIndex: newDraggableIndex! })
        },
      })
      made.set(list, sortable)
    },
    updated(list: HTMLElement) {
      if (disabled) made.get(list)?.option('disabled', disabled())
    },
    beforeUnmount(list: HTMLElement) {
      const sortable = made.get(list)
      made.delete(list)
      document.documentElement.classList.remove('dragging')
      sortable?.destroy()
    },
  }
}
