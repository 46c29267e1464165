<script setup lang="ts">
import { computed } from 'vue'
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
function change(label: string, make: (bank: Design['bank']) => void, key: string): void {
  design.edit(label, (draft) => make(draft.bank), key)
}
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
      <template v-for="(rate, i) in part.capacities" :key="i">
        <NumberField
          :model-value="rate.ampHours"
          unit="Ah"
          :label="`Capacity over ${rate.hours} h`"
          labelled
          :path="`bank.part.capacities.${i}.ampHours`"
          @update:model-value="
            change('capacity', (bank) => (bank.part.capacities[i].ampHours = $event!), `part.ah.${i}`)
          "
        />
      </template>
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

.wide {
  grid-column: span 2;
}
</style>
