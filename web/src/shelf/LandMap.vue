<script setup lang="ts">
import { geoEquirectangular, geoPath } from 'd3-geo'
import { computed } from 'vue'
import { feature } from 'topojson-client'
import type { Topology } from 'topojson-specification'
import LAND from 'world-atlas/land-110m.json'

/**
 * The land of the world in outline (Natural Earth, public domain) with its lines of latitude, to point at a place: near
 * enough for the sun, not for the horizon. Arrow keys move the mark.
 */
const props = defineProps<{ latitudeDeg: number | null; longitudeDeg: number | null }>()
const emit = defineEmits<{ pick: [latitudeDeg: number, longitudeDeg: number] }>()
const WIDTH = 480
const HEIGHT = 240
const LINES = [-60, -45, -30, -15, 0, 15, 30, 45, 60]
const FIRST = { latitudeDeg: 45, longitudeDeg: -100 }
const projection = geoEquirectangular().fitSize([WIDTH, HEIGHT], { type: 'Sphere' })
const topology = LAND as unknown as Topology
const land = geoPath(projection)(feature(topology, topology.objects.land)) ?? ''
const y = (latitudeDeg: number) => projection([0, latitudeDeg])![1]
const mark = computed(() =>
  props.latitudeDeg === null || props.longitudeDeg === null
    ? null
    : projection([props.longitudeDeg, props.latitudeDeg]),
)
const tenth = (deg: number) => Math.round(deg * 10) / 10
function send(longitudeDeg: number, latitudeDeg: number): void {
  emit('pick', tenth(Math.max(-89, Math.min(89, latitudeDeg))), tenth(((longitudeDeg + 540) % 360) - 180))
}
function point(event: MouseEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const at = projection.invert?.([
    ((event.clientX - box.left) / box.width) * WIDTH,
    ((event.clientY - box.top) / box.height) * HEIGHT,
  ])
  if (at) send(at[0], at[1])
}
function key(event: KeyboardEvent): void {
  const by = { ArrowUp: [0, 1], ArrowDown: [0, -1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key]
  if (!by) return
  event.preventDefault()
  const step = event.shiftKey ? 10 : 1
  send(
    (props.longitudeDeg ?? FIRST.longitudeDeg) + by[0] * step,
    (props.latitudeDeg ?? FIRST.latitudeDeg) + by[1] * step,
  )
}
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="map"
    tabindex="0"
    role="img"
    :aria-label="`Map of the land. ${mark ? `The mark is at ${latitudeDeg}°, ${longitudeDeg}°.` : 'No place yet.'} Arrow keys move it by a degree, with Shift by ten.`"
    data-map
    @click="point"
    @keydown="key"
  >
    <rect :width="WIDTH" :height="HEIGHT" class="sea" />
    <path :d="land" class="land" />
    <g v-for="deg in LINES" :key="deg">
      <path :d="`M0 ${y(deg)}H${WIDTH}`" class="line" :class="{ equator: deg === 0 }" />
      <text x="3" :y="y(deg) - 2">{{ deg === 0 ? 'equator' : `${Math.abs(deg)}° ${deg > 0 ? 'N' : 'S'}` }}</text>
    </g>
    <g v-if="mark" :transform="`translate(${mark[0]} ${mark[1]})`" class="mark">
      <circle r="4.5" />
      <path d="M-9 0h18M0-9v18" />
    </g>
  </svg>
</template>

<style scoped>
.map {
  display: block;
  width: 100%;
  border: 1px solid var(--rule);
  border-radius: 4px;
  cursor: crosshair;
}

.sea {
  fill: var(--frost);
}

.land {
  fill: var(--card);
  stroke: var(--lichen);
  stroke-width: 0.6;
}

.line {
  stroke: var(--soft);
  stroke-dasharray: 2 4;
  stroke-opacity: 0.5;
}

.equator {
  stroke-dasharray: none;
}

text {
  fill: var(--soft);
  font-size: 8.5px;
}

.mark {
  fill: none;
  stroke: var(--clay);
  stroke-width: 1.6;
}
</style>
