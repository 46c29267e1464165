<script setup lang="ts">
import DocumentField, { type GridField } from './DocumentField.vue'

/** A form made from a list of places in the document. What stands in the slot comes before them. */
defineProps<{ fields: readonly GridField[]; columnWidth?: string }>()
</script>

<template>
  <div class="grid" :style="{ '--column': columnWidth ?? '132px' }">
    <slot />
    <DocumentField v-for="field in fields" :key="field.path" :field="field" labelled />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(var(--column), 1fr));
  gap: 9px 12px;
}
</style>
