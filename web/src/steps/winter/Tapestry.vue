<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { backupName, darkSeason, MONTH_DAYS, MONTH_NAMES, seasonOf, type Place } from '@ambrel/core'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { chargeColour } from '../../drawing/chargeRamp.ts'
import type { Winters } from '../../workers/winters.ts'
import { yearsWords } from '../../frame/yearsWords.ts'
import { useWidth } from '../../drawing/useWidth.ts'

/** A row per made year, a column per day of the dark season, coloured by the day's lowest charge. */
const props = defineProps<{ winters: Winters; place: Place }>()
const emit = defineEmits<{ open: [year: number, dayOfRun: number] }>()
const design = useDesign()
const prefs = usePrefs()
const LEFT = 38
const TOP = 18
const DAYS = 365
const SHOWN = 60
/** so many steps of charge have a colour of their own: more than an eye tells apart */
const SHADES = 400
const holder = ref<HTMLElement>()
const canvas = ref<HTMLCanvasElement>()
const width = useWidth(holder)
const season = computed(() => darkSeason(seasonOf(props.place)))
const first = computed(() => (season.value.startDay - props.winters.startDay + DAYS) % DAYS)
const rows = computed(() => Math.min(props.winters.years, SHOWN))
const rowHeight = computed(() => Math.max(5, Math.min(16, Math.floor(252 / rows.value))))
const height = computed(() => TOP + rows.value * rowHeight.value + 2)
const column = computed(() => (width.value - LEFT) / season.value.days)
const picked = ref<{ year: number; day: number } | null>(null)

const months = computed(() => {
  let day = 0
  return seasonOf(props.place).months.map((month) => {
    const at = day
    day += MONTH_DAYS[month]
    return { name: MONTH_NAMES[month], at, days: MONTH_DAYS[month] }
  })
})

function draw(): void {
  const element = canvas.value
  if (!element || width.value < 50) return
  const ratio = window.devicePixelRatio || 1
  element.width = Math.round(width.value * ratio)
  element.height = Math.round(height.value * ratio)
  const pen = element.getContext('2d')!
  pen.scale(ratio, ratio)
  pen.clearRect(0, 0, width.value, height.value)
  const css = getComputedStyle(document.documentElement)
  const ink = css.getPropertyValue('--ink').trim()
  const soft = css.getPropertyValue('--soft').trim()
  const card = css.getPropertyValue('--card').trim()
  pen.font = '11.5px "Source Sans 3"'
  pen.fillStyle = soft
  for (const month of months.value) pen.fillText(month.name, LEFT + month.at * column.value + 2, 12)
  for (let year = 0; year < rows.value; year += rows.value > 20 ? 5 : 1)
    pen.fillText(`yr ${year + 1}`, 0, TOP + year * rowHeight.value + Math.min(rowHeight.value, 11))
  drawDays(pen, ink, card)
  pen.globalAlpha = 0.3
  pen.fillStyle = ink
  for (const month of months.value) pen.fillRect(LEFT + month.at * column.value, TOP, 1, rows.value * rowHeight.value)
  pen.globalAlpha = 1
}

/** Every day of every year: thousands, so what they have in common is looked up once. */
function drawDays(pen: CanvasRenderingContext2D, ink: string, card: string): void {
  const { lowest, generatorHours, shortHours } = props.winters
  const night = prefs.theme === 'night'
  const high = rowHeight.value
  const wide = column.value
  const colours = Array.from({ length: SHADES + 1 }, (_, i) => chargeColour(i / SHADES, night))
  pen.lineWidth = 1.2
  pen.strokeStyle = night ? ink : card
  for (let year = 0; year < rows.value; year++) {
    const y = TOP + year * high
    const from = year * DAYS + first.value
    for (let day = 0; day < season.value.days; day++) {
      const x = LEFT + day * wide
      const low = lowest[from + day]
      pen.fillStyle = colours[Math.round(Math.min(1, Math.max(0, low)) * SHADES)]
      pen.fillRect(x, y, wide + 0.4, high - 1)
      if (generatorHours[from + day] > 0) {
        pen.fillStyle = low < 0.45 !== night ? card : ink
        pen.fillRect(x + wide / 2 - 0.6, y + high - 4, 1.3, 3)
      }
      if (shortHours[from + day] > 0) {
        pen.beginPath()
        pen.moveTo(x, y + high - 1)
        pen.lineTo(x + wide, y)
        pen.stroke()
      }
    }
  }
}

