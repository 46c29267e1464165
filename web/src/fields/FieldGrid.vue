<script setup lang="ts">
import { useDesign } from '../stores/design.ts'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import { putAt, valueAt } from './documentPath.ts'

/** One field of the document: a number with its unit, a choice, or a yes and no. */
export interface GridField {
  /** dotted place in the document */
  path: string
  label: string
  unit?: string
  step?: number
  nullable?: boolean
  options?: { value: string | number; label: string }[]
  toggle?: boolean
}

/** A form made from a list: each field reads its place in the document and writes it back as one undo step. */
defineProps<{ fields: GridField[]; columnWidth?: string }>()
const design = useDesign()
const at = (path: string) => valueAt(design.document!, path)
const textAt = (path: string) => at(path) as string | number
const numberAt = (path: string) => at(path) as number | null
const isOn = (path: string) => at(path) as boolean
function put(field: GridField, value: unknown): void {
  design.edit(field.label, (draft) => putAt(draft, field.path, value), field.path)
}
</script>

<template>
  <div class="grid" :style="{ '--column': columnWidth ?? '132px' }">
    <template v-for="field in fields" :key="field.path">
      <ChoiceField
        v-if="field.options"
        :model-value="textAt(field.path)"
        :options="field.options"
        :label="field.label"
        labelled
        :path="field.path"
        @update:model-value="put(field, $event)"
      />
      <label v-else-if="field.toggle" class="toggle">
        <el-switch
          :model-value="isOn(field.path)"
          size="small"
          :aria-label="field.label"
          @update:model-value="put(field, $event)"
        />
        {{ field.label }}
        <span v-if="design.problemAt.get(field.path)" class="error" role="alert">{{
          design.problemAt.get(field.path)
        }}</span>
      </label>
      <NumberField
        v-else
        :model-value="numberAt(field.path)"
        :unit="field.unit ?? ''"
        :label="field.label"
        labelled
        :nullable="field.nullable"
        :path="field.path"
        :step="field.step ?? 1"
        @update:model-value="put(field, $event)"
      />
    </template>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(var(--column), 1fr));
  gap: 9px 12px;
}

.toggle {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  align-self: end;
  gap: 6px;
  min-height: 28px;
}

.error {
  color: var(--clay);
  font-size: 12.5px;
}
</style>
