<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { degreesMinutes, readCoordinate, type Axis } from '@ambrel/core/units'
import { useDesign } from '../stores/design.ts'

/** A latitude or longitude, typed in decimals or in degrees and minutes; both are shown. */
const props = defineProps<{ modelValue: number; axis: Axis; label: string; path: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()
const design = useDesign()
const id = useId()
const shown = computed(() => String(Number(props.modelValue.toFixed(5))))
const typed = ref(shown.value)
const mistake = ref('')
watch(shown, (now) => {
  typed.value = now
  mistake.value = ''
})
const error = computed(() => mistake.value || (design.problemAt.get(props.path) ?? ''))

function commit(): void {
  mistake.value = ''
  if (typed.value.trim() === shown.value) return
  const read = readCoordinate(typed.value, props.axis)
  if ('problem' in read) mistake.value = read.problem
  else if (read.value !== props.modelValue) emit('update:modelValue', read.value)
  else typed.value = shown.value
}
</script>

<template>
  <div class="coordinate" :class="{ bad: error }">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      v-model="typed"
      autocomplete="off"
      :aria-invalid="!!error"
      :data-path="path"
      title="48.2083, −115.4, 48° 12.5′ N or 115 24 30 W"
      @change="commit"
      @keydown.enter="commit"
    />
    <p v-if="error" class="error" role="alert">{{ error }}</p>
    <p v-else class="quiet">{{ degreesMinutes(modelValue, axis) }}</p>
  </div>
</template>

<style scoped>
.coordinate {
  min-width: 0;
}

label {
  display: block;
  color: var(--soft);
  font-size: 12.5px;
}

input {
  width: 100%;
  height: 28px;
  padding: 0 7px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
  text-align: right;
}

.bad input {
  border-color: var(--clay);
}

p {
  font-size: 12px;
}

.error {
  color: var(--clay);
}
</style>
