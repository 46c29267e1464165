<script setup lang="ts">
import { clearWall, moveOnWall, onBoard, wallLayout, type PlacedUnit } from '@ambrel/core'
import { computed, ref, useTemplateRef } from 'vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The wall to scale: units with the room they want, dragged by pointer or finger, moved by arrow keys, printed with dimensions. */
const design = useDesign()
const prefs = usePrefs()
const board = useTemplateRef('board')
const wall = computed(() => design.document!.wall)
const units = computed(() => wallLayout(design.document!, design.derived!.system))

/** the drawing is in centimetres, with a margin for its dimensions */
const CM = 100
const MARGIN = 14
const KEY_STEP_M = 0.05
const widthM = computed(() =>
  Math.max(wall.value.widthM, ...units.value.map((unit) => unit.xM + unit.widthM + unit.clear.sideM)),
)
const over = computed(() => units.value.filter(({ overEdge }) => overEdge).length)
const carried = ref<{ id: string; xM: number; yM: number } | null>(null)
let grip: { unit: PlacedUnit; x: number; y: number } | null = null

const at = (unit: PlacedUnit) => (carried.value?.id === unit.id ? { ...unit, ...carried.value } : unit)
/** Centimetres of the drawing that a point of the screen is at. */
function onDrawing({ clientX, clientY }: PointerEvent): { x: number; y: number } {
  const { left, top, width } = board.value!.getBoundingClientRect()
  const scale = (widthM.value * CM + 2 * MARGIN) / width
  return { x: (clientX - left) * scale, y: (clientY - top) * scale }
}
function grab(event: PointerEvent, unit: PlacedUnit): void {
  if (event.button !== 0) return
  const from = onDrawing(event)
  grip = { unit, x: from.x - unit.xM * CM, y: from.y - unit.yM * CM }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent): void {
  if (!grip) return
  const to = onDrawing(event)
  carried.value = { id: grip.unit.id, ...onBoard(wall.value, grip.unit, (to.x - grip.x) / CM, (to.y - grip.y) / CM) }
}
function letGo(): void {
  const there = carried.value
  grip = null
  carried.value = null
  if (there) move(there.id, there.xM, there.yM)
}
const nameOf = (id: string) => units.value.find((unit) => unit.id === id)?.name ?? id
const move = (id: string, xM: number, yM: number) =>
  design.change(`place of ${nameOf(id)}`, moveOnWall(id, xM, yM), `wall ${id}`)
function keyed(event: KeyboardEvent, { id, xM, yM }: PlacedUnit): void {
  const way: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  }
  const [dx, dy] = way[event.key] ?? []
  if (dx === undefined) return
  event.preventDefault()
  move(id, xM + dx * KEY_STEP_M, yM + dy * KEY_STEP_M)
}
const told = (unit: PlacedUnit) =>
  `${unit.name}, ${prefs.show(unit.xM, 'm')} from the left, ${prefs.show(unit.yM, 'm')} from the top${unit.tooNear.length > 0 ? ', too near to another' : ''}${unit.overEdge ? ', over the edge' : ''}`
const rows = () =>
  units.value.map((unit) => [
    unit.name,
    prefs.show(unit.xM, 'm'),
    prefs.show(unit.yM, 'm'),
    prefs.show(unit.widthM, 'm'),
    prefs.show(unit.heightM, 'm'),
  ])
const HEADS = ['unit', 'from the left', 'from the top', 'wide', 'high']
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>On the wall</h2>
      <span class="grow" />
      <button v-if="wall.places.length > 0" class="link" @click="design.change('places on the wall', clearWall)">
        all where there is room
      </button>
    </div>
    <FieldGrid :fields="['wall.widthM', 'wall.heightM']" />
    <svg
      ref="board"
      class="board"
      :viewBox="`0 0 ${widthM * CM + 2 * MARGIN} ${wall.heightM * CM + 2 * MARGIN}`"
      role="group"
      :aria-label="`A board of ${prefs.show(wall.widthM, 'm')} by ${prefs.show(wall.heightM, 'm')} with ${units.length} units, to scale`"
      data-wall
    >
      <rect :x="MARGIN" :y="MARGIN" :width="wall.widthM * CM" :height="wall.heightM * CM" class="back" />
      <text :x="MARGIN + (wall.widthM * CM) / 2" :y="MARGIN - 4" class="size" text-anchor="middle">
        {{ prefs.show(wall.widthM, 'm') }}
      </text>
      <text
        :transform="`translate(${MARGIN - 4} ${MARGIN + (wall.heightM * CM) / 2}) rotate(-90)`"
        class="size"
        text-anchor="middle"
      >
        {{ prefs.show(wall.heightM, 'm') }}
      </text>
      <g
        v-for="unit in units"
        :key="unit.id"
        class="unit"
        :class="[unit.current, { bad: unit.tooNear.length > 0 || unit.overEdge }]"
        :data-unit-on-wall="unit.id"
        :transform="`translate(${MARGIN + at(unit).xM * CM} ${MARGIN + at(unit).yM * CM})`"
        tabindex="0"
        role="button"
        :aria-label="told(unit)"
        @pointerdown="grab($event, unit)"
        @pointermove="drag"
        @pointerup="letGo"
        @pointercancel="letGo"
        @keydown="keyed($event, unit)"
      >
        <rect
          :x="-unit.clear.sideM * CM"
          :y="-unit.clear.aboveM * CM"
          :width="(unit.widthM + 2 * unit.clear.sideM) * CM"
          :height="(unit.heightM + unit.clear.aboveM + unit.clear.belowM) * CM"
          class="room"
        />
        <rect :width="unit.widthM * CM" :height="unit.heightM * CM" rx="1.5" class="case" />
        <foreignObject x="2" y="2" :width="unit.widthM * CM - 4" :height="unit.heightM * CM - 4">
          <div class="name">
            <strong>{{ unit.name }}</strong> {{ { dc: 'DC', ac: 'AC', both: 'DC and AC' }[unit.current] }}
          </div>
        </foreignObject>
      </g>
    </svg>
    <p v-if="over > 0" class="over">
      {{ over === 1 ? 'One unit finds' : `${over} units find` }} no room on this board: make it wider, or move what is
      there.
    </p>
    <p class="quiet">
      Sizes and room are those usual of their kind; the maker’s manual has the last word, and so has the code on the
      free space in front. Drag a unit, or move it by the arrow keys. Nothing hangs over a bank that gives off gas.
    </p>
    <FiguresTable :columns="HEADS" :rows="rows" of="places on the wall" />
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: baseline;
  gap: 10px;
}

.board {
  display: block;
  width: 100%;
  max-height: 420px;
  margin: 8px 0;
}

.back {
  fill: var(--paper);
  stroke: var(--rule);
}

.size {
  fill: var(--soft);
  font-size: 6px;
}

.unit {
  cursor: grab;
  touch-action: none;
}

.back,
.room,
.case {
  vector-effect: non-scaling-stroke;
}

.over {
  margin: 0 0 6px;
  color: var(--ochre-ink);
}

.room {
  fill: none;
  stroke: var(--rule);
  stroke-dasharray: 2 2;
}

.case {
  fill: var(--card);
  stroke: var(--ink);
}

.ac .case {
  stroke: var(--slate);
  stroke-dasharray: 6 2;
}

.bad .case {
  stroke: var(--clay);
  stroke-width: 2;
}

.name {
  color: var(--soft);
  font-size: 4.4px;
  line-height: 1.25;
  overflow-wrap: anywhere;
}

.name strong {
  color: var(--ink);
}

.unit:focus-visible .case {
  stroke-width: 2.5;
}
</style>
