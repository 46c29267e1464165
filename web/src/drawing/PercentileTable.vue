<script setup lang="ts">
import type { WinterSummary, YearFigures } from '@ambrel/core'

/** Figures of a year as they are typically, in 1 year of 5 and of 10, and in the worst there was. */
export interface FigureRow {
  name: string
  of: (year: YearFigures) => string
}
defineProps<{ summary: WinterSummary; rows: readonly FigureRow[] }>()
const COLUMNS = [
  { name: 'typical', of: 'median' },
  { name: '1 in 5', of: 'oneInFive' },
  { name: '1 in 10', of: 'oneInTen' },
  { name: 'worst', of: 'worst' },
] as const
</script>

<template>
  <table class="sheet">
    <thead>
      <tr>
        <th>a year</th>
        <th v-for="column in COLUMNS" :key="column.of" class="n">{{ column.name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.name">
        <td>{{ row.name }}</td>
        <td v-for="column in COLUMNS" :key="column.of" class="n">{{ row.of(summary[column.of]) }}</td>
      </tr>
    </tbody>
  </table>
</template>
