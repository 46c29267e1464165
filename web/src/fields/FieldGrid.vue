<script setup lang="ts">
import type { Option } from '@ambrel/core'
import { computed } from 'vue'
import DocumentField from './DocumentField.vue'
import FieldFold from './FieldFold.vue'

/** A place in the document, or one where something differs from what its table says. */
export type GridField = string | { path: string; label?: string; options?: readonly Option[] }

/** A form made from a list of places in the document. What stands in the slot comes before them. */
const props = defineProps<{
  fields: readonly GridField[]
  columnWidth?: string
  /** the fields of them that few people change, folded away: by what name, under what words */
  fold?: { name: string; says: string; fields: readonly GridField[] }
}>()
const folded = computed(() => props.fold?.fields.map(placeOf) ?? [])
const placeOf = (field: GridField) => (typeof field === 'string' ? { path: field } : field)
</script>

<template>
  <div class="grid" :style="{ '--column': columnWidth ?? '132px' }">
    <slot />
    <DocumentField v-for="field in fields.map(placeOf)" :key="field.path" v-bind="field" labelled />
  </div>
  <FieldFold
    v-if="fold && folded.length > 0"
    :name="fold.name"
    :says="fold.says"
    :paths="folded.map(({ path }) => path)"
  >
    <div class="grid" :style="{ '--column': columnWidth ?? '132px' }">
      <DocumentField v-for="field in folded" :key="field.path" v-bind="field" labelled />
    </div>
  </FieldFold>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(var(--column), 1fr));
  gap: 9px 12px;
}
</style>
