<script setup lang="ts">
import { computed, ref } from 'vue'
import { horizonAt, MEAN_DAYS, MONTH_NAMES, sunPosition } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'

/** Sun paths of three months over the horizon: azimuth across, elevation up. */
const WIDTH = 460
const HEIGHT = 220
const LEFT = 26
const BOTTOM = 22
const TOP_DEG = 75
const design = useDesign()
const place = computed(() => design.document!.place)
const sound = computed(() => design.derived !== null)
const centre = computed(() => (place.value.latitudeDeg >= 0 ? 180 : 0))
const fold = (azimuth: number) => ((azimuth - centre.value + 540) % 360) - 180
const x = (azimuth: number) => LEFT + ((fold(azimuth) + 180) / 360) * (WIDTH - LEFT - 4)
const y = (elevation: number) =>
  HEIGHT - BOTTOM - (Math.min(TOP_DEG, Math.max(0, elevation)) / TOP_DEG) * (HEIGHT - BOTTOM - 8)

const paths = computed(() => {
  if (!sound.value) return []
  const { latitudeDeg, longitudeDeg, utcOffsetH } = place.value
  return [11, 2, 5].map((month) => {
    const hours = Array.from({ length: 24 * 4 }, (_, i) => {
      const hour = i / 4
      const at = Date.UTC(2001, 0, MEAN_DAYS[month]) + (hour - utcOffsetH) * 3_600_000
      return { hour, ...sunPosition(latitudeDeg, longitudeDeg, at) }
    }).filter((each) => each.elevationDeg > 0)
    const sorted = [...hours].sort((a, b) => fold(a.azimuthDeg) - fold(b.azimuthDeg))
    return {
      month,
      line: sorted
        .map((each, i) => `${i ? 'L' : 'M'}${x(each.azimuthDeg).toFixed(1)} ${y(each.elevationDeg).toFixed(1)}`)
        .join(''),
      marks: hours.filter((each) => Number.isInteger(each.hour) && each.hour % 3 === 0),
      top: hours.reduce((best, each) => (each.elevationDeg > best.elevationDeg ? each : best), hours[0]),
    }
  })
})

const skyline = computed(() => {
  const steps = Array.from({ length: 181 }, (_, i) => centre.value - 180 + i * 2)
  const line = steps.map(
    (azimuth, i) =>
      `${i === 0 ? 'M' : 'L'}${(LEFT + (i / 180) * (WIDTH - LEFT - 4)).toFixed(1)} ${y(horizonAt(place.value.horizon, azimuth).elevationDeg).toFixed(1)}`,
  )
  return `${line.join('')}L${WIDTH - 4} ${y(0)}L${LEFT} ${y(0)}Z`
})
const compass = computed(() =>
  [-180, -90, 0, 90].map((off) => ({
    azimuth: (centre.value + off + 360) % 360,
    at: LEFT + ((off + 180) / 360) * (WIDTH - LEFT - 4),
  })),
)
/** Where the pointer is, in whole degrees; the chart's own width does not matter. */
const chart = ref<SVGSVGElement>()
function degreesAt(event: PointerEvent | MouseEvent): { azimuthDeg: number; elevationDeg: number } {
  const box = chart.value!.getBoundingClientRect()
  const across = ((event.clientX - box.left) / box.width) * WIDTH
  const down = ((event.clientY - box.top) / box.height) * HEIGHT
  const azimuth = centre.value - 180 + ((across - LEFT) / (WIDTH - LEFT - 4)) * 360
  const elevation = ((HEIGHT - BOTTOM - down) / (HEIGHT - BOTTOM - 8)) * TOP_DEG
  return {
    azimuthDeg: (Math.round(Math.min(centre.value + 180, Math.max(centre.value - 180, azimuth))) + 360) % 360,
    elevationDeg: Math.round(Math.min(90, Math.max(0, elevation)) * 2) / 2,
  }
}

