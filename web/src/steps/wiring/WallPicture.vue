<script setup lang="ts">
import { entriesOf, type PlacedUnit } from '@ambrel/core'
import { computed, useTemplateRef } from 'vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The wall to scale: the board, units with the room they want, and where cables come in. On paper it stands still. */
const props = defineProps<{ units: readonly PlacedUnit[]; still?: boolean }>()
const emit = defineEmits<{
  grab: [event: PointerEvent, unit: PlacedUnit]
  drag: [event: PointerEvent]
  drop: []
  keyed: [event: KeyboardEvent, unit: PlacedUnit]
}>()
const design = useDesign()
const prefs = usePrefs()
const board = useTemplateRef('board')
const wall = computed(() => design.document!.wall)

/** the drawing is in centimetres, with a margin for its dimensions */
const CM = 100
const MARGIN = 14
const MM_IN_CM = 10
const LABEL_CM = 6
const widthM = computed(() =>
  Math.max(wall.value.widthM, ...props.units.map((unit) => unit.xM + unit.widthM + unit.clear.sideM)),
)
const entries = computed(() => new Map(props.units.map((unit) => [unit.id, entriesOf(unit, design.derived!.circuits)])))

/** Centimetres of the board that a point of the screen is at. */
function onDrawing({ clientX, clientY }: PointerEvent): { x: number; y: number } {
  const { left, top, width } = board.value!.getBoundingClientRect()
  const scale = (widthM.value * CM + 2 * MARGIN) / width
  return { x: (clientX - left) * scale, y: (clientY - top) * scale }
}
defineExpose({ onDrawing, CM })
const told = (unit: PlacedUnit) =>
  `${unit.name}, ${prefs.show(unit.xM, 'm')} from the left, ${prefs.show(unit.yM, 'm')} from the top${unit.tooNear.length > 0 ? ', too near to another' : ''}${unit.overEdge ? ', over the edge' : ''}`
</script>

<template>
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
      :class="[unit.current, { bad: unit.tooNear.length > 0 || unit.overEdge, still }]"
      :data-unit-on-wall="unit.id"
      :transform="`translate(${MARGIN + unit.xM * CM} ${MARGIN + unit.yM * CM})`"
      :tabindex="still ? undefined : 0"
      :role="still ? 'img' : 'button'"
      :aria-label="told(unit)"
      @pointerdown="emit('grab', $event, unit)"
      @pointermove="emit('drag', $event)"
      @pointerup="emit('drop')"
      @pointercancel="emit('drop')"
      @keydown="emit('keyed', $event, unit)"
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
      <circle
        v-for="entry in entries.get(unit.id)"
        :key="entry.id"
        :cx="entry.along * unit.widthM * CM"
        :cy="unit.heightM * CM"
        :r="entry.holeMm / MM_IN_CM / 2"
        class="entry"
      >
        <title>{{ entry.name }}: {{ prefs.say(entry.through) }}</title>
      </circle>
      <template v-if="still">
        <text :y="-1.5" class="size">{{ prefs.show(unit.xM, 'm') }} → · {{ prefs.show(unit.yM, 'm') }} ↓</text>
        <text :x="unit.widthM * CM" :y="unit.heightM * CM + LABEL_CM" class="size" text-anchor="end">
          {{ prefs.show(unit.widthM, 'm') }} × {{ prefs.show(unit.heightM, 'm') }}
        </text>
      </template>
    </g>
  </svg>
</template>

<style scoped>
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
  font-size: 5px;
}

.unit {
  cursor: grab;
  touch-action: none;
}

.still {
  cursor: default;
}

.back,
.room,
.case,
.entry {
  vector-effect: non-scaling-stroke;
}

.entry {
  fill: var(--paper);
  stroke: var(--ink);
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
