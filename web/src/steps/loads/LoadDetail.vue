<script setup lang="ts">
import { computed } from 'vue'
import { HOUR_SHAPES, MONTH_NAMES, startWatts, type Load } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { START_OPTIONS, SUPPLY_OPTIONS } from './words.ts'

const props = defineProps<{ load: Load; index: number }>()
const design = useDesign()
const prefs = usePrefs()
const path = (key: string) => `loads.${props.index}.${key}`
function set<K extends keyof Load>(key: K, value: Load[K] | null): void {
  design.edit(`${props.load.name}: ${key}`, (draft) => (draft.loads[props.index][key] = value as Load[K]), path(key))
}
const shape = computed(
  () =>
    Object.entries(HOUR_SHAPES).find(([, { weights }]) =>
      weights.every((weight, hour) => weight === props.load.hourShape[hour]),
    )?.[0] ?? 'own',
)
const shapes = computed(() => [
  ...Object.entries(HOUR_SHAPES).map(([value, { name }]) => ({ value, label: name })),
  ...(shape.value === 'own' ? [{ value: 'own', label: 'Own shape' }] : []),
])
const top = computed(() => Math.max(...props.load.hourShape, 1))
function setHour(hour: number, weight: number): void {
  design.edit(
    'hours of the day',
    (draft) => (draft.loads[props.index].hourShape[hour] = Math.round(Math.max(0, weight) * 10) / 10),
    path('hourShape'),
  )
}
/** By keys a bar grows past the others; by pointer the tallest is the measure. */
function nudge(hour: number, by: number): void {
  setHour(hour, props.load.hourShape[hour] + by * top.value)
}
function bar(hour: number, event: PointerEvent): void {
  if (event.type !== 'pointerdown' && event.buttons !== 1) return
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const weight = Math.max(0, Math.min(1, 1 - (event.clientY - box.top) / box.height))
  setHour(hour, weight * top.value)
}
</script>

