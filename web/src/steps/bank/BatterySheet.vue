<script setup lang="ts">
import { addRate, BATTERY, addTo, removeFrom, setField } from '@ambrel/core'
import { computed } from 'vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import PairTable from '../../fields/PairTable.vue'
import { useDesign } from '../../stores/design.ts'

/** The unit's data sheet: taken from the shelf, every figure open to be put right. */
const design = useDesign()
const part = computed(() => design.document!.bank.part)
const FIELDS = Object.entries(BATTERY).flatMap(([key, { kind }]) =>
  kind === 'rows' || kind === 'texts' || key === 'id' || key === 'chemistry' ? [] : [`bank.part.${key}`],
)
const RATES = [
  { key: 'hours' as const, title: 'emptied in', unit: 'h' },
  { key: 'ampHours' as const, title: 'gives', unit: 'Ah' },
]
const POINTS = [
  { key: 'depth' as const, title: 'emptied by', unit: 'share', step: 5 },
  { key: 'cycles' as const, title: 'lasts cycles', step: 50 },
]
function set(label: string, list: 'capacities' | 'cycles', i: number, key: string, value: number | null): void {
  design.change(label, setField(`bank.part.${list}.${i}.${key}`, value), `part.${key}.${i}`)
}
</script>

<template>
  <section class="card">
    <h2 data-part="Data sheet">Data sheet of the unit</h2>
    <FieldGrid :fields="FIELDS" column-width="112px" />
    <div class="two curves">
      <PairTable
        :rows="part.capacities"
        :columns="RATES"
        label="rate"
        path="bank.part.capacities"
        more="another rate; several make the kinetic model of lead-acid"
        @set="(i, key, value) => set('rate', 'capacities', i, key, value)"
        @add="design.change('rate', addRate)"
        @remove="(i) => design.change('rate', removeFrom('bank.part.capacities', i))"
      />
      <PairTable
        :rows="part.cycles"
        :columns="POINTS"
        label="cycle point"
        path="bank.part.cycles"
        more="another point"
        @set="(i, key, value) => set('cycles', 'cycles', i, key, value)"
        @add="design.change('cycles', addTo('bank.part.cycles', { depth: 1, cycles: 500 }))"
        @remove="(i) => design.change('cycles', removeFrom('bank.part.cycles', i))"
      />
    </div>
  </section>
</template>

<style scoped>
.curves {
  margin-top: 12px;
}
</style>
