<script setup lang="ts">
import { computed, ref } from 'vue'
import { drawnProfile, MONTH_NAMES, PRIORITIES } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { PRIORITY_NAMES } from './words.ts'

/** The average day of a month, hour by hour, stacked by priority. */
const design = useDesign()
const prefs = usePrefs()
const month = ref<number | null>(null)
const worst = computed(() => {
  const wh = design.derived?.loadsWh ?? [0]
  return wh.indexOf(Math.max(...wh))
})
const shown = computed(() => month.value ?? worst.value)
const profile = computed(() => (design.derived ? drawnProfile(design.document!.loads, shown.value) : null))
const series = computed(() =>
  profile.value
    ? PRIORITIES.map((priority) => ({ name: PRIORITY_NAMES[priority], data: profile.value![priority].map(Math.round) }))
    : [],
)
const hours = Array.from({ length: 24 }, (_, hour) => hour)
</script>

<template>
  <section v-if="profile" class="card">
    <div class="row">
      <h2>The load day</h2>
      <p class="quiet grow">
        {{ MONTH_NAMES[shown] }}, {{ prefs.show(design.derived!.loadsWh[shown], 'Wh') }} a day<template
          v-if="shown === worst"
          >, the most of the year</template
        >
      </p>
      <div class="months" role="group" aria-label="Month">
        <button
          v-for="(name, m) in MONTH_NAMES"
          :key="name"
          :class="{ on: m === shown }"
          :title="`${name}: ${prefs.show(design.derived!.loadsWh[m], 'Wh')} a day`"
          @click="month = m"
        >
          <i :style="{ height: `${(18 * design.derived!.loadsWh[m]) / design.derived!.loadsWh[worst]}px` }" />{{
            name[0]
          }}
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
</template>

<style scoped>
.months {
  display: flex;
}

.months button {
  display: flex;
  width: 22px;
  flex-direction: column;
  align-items: center;
  justify-content: flex-end;
  padding: 2px 0;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 12.5px;
  line-height: 1.2;
  cursor: pointer;
}

.months i {
  width: 10px;
  background: var(--lichen);
}

.months button:last-child {
  border-right-width: 1px;
}

.months .on {
  background: var(--spruce);
  color: var(--on-spruce);
}
</style>
