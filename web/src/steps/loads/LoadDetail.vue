<script setup lang="ts">
import { computed } from 'vue'
import {
  HOUR_SHAPES,
  LOAD,
  MONTH_NAMES,
  START_SECONDS,
  startWatts,
  timesAWeek,
  type Load,
  setField,
  setHourWeight,
  turnWeekday,
} from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import ChoiceField from '../../fields/ChoiceField.vue'
import { editOf } from '../../fields/told.ts'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid, { type GridField } from '../../fields/FieldGrid.vue'
import FieldLabel from '../../fields/FieldLabel.vue'
import TextField from '../../fields/TextField.vue'
import WeekdayPicker from '../../fields/WeekdayPicker.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

const props = defineProps<{ load: Load; index: number }>()
const design = useDesign()
const prefs = usePrefs()
const path = (key: string) => `loads.${props.index}.${key}`
function set<K extends keyof Load>(key: K, value: Load[K] | null): void {
  design.change(editOf(design.document!, path(key)), setField(path(key), value), path(key))
}
const BY_BASIS: Record<Load['basis'], (keyof Load)[]> = {
  rated: ['duty', 'daysPerWeek'],
  metered: ['meteredKWh', 'meteredHours'],
  strip: ['strip', 'meteredKWh', 'meteredHours', 'stripShare'],
  cycle: ['cycleWh', 'cycleDepth', 'cycleChargerEfficiency', 'cyclesPerWeek'],
  month: ['monthKWh'],
}
const fields = computed<GridField[]>(() => [
  ...BY_BASIS[props.load.basis].map(path),
  path('startKind'),
  {
    path: path('startW'),
    label: `Start watts (usual ${prefs.show(startWatts({ ...props.load, startW: null }), 'W')})`,
  },
  { path: path('startS'), label: `Start duration (usual ${decimal(START_SECONDS[props.load.startKind], 1)} s)` },
  ...(props.load.startKind === 'none' ? [] : [path('seenStarting')]),
  path('standbyW'),
  path('powerFactor'),
  path('supply'),
  path('movable'),
  ...(props.load.movable ? [path('storeDays')] : []),
  path('whenAway'),
  ...(props.load.leg === 'DC' ? [path('switched')] : []),
])
const drawn = computed(() => {
  const times = timesAWeek(props.load)
  return times < 7 ? `any: the run draws ${decimal(times, 1)} days of each week` : 'every day'
})
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
  design.change('hours of the day', setHourWeight(props.load.id, hour, weight), path('hourShape'))
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
    <div class="row room">
      <TextField :model-value="load.room" label="Room or group" labelled @update:model-value="set('room', $event)" />
      <FieldGrid class="grow" :fields="fields" />
    </div>
    <div>
      <FieldLabel :label="LOAD.weekdays.label" :path="path('weekdays')" />
      <div class="row">
        <WeekdayPicker
          :weekdays="load.weekdays ?? []"
          :label="`${load.name}: ${LOAD.weekdays.label.toLowerCase()}`"
          @turn="design.change('days of the week', turnWeekday(load.id, $event))"
        />
        <span v-if="!load.weekdays" class="quiet">{{ drawn }}</span>
      </div>
    </div>
    <div class="stack">
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
            <DocumentField :of="load.name" :label="name" :path="path(`seasonShare.${m}`)" />
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

.shape {
  width: 170px;
}

.bars {
  display: grid;
  margin-top: 6px;
  grid-template-columns: repeat(24, 1fr);
  row-gap: 6px;
  cursor: ns-resize;
  touch-action: none;
}

.slot {
  display: flex;
  height: 64px;
  align-items: flex-end;
  padding: 0 1px;
  border-bottom: 1px solid var(--ink);
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
  grid-template-columns: repeat(12, 1fr);
  gap: 4px;
}

.error {
  color: var(--clay);
}
.room {
  align-items: flex-start;
  gap: 12px;
}

@media (max-width: 700px) {
  .bars {
    grid-template-columns: repeat(12, 1fr);
  }

  .season {
    grid-template-columns: repeat(4, 1fr);
  }
}
</style>
