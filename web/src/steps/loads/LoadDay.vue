<script setup lang="ts">
import { computed, ref } from 'vue'
import { drawnProfile, inWeek, MONTH_NAMES, PRIORITIES, PRIORITY_WORDS } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import MonthPicker from '../../fields/MonthPicker.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The average day of a month, hour by hour, stacked by priority. */
const design = useDesign()
const prefs = usePrefs()
const month = ref<number | null>(null)
const worst = computed(() => {
  const wh = design.derived?.loadsWh ?? [0]
  return wh.indexOf(Math.max(...wh))
})
const shown = computed(() => month.value ?? worst.value)
const profile = computed(() => (design.derived ? drawnProfile(inWeek(design.document!).loads, shown.value) : null))
const series = computed(() =>
  profile.value
    ? PRIORITIES.map((priority) => ({ name: PRIORITY_WORDS[priority], data: profile.value![priority].map(Math.round) }))
    : [],
)
const titles = computed(() =>
  MONTH_NAMES.map((name, m) => `${name}: ${prefs.show(design.derived!.loadsWh[m], 'Wh')} a day`),
)
const hours = Array.from({ length: 24 }, (_, hour) => hour)
</script>

<template>
  <section v-if="profile" class="card">
    <div class="row wrap">
      <h2>The load day</h2>
      <p class="quiet grow">
        {{ MONTH_NAMES[shown] }}, {{ prefs.show(design.derived!.loadsWh[shown], 'Wh') }} a day<template
          v-if="shown === worst"
          >, the most of the year</template
        >
      </p>
      <MonthPicker
        :chosen="[shown]"
        label="Month"
        :titles="titles"
        :heights="design.derived!.loadsWh.map((wh) => wh / Math.max(1, design.derived!.loadsWh[worst]))"
        @pick="month = $event"
      />
    </div>
    <Chart
      over="hour"
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
</template>
