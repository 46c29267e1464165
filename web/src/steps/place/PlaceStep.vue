<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { moveTo, type Place, setField } from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import CoordinateField from '../../fields/CoordinateField.vue'
import { editOf } from '../../fields/told.ts'
import DocumentField from '../../fields/DocumentField.vue'
import FieldFold from '../../fields/FieldFold.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import BestTilt from './BestTilt.vue'
import DarkSpells from './DarkSpells.vue'
import HorizonCard from './HorizonCard.vue'
import SourcesCompared from './SourcesCompared.vue'
import KnownSun from './KnownSun.vue'
import SunByMonth from './SunByMonth.vue'
import WeatherCard from './WeatherCard.vue'

const design = useDesign()
const place = computed(() => design.document!.place)

function set<K extends keyof Place>(key: K, value: Place[K] | null): void {
  const path = `place.${key}`
  design.change(editOf(design.document!, path), setField(path, value), path)
}

function move(latitudeDeg: number | null): void {
  if (latitudeDeg === null) set('latitudeDeg', null)
  else design.change('place: latitudeDeg', moveTo(latitudeDeg), 'place.latitudeDeg')
}

/** The time zone the coordinates lie in; looked up when the step is open, because its table is large. */
const clock = shallowRef<{ zone: string; utcOffsetH: number } | null>(null)
watch(
  () => [place.value.latitudeDeg, place.value.longitudeDeg] as const,
  async ([latitudeDeg, longitudeDeg]) => {
    const { clockAt } = await import('@ambrel/contract/time-zone')
    if (Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180) clock.value = clockAt(latitudeDeg, longitudeDeg)
  },
  { immediate: true },
)

const REST = [
  'place.wiringBasis',
  'place.windMS',
  'place.interannualPct',
  'place.albedoBare',
  'place.albedoSnow',
  'schools.skyModel',
]
const brushing = computed(() => (place.value.brushSnowDays === null ? 'never' : 'within'))
</script>

<template>
  <StepHead step="place" whole says="what sky, cold and horizon do you have?" />
  <div class="row wrap figures">
    <Figure id="place.worst-month-sun" />
    <Figure id="place.annual-sun" />
  </div>
  <div class="stack">
    <section class="card grid">
      <h2 class="unseen">The place</h2>
      <DocumentField path="place.label" labelled />
      <CoordinateField
        :model-value="place.latitudeDeg"
        axis="latitude"
        label="Latitude"
        path="place.latitudeDeg"
        @update:model-value="move"
      />
      <CoordinateField
        :model-value="place.longitudeDeg"
        axis="longitude"
        label="Longitude"
        path="place.longitudeDeg"
        @update:model-value="set('longitudeDeg', $event)"
      />
      <DocumentField path="place.elevationM" labelled />
      <DocumentField path="place.recordLowC" labelled />
      <DocumentField path="place.recordHighC" labelled />
      <DocumentField path="place.batteryRoom.kind" labelled />
      <DocumentField v-if="place.batteryRoom.kind === 'heated'" path="place.batteryRoom.setC" labelled />
      <DocumentField v-if="place.batteryRoom.kind === 'buried'" path="place.batteryRoom.depthM" labelled />
      <ChoiceField
        :model-value="brushing"
        :options="[
          { value: 'within', label: 'Brushed off' },
          { value: 'never', label: 'Left to slide' },
        ]"
        label="Snow on modules"
        labelled
        @update:model-value="set('brushSnowDays', $event === 'never' ? null : 2)"
      />
      <DocumentField v-if="place.brushSnowDays !== null" path="place.brushSnowDays" labelled />
      <FieldFold
        class="rest"
        name="place"
        says="Clock, conductor sizes, wind, what the ground reflects"
        :paths="['place.utcOffsetH', ...REST]"
      >
        <div class="grid">
          <div>
            <DocumentField path="place.utcOffsetH" labelled />
            <p v-if="clock" class="quiet zone">
              {{ clock.zone }}
              <button
                v-if="clock.utcOffsetH !== place.utcOffsetH"
                class="link"
                data-take-clock
                @click="set('utcOffsetH', clock.utcOffsetH)"
              >
                take {{ clock.utcOffsetH }} h
              </button>
            </p>
          </div>
          <DocumentField v-for="path in REST" :key="path" :path="path" labelled />
        </div>
      </FieldFold>
    </section>
    <SunByMonth />
    <LaterParts>
      <WeatherCard />
      <KnownSun />
      <HorizonCard />
    </LaterParts>
    <LaterParts>
      <DarkSpells />
      <BestTilt />
      <SourcesCompared />
    </LaterParts>
  </div>
</template>

<style scoped>
.figures {
  gap: 8px 34px;
  margin-bottom: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px 14px;
}

.rest {
  grid-column: 1 / -1;
  margin-top: 0;
}

.zone {
  font-size: 12px;
}
</style>
