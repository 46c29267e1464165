<script setup lang="ts">
import { computed } from 'vue'
import {
  MONTH_NAMES,
  PRIORITY_FIGURES,
  PRIORITY_WORDS,
  type Priority,
  type WinterSummary,
  type YearFigures,
  type YearLosses,
} from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import Chart from '../../drawing/Chart.vue'
import PercentileTable, { type FigureRow } from '../../drawing/PercentileTable.vue'
import { yearsWords } from '../../frame/yearsWords.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Energy by month, how bad it gets by percentile, and where the losses go. */
const props = defineProps<{ summary: WinterSummary }>()
const design = useDesign()
const prefs = usePrefs()
/** Months in the order of the run, so that winter stands in the middle. */
const order = computed(() =>
  Array.from({ length: 12 }, (_, i) => ((design.document?.place.latitudeDeg ?? 0) >= 0 ? i + 6 : i) % 12),
)
const months = computed(() => {
  const { arrayKWh, toBankKWh, otherKWh, gridKWh, generatorKWh, curtailedKWh, unmetKWh } = props.summary.months
  const pick = (name: string, colour: string, values: readonly number[]) => ({
    name,
    colour,
    data: order.value.map((month) => Math.round(values[month])),
  })
  const all = [
    pick(
      'array to loads',
      '--lichen',
      arrayKWh.map((all, month) => all - toBankKWh[month]),
    ),
    pick('array to bank', '--spruce', toBankKWh),
    pick('other source', '--soft', otherKWh),
    pick('grid', '--ink', gridKWh),
    pick('backup', '--slate', generatorKWh),
    pick('curtailed', '--ochre', curtailedKWh),
    pick('short', '--clay', unmetKWh),
  ]
  return all.filter(({ data }, i) => i < 2 || data.some((kWh) => kWh > 0))
})
const backed = computed(() => design.document!.generator.present)
const SHORT = (Object.keys(PRIORITY_WORDS) as Priority[]).map((priority) => ({
  name: `${PRIORITY_FIGURES.shortHours.label}, ${PRIORITY_WORDS[priority]}`,
  of: (year: YearFigures) => prefs.show(year.shortHours[priority], PRIORITY_FIGURES.shortHours.unit),
}))
const rows = computed<FigureRow[]>(() => [
  'lowestStateOfCharge',
  ...SHORT,
  ...(backed.value ? (['generatorHours', 'fuelL'] as const) : []),
  ...(design.document!.grid.present ? (['gridWh'] as const) : []),
  'curtailedWh',
  'longestSinceFullDays',
  'longestSpellDays',
  'coldLockHours',
])
const LOSSES: { key: keyof YearLosses; name: string }[] = [
  { key: 'idleWh', name: 'inverter, at rest' },
  { key: 'conversionWh', name: 'inverter, under load' },
  { key: 'batteryWh', name: 'bank, charging and by itself' },
  { key: 'controllersWh', name: 'charge controllers' },
  { key: 'selfWh', name: 'controllers’ own draw' },
  { key: 'chargerWh', name: 'charger' },
  { key: 'heaterWh', name: 'bank heaters' },
  { key: 'equaliseWh', name: 'equalising' },
]
const losses = computed(() => {
  const list = LOSSES.map(({ key, name }) => ({ name, wh: props.summary.losses[key] })).filter(({ wh }) => wh >= 500)
  const top = Math.max(1, ...list.map(({ wh }) => wh))
  const total = list.reduce((sum, { wh }) => sum + wh, 0)
  return { list: list.sort((a, b) => b.wh - a.wh), top, total }
})
</script>

<template>
  <section class="card" data-months>
    <h2 data-part="Energy by month">Energy by month, mean of {{ yearsWords(design.document, summary.years) }}</h2>
    <Chart
      over="month"
      type="bar"
      stacked
      :series="months"
      :categories="order.map((month) => MONTH_NAMES[month])"
      :colours="months.map(({ colour }) => colour)"
      :height="210"
      :format="(value: number) => `${value} kWh`"
      label="Energy by month: array to loads and to the bank, other sources, backup, curtailed, short"
    />
  </section>
  <section class="card two">
    <div data-percentiles>
      <h2>How bad it gets</h2>
      <PercentileTable :summary="summary" :rows="rows" />
      <p class="quiet">Each figure by itself, its bad side, over {{ yearsWords(design.document, summary.years) }}.</p>
    </div>
    <div data-losses>
      <h2>Where the losses go</h2>
      <div v-for="loss in losses.list" :key="loss.name" class="loss">
        <span>{{ loss.name }}</span>
        <b>{{ prefs.show(loss.wh, 'Wh') }}</b>
        <i :style="{ width: `${(100 * loss.wh) / losses.top}%` }" />
      </div>
      <p class="quiet">
        {{ prefs.show(losses.total, 'Wh') }} in a mean year,
        {{ decimal((100 * losses.total) / Math.max(1, summary.sourcesWh), 0) }} % of all that sun and backup offer.
        Curtailed sun is not lost: nobody wanted it.
      </p>
    </div>
  </section>
</template>

<style scoped>
.loss {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 1px 10px;
  margin-top: 5px;
}

.loss i {
  grid-column: 1 / 3;
  height: 6px;
  background: var(--ochre);
}
</style>