function move(index: number, to: { azimuthDeg: number; elevationDeg: number }): void {
  design.edit('horizon', (draft) => Object.assign(draft.place.horizon[index], to), `horizon.${index}`)
}
function drag(index: number, event: PointerEvent): void {
  if (event.buttons === 1) move(index, degreesAt(event))
}
function grab(event: PointerEvent): void {
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function add(event: MouseEvent): void {
  const at = degreesAt(event)
  design.edit('new horizon point', (draft) => {
    draft.place.horizon.push({ ...at, cover: horizonAt(draft.place.horizon, at.azimuthDeg).cover })
    draft.place.horizon.sort((a, b) => a.azimuthDeg - b.azimuthDeg)
  })
}
function key(index: number, event: KeyboardEvent): void {
  const { azimuthDeg, elevationDeg } = place.value.horizon[index]
  const steps: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, 0.5],
    ArrowDown: [0, -0.5],
  }
  const step = steps[event.key]
  if (step)
    move(index, {
      azimuthDeg: (azimuthDeg + step[0] + 360) % 360,
      elevationDeg: Math.min(90, Math.max(0, elevationDeg + step[1])),
    })
  else if (event.key === 'Delete' || event.key === 'Backspace')
    design.edit('remove horizon point', (draft) => draft.place.horizon.splice(index, 1))
  else return
  event.preventDefault()
}
const NAMES: Record<number, string> = { 0: 'N', 90: 'E', 180: 'S', 270: 'W' }
</script>

<template>
  <svg
    ref="chart"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="sun"
    role="group"
    aria-label="Sun paths of December, March and June over the horizon"
    @dblclick="add"
  >
    <g v-for="deg in [0, 15, 30, 45, 60]" :key="deg">
      <path :d="`M${LEFT} ${y(deg)}H${WIDTH - 4}`" class="grid" />
      <text :x="LEFT - 5" :y="y(deg) + 4" class="n">{{ deg }}°</text>
    </g>
    <text v-for="each in compass" :key="each.azimuth" :x="each.at" :y="HEIGHT - 6" class="dir">
      {{ NAMES[each.azimuth] }}
    </text>
    <g v-for="path in paths" :key="path.month" :class="`path m${path.month}`">
      <path :d="path.line" />
      <template v-for="mark in path.marks" :key="mark.hour">
        <circle :cx="x(mark.azimuthDeg)" :cy="y(mark.elevationDeg)" r="2.4" />
        <text :x="x(mark.azimuthDeg)" :y="y(mark.elevationDeg) - 5" class="hour">{{ mark.hour }}</text>
      </template>
      <text v-if="path.top" :x="x(path.top.azimuthDeg) + 30" :y="y(path.top.elevationDeg) - 8" class="name">
        {{ MONTH_NAMES[path.month] }}
      </text>
    </g>
    <path :d="skyline" class="skyline" />
    <circle
      v-for="(point, i) in place.horizon"
      :key="i"
      :cx="x(point.azimuthDeg)"
      :cy="y(point.elevationDeg)"
      r="5.5"
      class="handle"
      tabindex="0"
      role="slider"
      :aria-label="`Horizon point ${i + 1}, azimuth ${point.azimuthDeg}°`"
      aria-valuemin="0"
      aria-valuemax="90"
      :aria-valuenow="point.elevationDeg"
      :data-horizon="i"
      @pointerdown="grab"
      @pointermove="drag(i, $event)"
      @keydown="key(i, $event)"
      @dblclick.stop
    />
  </svg>
  <p class="quiet">Drag a point, or move it with the arrow keys; double-click adds one, Delete removes it.</p>
</template>

<style scoped>
.sun {
  width: 100%;
  margin-top: 6px;
}

.grid {
  stroke: var(--rule);
}

text {
  fill: var(--soft);
  font-size: 11px;
}

.n {
  text-anchor: end;
}

.dir,
.hour {
  text-anchor: middle;
}

.hour {
  font-size: 9.5px;
}

.path path {
  fill: none;
  stroke: var(--ochre);
  stroke-width: 1.8;
}

.path circle {
  fill: var(--ochre);
}

.m11 path {
  stroke: var(--clay);
}

.m11 circle {
  fill: var(--clay);
}

.name {
  fill: var(--ink);
  font-size: 12px;
}

.handle {
  fill: var(--card);
  stroke: var(--spruce);
  stroke-width: 2;
  cursor: grab;
  touch-action: none;
}

.handle:hover,
.handle:focus-visible {
  fill: var(--ochre);
}

.skyline {
  fill: var(--lichen);
  fill-opacity: 0.55;
  stroke: var(--spruce);
  stroke-width: 1.4;
}
</style>
