<script setup lang="ts">
import { helpOf, toggleHelp } from './help.ts'

/** The mark that opens the help of a field by pointer or touch; keys open it by F1 in the field itself. */
defineProps<{ path?: string }>()
</script>

<template>
  <button
    v-if="helpOf(path)"
    type="button"
    tabindex="-1"
    aria-hidden="true"
    :data-help="path"
    @click.prevent.stop="toggleHelp(path!, $event.currentTarget as HTMLElement)"
  >
    ?
  </button>
</template>

<style scoped>
button {
  flex: none;
  align-self: start;
  width: 15px;
  height: 15px;
  padding: 0;
  border: 0;
  border-radius: 50%;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 11px;
  line-height: 15px;
  cursor: help;
  opacity: 0.65;
}

button:hover {
  background: var(--rule);
  opacity: 1;
}

@media (pointer: coarse) {
  button {
    position: relative;
    width: 24px;
    height: 24px;
    margin: -4px 0;
    line-height: 24px;
  }

  /* wider than it looks, but not over the field below */
  button::before {
    position: absolute;
    content: '';
    inset: -8px -10px 0;
  }
}
</style>
