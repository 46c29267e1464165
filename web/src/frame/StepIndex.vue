<script setup lang="ts">
import { isStill } from '../drawing/motion.ts'
import { awaited } from '../drawing/useIdle.ts'
import { nextTick, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'

/**
 * The parts of a long step in one line that stays at the top of the bench: which is in view, and a way to each. It is
 * read off the headings that stand on the bench, so that none can be missing from it.
 */
const LEAST = 3
/** a part is in view once its heading has come this near to the line */
const NEAR_PX = 70
const holder = useTemplateRef('holder')
const parts = shallowRef<{ name: string; heading: HTMLElement }[]>([])
const at = ref(0)
/** a step with few parts has no such line; while parts are still to come, its place is kept */
const isShort = ref(true)
let bench: HTMLElement | null = null
let watcher: MutationObserver | null = null
let waiting = 0

function read(): void {
  waiting = 0
  if (!bench) return
  const found = [...bench.querySelectorAll<HTMLElement>('h2')].map((heading) => ({
    name: (heading.dataset.part ?? heading.textContent ?? '').trim(),
    heading,
  }))
  isShort.value = found.length < LEAST && awaited.value === 0
  const same =
    found.length === parts.value.length &&
    found.every(({ name, heading }, i) => parts.value[i].name === name && parts.value[i].heading === heading)
  // an edit that leaves the parts as they are costs no look at where they stand
  if (same) return
  parts.value = found
  lookSoon()
}
const readSoon = () => void (waiting ||= requestAnimationFrame(read))
watch(awaited, readSoon)
function look(): void {
  if (!bench || parts.value.length < LEAST) return
  const { top, bottom } = bench.getBoundingClientRect()
  const last = parts.value.length - 1
  if (bench.scrollTop + bench.clientHeight >= bench.scrollHeight - 2 && bench.scrollTop > 0) {
    // at the very end the last one that fits the view is meant
    const lowest = parts.value.findIndex(({ heading }) => heading.getBoundingClientRect().top > bottom)
    at.value = lowest < 0 ? last : Math.max(0, lowest - 1)
    return
  }
  let now = 0
  parts.value.forEach(({ heading }, i) => {
    if (heading.getBoundingClientRect().top - top <= NEAR_PX) now = i
  })
  at.value = now
}
function go(i: number): void {
  const part = parts.value[i]
  if (!part) return
  part.heading.tabIndex = -1
  part.heading.focus({ preventScroll: true })
  part.heading.scrollIntoView({ block: 'start', behavior: isStill() ? 'auto' : 'smooth' })
}
let turn = 0
/** With the next picture: to measure at once would make the page lay itself out twice. */
function lookSoon(): void {
  turn ||= requestAnimationFrame(() => {
    turn = 0
    look()
  })
}
onMounted(async () => {
  await nextTick()
  bench = holder.value?.closest<HTMLElement>('[data-bench]') ?? null
  if (!bench) return
  read()
  watcher = new MutationObserver(readSoon)
  watcher.observe(bench, { childList: true, subtree: true })
  bench.addEventListener('scroll', lookSoon, { passive: true })
})
onBeforeUnmount(() => {
  watcher?.disconnect()
  bench?.removeEventListener('scroll', lookSoon)
  cancelAnimationFrame(waiting)
  cancelAnimationFrame(turn)
})
</script>

<template>
  <nav
    ref="holder"
    class="index no-print"
    :class="{ none: isShort }"
    aria-label="Parts of this step"
    data-index-line
    :data-later="awaited > 0 ? '' : undefined"
  >
    <template v-if="parts.length >= LEAST">
      <button
        v-for="({ name }, i) in parts"
        :key="i"
        :class="{ on: i === at }"
        :aria-current="i === at ? 'true' : undefined"
        @click="go(i)"
      >
        {{ name }}
      </button>
      <select
        aria-label="Part of this step"
        :value="at"
        @change="go(Number(($event.target as HTMLSelectElement).value))"
      >
        <option v-for="({ name }, i) in parts" :key="i" :value="i">{{ name }}</option>
      </select>
    </template>
  </nav>
</template>

<style scoped>
.index {
  position: sticky;
  z-index: 12;
  top: -14px;
  display: flex;
  overflow: hidden;
  flex-wrap: wrap;
  min-height: 28px;
  gap: 0 14px;
  margin: 0 calc(-1 * var(--bench-pad)) 8px;
  padding: 1px var(--bench-pad);
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
}

.none {
  display: none;
}

button {
  min-height: 25px;
  padding: 0;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--soft);
  font: 13px var(--text);
  white-space: nowrap;
  cursor: pointer;
}

button:hover {
  color: var(--ink);
}

.on {
  border-bottom-color: var(--spruce);
  color: var(--ink);
}

select {
  display: none;
  width: 100%;
  height: max(30px, var(--target));
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
}

@media (max-width: 900px) {
  button {
    display: none;
  }

  select {
    display: block;
  }
}
</style>
