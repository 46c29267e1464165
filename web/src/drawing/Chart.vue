<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed } from 'vue'
import type { ApexOptions } from 'apexcharts'
import { usePrefs } from '../stores/prefs.ts'
import { chartSentence } from './chartWords.ts'
import FiguresTable from './FiguresTable.vue'
import { useIdle } from './useIdle.ts'
import { fetched } from '../frame/fetching.ts'

const ApexChart = fetched(() => import('vue3-apexcharts'))

const props = defineProps<{
  type: 'bar' | 'line' | 'area'
  series: { name: string; data: number[] }[]
  categories: (string | number)[]
  colours: string[]
  height: number
  format: (value: number) => string
  stacked?: boolean
  label: string
  /** what the categories are, over the first column of its table */
  over: string
  tickAmount?: number
  /** a value every bar is to be seen against, with its words */
  level?: { at: number; says: string }
  /** a category to be pointed out, with its words */
  marked?: { category: string; says: string }
}>()
const prefs = usePrefs()
/** A chart costs more than all the figures beside it, so these come first. */
const idle = useIdle()
/**
 * A chart takes far longer to redraw than the strip: it waits its turn, and is left alone where what it would draw is the
 * same. Its parents make their lists and functions anew with every edit, so they are compared by what they hold.
 */
const WAIT_MS = 400
const settledOf = <T>(pick: () => T) => {
  const settled = refDebounced(
    computed(() => JSON.stringify(pick())),
    WAIT_MS,
  )
  return computed(() => JSON.parse(settled.value) as T)
}
const settled = settledOf(() => props.series)
const shape = settledOf(() => {
  const { type, categories, colours, stacked, tickAmount, level, marked } = props
  return { type, categories, colours, stacked, tickAmount, level, marked }
})
/** What the chart looks like does not rest on its figures: where only these change it is drawn once, not twice. */
const isOfSeveral = computed(() => settled.value.length > 1)
const format = (value: number) => props.format(value)
const sentence = computed(() => chartSentence(settled.value, shape.value.categories, format))
const rows = () =>
  shape.value.categories.map((category, i) => [category, ...settled.value.map(({ data }) => format(data[i]))])

/** Colours come from the theme's own variables, so that a chart follows it. */
const resolve = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

const options = computed<ApexOptions>(() => {
  const night = prefs.theme === 'night'
  const { type, categories, colours, stacked, tickAmount, level, marked } = shape.value
  return {
    chart: {
      toolbar: { show: false },
      animations: { enabled: false },
      stacked,
      zoom: { enabled: false },
      fontFamily: 'Source Sans 3',
      background: 'transparent',
      foreColor: night ? '#a3aea8' : '#566462',
    },
    theme: { mode: night ? 'dark' : 'light' },
    colors: colours.map((name) => (prefs.theme, resolve(name))),
    dataLabels: { enabled: false },
    stroke: { width: type === 'bar' ? 0 : 2, curve: 'straight' },
    grid: { borderColor: night ? '#36453f' : '#ded8c8', padding: { left: 6, right: 0, top: -14, bottom: -4 } },
    plotOptions: { bar: { columnWidth: '76%', borderRadius: 1 } },
    xaxis: {
      categories,
      tickAmount,
      axisTicks: { show: false },
      labels: { rotate: 0, hideOverlappingLabels: true },
    },
    yaxis: { labels: { formatter: format }, forceNiceScale: true, min: 0 },
    legend: {
      show: isOfSeveral.value,
      position: 'top',
      horizontalAlign: 'left',
      fontSize: '12.5px',
      offsetY: 2,
      markers: { size: 5 },
    },
    tooltip: { y: { formatter: format }, shared: true, intersect: false },
    annotations: {
      yaxis: level
        ? [
            {
              y: level.at,
              borderColor: resolve('--slate'),
              strokeDashArray: 4,
              label: {
                text: level.says,
                borderWidth: 0,
                style: { background: resolve('--card'), color: resolve('--slate') },
              },
            },
          ]
        : [],
      xaxis: marked
        ? [
            {
              x: marked.category,
              borderColor: resolve('--clay'),
              label: {
                text: marked.says,
                orientation: 'horizontal',
                borderWidth: 0,
                style: { background: resolve('--card'), color: resolve('--clay') },
              },
            },
          ]
        : [],
    },
    states: { hover: { filter: { type: 'none' } } },
  }
})
</script>

<template>
  <figure class="chart">
    <div class="drawn" :style="{ minHeight: `${height}px` }" :aria-label="`${label}. ${sentence}`" role="img">
      <ApexChart v-if="idle" :type="type" :height="height" :options="options" :series="settled" />
    </div>
    <FiguresTable :of="label" :columns="[over, ...settled.map(({ name }) => name)]" :rows="rows" />
  </figure>
</template>

<style scoped>
.chart {
  margin: 0;
  min-width: 0;
}

.drawn {
  overflow: hidden;
  margin-bottom: -14px;
}

.drawn + :deep(.figures-table) {
  position: relative;
}
</style>
