<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { ref, watch } from 'vue'
import type { HistoryEntry } from '@ambrel/contract'
import { api } from '../stores/api.ts'
import { useDesign } from '../stores/design.ts'

const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const entries = ref<HistoryEntry[]>([])
const failure = ref('')

async function orSay(work: () => Promise<void>): Promise<void> {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value = `This could not be done: ${(error as Error).message}.`
  }
}
watch(
  () => props.open,
  (now) => now && orSay(async () => void (entries.value = await api.history(design.id))),
  { immediate: true },
)
const bringBack = (version: number) =>
  orSay(async () => {
    design.replace(`version ${version}`, await api.historyDocument(design.id, version))
    emit('close')
  })
</script>

<template>
  <el-dialog :model-value="open" title="Earlier versions" width="420" @close="emit('close')">
    <p class="quiet">The last hundred saves. Bringing one back is an edit like any other and can be undone.</p>
    <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
    <div class="list">
      <table v-stack class="sheet">
        <tbody>
          <tr v-for="entry in entries" :key="entry.version">
            <td>{{ new Date(entry.savedAt).toLocaleString() }}</td>
            <td class="n">version {{ entry.version }}</td>
            <td class="n">
              <span v-if="entry.version === design.version" class="quiet">present</span>
              <button v-else class="link" @click="bringBack(entry.version)">bring back</button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </el-dialog>
</template>

<style scoped>
.failure {
  color: var(--clay);
}

.list {
  max-height: 50vh;
  overflow: auto;
  margin-top: 8px;
}
</style>
