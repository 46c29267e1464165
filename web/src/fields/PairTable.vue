<script setup lang="ts" generic="T extends object">
import { vStack } from '../drawing/stacks.ts'
import { Trash2 } from '@lucide/vue'
import NumberField from './NumberField.vue'

/** A short list of pairs of numbers, such as the points of a curve on a data sheet. */
defineProps<{
  rows: readonly T[]
  columns: { key: keyof T & string; title: string; unit?: string; step?: number }[]
  /** what one row is called, for readers of labels */
  label: string
  /** place of the list in the document */
  path: string
  more: string
}>()
const emit = defineEmits<{
  set: [index: number, key: keyof T & string, value: number]
  add: []
  remove: [index: number]
}>()
</script>

<template>
  <table v-stack class="sheet">
    <thead>
      <tr>
        <th v-for="column in columns" :key="column.key" class="n">{{ column.title }}</th>
        <th><span class="unseen">remove</span></th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <td v-for="column in columns" :key="column.key">
          <NumberField
            :model-value="row[column.key] as number"
            :unit="column.unit"
            :label="`${label} ${i + 1}, ${column.title}`"
            :path="`${path}.${i}.${column.key}`"
            :step="column.step ?? 1"
            @update:model-value="emit('set', i, column.key, $event!)"
          />
        </td>
        <td>
          <button
            v-if="rows.length > 1"
            class="icon-button"
            :aria-label="`Remove ${label} ${i + 1}`"
            @click="emit('remove', i)"
          >
            <Trash2 :size="14" />
          </button>
        </td>
      </tr>
      <tr>
        <td :colspan="columns.length + 1">
          <button class="link" @click="emit('add')">{{ more }}</button>
        </td>
      </tr>
    </tbody>
  </table>
</template>
