<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import type { ArrayField, ModulePart } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import ModuleSheet from './ModuleSheet.vue'
import TiltSeasons from './TiltSeasons.vue'

const props = defineProps<{ index: number }>()
const design = useDesign()
const prefs = usePrefs()
const array = computed(() => design.document!.arrays[props.index])
const path = (key: string) => `arrays.${props.index}.${key}`
function set<K extends keyof ArrayField>(key: K, value: ArrayField[K] | null): void {
  design.edit(
    `${array.value.name}: ${key}`,
    (draft) => (draft.arrays[props.index][key] = value as ArrayField[K]),
    path(key),
  )
}
const controllers = computed(() => design.document!.controllers.map(({ id, name }) => ({ value: id, label: name })))
/** The trackers of its controller, where there is a choice. */
const trackers = computed(() => {
  const part = design.document!.controllers.find(({ id }) => id === array.value.controllerId)?.part
  return Array.from({ length: part?.trackers ?? 1 }, (_, i) => ({ value: i + 1, label: `${i + 1}` }))
})
const TRACKING = [
  { value: 'fixed' as const, label: 'fixed' },
  { value: 'single-axis' as const, label: 'turning, N–S axis' },
]
const SITES = [
  { value: 'ground' as const, label: 'ground' },
  { value: 'roof' as const, label: 'roof' },
]
const derived = computed(() => design.derived?.arrays[props.index])
</script>

<template>
  <section class="card">
    <div class="row head">
      <TextField
        class="name"
        :model-value="array.name"
        label="Array name"
        :path="path('name')"
        @update:model-value="set('name', $event)"
      />
      <p class="quiet grow">
        {{ prefs.show(derived?.ratedW, 'W') }} · {{ prefs.show(derived?.worstSunHours, 'h') }} of sun in its worst month
      </p>
      <button
        class="icon-button"
        :aria-label="`Remove ${array.name}`"
        title="Remove"
        @click="design.edit(`remove ${array.name}`, (d) => d.arrays.splice(index, 1))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
    <div class="grid">
      <PartPicker
        class="wide"
        :model-value="array.module"
        kind="module"
        label="Module"
        @update:model-value="set('module', $event as ModulePart)"
      />
      <NumberField
        :model-value="array.inSeries"
        label="In series"
        labelled
        :path="path('inSeries')"
        @update:model-value="set('inSeries', $event)"
      />
      <NumberField
        :model-value="array.inParallel"
        label="Strings"
        labelled
        :path="path('inParallel')"
        @update:model-value="set('inParallel', $event)"
      />
      <ChoiceField
        :model-value="array.tracking"
        :options="TRACKING"
        label="Stands"
        labelled
        @update:model-value="set('tracking', $event)"
      />
      <NumberField
        v-if="array.tracking === 'fixed' && array.tiltSeasons.length === 0"
        :model-value="array.tiltDeg"
        unit="°"
        label="Tilt"
        labelled
        :path="path('tiltDeg')"
        @update:model-value="set('tiltDeg', $event)"
      />
      <NumberField
        v-if="array.tracking === 'fixed'"
        :model-value="array.azimuthDeg"
        unit="°"
        label="Facing"
        labelled
        :path="path('azimuthDeg')"
        @update:model-value="set('azimuthDeg', $event)"
      />
      <ChoiceField
        :model-value="array.controllerId"
        :options="controllers"
        label="On"
        labelled
        :path="path('controllerId')"
        @update:model-value="set('controllerId', $event)"
      />
      <ChoiceField
        v-if="trackers.length > 1"
        :model-value="array.tracker"
        :options="trackers"
        label="Its tracker"
        labelled
        @update:model-value="set('tracker', $event)"
      />
      <ChoiceField
        :model-value="array.site"
        :options="SITES"
        label="On the"
        labelled
        @update:model-value="set('site', $event)"
      />
      <NumberField
        :model-value="array.horizonShare"
        unit="share"
        label="Horizon in its way"
        labelled
        :path="path('horizonShare')"
        :step="10"
        @update:model-value="set('horizonShare', $event)"
      />
      <ChoiceField
        :model-value="array.mounting"
        :options="[
          { value: 'open-rack', label: 'open rack' },
          { value: 'roof-parallel', label: 'close to a roof' },
        ]"
        label="Mounting"
        labelled
        @update:model-value="set('mounting', $event)"
      />
      <NumberField
        :model-value="array.soilingLoss"
        unit="share"
        label="Soiling"
        labelled
        :path="path('soilingLoss')"
        @update:model-value="set('soilingLoss', $event)"
      />
      <NumberField
        :model-value="array.wiringLoss"
        unit="share"
        label="Wiring"
        labelled
        :path="path('wiringLoss')"
        @update:model-value="set('wiringLoss', $event)"
      />
      <NumberField
        :model-value="array.mismatchLoss"
        unit="share"
        label="Mismatch"
        labelled
        :path="path('mismatchLoss')"
        @update:model-value="set('mismatchLoss', $event)"
      />
      <NumberField
        :model-value="array.ageYears"
        unit="years"
        label="Age"
        labelled
        :path="path('ageYears')"
        @update:model-value="set('ageYears', $event)"
      />
    </div>
    <TiltSeasons v-if="array.tracking === 'fixed'" :array="array" :index="index" />
    <ModuleSheet :index="index" />
  </section>
</template>

<style scoped>
.head {
  margin-bottom: 8px;
}

.name {
  width: 200px;
  font-weight: 600;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  gap: 8px 12px;
}

.wide {
  grid-column: span 2;
}
</style>
