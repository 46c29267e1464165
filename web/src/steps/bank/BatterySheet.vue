<script setup lang="ts">
import { computed } from 'vue'
import type { Design } from '@ambrel/core'
import type { GridField } from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import PairTable from '../../fields/PairTable.vue'
import { useDesign } from '../../stores/design.ts'

/** The unit's data sheet: taken from the shelf, every figure open to be put right. */
const design = useDesign()
const part = computed(() => design.document!.bank.part)
const FIELDS: GridField[] = [
  { path: 'bank.part.name', label: 'Name', text: true },
  { path: 'bank.part.nominalV', label: 'Nominal', unit: 'V', step: 0.1 },
  { path: 'bank.part.resistanceMilliohm', label: 'Resistance', unit: 'mΩ', step: 0.1 },
  { path: 'bank.part.maxChargeA', label: 'Charge, at most', unit: 'A' },
  { path: 'bank.part.maxDischargeA', label: 'Discharge, at most', unit: 'A' },
  { path: 'bank.part.surgeA', label: 'Surge', unit: 'A' },
  { path: 'bank.part.parallelLimit', label: 'Parallel, at most' },
  { path: 'bank.part.calendarYears', label: 'Calendar life', unit: 'years' },
  { path: 'bank.part.heaterW', label: 'Heater', unit: 'W' },
  { path: 'bank.part.minChargeC', label: 'No charging at or below', unit: '°C', nullable: true },
  { path: 'bank.part.selfDischargePctPerMonth', label: 'Loses by itself a month', unit: '%' },
  { path: 'bank.part.weightKg', label: 'Weight', unit: 'kg' },
  { path: 'bank.part.price', label: 'Price' },
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
</script>

<template>
  <section class="card">
    <h2>Data sheet of the unit</h2>
    <FieldGrid :fields="FIELDS" column-width="112px" />
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
.curves {
  margin-top: 12px;
}
</style>