const told = computed(() => {
  if (!picked.value) return ''
  const { year, day } = picked.value
  const at = year * DAYS + first.value + day
  const month = [...months.value].reverse().find((each) => each.at <= day)!
  const generator = props.winters.generatorHours[at]
  const short = props.winters.shortHours[at]
  return `Year ${year + 1}, ${day - month.at + 1} ${month.name}: lowest charge ${prefs.show(props.winters.lowest[at], 'share')}${generator ? `, ${backupName(design.document!)} ${prefs.show(generator, 'h')}` : ''}${short ? `, short ${prefs.show(short, 'h')}` : ''}`
})
/** Each year's dark season in four figures. */
const table = () =>
  Array.from({ length: rows.value }, (_, year) => {
    const from = year * DAYS + first.value
    const days = (list: ArrayLike<number>) => Array.from({ length: season.value.days }, (__, day) => list[from + day])
    const sum = (list: ArrayLike<number>) => days(list).reduce((total, each) => total + each, 0)
    return [
      `year ${year + 1}`,
      prefs.show(Math.min(...days(props.winters.lowest)), 'share'),
      prefs.show(sum(props.winters.generatorHours), 'h'),
      prefs.show(sum(props.winters.shortHours), 'h'),
    ]
  })
function point(event: PointerEvent): void {
  const box = canvas.value!.getBoundingClientRect()
  const day = Math.floor((event.clientX - box.left - LEFT) / column.value)
  const year = Math.floor((event.clientY - box.top - TOP) / rowHeight.value)
  picked.value = day >= 0 && day < season.value.days && year >= 0 && year < rows.value ? { year, day } : null
}
/** The week around the day that is pointed at. */
function open(): void {
  if (picked.value) emit('open', picked.value.year, first.value + picked.value.day - 3)
}
function key(event: KeyboardEvent): void {
  if (event.key === 'Enter') return open()
  const by: Record<string, [number, number]> = {
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
  }
  const step = by[event.key]
  if (!step) return
  event.preventDefault()
  const { year, day } = picked.value ?? { year: 0, day: 0 }
  picked.value = {
    year: Math.max(0, Math.min(rows.value - 1, year + step[0])),
    day: Math.max(0, Math.min(season.value.days - 1, day + step[1])),
  }
}
const mark = computed(() =>
  picked.value
    ? {
        left: `${LEFT + picked.value.day * column.value - 1}px`,
        top: `${TOP + picked.value.year * rowHeight.value - 1}px`,
        width: `${column.value + 2}px`,
        height: `${rowHeight.value + 1}px`,
      }
    : null,
)
let turn = 0
function drawSoon(): void {
  turn ||= requestAnimationFrame(() => {
    turn = 0
    draw()
  })
}
watch([() => props.winters, width, () => prefs.theme], drawSoon)
onMounted(() => document.fonts.ready.then(drawSoon))
onBeforeUnmount(() => cancelAnimationFrame(turn))
const scale = Array.from({ length: 40 }, (_, i) => 0.12 + (0.88 * i) / 39)
</script>

<template>
  <section aria-label="Winter tapestry">
    <div ref="holder" class="holder" :style="{ height: `${height}px` }">
      <canvas
        ref="canvas"
        tabindex="0"
        role="img"
        :aria-label="`Lowest charge of every dark-season day of ${rows} years. Arrow keys read a day, Enter opens its week. ${told}`"
        :style="{ width: '100%', height: `${height}px` }"
        @pointermove="point"
        @pointerleave="picked = null"
        @keydown="key"
        @click="open"
      />
      <i v-if="mark" class="mark" :style="mark" />
    </div>
    <div class="legend quiet">
      <span>lowest charge of the day</span>
      <span class="scale"
        ><i v-for="each in scale" :key="each" :style="{ background: chargeColour(each, prefs.theme === 'night') }"
      /></span>
      <span>12 % to full</span>
      <span>❘ {{ backupName(design.document!) }} ran</span>
      <span>╱ short</span>
      <span class="told" role="status">{{
        told ||
        `click a day for its week · ${yearsWords(design.document, winters.years)}, seed ${winters.seed}${winters.years > rows ? `; the first ${rows} drawn` : ''}`
      }}</span>
    </div>
    <FiguresTable
      of="The dark season of each year drawn"
      :columns="['year', 'lowest charge', `${backupName(design.document!)} hours`, 'hours short']"
      :rows="table"
    />
  </section>
</template>

<style scoped>
.holder {
  position: relative;
}

canvas {
  display: block;
  cursor: pointer;
}

.mark {
  position: absolute;
  border: 1.5px solid var(--ink);
  pointer-events: none;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  margin-top: 4px;
}

.scale {
  display: inline-flex;
  width: 140px;
  height: 10px;
}

.scale i {
  flex: 1;
}

.told {
  margin-left: auto;
}
</style>
