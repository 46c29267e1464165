<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { addBudgetLine, billCells, decimal, setField, type Budget } from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import { editOf } from '../../fields/told.ts'
import DocumentField from '../../fields/DocumentField.vue'
import FieldFold from '../../fields/FieldFold.vue'
import TextField from '../../fields/TextField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { cents } from '../../frame/money.ts'
import { saveBlob, saveCells } from '../../frame/files.ts'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { useLife } from '../../stores/life.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { openSheets } from '../../workers/sheets.ts'
import VariantsCompare from '../winter/VariantsCompare.vue'
import BillTable from './BillTable.vue'
import CostStack from './CostStack.vue'
import KitsCard from './KitsCard.vue'
import LifeCard from './LifeCard.vue'
import PhasesCard from './PhasesCard.vue'
import PriceListDialog from './PriceListDialog.vue'
import WaysCard from './WaysCard.vue'

const design = useDesign()
const prefs = usePrefs()
const budget = computed(() => design.document!.budget)
const bill = computed(() => design.derived?.bill)
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
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'
async function workbook(): Promise<void> {
  const { service, end } = openSheets()
  try {
    saveBlob(fileName('xlsx'), new Blob([await service.write('Materials', cells())], { type: XLSX }))
  } finally {
    end()
  }
}
const money = (value: number | undefined) => (value === undefined ? '—' : decimal(value, 0))
const FIELDS = [
  'taxPct',
  'freight',
  'labour',
  'hourly',
  'discount',
  'contingencyPct',
  'incentivePct',
  'incentive',
  'statedTotal',
  'quoteDays',
].map((key) => `budget.${key}`)
const HOURS = ['array', 'bank', 'inverter', 'generator', 'wiring', 'commissioning'].map((key) => `budget.hours.${key}`)
const reading = ref(false)
const life = useLife()
const costs = computed(() => life.found?.costs ?? null)
const stale = computed(() => life.found !== null && life.found.for !== design.document)
const PAUSE_MS = 500
// reckoned while somebody looks at it, once the design has rested
watch(
  refDebounced(
    computed(() => (design.derived ? design.document : null)),
    PAUSE_MS,
  ),
  () => void life.reckon(),
  { immediate: true },
)
</script>

<template>
  <StepHead step="cost" says="what does it cost, now and over its life?" />
  <template v-if="bill">
    <div class="row wrap figures">
      <Figure
        id="money.total"
        :value="`${money(bill.total)} ${budget.currency}`"
        :label="bill.later > 0 ? 'now' : 'total'"
      />
      <Figure v-if="bill.later > 0" :value="`${money(bill.later)} ${budget.currency}`" label="later" />
      <template v-if="costs">
        <Figure
          :class="{ stale }"
          :value="`${money(costs.life.presentValue)} ${budget.currency}`"
          :label="`over ${budget.life.years} years`"
        />
        <Figure
          :class="{ stale }"
          :value="costs.life.costPerKWh === null ? '—' : `${cents(costs.life.costPerKWh)} ${budget.currency}`"
          label="a kilowatt-hour served"
        />
      </template>
      <span class="grow" />
      <span v-if="life.running" class="quiet" role="status" data-life-progress
        >its life over the winters, {{ Math.round(life.share * 100) }} %
        <button class="link" @click="life.stop">cancel</button></span
      >
      <span v-else-if="life.stopped" class="quiet"
        >its life was not reckoned <button class="link" @click="life.reckon">reckon it</button></span
      >
    </div>
    <p v-if="life.failure" class="error" role="alert">{{ life.failure }}</p>
    <CostStack />
  </template>
  <div class="stack">
    <section class="card">
      <div class="row wrap">
        <h2>Everything it takes</h2>
        <span class="grow" />
        <button class="link" data-read-prices @click="reading = true">read a price list</button>
        <button class="link" @click="csv">CSV</button>
        <button class="link" @click="workbook">XLSX</button>
      </div>
      <BillTable v-if="bill" />
      <button class="link" @click="add">another line</button> <kbd>n</kbd>
    </section>
    <LaterParts>
      <section class="card">
        <div class="grid">
          <TextField
            :model-value="budget.currency"
            label="Currency code"
            labelled
            path="budget.currency"
            @update:model-value="set('currency', $event.trim().toUpperCase())"
          />
          <DocumentField v-for="path in FIELDS" :key="path" :path="path" labelled />
        </div>
        <FieldFold name="cost-hours" says="Hours paid, by step" :paths="HOURS">
          <div class="grid"><DocumentField v-for="path in HOURS" :key="path" :path="path" labelled /></div>
        </FieldFold>
      </section>
    </LaterParts>
    <LaterParts>
      <template v-if="bill">
        <PhasesCard :costs="costs" :stale="stale" />
        <KitsCard />
        <template v-if="costs">
          <LifeCard :costs="costs" :stale="stale" />
          <WaysCard :costs="costs" :stale="stale" />
        </template>
        <VariantsCompare by="cost" />
      </template>
    </LaterParts>
    <p class="quiet">
      Shelf prices are made up. Put in what you are really quoted: in the list above, or read from a price list.
    </p>
  </div>
  <PriceListDialog :open="reading" @close="reading = false" />
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

.stale {
  opacity: 0.5;
}

.error {
  color: var(--clay);
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
  gap: 10px 14px;
}
</style>
