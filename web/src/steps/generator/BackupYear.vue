<script setup lang="ts">
import { computed } from 'vue'
import { MONTH_NAMES, runningCost, type WinterSummary, type YearFigures } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import PercentileTable, { type FigureRow } from '../../drawing/PercentileTable.vue'
import { yearsWords } from '../../frame/yearsWords.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What the backup does in a year: typical, 1 in 5, 1 in 10 and the worst there was; and its months. */
const props = defineProps<{ winter: WinterSummary }>()
const design = useDesign()
const prefs = usePrefs()
const generator = computed(() => design.document!.generator)
const burns = computed(() => generator.value.kind !== 'shore')
const rows = computed<FigureRow[]>(() => [
  'generatorStarts',
  'generatorHours',
  'generatorWh',
  {
    name: 'share of what is served',
    of: (year) => prefs.show(year.servedWh > 0 ? year.generatorWh / year.servedWh : 0, 'share'),
  },
  ...(burns.value ? (['fuelL'] as const) : []),
  ...(design.document!.grid.present ? (['gridWh'] as const) : []),
  {
    name: `money, ${design.document!.budget.currency}`,
    of: (year) => prefs.show(runningCost(year, design.document!).money, ''),
  },
  ...(generator.value.kind === 'generator'
    ? [
        {
          name: `oil changes, every ${generator.value.oilEveryH} h`,
          of: (year: YearFigures) => String(runningCost(year, design.document!).oilChanges),
        },
        {
          name: `fuel to hold, worst ${prefs.show(generator.value.fuelTripDays, 'days')}`,
          of: (year: YearFigures) => prefs.show(year.fuelBetweenTripsL, 'L'),
        },
      ]
    : []),
  ...(generator.value.equaliseEveryDays === null ? [] : (['equalisations'] as const)),
])
const order = computed(() =>
  Array.from({ length: 12 }, (_, i) => ((design.document?.place.latitudeDeg ?? 0) >= 0 ? i + 6 : i) % 12),
)
const hours = computed(() => [
  { name: 'hours', data: order.value.map((month) => Number(props.winter.months.generatorHours[month].toFixed(1))) },
])
</script>

<template>
  <section class="card" data-backup-year>
    <div class="two">
      <div>
        <h2>What it does in a year</h2>
        <PercentileTable :summary="winter" :rows="rows" />
        <p class="quiet">
          Each figure by itself, over {{ yearsWords(design.document, winter.years) }}.
          <template v-if="generator.kind === 'generator' && winter.generatorLoading > 0"
            >While it runs it works at {{ prefs.show(winter.generatorLoading, 'share') }} of its real power, on
            average.</template
          >
        </p>
      </div>
      <div>
        <h2>Hours by month</h2>
        <Chart
          over="month"
          type="bar"
          :series="hours"
          :categories="order.map((month) => MONTH_NAMES[month])"
          :colours="['--slate']"
          :height="210"
          :format="(value: number) => `${value} h`"
          label="Backup hours by month, mean of the years"
        />
      </div>
    </div>
  </section>
</template>
