<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import {
  horizonAt,
  MONTH_NAMES,
  type HorizonPoint,
  addHorizonPoint,
  removeFrom,
  setField,
  setHorizon,
} from '@ambrel/core'
import { inDrawing, useCarried } from '../../drag/carried.ts'
import { useDesign } from '../../stores/design.ts'
import { HEIGHT, SunFrame, WIDTH } from './sunPaths.ts'

/**
 * Sun paths of the year over the horizon. A drag stays in the chart, told by `dragged`, until the pointer is let go:
 * one edit, one step to undo, and nothing else has to keep up with the pointer.
 */
const emit = defineEmits<{ dragged: [points: HorizonPoint[] | null] }>()
const design = useDesign()
const place = computed(() => design.document!.place)
const sound = computed(() => design.derived !== null)
const held = shallowRef<HorizonPoint[] | null>(null)
const points = computed(() => held.value ?? place.value.horizon)
const chart = ref<SVGSVGElement>()

const frame = computed(() => {
  const { latitudeDeg, longitudeDeg, utcOffsetH, horizon } = place.value
  return new SunFrame(
    { latitudeDeg, longitudeDeg, utcOffsetH },
    Math.max(0, ...horizon.map((each) => each.elevationDeg)),
  )
})
const paths = computed(() => (sound.value ? frame.value.paths() : []))
/** The three that bound and halve the year are drawn strong and carry hours; the others stay thin. */
const strong = (month: number) => month === 11 || month === 5 || month === 2
const grid = computed(() => [0, 15, 30, 45, 60, 75, 90].filter((deg) => deg <= frame.value.topDeg))
const compass = computed(() =>
  [-180, -90, 0, 90].map((off) => ({ name: NAMES[(frame.value.centre + off + 360) % 360], x: frame.value.xOf(off) })),
)
const NAMES: Record<number, string> = { 0: 'N', 90: 'E', 180: 'S', 270: 'W' }

/** The profile in stretches, one for each cover. */
const stretches = computed(() => {
  const out: { cover: HorizonPoint['cover']; d: string }[] = []
  let run: string[] = []
  let cover: HorizonPoint['cover'] | null = null
  let from = 0
  const close = (to: number) => {
    if (cover && run.length > 0)
      out.push({
        cover,
        d: `M${from.toFixed(1)} ${frame.value.y(0)}L${run.join('L')}L${to.toFixed(1)} ${frame.value.y(0)}Z`,
      })
  }
  for (let off = -180; off <= 180; off++) {
    const here = horizonAt(points.value, frame.value.centre + off)
    const x = frame.value.xOf(off)
    const at = `${x.toFixed(1)} ${frame.value.y(here.elevationDeg).toFixed(1)}`
    if (here.cover !== cover) {
      run.push(at)
      close(x)
      cover = here.cover
      run = []
      from = x
    }
    run.push(at)
  }
  close(frame.value.xOf(180))
  return out
})

const { carries, putBack } = useCarried<number>({
  moved: ({ what, x, y }) => {
    held.value = place.value.horizon.map((point, i) => (i === what ? { ...point, ...frame.value.at(x, y) } : point))
    emit('dragged', held.value)
  },
  dropped: () => {
    const moved = held.value
    letGo()
    if (moved && JSON.stringify(moved) !== JSON.stringify(place.value.horizon))
      design.change('horizon', setHorizon(moved))
  },
  putBack: letGo,
})
function letGo(): void {
  held.value = null
  emit('dragged', null)
}
function move(index: number, to: Partial<HorizonPoint>): void {
  design.change(
    'horizon',
    setField(`place.horizon.${index}`, { ...place.value.horizon[index], ...to }),
    `horizon.${index}`,
  )
}
function add(at: { azimuthDeg: number; elevationDeg: number }): void {
  design.change('new horizon point', addHorizonPoint(at))
}
function addAt(event: MouseEvent): void {
  const { x, y } = inDrawing(event, chart.value!)
  add(frame.value.at(x, y))
}
const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 0.5],
  ArrowDown: [0, -0.5],
}
function key(index: number, event: KeyboardEvent): void {
  const { azimuthDeg, elevationDeg } = place.value.horizon[index]
  const step = STEPS[event.key]
  if (step)
    move(index, {
      azimuthDeg: (azimuthDeg + step[0] + 360) % 360,
      elevationDeg: Math.min(90, Math.max(0, elevationDeg + step[1])),
    })
  else if (event.key === 'Insert' || event.key === '+') {
    const azimuth = (azimuthDeg + 10) % 360
    add({ azimuthDeg: azimuth, elevationDeg: Math.round(horizonAt(points.value, azimuth).elevationDeg * 2) / 2 })
  } else if (event.key === 'Delete' || event.key === 'Backspace')
    design.change('remove horizon point', removeFrom('place.horizon', index))
  else return
  event.preventDefault()
}
watch(() => place.value.horizon, putBack)
</script>

