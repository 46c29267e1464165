<script setup lang="ts" generic="T extends string | number">
import { computed, useId } from 'vue'
import FieldLabel from './FieldLabel.vue'
import { useEntry } from './useEntry.ts'

/** A choice among few: the browser's own list, because a table holds dozens of these and each must cost nothing. */
const props = withDefaults(
  defineProps<{
    modelValue: T
    options: readonly { value: T; label: string }[]
    label: string
    labelled?: boolean
    path?: string
    problem?: string
    /** place whose help it shows where it is no part of the document */
    helpPath?: string
  }>(),
  { path: '', helpPath: '', problem: '' },
)
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
const id = useId()
const entry = useEntry(
  () => props.path,
  () => props.modelValue,
)
const error = computed(() => props.problem || entry.problem.value)
const chosen = computed(() => entry.value.value as T)
const shown = computed(() => props.options.find(({ value }) => value === chosen.value)?.label ?? '')

function choose(event: Event): void {
  const option = props.options[(event.target as HTMLSelectElement).selectedIndex]
  if (option && option.value !== chosen.value) emit('update:modelValue', option.value)
}
</script>

<template>
  <div class="choice" :class="{ bad: error }">
    <FieldLabel v-if="labelled" :label="label" :for="id" :path="helpPath || path" />
    <select
      :id="id"
      :value="chosen"
      :aria-label="labelled ? undefined : label"
      :aria-invalid="!!error"
      :data-path="path || undefined"
      :title="shown"
      @change="choose"
    >
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
    <p v-if="error" class="error" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.choice {
  min-width: 0;
}

select {
  width: 100%;
  height: var(--target);
  padding: 0 20px 0 7px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  appearance: none;
  background: var(--card)
    url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='10' height='6'%3E%3Cpath d='M1 1l4 4 4-4' fill='none' stroke='%23808a86' stroke-width='1.4'/%3E%3C/svg%3E")
    no-repeat right 7px center;
  color: inherit;
  font: inherit;
  text-overflow: ellipsis;
}

.bad select {
  border-color: var(--clay);
}

.error {
  margin-top: 2px;
  color: var(--clay);
  font-size: 12px;
}
</style>
