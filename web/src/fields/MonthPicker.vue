<script setup lang="ts">
import { MONTH_NAMES } from '@ambrel/core'
import ToggleRow from './ToggleRow.vue'

/** Twelve small buttons, one a month, by their first letters. */
defineProps<{ chosen: readonly number[]; label: string; titles?: readonly string[]; heights?: readonly number[] }>()
const emit = defineEmits<{ pick: [month: number] }>()
const LETTERS = MONTH_NAMES.map(([letter]) => letter)
</script>

<template>
  <ToggleRow
    :names="LETTERS"
    :chosen="chosen"
    :label="label"
    :titles="titles ?? MONTH_NAMES"
    :heights="heights"
    @pick="emit('pick', $event)"
  />
</template>
