<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { type BatteryPart, type Design } from '@ambrel/core'
import NumberField from '../../fields/NumberField.vue'
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
      <table class="sheet">
        <thead>
          <tr>
            <th class="n">emptied in</th>
            <th class="n">gives</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(rate, i) in part.capacities" :key="i">
            <td>
              <NumberField
                :model-value="rate.hours"
                unit="h"
                :label="`Rate ${i + 1}, hours`"
                :path="`bank.part.capacities.${i}.hours`"
                @update:model-value="change('rate', (bank) => (bank.part.capacities[i].hours = $event!), `part.h.${i}`)"
              />
            </td>
            <td>
              <NumberField
                :model-value="rate.ampHours"
                unit="Ah"
                :label="`Rate ${i + 1}, ampere-hours`"
                :path="`bank.part.capacities.${i}.ampHours`"
                @update:model-value="
                  change('capacity', (bank) => (bank.part.capacities[i].ampHours = $event!), `part.ah.${i}`)
                "
              />
            </td>
            <td>
              <button
                v-if="part.capacities.length > 1"
                class="icon-button"
                :aria-label="`Remove rate ${i + 1}`"
                @click="change('rate', (bank) => bank.part.capacities.splice(i, 1), '')"
              >
                <Trash2 :size="14" />
              </button>
            </td>
          </tr>
          <tr>
            <td colspan="3">
              <button class="link" @click="addRate">another rate</button>
              <span class="quiet"> several make the kinetic model of lead-acid</span>
            </td>
          </tr>
        </tbody>
      </table>
      <table class="sheet">
        <thead>
          <tr>
            <th class="n">emptied by</th>
            <th class="n">lasts cycles</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="(point, i) in part.cycles" :key="i">
            <td>
              <NumberField
                :model-value="point.depth"
                unit="share"
                :label="`Cycle point ${i + 1}, depth`"
                :path="`bank.part.cycles.${i}.depth`"
                @update:model-value="change('cycles', (bank) => (bank.part.cycles[i].depth = $event!), `part.d.${i}`)"
              />
            </td>
            <td>
              <NumberField
                :model-value="point.cycles"
                :label="`Cycle point ${i + 1}, cycles`"
                :path="`bank.part.cycles.${i}.cycles`"
                :step="50"
                @update:model-value="change('cycles', (bank) => (bank.part.cycles[i].cycles = $event!), `part.c.${i}`)"
              />
            </td>
            <td>
              <button
                v-if="part.cycles.length > 1"
                class="icon-button"
                :aria-label="`Remove cycle point ${i + 1}`"
                @click="change('cycles', (bank) => bank.part.cycles.splice(i, 1), '')"
              >
                <Trash2 :size="14" />
              </button>
            </td>
          </tr>
          <tr>
            <td colspan="3">
              <button
                class="link"
                @click="change('cycles', (bank) => bank.part.cycles.push({ depth: 1, cycles: 500 }), '')"
              >
                another point
              </button>
            </td>
          </tr>
        </tbody>
      </table>
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
