<script setup lang="ts">
import { computed, ref } from 'vue'
import { layoutQuestion, layouts, refusedLayouts, type Layout, takeLayout } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Legal layouts of the first array's module on its controller, best first; one click takes one. */
const design = useDesign()
const prefs = usePrefs()
const array = computed(() => design.document!.arrays[0])
const controller = computed(() => design.document!.controllers.find(({ id }) => id === array.value.controllerId)!)
/** Enough for half as much again as the hand method asks, or for a little more than there is. */
const most = computed(() => {
  const need = design.derived!.worked['array.need'].value
  const count = array.value.inSeries * array.value.inParallel
  return Math.min(60, Math.max(count + 4, Math.ceil((need * 1.5) / array.value.module.ratedW)))
})
const question = computed(() => layoutQuestion(design.document!, array.value.module, controller.value.part, most.value))
const list = computed(() => layouts(question.value))
const refused = computed(() => refusedLayouts(question.value))
const all = ref(false)
const SHOWN = 7
const shown = computed(() => (all.value ? list.value : list.value.slice(0, SHOWN)))
const isNow = (layout: Layout) =>
  layout.controllers === 1 && layout.inSeries === array.value.inSeries && layout.inParallel === array.value.inParallel
function take(layout: Layout): void {
  const { inSeries, inParallel, controllers } = layout
  design.change(`${inSeries} × ${inParallel}`, takeLayout(0, { inSeries, inParallel, controllers }))
}
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>Legal layouts</h2>
      <p class="quiet grow">
        {{ array.module.name }} on {{ controller.part.name }}, most power first, then fewest controllers
      </p>
    </div>
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
        <tr
          v-for="layout in shown"
          :key="`${layout.inSeries}x${layout.inParallel}x${layout.controllers}`"
          :class="{ now: isNow(layout) }"
        >
          <td>
            {{ layout.inSeries }} × {{ layout.inParallel
            }}<template v-if="layout.controllers > 1"> on {{ layout.controllers }}</template>
          </td>
          <td class="n">{{ prefs.show(layout.coldV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.hotV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.watts, 'W') }}</td>
          <td>{{ layout.remarks[0] ?? 'inside every limit' }}</td>
          <td>
            <span v-if="isNow(layout)" class="quiet">now</span
            ><button v-else class="link" @click="take(layout)">take</button>
          </td>
        </tr>
        <tr v-for="each in refused" :key="`refused ${each.inSeries}`" class="refused">
          <td>{{ each.inSeries }} in series</td>
          <td class="n">{{ prefs.show(each.coldV, 'V') }}</td>
          <td class="n">{{ prefs.show(each.hotV, 'V') }}</td>
          <td />
          <td>refused: {{ each.says }}</td>
          <td />
        </tr>
      </tbody>
    </table>
    <button v-if="list.length > SHOWN" class="link" @click="all = !all">
      {{ all ? 'only the best' : `all ${list.length} legal ones` }}
    </button>
    <p v-if="list.length === 0" class="quiet">None: this module does not fit this controller at this record low.</p>
  </section>
</template>

<style scoped>
.refused {
  color: var(--soft);
}

.now {
  background: var(--wash);
  font-weight: 600;
}
</style>
