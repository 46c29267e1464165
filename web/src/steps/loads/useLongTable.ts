import type { Virtualizer } from '@tanstack/vue-virtual'
import {
  computed,
  effectScope,
  onMounted,
  onScopeDispose,
  ref,
  shallowRef,
  watch,
  type ComponentPublicInstance,
  type Ref,
} from 'vue'
import { useLater } from '../../drawing/useIdle.ts'

/** A table up to so many rows is drawn whole. */
const WHOLE = 60
/** So many are there at once; the others wait for a moment of rest, or for the reckoner of what is in sight. */
const FIRST = 8
const USUAL_ROW_PX = 35
const BEYOND = 8

type Rows = Virtualizer<HTMLElement, HTMLElement>

/**
 * The rows of a long table that are in sight, and the space the others take. A short table is drawn whole after its
 * first rows, and brings nothing with it for that.
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
  const options = computed(() => ({
    count: lines.value.length,
    enabled: isLong.value,
    getScrollElement: () => pane.value,
    getItemKey: (index: number) => lines.value[index]?.key ?? index,
    estimateSize: () => rowPx.value,
    overscan: BEYOND,
    scrollMargin: margin.value,
  }))
  /** it could not be had; the table is drawn whole then */
  const failed = ref(false)
  const virtual = shallowRef<{ rows: Ref<Rows> } | null>(null)
  const scope = effectScope()
  async function bring(): Promise<void> {
    const { useVirtualizer } = await import('@tanstack/vue-virtual')
    virtual.value ??= scope.run(() => ({ rows: useVirtualizer<HTMLElement, HTMLElement>(options) })) ?? null
  }
  function measureAll(): void {
    pane.value = holder.value?.closest('main') ?? null
    if (!pane.value || !holder.value) return
    rowPx.value = holder.value.querySelector('tbody.load')?.getBoundingClientRect().height || USUAL_ROW_PX
    margin.value =
      holder.value.getBoundingClientRect().top - pane.value.getBoundingClientRect().top + pane.value.scrollTop
  }
  function becomeLong(): void {
    measureAll()
    void bring().catch(() => (failed.value = true))
  }
  // to measure makes the page lay itself out, which a table that is drawn whole has no use for
  onMounted(() => watch(isLong, (long) => long && becomeLong(), { immediate: true, flush: 'post' }))
  onScopeDispose(() => scope.stop())

  /** asked for anew each time: it is the same one, moved */
  const rows = () => (isLong.value && !failed.value ? virtual.value?.rows.value : undefined)
  const items = computed(() => rows()?.getVirtualItems() ?? [])
  const isRested = useLater()
  const isShort = computed(() => !isLong.value && isRested.value)
  /** a table that grows long while it is looked at stays whole until it can be reckoned what is in sight */
  const wasShort = ref(false)
  watch(isShort, (short) => (wasShort.value ||= short), { immediate: true })
  const isWhole = computed(() => isShort.value || failed.value || (wasShort.value && virtual.value === null))
  const all = computed(() => lines.value.map((line, at) => ({ line, at })))
  return {
    shown: computed(() => {
      if (isWhole.value) return all.value
      if (!rows()) return all.value.slice(0, FIRST)
      return items.value.flatMap(({ index }) => (all.value[index] ? [all.value[index]] : []))
    }),
    above: computed(() => (items.value.length > 0 ? items.value[0].start - margin.value : 0)),
    below: computed(() => {
      const reckoned = rows()
      if (reckoned) return reckoned.getTotalSize() - ((items.value.at(-1)?.end ?? margin.value) - margin.value)
      return isWhole.value ? 0 : Math.max(0, lines.value.length - FIRST) * rowPx.value
    }),
    /** to be given a row that is taller than the others, while it is */
    measure: (row: Element | ComponentPublicInstance | null): void => {
      const element = row && '$el' in row ? (row.$el as Element) : row
      if (element instanceof HTMLElement) rows()?.measureElement(element)
    },
  }
}
