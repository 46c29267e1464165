<script setup lang="ts">
import { computed, useId } from 'vue'
import FieldLabel from './FieldLabel.vue'
import { useEntry, useTyping } from './useEntry.ts'

const props = withDefaults(
  defineProps<{
    modelValue: string
    label: string
    path?: string
    /** place whose help it shows where it is no part of the document */
    helpPath?: string
    labelled?: boolean
    problem?: string
    long?: boolean
    /** a day, picked from a calendar */
    date?: boolean
  }>(),
  { path: '', helpPath: '', problem: '' },
)
const emit = defineEmits<{ 'update:modelValue': [value: string] }>()
const id = useId()
const entry = useEntry(
  () => props.path,
  () => props.modelValue,
)
const shown = computed(() => String(entry.value.value ?? ''))
const error = computed(() => props.problem || entry.problem.value)
const { typed, commit, onKey } = useTyping(shown, (text) => {
  const tidy = props.long ? text : text.trim()
  typed.value = tidy
  if (tidy !== shown.value) emit('update:modelValue', tidy)
})
</script>

<template>
  <div class="text" :class="{ bad: error }">
    <FieldLabel v-if="labelled" :label="label" :for="id" :path="helpPath || path" />
    <textarea
      v-if="long"
      :id="id"
      v-model="typed"
      rows="4"
      :data-path="path || undefined"
      :aria-label="labelled ? undefined : label"
      @change="commit"
      @keydown="onKey"
    />
    <input
      v-else
      :id="id"
      v-model="typed"
      :type="date ? 'date' : 'text'"
      autocomplete="off"
      :aria-label="labelled ? undefined : label"
      :aria-invalid="!!error"
      :title="typed"
      :data-path="path || undefined"
      @change="commit"
      @keydown="onKey"
    />
    <p v-if="error" class="error" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.text {
  min-width: 0;
}

input,
textarea {
  width: 100%;
  height: var(--target);
  padding: 0 7px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
  text-overflow: ellipsis;
}

textarea {
  height: auto;
  padding: 4px 7px;
  resize: vertical;
}

.bad input {
  border-color: var(--clay);
}

.error {
  margin-top: 2px;
  color: var(--clay);
  font-size: 12px;
}
</style>
