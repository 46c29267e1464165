<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { computed, ref, watch } from 'vue'
import { CHEMISTRIES, fromSheet, type AnyTable, type Chemistry, type Found } from '@ambrel/core'
import { PART_TABLES, type PartKind } from '@ambrel/contract'
import { usePrefs } from '../stores/prefs.ts'

/** Finds figures in the pasted text of a data sheet and shows what it took from where; the reader takes what is right. */
const props = defineProps<{ kind: PartKind }>()
const emit = defineEmits<{ take: [found: Found[]] }>()
const prefs = usePrefs()
const text = ref('')
const left = ref(new Set<string>())
const found = computed(() => (text.value.trim() === '' ? [] : fromSheet(props.kind, text.value)))
watch(text, () => (left.value = new Set()))
const taken = computed(() => found.value.filter(({ key }) => !left.value.has(key)))

function labelOf(key: string): string {
  if (key === 'ampHours') return 'Capacity'
  return (PART_TABLES[props.kind] as AnyTable)[key]?.label ?? key
}
function valueOf({ key, value }: Found): string {
  const field = key === 'ampHours' ? null : (PART_TABLES[props.kind] as AnyTable)[key]
  const told = (unit: string) => prefs.say([{ value: value as number, unit, exact: true }])
  if (key === 'ampHours') return told('Ah')
  if (field?.kind === 'number') return told(field.unit)
  if (field?.kind === 'choice') return field.options.find((option) => option.value === value)?.label ?? String(value)
  if (key === 'chemistry') return CHEMISTRIES[value as Chemistry].name
  return (value as Record<string, number>[]).map((row) => Object.values(row).join(': ')).join('; ')
}
function turn(key: string): void {
  const next = new Set(left.value)
  if (!next.delete(key)) next.add(key)
  left.value = next
}
function hand(): void {
  emit('take', taken.value)
  text.value = ''
}
</script>

<template>
  <div class="paste">
    <label class="quiet" for="sheet-text">Text of the data sheet, as it is copied from a page or a PDF</label>
    <textarea id="sheet-text" v-model="text" rows="5" spellcheck="false" data-sheet-text />
    <p v-if="text.trim() !== '' && found.length === 0" class="quiet" role="status">
      Nothing was understood. It looks for lines such as “Open circuit voltage (Voc) 37.4 V”.
    </p>
    <template v-if="found.length > 0">
      <p role="status"><b>Understood.</b> Look at each; what is wrong is left out by its tick.</p>
      <div class="found">
        <table v-stack class="sheet" data-found>
          <tbody>
            <tr v-for="each in found" :key="each.key" :class="{ left: left.has(each.key) }">
              <td>
                <input
                  type="checkbox"
                  :checked="!left.has(each.key)"
                  :aria-label="`Take ${labelOf(each.key)}`"
                  @change="turn(each.key)"
                />
              </td>
              <td>{{ labelOf(each.key) }}</td>
              <td class="n">{{ valueOf(each) }}</td>
              <td class="quiet from">{{ each.from }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <el-button size="small" type="primary" :disabled="taken.length === 0" data-take-found @click="hand">
        Take {{ taken.length }} figure{{ taken.length === 1 ? '' : 's' }}
      </el-button>
    </template>
  </div>
</template>

<style scoped>
textarea {
  width: 100%;
  margin: 2px 0 6px;
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font:
    13px/1.4 ui-monospace,
    monospace;
}

.found {
  max-height: 190px;
  overflow: auto;
  margin-bottom: 6px;
}

.from {
  font-size: 12px;
}

.left td {
  opacity: 0.5;
}
</style>
