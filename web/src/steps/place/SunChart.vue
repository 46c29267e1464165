<script setup lang="ts">
import { computed } from 'vue'
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
const NAMES: Record<number, string> = { 0: 'N', 90: 'E', 180: 'S', 270: 'W' }
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="sun"
    role="img"
    aria-label="Sun paths of December, March and June over the horizon"
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
  </svg>
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

.skyline {
  fill: var(--lichen);
  fill-opacity: 0.55;
  stroke: var(--spruce);
  stroke-width: 1.4;
}
</style>
