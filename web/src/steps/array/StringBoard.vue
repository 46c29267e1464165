<script setup lang="ts">
import { computed } from 'vue'
import type { ArrayField } from '@ambrel/core'

/** Modules as tiles, a row per string. */
const props = defineProps<{ array: ArrayField }>()
const TILE_W = 30
const TILE_H = 36
const GAP = 9
const SHOWN = 20
const columns = computed(() => Math.min(props.array.inSeries, SHOWN))
const rows = computed(() => Math.min(props.array.inParallel, 8))
const width = computed(() => 70 + columns.value * (TILE_W + GAP))
const height = computed(() => rows.value * (TILE_H + GAP) + 4)
const letter = (row: number) => String.fromCharCode(65 + ((row - 1) % 26))
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    class="board"
    role="img"
    :aria-label="`${array.inParallel} strings of ${array.inSeries} modules`"
  >
    <g v-for="row in rows" :key="row" :transform="`translate(0 ${(row - 1) * (TILE_H + GAP) + 2})`">
      <text x="0" :y="TILE_H / 2 + 4">String {{ letter(row) }}</text>
      <path :d="`M66 ${TILE_H / 2}H${66 + columns * (TILE_W + GAP) - GAP}`" class="lead" />
      <g v-for="column in columns" :key="column" :transform="`translate(${66 + (column - 1) * (TILE_W + GAP)} 0)`">
        <rect :width="TILE_W" :height="TILE_H" rx="2" class="tile" />
        <path
          :d="`M${TILE_W / 3} 0v${TILE_H}M${(2 * TILE_W) / 3} 0v${TILE_H}M0 ${TILE_H / 2}h${TILE_W}`"
          class="cells"
        />
      </g>
    </g>
  </svg>
  <p v-if="array.inSeries > columns || array.inParallel > rows" class="quiet">
    {{ array.inParallel }} strings of {{ array.inSeries }}; not all are drawn.
  </p>
</template>

<style scoped>
.board {
  display: block;
  max-width: 100%;
  margin-top: 12px;
}

text {
  fill: var(--ink);
  font-size: 13px;
}

.lead {
  stroke: var(--ink);
  stroke-width: 1.4;
}

.tile {
  fill: var(--slate);
  stroke: var(--ink);
}

.cells {
  fill: none;
  stroke: var(--card);
  stroke-opacity: 0.45;
  stroke-width: 0.7;
}
</style>
