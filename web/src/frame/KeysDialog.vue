<script setup lang="ts">
defineProps<{ open: boolean }>()
defineEmits<{ close: [] }>()
const KEYS = [
  ['1 … 9, 0, -', 'go to steps 1 to 11'],
  ['Ctrl K', 'command palette (⌘ K)'],
  ['Ctrl Z, Ctrl Shift Z', 'undo, redo'],
  ['f', 'show or hide findings'],
  ['w', 'working of the figure in focus'],
  ['v', 'next variant'],
  ['n', 'new row in the table at hand'],
  ['↑ ↓', 'change a number by one'],
  ['?', 'this list'],
]
</script>

<template>
  <el-dialog :model-value="open" title="Keys" width="420" @close="$emit('close')">
    <table class="sheet">
      <tbody>
        <tr v-for="[key, says] in KEYS" :key="key">
          <td>
            <kbd>{{ key }}</kbd>
          </td>
          <td>{{ says }}</td>
        </tr>
      </tbody>
    </table>
  </el-dialog>
</template>
