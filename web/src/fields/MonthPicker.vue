<script setup lang="ts">
import { MONTH_NAMES } from '@ambrel/core'

/** Twelve small buttons, one a month; bars above the letters where heights are given. */
defineProps<{ chosen: readonly number[]; label: string; titles?: readonly string[]; heights?: readonly number[] }>()
const emit = defineEmits<{ pick: [month: number] }>()
const TALLEST = 18
</script>

<template>
  <div class="months" role="group" :aria-label="label">
    <button
      v-for="(name, m) in MONTH_NAMES"
      :key="name"
      :class="{ on: chosen.includes(m) }"
      :aria-pressed="chosen.includes(m)"
      :title="titles?.[m] ?? name"
      @click="emit('pick', m)"
    >
      <i v-if="heights" :style="{ height: `${TALLEST * heights[m]}px` }" />{{ name[0] }}
    </button>
  </div>
</template>

<style scoped>
.months {
  display: flex;
}

button {
  display: flex;
  width: 22px;
  flex-direction: column;
  align-items: center;
  justify-content: flex-end;
  padding: 2px 0;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 12.5px;
  line-height: 1.2;
  cursor: pointer;
}

i {
  width: 10px;
  background: var(--lichen);
}

button:last-child {
  border-right-width: 1px;
}

.on {
  background: var(--spruce);
  color: var(--on-spruce);
}
</style>
