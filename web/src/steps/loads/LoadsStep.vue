<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  APPLIANCES,
  appliance,
  loadFromAppliance,
  MONTH_NAMES,
  nextId,
  PRIORITIES,
  drawnProfile,
  seasonsFor,
} from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import LoadTable from './LoadTable.vue'
import { PRIORITY_NAMES } from './words.ts'

const design = useDesign()
const prefs = usePrefs()
const month = ref<number | null>(null)
const shown = computed(
  () => month.value ?? design.derived?.loadsWh.indexOf(Math.max(...(design.derived?.loadsWh ?? []))) ?? 0,
)
const profile = computed(() => (design.derived ? drawnProfile(design.document!.loads, shown.value) : null))
const series = computed(() =>
  profile.value
    ? PRIORITIES.map((priority) => ({ name: PRIORITY_NAMES[priority], data: profile.value![priority].map(Math.round) }))
    : [],
)
const hours = Array.from({ length: 24 }, (_, hour) => hour)
const chosen = ref('')
const byRoom = computed(() => {
  const rooms = new Map<string, { value: string; label: string }[]>()
  for (const { id, name, room } of APPLIANCES) rooms.set(room, [...(rooms.get(room) ?? []), { value: id, label: name }])
  return [...rooms]
})
function add(id: string): void {
  chosen.value = ''
  const from = appliance(id || 'lights')
  design.edit(`add ${from.name}`, (draft) => {
    const load = loadFromAppliance(from, nextId('load', draft.loads))
    if (draft.inverter.part.topology !== 'split-phase' && load.leg !== 'DC') load.leg = 'A'
    draft.loads.push(seasonsFor(draft.place.latitudeDeg, load))
  })
}
useNewRow(() => add('phantom'))
</script>

<template>
  <StepHead step="loads" says="what must run, when, and how big at once?" />
  <div class="row wrap figures">
    <Figure id="loads.worst-day" />
    <Figure id="loads.battery-day" />
    <Figure id="loads.peak" />
    <Figure id="loads.surge" />
  </div>
  <div class="stack">
    <section v-if="profile" class="card">
      <div class="row">
        <h2>The load day</h2>
        <p class="quiet grow">{{ MONTH_NAMES[shown] }}, by priority</p>
        <div class="months" role="group" aria-label="Month">
          <button
            v-for="(name, m) in MONTH_NAMES"
            :key="name"
            :class="{ on: m === shown }"
            :title="`${name}: ${prefs.show(design.derived!.loadsWh[m], 'Wh')} a day`"
            @click="month = m"
          >
            {{ name[0] }}
          </button>
        </div>
      </div>
      <Chart
        type="bar"
        stacked
        :series="series"
        :categories="hours"
        :colours="['--spruce', '--lichen', '--ochre']"
        :height="170"
        :format="(value: number) => prefs.show(value, 'W')"
        :label="`Load by hour of an average day in ${MONTH_NAMES[shown]}`"
      />
    </section>
    <section class="card">
      <div class="row head">
        <h2 class="grow">Loads</h2>
        <el-select
          v-model="chosen"
          filterable
          placeholder="Add from the appliance shelf"
          class="adder"
          aria-label="Add an appliance"
          data-add-load
          @change="add"
        >
          <el-option-group v-for="[room, list] in byRoom" :key="room" :label="room">
            <el-option v-for="each in list" :key="each.value" :value="each.value" :label="each.label" />
          </el-option-group>
        </el-select>
      </div>
      <LoadTable />
    </section>
  </div>
</template>

<style scoped>
.figures {
  gap: 34px;
  margin-bottom: 12px;
}

.months {
  display: flex;
}

.months button {
  width: 22px;
  padding: 2px 0;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}

.months button:last-child {
  border-right-width: 1px;
}

.months .on {
  background: var(--spruce);
  color: var(--on-spruce);
}

.head {
  margin-bottom: 6px;
}

.adder {
  width: 260px;
}
</style>
