<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { joined, layoutQuestionOf, layouts, refusedLayouts, type Layout, takeLayout } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Legal layouts of an array's module on its controller, beside the other arrays, best first; one click takes one. */
const design = useDesign()
const prefs = usePrefs()
const chosen = ref(0)
const arrays = computed(() => design.document!.arrays)
const index = computed(() => Math.min(chosen.value, arrays.value.length - 1))
const array = computed(() => arrays.value[index.value])
const controller = computed(() => design.document!.controllers.find(({ id }) => id === array.value.controllerId)!)
const question = computed(() =>
  layoutQuestionOf(design.document!, index.value, design.derived!.worked['array.need'].value),
)
const list = computed(() => (question.value ? layouts(question.value) : []))
const refused = computed(() => (question.value ? refusedLayouts(question.value) : []))
const wanted = computed(() => question.value?.needW ?? 0)
const all = ref(false)
const SHOWN = 7
const shown = computed(() => (all.value ? list.value : list.value.slice(0, SHOWN)))
const isNow = ({ inSeries, slots }: Layout) =>
  slots.length === 1 && inSeries === array.value.inSeries && slots[0].strings === array.value.inParallel
const onWhat = ({ controllers, slots }: Layout) =>
  controllers > 1 ? ` on ${controllers}` : slots.length > 1 ? ` on ${slots.length} trackers` : ''
const take = (layout: Layout) =>
  design.change(`${layout.inSeries} × ${layout.inParallel}`, takeLayout(index.value, layout))
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 data-part="Layouts">Layouts within every limit</h2>
      <p class="quiet grow">
        {{ array.module.name }} on {{ controller.part.name }}:
        {{
          wanted > 0
            ? `what brings the ${prefs.show(wanted, 'W')} the darkest month still wants comes first, on the fewest controllers, with the least array`
            : 'the darkest month wants no more than there is; the least comes first'
        }}
      </p>
      <ChoiceField
        v-if="arrays.length > 1"
        :model-value="index"
        :options="arrays.map(({ name }, value) => ({ value, label: name }))"
        label="Of array"
        @update:model-value="chosen = Number($event)"
      />
    </div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th>S × P</th>
          <th class="n">cold</th>
          <th class="n">hot</th>
          <th class="n">array</th>
          <th>why</th>
          <th><span class="unseen">take it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="layout in shown" :key="`${layout.inSeries}x${layout.inParallel}`" :class="{ now: isNow(layout) }">
          <td>{{ layout.inSeries }} × {{ layout.inParallel }}{{ onWhat(layout) }}</td>
          <td class="n">{{ prefs.show(layout.coldV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.hotV, 'V') }}</td>
          <td class="n">{{ prefs.show(layout.watts, 'W') }}</td>
          <td>{{ prefs.say(joined(layout.remarks, '; ')) || 'inside every limit' }}</td>
          <td>
            <span v-if="isNow(layout)" class="quiet">now</span
            ><button v-else class="link" @click="take(layout)">use this layout</button>
          </td>
        </tr>
        <tr v-for="each in refused" :key="`refused ${each.inSeries}`" class="refused">
          <td>{{ each.inSeries }} in series</td>
          <td class="n">{{ prefs.show(each.coldV, 'V') }}</td>
          <td class="n">{{ prefs.show(each.hotV, 'V') }}</td>
          <td />
          <td>refused: {{ prefs.say(each.says) }}</td>
          <td />
        </tr>
      </tbody>
    </table>
    <button v-if="list.length > SHOWN" class="link" @click="all = !all">
      {{ all ? 'only the best' : `all ${list.length} legal ones` }}
    </button>
    <p v-if="list.length === 0" class="quiet">
      None: this module does not fit this controller at this record low, or the other arrays leave it no room.
    </p>
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