<template>
  <div class="detail">
    <div class="grid">
      <TextField :model-value="load.room" label="Room or group" labelled @update:model-value="set('room', $event)" />
      <template v-if="load.basis === 'rated'">
        <NumberField
          :model-value="load.duty"
          unit="share"
          label="Runs for, of those hours"
          labelled
          :path="path('duty')"
          :step="5"
          @update:model-value="set('duty', $event)"
        />
        <NumberField
          :model-value="load.daysPerWeek"
          unit="d"
          label="Days a week"
          labelled
          :path="path('daysPerWeek')"
          @update:model-value="set('daysPerWeek', $event)"
        />
      </template>
      <template v-else-if="load.basis === 'metered'">
        <NumberField
          :model-value="load.meteredKWh"
          unit="kWh"
          label="Metered"
          labelled
          nullable
          :path="path('meteredKWh')"
          :step="0.1"
          @update:model-value="set('meteredKWh', $event)"
        />
        <NumberField
          :model-value="load.meteredHours"
          unit="h"
          label="over"
          labelled
          nullable
          :path="path('meteredHours')"
          :step="24"
          @update:model-value="set('meteredHours', $event)"
        />
      </template>
      <template v-else-if="load.basis === 'cycle'">
        <NumberField
          :model-value="load.cycleWh"
          unit="Wh"
          label="Battery of the tool"
          labelled
          nullable
          :path="path('cycleWh')"
          @update:model-value="set('cycleWh', $event)"
        />
        <NumberField
          :model-value="load.cycleDepth"
          unit="share"
          label="emptied to"
          labelled
          nullable
          :path="path('cycleDepth')"
          @update:model-value="set('cycleDepth', $event)"
        />
        <NumberField
          :model-value="load.cycleChargerEfficiency"
          unit="share"
          label="Charger efficiency"
          labelled
          nullable
          :path="path('cycleChargerEfficiency')"
          @update:model-value="set('cycleChargerEfficiency', $event)"
        />
        <NumberField
          :model-value="load.cyclesPerWeek"
          unit="a week"
          label="Times"
          labelled
          nullable
          :path="path('cyclesPerWeek')"
          @update:model-value="set('cyclesPerWeek', $event)"
        />
      </template>
      <NumberField
        v-else
        :model-value="load.monthKWh"
        unit="kWh"
        label="A month"
        labelled
        nullable
        :path="path('monthKWh')"
        @update:model-value="set('monthKWh', $event)"
      />
      <ChoiceField
        :model-value="load.startKind"
        :options="START_OPTIONS"
        label="Start"
        labelled
        @update:model-value="set('startKind', $event)"
      />
      <NumberField
        :model-value="load.startW"
        unit="W"
        :label="`Start watts (usual ${prefs.show(startWatts({ ...load, startW: null }), 'W')})`"
        labelled
        nullable
        :path="path('startW')"
        :step="100"
        @update:model-value="set('startW', $event)"
      />
      <NumberField
        :model-value="load.standbyW"
        unit="W"
        label="Standing by"
        labelled
        :path="path('standbyW')"
        @update:model-value="set('standbyW', $event)"
      />
      <ChoiceField
        :model-value="load.supply"
        :options="SUPPLY_OPTIONS"
        label="Carried by"
        labelled
        @update:model-value="set('supply', $event)"
      />
      <label class="movable"
        ><el-switch :model-value="load.movable" @update:model-value="set('movable', $event as boolean)" /> may be moved
        into the sun</label
      >
    </div>
    <div class="two">
      <div>
        <div class="row">
          <span class="quiet grow">Hours of the day: drag the bars</span
          ><ChoiceField
            class="shape"
            :model-value="shape"
            :options="shapes"
            label="Named shape"
            @update:model-value="$event !== 'own' && set('hourShape', [...HOUR_SHAPES[$event].weights])"
          />
        </div>
        <div class="bars">
          <div
            v-for="(weight, hour) in load.hourShape"
            :key="hour"
            class="slot"
            tabindex="0"
            role="slider"
            :aria-label="`${load.name}, hour ${hour}`"
            aria-valuemin="0"
            :aria-valuemax="top"
            :aria-valuenow="weight"
            :title="`${hour} h: ${weight}`"
            @keydown.up.prevent="nudge(hour, 0.1)"
            @keydown.down.prevent="nudge(hour, -0.1)"
            @pointerdown="bar(hour, $event)"
            @pointermove="bar(hour, $event)"
          >
            <i :style="{ height: `${(100 * weight) / top}%` }" />
          </div>
        </div>
        <p v-if="design.problemAt.get(path('hourShape'))" class="error" role="alert">
          {{ design.problemAt.get(path('hourShape')) }}
        </p>
      </div>
      <div>
        <span class="quiet">Season, 1 as stated, 0 not in use</span>
        <div class="season">
          <div v-for="(name, m) in MONTH_NAMES" :key="name">
            <span class="quiet">{{ name }}</span>
            <NumberField
              :model-value="load.seasonShare[m]"
              :label="`${load.name}, ${name}`"
              :path="path(`seasonShare.${m}`)"
              :step="0.1"
              @update:model-value="
                design.edit('season', (d) => (d.loads[index].seasonShare[m] = $event!), path(`season.${m}`))
              "
            />
          </div>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.detail {
  display: grid;
  gap: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 12px;
}

.movable {
  align-self: end;
  font-size: 13px;
}

.shape {
  width: 170px;
}

.bars {
  display: flex;
  height: 64px;
  margin-top: 6px;
  border-bottom: 1px solid var(--ink);
  cursor: ns-resize;
  touch-action: none;
}

.slot {
  display: flex;
  flex: 1;
  align-items: flex-end;
  padding: 0 1px;
}

.slot i {
  width: 100%;
  background: var(--lichen);
}

.slot:hover {
  background: var(--frost);
}

.season {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 4px;
}

.error {
  color: var(--clay);
}
</style>
