<script setup lang="ts">
import HelpMark from './HelpMark.vue'

/** The label of a field and the mark of its help. */
defineProps<{ label: string; for?: string; path?: string }>()
</script>

<template>
  <div class="label">
    <label :for="$props.for">{{ label }}</label>
    <HelpMark :path="path" />
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
</style>
