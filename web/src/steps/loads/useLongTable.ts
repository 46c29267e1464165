import { useVirtualizer } from '@tanstack/vue-virtual'
import { computed, onMounted, ref, shallowRef, type ComponentPublicInstance, type Ref } from 'vue'

/** A table up to so many rows is drawn whole. */
const WHOLE = 60
const USUAL_ROW_PX = 35
const BEYOND = 8

/**
 * The rows of a long table that are in sight, and the space the others take. A short table is drawn whole.
 *
 * @param holder what holds the table, in a pane that scrolls
 * @param lines all of its rows, each with a key
 */
export function useLongTable<T extends { key: string }>(holder: Ref<HTMLElement | undefined>, lines: Ref<T[]>) {
  const pane = shallowRef<HTMLElement | null>(null)
  const margin = ref(0)
  /** rows are alike; the first tells of all */
  const rowPx = ref(USUAL_ROW_PX)
  const isLong = computed(() => lines.value.length > WHOLE)
  const virtual = useVirtualizer<HTMLElement, HTMLElement>(
    computed(() => ({
      count: lines.value.length,
      enabled: isLong.value,
      getScrollElement: () => pane.value,
      getItemKey: (index: number) => lines.value[index]?.key ?? index,
      estimateSize: () => rowPx.value,
      overscan: BEYOND,
      scrollMargin: margin.value,
    })),
  )
  onMounted(() => {
    pane.value = holder.value?.closest('main') ?? null
    if (!pane.value || !holder.value) return
    rowPx.value = holder.value.querySelector('tbody.load')?.getBoundingClientRect().height || USUAL_ROW_PX
    margin.value =
      holder.value.getBoundingClientRect().top - pane.value.getBoundingClientRect().top + pane.value.scrollTop
  })
  const items = computed(() => virtual.value.getVirtualItems())
  return {
    shown: computed(() =>
      isLong.value
        ? items.value.flatMap(({ index }) => (lines.value[index] ? [{ line: lines.value[index], at: index }] : []))
        : lines.value.map((line, at) => ({ line, at })),
    ),
    above: computed(() => (isLong.value && items.value.length > 0 ? items.value[0].start - margin.value : 0)),
    below: computed(() =>
      isLong.value ? virtual.value.getTotalSize() - ((items.value.at(-1)?.end ?? margin.value) - margin.value) : 0,
    ),
    /** to be given a row that is taller than the others, while it is */
    measure: (row: Element | ComponentPublicInstance | null): void => {
      const element = row && '$el' in row ? (row.$el as Element) : row
      if (isLong.value && element instanceof HTMLElement) virtual.value.measureElement(element)
    },
  }
}
