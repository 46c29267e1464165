<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { MONTH_NAMES, type RowNote } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { usePrefs } from '../../stores/prefs.ts'

/** What was read of a weather file: how much, what was filled, what was refused, and what it says of the place. */
const props = defineProps<{
  read: {
    years: number
    report: {
      rows: number
      filled: RowNote[]
      filledHours: number
      refused: RowNote[]
      refusedCount: number
      notes: string[]
    }
    fitted: {
      monthly: { ghiKWhM2Day: number; meanC: number; snowfallCm: number }[]
      persistence: number[]
      interannualPct: number | null
      lowestC: number
      highestC: number
    }
  }
}>()
const prefs = usePrefs()
const lists = computed(() =>
  [
    { title: `${props.read.report.filledHours} hours filled`, notes: props.read.report.filled },
    { title: `${props.read.report.refusedCount} cells or rows refused`, notes: props.read.report.refused },
  ].filter(({ notes }) => notes.length > 0),
)
const rowsOf = ({ fromRow, toRow }: RowNote) => (fromRow === toRow ? `row ${fromRow}` : `rows ${fromRow}–${toRow}`)
</script>

<template>
  <div class="report" data-import-report>
    <p>
      <b>{{ read.years }} year{{ read.years === 1 ? '' : 's' }}</b> from {{ read.report.rows }} rows;
      {{ prefs.show(read.fitted.lowestC, '°C') }} to {{ prefs.show(read.fitted.highestC, '°C') }}.
      <template v-if="read.fitted.interannualPct !== null">
        Its winters differ by {{ prefs.show(read.fitted.interannualPct, '%') }}.
      </template>
      <template v-if="lists.length === 0">Nothing was missing.</template>
    </p>
    <ul v-if="read.report.notes.length > 0" class="notes">
      <li v-for="note in read.report.notes" :key="note">{{ note }}</li>
    </ul>
    <details v-for="list in lists" :key="list.title">
      <summary>{{ list.title }}</summary>
      <ul>
        <li v-for="note in list.notes" :key="`${note.fromRow} ${note.says}`">{{ rowsOf(note) }}: {{ note.says }}</li>
        <li v-if="list.notes.length >= 60">the list ends after sixty</li>
      </ul>
    </details>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th><span class="unseen">what the file holds</span></th>
          <th v-for="month in MONTH_NAMES" :key="month" class="n">{{ month }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>Sun, kWh/m² a day</td>
          <td v-for="(row, m) in read.fitted.monthly" :key="m" class="n">{{ decimal(row.ghiKWhM2Day, 1) }}</td>
        </tr>
        <tr>
          <td>Mean, {{ prefs.units === 'imperial' ? '°F' : '°C' }}</td>
          <td v-for="(row, m) in read.fitted.monthly" :key="m" class="n">
            {{ prefs.show(row.meanC, '°C').replace(/[^\d−.]/g, '') }}
          </td>
        </tr>
        <tr>
          <td>Persistence, fitted</td>
          <td v-for="(value, m) in read.fitted.persistence" :key="m" class="n">{{ decimal(value, 2) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.report {
  display: grid;
  gap: 8px;
  margin-top: 10px;
}

ul {
  max-height: 160px;
  overflow: auto;
  margin: 2px 0;
  padding-left: 18px;
  font-size: 13px;
}

.notes {
  border-left: 3px solid var(--ochre);
  background: var(--wash);
  padding-block: 6px;
}

summary {
  cursor: pointer;
}
</style>
