<script setup lang="ts">
import { WEEKDAY_NAMES } from '@ambrel/core'

/** Seven small buttons, one a day of the week. */
defineProps<{ weekdays: readonly number[] | null; none: 'all' | 'nothing'; label: string }>()
const emit = defineEmits<{ turn: [day: number] }>()
</script>

<template>
  <div class="days" role="group" :aria-label="label">
    <button
      v-for="(name, day) in WEEKDAY_NAMES"
      :key="name"
      :class="{ on: weekdays ? weekdays[day] > 0 : none === 'all' }"
      :aria-pressed="weekdays ? weekdays[day] > 0 : none === 'all'"
      @click="emit('turn', day)"
    >
      {{ name }}
    </button>
  </div>
</template>

<style scoped>
.days {
  display: flex;
}

button {
  padding: 3px 6px;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}

button:last-child {
  border-right-width: 1px;
}

.on {
  background: var(--spruce);
  color: var(--on-spruce);
}
</style>
