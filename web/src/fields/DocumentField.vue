<script setup lang="ts">
import { setField, valueAt } from '@ambrel/core'
import { computed } from 'vue'
import { useDesign } from '../stores/design.ts'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import TextField from './TextField.vue'
import { useEntry } from './useEntry.ts'

/** One field of the document: a number with its unit, a choice, a text, or a yes and no. */
export interface GridField {
  /** dotted place in the document */
  path: string
  label: string
  unit?: string
  step?: number
  nullable?: boolean
  options?: readonly { value: string | number; label: string }[]
  toggle?: boolean
  text?: boolean
}

/** Reads its place in the document and writes it back as one undo step. In a table the label is only told, not shown. */
const props = defineProps<{ field: GridField; labelled?: boolean }>()
const design = useDesign()
const value = computed(() => valueAt(design.document!, props.field.path))
const asNumber = computed(() => value.value as number | null)
const asText = computed(() => value.value as string)
const asChoice = computed(() => value.value as string | number)
const { value: typed, problem } = useEntry(
  () => props.field.path,
  () => value.value,
)
const isOn = computed(() => typed.value === true)
function put(next: unknown): void {
  design.change(props.field.label, setField(props.field.path, next), props.field.path)
}
</script>

<template>
  <ChoiceField
    v-if="field.options"
    :model-value="asChoice"
    :options="[...field.options]"
    :label="field.label"
    :labelled="labelled"
    :path="field.path"
    @update:model-value="put"
  />
  <label v-else-if="field.toggle" class="toggle">
    <el-switch :model-value="isOn" size="small" :aria-label="field.label" @update:model-value="put" />
    {{ field.label }}
    <span v-if="problem" class="error" role="alert">{{ problem }}</span>
  </label>
  <TextField
    v-else-if="field.text"
    :model-value="asText"
    :label="field.label"
    :labelled="labelled"
    :path="field.path"
    @update:model-value="put"
  />
  <NumberField
    v-else
    :model-value="asNumber"
    :unit="field.unit ?? ''"
    :label="field.label"
    :labelled="labelled"
    :nullable="field.nullable"
    :path="field.path"
    :step="field.step ?? 1"
    @update:model-value="put"
  />
</template>

<style scoped>
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
