<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { type ArrayField, type ModulePart, removeArray, takeModule } from '@ambrel/core'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid, { type GridField } from '../../fields/FieldGrid.vue'
import PartPicker from '../../fields/PartPicker.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import ModuleSheet from './ModuleSheet.vue'
import TiltSeasons from './TiltSeasons.vue'

const props = defineProps<{ index: number }>()
const design = useDesign()
const prefs = usePrefs()
const array = computed(() => design.document!.arrays[props.index])
const path = (key: string) => `arrays.${props.index}.${key}`
const controllers = computed(() => design.document!.controllers.map(({ id, name }) => ({ value: id, label: name })))
/** The trackers of its controller, where there is a choice. */
const trackers = computed(() => {
  const part = design.document!.controllers.find(({ id }) => id === array.value.controllerId)?.part
  return Array.from({ length: part?.trackers ?? 1 }, (_, i) => ({ value: i + 1, label: `${i + 1}` }))
})
const fields = computed<GridField[]>(() => {
  const { tracking, tiltSeasons } = array.value
  const fixed = tracking === 'fixed'
  return [
    path('inSeries'),
    path('inParallel'),
    path('tracking'),
    ...(fixed && tiltSeasons.length === 0 ? [path('tiltDeg')] : []),
    ...(fixed ? [path('azimuthDeg')] : []),
    { path: path('controllerId'), options: controllers.value },
    ...(trackers.value.length > 1 ? [{ path: path('tracker'), options: trackers.value }] : []),
    path('site'),
    path('mounting'),
  ]
})
const fold = computed(() => ({
  name: 'array',
  says: 'Horizon, orientation, losses, age, breaker',
  fields: FOLDED.map(path),
}))
const FOLDED: (keyof ArrayField)[] = [
  'horizonShare',
  'orientation',
  'soilingLoss',
  'wiringLoss',
  'mismatchLoss',
  'lightInducedLoss',
  'ageYears',
  'breakerV',
]
const derived = computed(() => design.derived?.arrays[props.index])
</script>

<template>
  <section class="card">
    <div class="row head">
      <DocumentField class="name" :path="path('name')" />
      <p class="quiet grow">
        {{ prefs.show(derived?.ratedW, 'W') }} · {{ prefs.show(derived?.worstSunHours, 'h') }} of sun in its worst month
      </p>
      <button
        class="icon-button"
        :aria-label="`Remove ${array.name}`"
        title="Remove"
        @click="design.change(`remove ${array.name}`, removeArray(index))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
    <FieldGrid :fields="fields" :fold="fold" column-width="104px">
      <PartPicker
        class="wide"
        :model-value="array.module"
        kind="module"
        label="Module"
        @update:model-value="design.change(`module: ${$event.name}`, takeModule(index, $event as ModulePart))"
      />
    </FieldGrid>
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

.wide {
  grid-column: span 2;
}
</style>
