<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { MONTH_NAMES, type ArrayField, type Change, beginTiltSeasons, removeFrom, setField, addTo } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'

/** Tilts that are changed by hand on certain days of the year. */
const props = defineProps<{ array: ArrayField; index: number }>()
const design = useDesign()
const months = MONTH_NAMES.map((label, i) => ({ value: i + 1, label }))
const seasons = computed(() => props.array.tiltSeasons)
const at = computed(() => `arrays.${props.index}.tiltSeasons`)
function change(label: string, make: Change, key = ''): void {
  design.change(`${props.array.name}: ${label}`, make, key)
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
          @update:model-value="change('season', setField(`${at}.${i}.day`, $event), `season.${i}.d`)"
        />
        <ChoiceField
          class="month"
          :model-value="season.month"
          :options="months"
          :label="`Season ${i + 1}, month`"
          @update:model-value="change('season', setField(`${at}.${i}.month`, $event))"
        />
        <span class="quiet">at</span>
        <NumberField
          class="tilt"
          :model-value="season.tiltDeg"
          unit="°"
          :label="`Season ${i + 1}, tilt`"
          :path="`arrays.${index}.tiltSeasons.${i}.tiltDeg`"
          @update:model-value="change('season', setField(`${at}.${i}.tiltDeg`, $event), `season.${i}.t`)"
        />
        <button class="icon-button" :aria-label="`Remove season ${i + 1}`" @click="change('season', removeFrom(at, i))">
          <Trash2 :size="14" />
        </button>
      </div>
      <button
        v-if="seasons.length < 4"
        class="link"
        @click="change('season', addTo(at, { month: 2, day: 1, tiltDeg: array.tiltDeg }))"
      >
        another setting
      </button>
    </template>
    <button v-else class="link" data-seasons @click="change('seasonal tilts', beginTiltSeasons(index))">
      change the tilt with the seasons
    </button>
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
