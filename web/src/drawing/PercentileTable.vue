<script setup lang="ts">
import { vStack } from './stacks.ts'
import { RUN_FIGURES, type RunFigure, type WinterSummary, type YearFigures } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { usePrefs } from '../stores/prefs.ts'

/** Figures of a year as they are typically, in 1 year of 5 and of 10, and in the worst there was: by name, or as made of others. */
export type FigureRow = RunFigure | { name: string; of: (year: YearFigures) => string }
defineProps<{ summary: WinterSummary; rows: readonly FigureRow[] }>()
const prefs = usePrefs()
const nameOf = (row: FigureRow) => (typeof row === 'string' ? RUN_FIGURES[row].label : row.name)
function told(row: FigureRow, year: YearFigures): string {
  if (typeof row !== 'string') return row.of(year)
  const { unit } = RUN_FIGURES[row]
  return unit === '' ? decimal(year[row], 0) : prefs.show(year[row], unit)
}
const COLUMNS = [
  { name: 'typical', of: 'median' },
  { name: '1 in 5', of: 'oneInFive' },
  { name: '1 in 10', of: 'oneInTen' },
  { name: 'worst', of: 'worst' },
] as const
</script>

<template>
  <table v-stack class="sheet">
    <thead>
      <tr>
        <th>a year</th>
        <th v-for="column in COLUMNS" :key="column.of" class="n">{{ column.name }}</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="nameOf(row)">
        <td>{{ nameOf(row) }}</td>
        <td v-for="column in COLUMNS" :key="column.of" class="n">{{ told(row, summary[column.of]) }}</td>
      </tr>
    </tbody>
  </table>
</template>