<template>
  <svg
    ref="chart"
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    class="sun"
    role="group"
    aria-label="Sun paths of the twelve months over the horizon"
    @dblclick="addAt"
  >
    <g v-for="deg in grid" :key="deg">
      <path :d="`M28 ${frame.y(deg)}H${WIDTH - 6}`" class="grid" />
      <text :x="24" :y="frame.y(deg) + 4" class="n">{{ deg }}°</text>
    </g>
    <text v-for="each in compass" :key="each.name" :x="each.x" :y="HEIGHT - 5" class="dir">{{ each.name }}</text>
    <g v-for="path in paths" :key="path.month" class="path" :class="[`m${path.month}`, { strong: strong(path.month) }]">
      <path :d="path.line" />
      <template v-for="mark in path.marks" :key="mark.hour">
        <circle :cx="mark.x" :cy="mark.y" :r="strong(path.month) ? 2.2 : 1.1" />
        <text v-if="strong(path.month) && mark.hour % 3 === 0" :x="mark.x" :y="mark.y - 5" class="hour">
          {{ mark.hour }}
        </text>
      </template>
      <text
        v-if="path.top && path.month !== 6 && (path.month < 6 || path.month === 11)"
        :x="path.top.x + (strong(path.month) ? 8 : -26)"
        :y="path.top.y - 3"
        class="name"
      >
        {{ MONTH_NAMES[path.month] }}
      </text>
    </g>
    <path v-for="(stretch, i) in stretches" :key="i" :d="stretch.d" :class="['skyline', stretch.cover]" />
    <circle
      v-for="(point, i) in points"
      :key="i"
      :cx="frame.x(point.azimuthDeg)"
      :cy="frame.y(point.elevationDeg)"
      r="5.5"
      class="handle"
      tabindex="0"
      role="slider"
      :aria-label="`Horizon point ${i + 1}, azimuth ${point.azimuthDeg}°`"
      aria-valuemin="0"
      aria-valuemax="90"
      :aria-valuenow="point.elevationDeg"
      :data-horizon="i"
      v-on="carries(i)"
      @keydown="key(i, $event)"
      @dblclick.stop
    >
      <title>{{ point.azimuthDeg }}°, {{ point.elevationDeg }}° up, {{ point.cover }} from here</title>
    </circle>
  </svg>
  <p class="quiet">
    Drag a point, or move it with the arrow keys; double-click or <kbd>+</kbd> adds one, <kbd>Delete</kbd> removes it.
    Hours are standard time.
  </p>
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
  stroke-opacity: 0.55;
  stroke-width: 0.9;
}

.path circle {
  fill: var(--ochre);
}

.strong path {
  stroke-opacity: 1;
  stroke-width: 1.8;
}

.m11 path {
  stroke: var(--clay);
}

.m11 circle {
  fill: var(--clay);
}

.name {
  fill: var(--ink);
  font-size: 10.5px;
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
  fill-opacity: 0.55;
  stroke: var(--spruce);
  stroke-width: 1.2;
}

.terrain {
  fill: var(--lichen);
}

.evergreen {
  fill: var(--spruce);
}

.leafless {
  fill: var(--lichen);
  fill-opacity: 0.22;
  stroke-dasharray: 3 3;
}
</style>
