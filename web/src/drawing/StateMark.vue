<script setup lang="ts">
import type { Level } from '@ambrel/core'

/** The four marks of a state: never by colour alone. */
withDefaults(defineProps<{ level: Level; size?: number }>(), { size: 15 })
</script>

<script lang="ts">
/** What the marks are called, and what they say. */
export const MARKS: Record<Level, { name: string; says: string }> = {
  sound: { name: 'sound', says: 'as it should be, by the rules there are' },
  watch: { name: 'watch', says: 'works, but think about it' },
  stop: { name: 'stop', says: 'dangerous, or something will be destroyed or not work' },
  open: { name: 'open', says: 'not answered yet, an estimate, or nobody has been through it' },
}
</script>

<template>
  <svg :width="size" :height="size" viewBox="0 0 16 16" role="img" :aria-label="MARKS[level].name">
    <title>{{ MARKS[level].name }}: {{ MARKS[level].says }}</title>
    <g v-if="level === 'sound'" fill="none" stroke="var(--spruce)">
      <rect x="1.5" y="1.5" width="13" height="13" rx="1.5" stroke-width="1.6" />
      <path d="M4.5 8.2l2.4 2.5 4.6-5.2" stroke-width="1.8" />
    </g>
    <path
      v-else-if="level === 'watch'"
      d="M8 1.4L14.6 8 8 14.6 1.4 8z"
      fill="none"
      stroke="var(--ochre)"
      stroke-width="1.9"
    />
    <path v-else-if="level === 'stop'" d="M5.2 1h5.6L15 5.2v5.6L10.8 15H5.2L1 10.8V5.2z" fill="var(--clay)" />
    <circle v-else cx="8" cy="8" r="6" fill="none" stroke="var(--soft)" stroke-width="1.6" stroke-dasharray="1.8 2.4" />
  </svg>
</template>
