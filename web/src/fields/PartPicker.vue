<script setup lang="ts" generic="T extends { id: string; name: string }">
import { computed } from 'vue'
import { structuredCloneOf } from '@ambrel/core'
import type { PartKind } from '@ambrel/contract'
import { useParts } from '../stores/parts.ts'
import ChoiceField from './ChoiceField.vue'

/** Takes a part from the shelf into the design as a snapshot. */
const props = defineProps<{ modelValue: T; kind: PartKind; label: string; fits?: (part: T) => boolean }>()
const emit = defineEmits<{ 'update:modelValue': [part: T] }>()
const parts = useParts()
const shelf = computed(() =>
  parts.of<T>(props.kind).filter((part) => part.id === props.modelValue.id || !props.fits || props.fits(part)),
)
const options = computed(() => {
  const known = shelf.value.some((part) => part.id === props.modelValue.id)
  const own = known ? [] : [{ value: props.modelValue.id, label: props.modelValue.name }]
  return [...own, ...shelf.value.map((part) => ({ value: part.id, label: part.name }))]
})
function choose(id: string): void {
  const part = shelf.value.find((candidate) => candidate.id === id)
  if (part && id !== props.modelValue.id) emit('update:modelValue', structuredCloneOf(part))
}
</script>

<template>
  <ChoiceField :model-value="modelValue.id" :options="options" :label="label" labelled @update:model-value="choose" />
</template>
