<script setup lang="ts">
import { helpOf, toggleHelp } from './help.ts'

/** The label of a field, with a mark that opens its help; keys open it by F1 in the field itself. */
defineProps<{ label: string; for?: string; path?: string }>()
</script>

<template>
  <div class="label">
    <label :for="$props.for">{{ label }}</label>
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
  </div>
</template>

<style scoped>
.label {
  display: flex;
  gap: 3px;
  min-width: 0;
  color: var(--soft);
  font-size: 12.5px;
}

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
    width: 24px;
    height: 24px;
    line-height: 24px;
    margin: -4px 0;
  }
}
</style>
