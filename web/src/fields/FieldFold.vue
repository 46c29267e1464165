<script setup lang="ts">
import { computed, watch } from 'vue'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { sought } from './reveal.ts'

/**
 * Fields that few people change, folded away under words that say what they are. It opens by itself where one of them
 * holds an entry that is wrong or is looked for, and stays open or shut as it was left. What is folded away is not drawn.
 */
const props = defineProps<{
  /** by which it is remembered */
  name: string
  says: string
  /** the places in it */
  paths: readonly string[]
}>()
const design = useDesign()
const prefs = usePrefs()
const wrong = computed(() =>
  props.paths.some((path) => [...design.problemAt.keys()].some((each) => each === path || each.startsWith(`${path}.`))),
)
const open = computed(() => wrong.value || prefs.isUnfolded(props.name))
watch(
  sought,
  (path) => {
    if (props.paths.includes(path)) prefs.unfold(props.name, true)
  },
  { immediate: true },
)
function toggle(event: Event): void {
  const { open: now } = event.target as HTMLDetailsElement
  if (now !== open.value) prefs.unfold(props.name, now)
}
</script>

<template>
  <details class="fold" :open="open" :data-fold="name" @toggle="toggle">
    <summary>{{ says }}</summary>
    <slot v-if="open" />
  </details>
</template>

<style scoped>
.fold {
  margin-top: 8px;
}

summary {
  width: fit-content;
  min-height: max(24px, var(--target));
  color: var(--spruce);
  cursor: pointer;
}

.fold[open] summary {
  margin-bottom: 6px;
}
</style>
