<script setup lang="ts">
import type { Option } from '@ambrel/core'
import DocumentField from './DocumentField.vue'

/** A place in the document, or one where something differs from what its table says. */
export type GridField = string | { path: string; label?: string; options?: readonly Option[] }

/** A form made from a list of places in the document. What stands in the slot comes before them. */
defineProps<{ fields: readonly GridField[]; columnWidth?: string }>()
const placeOf = (field: GridField) => (typeof field === 'string' ? { path: field } : field)
</script>

<template>
  <div class="grid" :style="{ '--column': columnWidth ?? '132px' }">
    <slot />
    <DocumentField v-for="field in fields.map(placeOf)" :key="field.path" v-bind="field" labelled />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(var(--column), 1fr));
  gap: 9px 12px;
}
</style>
