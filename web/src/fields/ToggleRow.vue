<script setup lang="ts">
/** Small buttons in a row, each on or off; bars above their names where heights are given. */
defineProps<{
  names: readonly string[]
  /** which of them are on, from 0 */
  chosen: readonly number[]
  label: string
  titles?: readonly string[]
  heights?: readonly number[]
}>()
const emit = defineEmits<{ pick: [index: number] }>()
const TALLEST = 18
</script>

<template>
  <div class="toggles" role="group" :aria-label="label">
    <button
      v-for="(name, i) in names"
      :key="i"
      :class="{ on: chosen.includes(i) }"
      :aria-pressed="chosen.includes(i)"
      :title="titles?.[i]"
      :aria-label="titles?.[i]"
      @click="emit('pick', i)"
    >
      <i v-if="heights" :style="{ height: `${TALLEST * heights[i]}px` }" />{{ name }}
    </button>
  </div>
</template>

<style scoped>
.toggles {
  display: flex;
}

button {
  display: flex;
  min-width: 24px;
  flex-direction: column;
  align-items: center;
  justify-content: flex-end;
  padding: 2px 5px;
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
