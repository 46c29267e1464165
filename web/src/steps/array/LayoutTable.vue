<script setup lang="ts">
import { computed } from 'vue'
import { HOT_CELL_RISE_K, layouts, type Layout } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Legal layouts of the first array's module on its controller, best first; one click takes one. */
const design = useDesign()
const prefs = usePrefs()
const array = computed(() => design.document!.arrays[0])
const controller = computed(() => design.document!.controllers.find(({ id }) => id === array.value.controllerId)!)
const list = computed(() => {
  const { place, schools } = design.document!
  return layouts({
    module: array.value.module,
    controller: controller.value.part,
    coldestC: place.recordLowC,
    hottestCellC: place.recordHighC + HOT_CELL_RISE_K,
    chargeV: design.derived!.chargeV,
    maxModules: Math.max(20, array.value.inSeries * array.value.inParallel + 4),
    method: schools.coldVoltage,
  }).filter((layout) => layout.controllers === 1)
})
const shown = computed(() => list.value.slice(0, 7))
const isNow = (layout: Layout) =>
  layout.inSeries === array.value.inSeries && layout.inParallel === array.value.inParallel
function take(layout: Layout): void {
  design.edit(`${layout.inSeries} × ${layout.inParallel}`, (draft) =>
    Object.assign(draft.arrays[0], { inSeries: layout.inSeries, inParallel: layout.inParallel }),
  )
}
</script>

<template>
  <section class="card">
    <h2>Legal layouts</h2>
    <table class="sheet">
      <thead>
        <tr>
          <th>S × P</th>
          <th class="n">cold</th>
          <th class="n">hot</th>
          <th class="n">array</th>
          <th>why</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="layout in shown" :key="`${layout.inSeries}x${layout.inParallel}`" :class="{ now: isNow(layout) }">
          <td>{{ layout.inSeries }} × {{ layout.inParallel }}</td>
          <td class="n">{{ prefs.show(layout.coldV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.hotV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.watts, 'W') }}</td>
          <td>{{ layout.remarks[0] ?? 'inside every limit' }}</td>
          <td>
            <span v-if="isNow(layout)" class="quiet">now</span
            ><button v-else class="link" @click="take(layout)">take</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="list.length === 0" class="quiet">None: this module does not fit this controller at this record low.</p>
  </section>
</template>

<style scoped>
.now {
  background: var(--wash);
  font-weight: 600;
}
</style>
