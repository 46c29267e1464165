<script setup lang="ts">
import { clearWall, entriesOf, moveOnWall, onBoard, wallLayout, type PlacedUnit } from '@ambrel/core'
import { computed, ref, useTemplateRef } from 'vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import WallPicture from './WallPicture.vue'

/** The wall to scale: units with the room they want, dragged by pointer or finger, moved by arrow keys, printed with dimensions. */
const design = useDesign()
const prefs = usePrefs()
const picture = useTemplateRef('picture')
const wall = computed(() => design.document!.wall)
const units = computed(() => wallLayout(design.document!, design.derived!.system))

const KEY_STEP_M = 0.05
const over = computed(() => units.value.filter(({ overEdge }) => overEdge).length)
const carried = ref<{ id: string; xM: number; yM: number } | null>(null)
let grip: { unit: PlacedUnit; x: number; y: number } | null = null

/** what is carried is drawn where it would be put */
const drawn = computed(() =>
  units.value.map((unit) => (carried.value?.id === unit.id ? { ...unit, ...carried.value } : unit)),
)
function grab(event: PointerEvent, unit: PlacedUnit): void {
  if (event.button !== 0) return
  const { onDrawing, CM } = picture.value!
  const from = onDrawing(event)
  grip = { unit, x: from.x - unit.xM * CM, y: from.y - unit.yM * CM }
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function drag(event: PointerEvent): void {
  if (!grip) return
  const { onDrawing, CM } = picture.value!
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
const rows = () =>
  units.value.map((unit) => [
    unit.name,
    prefs.show(unit.xM, 'm'),
    prefs.show(unit.yM, 'm'),
    prefs.show(unit.widthM, 'm'),
    prefs.show(unit.heightM, 'm'),
    cablesOf(unit),
  ])
const HEADS = ['unit', 'from the left', 'from the top', 'wide', 'high', 'cables from below']
/** Every cable that comes into a unit, with what it comes through. */
const cablesOf = (unit: PlacedUnit) =>
  entriesOf(unit, design.derived!.circuits)
    .map(({ name, through }) => `${name} (${prefs.say(through)})`)
    .join('; ')
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
    <WallPicture ref="picture" :units="drawn" @grab="grab" @drag="drag" @drop="letGo" @keyed="keyed" />
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

.over {
  margin: 0 0 6px;
  color: var(--ochre-ink);
}
</style>
