<script setup lang="ts">
import { computed } from 'vue'
import { type BatteryPart, type Design } from '@ambrel/core'
import NumberField from '../../fields/NumberField.vue'
import PairTable from '../../fields/PairTable.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'

/** The unit's data sheet: taken from the shelf, every figure open to be put right. */
const design = useDesign()
const part = computed(() => design.document!.bank.part)
type Numeric = { [K in keyof BatteryPart]: BatteryPart[K] extends number ? K : never }[keyof BatteryPart]
const FIELDS: { key: Numeric; label: string; unit: string; step?: number }[] = [
  { key: 'nominalV', label: 'Nominal', unit: 'V', step: 0.1 },
  { key: 'resistanceMilliohm', label: 'Resistance', unit: 'mΩ', step: 0.1 },
  { key: 'maxChargeA', label: 'Charge, at most', unit: 'A' },
  { key: 'maxDischargeA', label: 'Discharge, at most', unit: 'A' },
  { key: 'surgeA', label: 'Surge', unit: 'A' },
  { key: 'parallelLimit', label: 'Parallel, at most', unit: '' },
  { key: 'calendarYears', label: 'Calendar life', unit: 'years' },
  { key: 'heaterW', label: 'Heater', unit: 'W' },
  { key: 'selfDischargePctPerMonth', label: 'Loses by itself a month', unit: '%' },
  { key: 'weightKg', label: 'Weight', unit: 'kg' },
  { key: 'price', label: 'Price', unit: '' },
]
function addRate(): void {
  change(
    'rate',
    (bank) => {
      const last = bank.part.capacities.at(-1)!
      bank.part.capacities.push({ hours: last.hours * 2, ampHours: last.ampHours })
    },
    '',
  )
}
const RATES = [
  { key: 'hours' as const, title: 'emptied in', unit: 'h' },
  { key: 'ampHours' as const, title: 'gives', unit: 'Ah' },
]
const POINTS = [
  { key: 'depth' as const, title: 'emptied by', unit: 'share', step: 5 },
  { key: 'cycles' as const, title: 'lasts cycles', step: 50 },
]
function change(label: string, make: (bank: Design['bank']) => void, key: string): void {
  design.edit(label, (draft) => make(draft.bank), key)
}
const coldLimit = computed({
  get: () => part.value.minChargeC,
  set: (value) => change('cold limit', (bank) => (bank.part.minChargeC = value), 'part.minChargeC'),
})
</script>

<template>
  <section class="card">
    <h2>Data sheet of the unit</h2>
    <div class="grid">
      <TextField
        class="wide"
        :model-value="part.name"
        label="Name"
        labelled
        path="bank.part.name"
        @update:model-value="change('unit name', (bank) => (bank.part.name = $event), 'part.name')"
      />
      <NumberField
        v-for="field in FIELDS"
        :key="field.key"
        :model-value="part[field.key]"
        :unit="field.unit"
        :label="field.label"
        labelled
        :path="`bank.part.${field.key}`"
        :step="field.step ?? 1"
        @update:model-value="change(field.label, (bank) => (bank.part[field.key] = $event!), `part.${field.key}`)"
      />
      <NumberField
        v-model="coldLimit"
        unit="°C"
        label="No charging at or below"
        labelled
        nullable
        path="bank.part.minChargeC"
      />
    </div>
    <div class="two curves">
      <PairTable
        :rows="part.capacities"
        :columns="RATES"
        label="rate"
        path="bank.part.capacities"
        more="another rate; several make the kinetic model of lead-acid"
        @set="(i, key, value) => change('rate', (bank) => (bank.part.capacities[i][key] = value), `part.${key}.${i}`)"
        @add="addRate"
        @remove="(i) => change('rate', (bank) => bank.part.capacities.splice(i, 1), '')"
      />
      <PairTable
        :rows="part.cycles"
        :columns="POINTS"
        label="cycle point"
        path="bank.part.cycles"
        more="another point"
        @set="(i, key, value) => change('cycles', (bank) => (bank.part.cycles[i][key] = value), `part.${key}.${i}`)"
        @add="change('cycles', (bank) => bank.part.cycles.push({ depth: 1, cycles: 500 }), '')"
        @remove="(i) => change('cycles', (bank) => bank.part.cycles.splice(i, 1), '')"
      />
    </div>
  </section>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  gap: 10px 14px;
  margin-top: 8px;
}

.curves {
  margin-top: 12px;
}

.wide {
  grid-column: span 2;
}
</style>
