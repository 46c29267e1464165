<script setup lang="ts">
import { ref } from 'vue'
import { vStack } from './stacks.ts'

/** The figures of a picture as a table, for whoever reads better than looks; made only once it is opened. */
defineProps<{
  /** what the table is of */
  of: string
  /** heads of the columns, the first of them over the names of the rows */
  columns: readonly (string | number)[]
  /** of each row its name and a figure for each further column; asked for when the table is opened */
  rows: () => readonly (readonly (string | number)[])[]
}>()
const open = ref(false)
</script>

<template>
  <details class="figures-table no-print" @toggle="open = ($event.target as HTMLDetailsElement).open">
    <summary>as a table</summary>
    <div v-if="open" class="scroll" tabindex="0" role="group" :aria-label="of">
      <table v-stack class="sheet">
        <thead>
          <tr>
            <th v-for="(column, i) in columns" :key="i" :class="{ n: i > 0 }">{{ column }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows()" :key="i">
            <td v-for="(cell, c) in row" :key="c" :class="{ n: c > 0 }">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  width: fit-content;
  min-height: max(24px, var(--target));
  margin-left: auto;
  color: var(--soft);
  font-size: 12.5px;
  cursor: pointer;
}

.scroll {
  max-height: 320px;
  overflow: auto;
}
</style>
