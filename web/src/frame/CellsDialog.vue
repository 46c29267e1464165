<script setup lang="ts" generic="T">
import { computed, ref, shallowRef, watch } from 'vue'
import { LIMITS } from '@ambrel/contract'
import { decimal, type Read } from '@ambrel/core'
import { usePrefs } from '../stores/prefs.ts'
import FilePick from './FilePick.vue'

/** Takes rows pasted from a spreadsheet or read from a CSV file, shows what they come to and what is wrong, then hands them over. */
const prefs = usePrefs()
const props = defineProps<{
  open: boolean
  title: string
  hint: string
  /** pasted already, before the dialog opened */
  pasted?: string
  read: (cells: string[][]) => Read<T>
  /** one line that tells an item apart */
  tell: (item: T) => string
  take: string
  /** items that may be taken, now */
  most: number
  /** what an item is called, many of them */
  items: string
}>()
const emit = defineEmits<{ close: []; take: [items: T[]] }>()
const text = ref('')
const fileError = ref('')
const result = shallowRef<Read<T> | null>(null)
const SHOWN = 8
/** A header and a name may stand before the rows. */
const LINES_MORE = 4
const tooMany = ref('')

watch(
  () => props.open,
  (now) => {
    if (now) text.value = props.pasted ?? ''
    fileError.value = ''
  },
  { immediate: true },
)
watch(
  text,
  async (now) => {
    tooMany.value = ''
    if (now.trim() === '') return (result.value = null)
    const { countLines, parseTable } = await import('@ambrel/contract/weather')
    if (now !== text.value) return
    const lines = countLines(now)
    const refuse = (rows: number) => {
      tooMany.value = `${decimal(rows, 0)} rows are too many; ${props.most} ${props.items} at most can be taken here`
      result.value = null
    }
    if (lines > props.most + LINES_MORE) return refuse(lines)
    result.value = props.read(parseTable(now))
    if (count.value > props.most) refuse(count.value)
  },
  { immediate: true },
)
const count = computed(() => result.value?.items.length ?? 0)

async function choose(file: File): Promise<void> {
  fileError.value = ''
  if (file.size > LIMITS.tableBytes)
    return void (fileError.value = `${file.name} has ${Math.round(file.size / 1024)} kB; at most ${LIMITS.tableBytes / 1024}`)
  try {
    const { decodeText } = await import('@ambrel/contract/weather')
    text.value = decodeText(new Uint8Array(await file.arrayBuffer())).text
  } catch (error) {
    fileError.value = `${file.name}: ${(error as Error).message}`
  }
}
function hand(): void {
  if (!result.value || count.value === 0) return
  emit('take', result.value.items)
  emit('close')
}
</script>

<template>
  <el-dialog :model-value="open" :title="title" width="640" append-to-body @close="emit('close')">
    <p class="quiet">{{ hint }}</p>
    <textarea v-model="text" rows="8" spellcheck="false" :aria-label="title" data-cells />
    <FilePick
      before="or read"
      says="a CSV file"
      accept=".csv,.txt,.tsv,text/csv,text/plain"
      data-cells-file
      @file="choose"
    />
    <p v-if="tooMany" class="error" role="alert" data-too-many>{{ tooMany }}</p>
    <p v-if="fileError" class="error" role="alert">{{ fileError }}</p>
    <div v-if="result" class="result" role="status">
      <ul v-if="result.problems.length > 0" class="error">
        <li v-for="problem in result.problems.slice(0, SHOWN)" :key="prefs.say(problem.message)">
          {{ prefs.say(problem.message) }}
        </li>
        <li v-if="result.problems.length > SHOWN">and {{ result.problems.length - SHOWN }} more</li>
      </ul>
      <p v-if="count > 0"><b>Understood:</b></p>
      <ul v-if="count > 0">
        <li v-for="(item, i) in result.items.slice(0, SHOWN)" :key="i">{{ tell(item) }}</li>
        <li v-if="count > SHOWN">and {{ count - SHOWN }} more</li>
      </ul>
    </div>
    <div class="row end">
      <span v-if="result && result.problems.length > 0 && count > 0" class="quiet grow">
        Only the rows without a mistake are taken.
      </span>
      <el-button @click="emit('close')">Leave it</el-button>
      <el-button type="primary" :disabled="count === 0" data-take-cells @click="hand">{{ take }}</el-button>
    </div>
  </el-dialog>
</template>

<style scoped>
textarea {
  width: 100%;
  margin: 8px 0;
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font:
    13px/1.4 ui-monospace,
    monospace;
  white-space: pre;
  tab-size: 12;
}

.result {
  max-height: 220px;
  overflow: auto;
  margin-top: 10px;
}

ul {
  margin: 2px 0 8px;
  padding-left: 18px;
  font-size: 13px;
}

.error {
  color: var(--clay);
}

.end {
  justify-content: flex-end;
  margin-top: 12px;
}
</style>
