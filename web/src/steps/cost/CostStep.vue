<script setup lang="ts">
import { computed } from 'vue'
import { addBudgetLine, billCells, decimal, setField, type Budget } from '@ambrel/core'
import { editOf } from '../../fields/told.ts'
import DocumentField from '../../fields/DocumentField.vue'
import TextField from '../../fields/TextField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { saveCells } from '../../frame/files.ts'
import { useNewRow } from '../../frame/newRow.ts'
import { saveWorkbook } from '../../frame/spreadsheet.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import BillTable from './BillTable.vue'

const design = useDesign()
const prefs = usePrefs()
const budget = computed(() => design.document!.budget)
const bill = computed(() => design.derived?.bill)
const NAMES = {
  bank: 'Bank',
  array: 'Array',
  inverter: 'Inverter',
  generator: 'Backup',
  loads: 'Pumps',
  wiring: 'Wiring and racks',
  extra: 'Other',
}
const groups = computed(() => {
  const sums = new Map<string, number>()
  for (const { step, sum } of bill.value?.rows ?? []) sums.set(step, (sums.get(step) ?? 0) + sum)
  return [...sums].map(([step, sum]) => ({ name: NAMES[step as keyof typeof NAMES], sum }))
})
const COLOURS = ['var(--spruce)', 'var(--lichen)', 'var(--ochre)', 'var(--slate)', 'var(--clay)', 'var(--soft)']
function set<K extends keyof Budget>(key: K, value: Budget[K] | null): void {
  const path = `budget.${key}`
  design.change(editOf(design.document!, path), setField(path, value), path)
}
function add(): void {
  design.change('new line', addBudgetLine)
}
useNewRow(add)
const cells = () => billCells(design.document!, bill.value!, prefs.say)
const fileName = (end: string) => `${design.document!.name} - materials.${end}`
const csv = () =>
  saveCells(
    fileName('csv'),
    cells().map((row) => row.map(String)),
  )
const workbook = () => saveWorkbook(fileName('xlsx'), 'Materials', cells())
const money = (value: number | undefined) => (value === undefined ? '—' : decimal(value, 0))
const FIELDS = ['taxPct', 'freight', 'labour', 'discount', 'contingencyPct', 'incentivePct', 'incentive'].map(
  (key) => `budget.${key}`,
)
</script>

<template>
  <StepHead step="cost" says="what does it cost?" />
  <div class="row wrap figures">
    <Figure id="money.total" :value="`${money(bill?.total)} ${budget.currency}`" label="total" />
    <Figure v-for="group in groups" :key="group.name" :value="money(group.sum)" :label="group.name.toLowerCase()" />
  </div>
  <div
    v-if="bill"
    class="bar"
    role="img"
    :aria-label="groups.map((group) => `${group.name} ${money(group.sum)}`).join(', ')"
  >
    <i
      v-for="(group, i) in groups"
      :key="group.name"
      :style="{ flex: group.sum, background: COLOURS[i % COLOURS.length] }"
      :title="`${group.name} ${money(group.sum)}`"
    />
  </div>
  <div class="stack">
    <section class="card">
      <div class="row">
        <h2>Everything it takes</h2>
        <span class="grow" />
        <button class="link" @click="csv">CSV</button>
        <button class="link" @click="workbook">XLSX</button>
      </div>
      <BillTable v-if="bill" />
      <button class="link" @click="add">another line</button> <kbd>n</kbd>
    </section>
    <section class="card grid">
      <TextField
        :model-value="budget.currency"
        label="Currency code"
        labelled
        path="budget.currency"
        @update:model-value="set('currency', $event.trim().toUpperCase())"
      />
      <DocumentField v-for="path in FIELDS" :key="path" :path="path" labelled />
    </section>
    <p class="quiet">
      Shelf prices are made up. Put in what you are really quoted: of a part in its data sheet, of a material in the
      list.
    </p>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: baseline;
  gap: 10px;
}

.figures {
  gap: 30px;
  margin-bottom: 10px;
}

.bar {
  display: flex;
  height: 18px;
  margin-bottom: 12px;
  gap: 2px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
  gap: 10px 14px;
}
</style>
