<script setup lang="ts">
import { WEEKDAY_NAMES } from '@ambrel/core'
import ToggleRow from './ToggleRow.vue'

/** Seven small buttons, one a day of the week, Monday first. */
defineProps<{ weekdays: readonly number[]; label: string }>()
const emit = defineEmits<{ turn: [day: number] }>()
</script>

<template>
  <ToggleRow
    :names="WEEKDAY_NAMES"
    :chosen="weekdays.flatMap((on, day) => (on > 0 ? [day] : []))"
    :label="label"
    @pick="emit('turn', $event)"
  />
</template>
