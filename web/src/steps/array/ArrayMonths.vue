<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { MONTH_NAMES } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'

/** Kilowatt-hours a day of each month that each array brings to the bank, by the hand method. */
const design = useDesign()
const factor = computed(() => design.document!.schools.handFactor)
const rows = computed(() =>
  (design.derived?.arrays ?? []).map((array, i) => ({
    id: array.id,
    name: design.document!.arrays[i]?.name ?? '',
    kWh: array.handWh.map((wh) => wh / 1000),
  })),
)
const all = computed(() => MONTH_NAMES.map((_, month) => rows.value.reduce((sum, { kWh }) => sum + kWh[month], 0)))
const need = computed(() => (design.derived?.batteryWh ?? []).map((wh) => wh / 1000))
</script>

<template>
  <section v-if="rows.length > 0" class="card">
    <div class="row">
      <h2 data-part="By month">Each array by month</h2>
      <p class="quiet grow">kWh a day into the bank: rated × sun hours × {{ factor }}; the winter run knows more</p>
    </div>
    <div class="scroll">
      <table v-stack class="sheet" data-array-months>
        <thead>
          <tr>
            <th><span class="unseen">array</span></th>
            <th v-for="name in MONTH_NAMES" :key="name" class="n">{{ name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <td>{{ row.name }}</td>
            <td v-for="(kWh, month) in row.kWh" :key="month" class="n">{{ decimal(kWh, 1) }}</td>
          </tr>
          <tr v-if="rows.length > 1" class="total">
            <td>all</td>
            <td v-for="(kWh, month) in all" :key="month" class="n">{{ decimal(kWh, 1) }}</td>
          </tr>
          <tr>
            <td>wanted</td>
            <td v-for="(kWh, month) in need" :key="month" class="n" :class="{ short: kWh > all[month] }">
              {{ decimal(kWh, 1) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.total {
  font-weight: 600;
}

.short {
  color: var(--clay);
  font-weight: 600;
}

.scroll {
  overflow-x: auto;
}
</style>
