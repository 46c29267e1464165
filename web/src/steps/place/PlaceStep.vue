<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { type Place, setField } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import CoordinateField from '../../fields/CoordinateField.vue'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import BestTilt from './BestTilt.vue'
import DarkSpells from './DarkSpells.vue'
import HorizonCard from './HorizonCard.vue'
import SourcesCompared from './SourcesCompared.vue'
import SunByMonth from './SunByMonth.vue'
import WeatherCard from './WeatherCard.vue'

const design = useDesign()
const place = computed(() => design.document!.place)

function set<K extends keyof Place>(key: K, value: Place[K] | null): void {
  design.change(`place: ${key}`, setField(`place.${key}`, value), `place.${key}`)
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

const SKY_MODELS = [
  { value: 'hay-davies' as const, label: 'Hay & Davies 1980' },
  { value: 'perez' as const, label: 'Perez et al. 1990' },
]
const rooms = [
  { value: 'heated' as const, label: 'Heated' },
  { value: 'unheated' as const, label: 'Unheated' },
  { value: 'buried' as const, label: 'Buried' },
]
const brushing = computed(() => (place.value.brushSnowDays === null ? 'never' : 'within'))
</script>

<template>
  <StepHead step="place" says="what sky, cold and horizon do you have?" />
  <div class="row wrap figures">
    <Figure id="place.worst-month-sun" />
    <Figure id="place.annual-sun" />
  </div>
  <div class="stack">
    <section class="card grid">
      <TextField
        :model-value="place.label"
        label="Place"
        labelled
        path="place.label"
        @update:model-value="set('label', $event)"
      />
      <CoordinateField
        :model-value="place.latitudeDeg"
        axis="latitude"
        label="Latitude"
        path="place.latitudeDeg"
        @update:model-value="set('latitudeDeg', $event)"
      />
      <CoordinateField
        :model-value="place.longitudeDeg"
        axis="longitude"
        label="Longitude"
        path="place.longitudeDeg"
        @update:model-value="set('longitudeDeg', $event)"
      />
      <NumberField
        :model-value="place.elevationM"
        unit="m"
        label="Elevation"
        labelled
        path="place.elevationM"
        :step="10"
        @update:model-value="set('elevationM', $event)"
      />
      <div>
        <NumberField
          :model-value="place.utcOffsetH"
          unit="h"
          label="Clock, from UTC"
          labelled
          path="place.utcOffsetH"
          :step="0.5"
          @update:model-value="set('utcOffsetH', $event)"
        />
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
      <NumberField
        :model-value="place.recordLowC"
        unit="°C"
        label="Record low"
        labelled
        path="place.recordLowC"
        @update:model-value="set('recordLowC', $event)"
      />
      <NumberField
        :model-value="place.recordHighC"
        unit="°C"
        label="Record high"
        labelled
        path="place.recordHighC"
        @update:model-value="set('recordHighC', $event)"
      />
      <ChoiceField
        :model-value="place.wiringBasis"
        :options="[
          { value: 'awg', label: 'AWG, North America' },
          { value: 'metric', label: 'mm², IEC' },
        ]"
        label="Wire sizes"
        labelled
        @update:model-value="set('wiringBasis', $event)"
      />
      <ChoiceField
        :model-value="place.batteryRoom.kind"
        :options="rooms"
        label="Batteries’ room"
        labelled
        @update:model-value="design.change('battery room', setField('place.batteryRoom.kind', $event))"
      />
      <NumberField
        v-if="place.batteryRoom.kind === 'heated'"
        :model-value="place.batteryRoom.setC"
        unit="°C"
        label="kept at"
        labelled
        path="place.batteryRoom.setC"
        @update:model-value="design.change('room temperature', setField('place.batteryRoom.setC', $event))"
      />
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
      <NumberField
        v-if="place.brushSnowDays !== null"
        :model-value="place.brushSnowDays"
        unit="days"
        label="within"
        labelled
        path="place.brushSnowDays"
        @update:model-value="set('brushSnowDays', $event)"
      />
      <NumberField
        :model-value="place.windMS"
        unit="m/s"
        label="Wind, mean"
        labelled
        path="place.windMS"
        :step="0.5"
        @update:model-value="set('windMS', $event)"
      />
      <NumberField
        :model-value="place.albedoBare"
        unit="share"
        label="Ground reflects"
        labelled
        path="place.albedoBare"
        @update:model-value="set('albedoBare', $event)"
      />
      <NumberField
        :model-value="place.albedoSnow"
        unit="share"
        label="under snow"
        labelled
        path="place.albedoSnow"
        @update:model-value="set('albedoSnow', $event)"
      />
      <ChoiceField
        :model-value="design.document!.schools.skyModel"
        :options="SKY_MODELS"
        label="Sky model"
        labelled
        @update:model-value="design.change('sky model', setField('schools.skyModel', $event))"
      />
    </section>
    <WeatherCard />
    <SunByMonth />
    <HorizonCard />
    <DarkSpells />
    <BestTilt />
    <SourcesCompared />
  </div>
</template>

<style scoped>
.figures {
  gap: 34px;
  margin-bottom: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px 14px;
}

.zone {
  font-size: 12px;
}
</style>
