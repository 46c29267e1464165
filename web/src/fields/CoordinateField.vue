<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { degreesMinutes, readCoordinate, type Axis } from '@ambrel/core/units'
import TextField from './TextField.vue'

/** A latitude or longitude, typed in decimals or in degrees and minutes; both are shown. */
const props = defineProps<{ modelValue: number; axis: Axis; label: string; path: string }>()
const emit = defineEmits<{ 'update:modelValue': [value: number] }>()
const shown = computed(() => String(Number(props.modelValue.toFixed(5))))
const mistake = ref('')
watch(shown, () => (mistake.value = ''))

function commit(typed: string): void {
  const read = readCoordinate(typed, props.axis)
  mistake.value = 'problem' in read ? read.problem : ''
  if ('value' in read && read.value !== props.modelValue) emit('update:modelValue', read.value)
}
</script>

<template>
  <div>
    <TextField
      :model-value="shown"
      :label="label"
      labelled
      :path="path"
      :problem="mistake"
      @update:model-value="commit"
    />
    <p v-if="!mistake" class="quiet">{{ degreesMinutes(modelValue, axis) }}</p>
  </div>
</template>

<style scoped>
p {
  font-size: 12px;
}
</style>
