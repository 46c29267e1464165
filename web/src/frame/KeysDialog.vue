<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { computed } from 'vue'
import type { Command } from './commands.ts'
import { STEP_KEYS } from './steps.ts'

/** The keys of the commands, and what keys do within a field or a row. */
const props = defineProps<{ open: boolean; commands: readonly Command[] }>()
defineEmits<{ close: [] }>()
const rows = computed(() => [
  { key: '1 … 9, 0, -', says: 'Go to steps 1 to 11' },
  ...props.commands.flatMap(({ key, says }) => (key && !STEP_KEYS.includes(key) ? [{ key, says }] : [])),
  { key: '↑ ↓', says: 'Change a number by its step' },
  { key: 'Enter', says: 'Take what is typed and leave the field' },
  { key: 'F1', says: 'Say what the field is' },
  { key: 'Escape', says: 'Put back what stood there and leave the field' },
  { key: 'Alt ↑, Alt ↓', says: 'Move a row of a table, a unit or a module' },
  { key: 'Alt ←, Alt →', says: 'Move a load to the next leg, a string to the next controller' },
])
</script>

<template>
  <el-dialog :model-value="open" title="Keys" width="420" @close="$emit('close')">
    <table v-stack class="sheet">
      <tbody>
        <tr v-for="{ key, says } in rows" :key="key">
          <td>
            <kbd>{{ key }}</kbd>
          </td>
          <td>{{ says }}</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">⌘ does what Ctrl does.</p>
  </el-dialog>
</template>
