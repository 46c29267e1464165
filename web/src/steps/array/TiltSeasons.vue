<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { MONTH_NAMES, type ArrayField } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'

/** Tilts that are changed by hand on certain days of the year. */
const props = defineProps<{ array: ArrayField; index: number }>()
const design = useDesign()
const months = MONTH_NAMES.map((label, i) => ({ value: i + 1, label }))
const seasons = computed(() => props.array.tiltSeasons)
function change(label: string, make: (array: ArrayField) => void, key = ''): void {
  design.edit(`${props.array.name}: ${label}`, (draft) => make(draft.arrays[props.index]), key)
}
/** Two settings to begin with: flatter from April, as it stands from October; turned about in the south. */
function begin(): void {
  const south = design.document!.place.latitudeDeg < 0
  change('seasonal tilts', (array) => {
    array.tiltSeasons = [
      { month: south ? 4 : 10, day: 1, tiltDeg: array.tiltDeg },
      { month: south ? 10 : 4, day: 1, tiltDeg: Math.max(0, array.tiltDeg - 35) },
    ]
  })
}
</script>

<template>
  <div class="seasons">
    <template v-if="seasons.length > 0">
      <div v-for="(season, i) in seasons" :key="i" class="row season">
        <span class="quiet">from</span>
        <NumberField
          class="day"
          :model-value="season.day"
          :label="`Season ${i + 1}, day`"
          :path="`arrays.${index}.tiltSeasons.${i}.day`"
          @update:model-value="change('season', (a) => (a.tiltSeasons[i].day = $event!), `season.${i}.d`)"
        />
        <ChoiceField
          class="month"
          :model-value="season.month"
          :options="months"
          :label="`Season ${i + 1}, month`"
          @update:model-value="change('season', (a) => (a.tiltSeasons[i].month = $event))"
        />
        <span class="quiet">at</span>
        <NumberField
          class="tilt"
          :model-value="season.tiltDeg"
          unit="°"
          :label="`Season ${i + 1}, tilt`"
          :path="`arrays.${index}.tiltSeasons.${i}.tiltDeg`"
          @update:model-value="change('season', (a) => (a.tiltSeasons[i].tiltDeg = $event!), `season.${i}.t`)"
        />
        <button
          class="icon-button"
          :aria-label="`Remove season ${i + 1}`"
          @click="change('season', (a) => a.tiltSeasons.splice(i, 1))"
        >
          <Trash2 :size="14" />
        </button>
      </div>
      <button
        v-if="seasons.length < 4"
        class="link"
        @click="change('season', (a) => a.tiltSeasons.push({ month: 2, day: 1, tiltDeg: a.tiltDeg }))"
      >
        another setting
      </button>
    </template>
    <button v-else class="link" data-seasons @click="begin">change the tilt with the seasons</button>
  </div>
</template>

<style scoped>
.seasons {
  margin-top: 8px;
}

.season {
  gap: 6px;
  margin-bottom: 4px;
}

.day {
  width: 52px;
}

.month {
  width: 76px;
}

.tilt {
  width: 70px;
}
</style>
