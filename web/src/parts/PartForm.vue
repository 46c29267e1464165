<script setup lang="ts">
import { computed } from 'vue'
import { fieldAt, type AnyTable, type Field } from '@ambrel/core'
import { PART_PLACES, PART_TABLES, type PartKind } from '@ambrel/contract'
import ChoiceField from '../fields/ChoiceField.vue'
import NumberField from '../fields/NumberField.vue'
import PairTable from '../fields/PairTable.vue'

/** Every figure of a part by its table; those that are estimates are marked, and each can be taken as the sheet's. */
const props = defineProps<{
  kind: PartKind
  part: Record<string, unknown>
  estimated: readonly string[]
  /** keys shown, in this order */
  fields: readonly string[]
  /** problems by field */
  problems: ReadonlyMap<string, string>
}>()
const emit = defineEmits<{ set: [key: string, value: unknown] }>()

/** A battery's one capacity, as its label states it, is no field of its own. */
const AMP_HOURS: Field = { ...fieldAt('bank.part.capacities.0.ampHours')!, label: 'Capacity' } as Field
const table = computed(() => PART_TABLES[props.kind] as AnyTable)
const shown = computed(() =>
  props.fields.flatMap((key) => {
    const field = key === 'ampHours' ? AMP_HOURS : table.value[key]
    return field && field.kind !== 'part' && field.kind !== 'texts' ? [{ key, field }] : []
  }),
)
const placeOf = (key: string) =>
  key === 'ampHours' ? 'bank.part.capacities.0.ampHours' : `${PART_PLACES[props.kind]}.${key}`
const isGuess = (key: string) => props.estimated.includes(key)
const unitOf = (field: Field) => ('unit' in field ? field.unit.replace('money', '') : '')
const labelOf = ({ key, field }: { key: string; field: Field }) => (isGuess(key) ? `≈ ${field.label}` : field.label)

type Row = Record<string, number>
const rowsOf = (key: string) => (props.part[key] as Row[] | undefined) ?? []
const columnsOf = (field: Field) =>
  field.kind === 'rows'
    ? Object.entries(field.of).map(([key, of]) => ({ key, title: of.label.toLowerCase(), unit: unitOf(of) }))
    : []
function setRow(key: string, index: number, column: string, value: number): void {
  emit(
    'set',
    key,
    rowsOf(key).map((row, i) => (i === index ? { ...row, [column]: value } : row)),
  )
}
function addRow(key: string): void {
  const rows = rowsOf(key)
  emit('set', key, [...rows, { ...rows[rows.length - 1] }])
}
function removeRow(key: string, index: number): void {
  emit(
    'set',
    key,
    rowsOf(key).filter((_, i) => i !== index),
  )
}
const asNumber = (key: string) => (props.part[key] ?? null) as number | null
const asChoice = (key: string) => (props.part[key] ?? '') as string | number
/** A choice that nothing was said about yet offers to say nothing. */
const optionsOf = (key: string, field: Field) =>
  field.kind !== 'choice'
    ? []
    : props.part[key] === undefined
      ? [{ value: '', label: 'not said yet' }, ...field.options]
      : field.options
</script>

<template>
  <div class="form">
    <template v-for="{ key, field } in shown" :key="key">
      <div class="field" :class="{ guess: isGuess(key), list: field.kind === 'rows' }" :data-part-field="key">
        <NumberField
          v-if="field.kind === 'number'"
          :model-value="asNumber(key)"
          :unit="unitOf(field)"
          :label="labelOf({ key, field })"
          :help-path="placeOf(key)"
          :step="field.step"
          :empty="field.empty ?? 'not said yet'"
          :problem="problems.get(key)"
          nullable
          labelled
          @update:model-value="emit('set', key, $event ?? (field.empty === undefined ? undefined : null))"
        />
        <ChoiceField
          v-else-if="field.kind === 'choice'"
          :model-value="asChoice(key)"
          :options="optionsOf(key, field)"
          :label="labelOf({ key, field })"
          :help-path="placeOf(key)"
          :problem="problems.get(key)"
          labelled
          @update:model-value="emit('set', key, $event === '' ? undefined : $event)"
        />
        <template v-else-if="field.kind === 'rows'">
          <p class="label">{{ labelOf({ key, field }) }}</p>
          <PairTable
            :rows="rowsOf(key)"
            :columns="columnsOf(field)"
            :label="field.label"
            :path="`part.${key}`"
            more="another"
            @set="(i, column, value) => setRow(key, i, column, value)"
            @add="addRow(key)"
            @remove="(i) => removeRow(key, i)"
          />
          <p v-if="problems.get(key)" class="error" role="alert">{{ problems.get(key) }}</p>
        </template>
        <button
          v-if="isGuess(key)"
          class="link small"
          :aria-label="`${field.label} is as the data sheet says`"
          @click="emit('set', key, part[key])"
        >
          sheet says so
        </button>
      </div>
    </template>
  </div>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 12px;
  align-items: start;
}

.field {
  min-width: 0;
}

.list {
  grid-column: span 2;
}

.guess :deep(.box),
.guess :deep(select) {
  border-style: dashed;
  border-color: var(--ochre);
}

.label {
  color: var(--soft);
  font-size: 12.5px;
}

.small {
  font-size: 12px;
}

.error {
  color: var(--clay);
  font-size: 12px;
}
</style>
