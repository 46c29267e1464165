<script setup lang="ts">
import { oneLine, PAPER_INKS, svgOf, type Inks } from '@ambrel/core'
import { computed, nextTick, onMounted, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { savePicture, saveDrawing } from './drawingFiles.ts'
import { shownCircuit } from './shown.ts'

/**
 * The system on one line, drawn by the program from the design. It is moved by dragging, scrolled by keys, and made larger
 * and smaller; a line leads to its row, a box to its step.
 */
const design = useDesign()
const prefs = usePrefs()
const router = useRouter()
const holder = useTemplateRef('holder')

/** of the page's theme */
const THEME: Inks = {
  paper: 'none',
  card: 'var(--card)',
  ink: 'var(--ink)',
  soft: 'var(--soft)',
  direct: 'var(--ink)',
  alternating: 'var(--slate)',
  ground: 'var(--spruce)',
  stop: 'var(--clay)',
  watch: 'var(--ochre-ink, var(--ochre))',
}
const drawing = computed(() => {
  const { system, circuits } = design.derived!
  return oneLine(system, circuits, prefs.say)
})
const title = computed(() => `One-line drawing of ${design.document!.name}, ${design.document!.variant}`)
const svg = computed(() => svgOf(drawing.value, title.value, THEME))

const LEAST = 0.35
const MOST = 3
const STEP = 1.25
const READABLE = 0.82
const scale = ref(READABLE)
const zoom = (by: number) => (scale.value = Math.min(MOST, Math.max(LEAST, scale.value * by)))
function fit(): void {
  const width = holder.value?.clientWidth ?? 0
  if (width > 0) scale.value = Math.max(LEAST, Math.min(1, width / drawing.value.width))
}
const nodeStep = (id: string) => design.derived!.system.nodes.find((node) => node.id === id)?.step

function clicked(event: MouseEvent): void {
  if (moved) return
  const target = event.target as Element
  const circuit = target.closest<SVGElement>('[data-circuit]')?.dataset.circuit
  if (circuit) {
    shownCircuit.value = circuit
    void nextTick(() =>
      document.querySelector(`tr[data-circuit-row="${CSS.escape(circuit)}"]`)?.scrollIntoView({ block: 'center' }),
    )
    return
  }
  const node = target.closest<SVGElement>('[data-node]')?.dataset.node
  const step = node && nodeStep(node)
  if (step && step !== 'wiring') void router.push({ name: 'design', params: { id: design.id, step } })
}

let from: { x: number; y: number; left: number; top: number } | null = null
let moved = false
function grab(event: PointerEvent): void {
  if (event.button !== 0 || !holder.value) return
  moved = false
  from = { x: event.clientX, y: event.clientY, left: holder.value.scrollLeft, top: holder.value.scrollTop }
}
const SLIP_PX = 4
function drag(event: PointerEvent): void {
  if (!from || !holder.value || event.pointerType === 'touch') return
  const [x, y] = [event.clientX - from.x, event.clientY - from.y]
  if (!moved && Math.hypot(x, y) < SLIP_PX) return
  if (!moved) holder.value.setPointerCapture(event.pointerId)
  moved = true
  holder.value.scrollTo(from.left - x, from.top - y)
}
function letGo(): void {
  from = null
  // the click that ends a drag is none
  setTimeout(() => (moved = false))
}
function keyed(event: KeyboardEvent): void {
  if (event.key === '+' || event.key === '=') zoom(STEP)
  else if (event.key === '-') zoom(1 / STEP)
  else if (event.key === '0') fit()
  else return
  event.preventDefault()
  event.stopPropagation()
}

/** The circuit that is looked at stands out in the drawing. */
function show(): void {
  for (const each of holder.value?.querySelectorAll('.chosen') ?? []) each.classList.remove('chosen')
  if (!shownCircuit.value) return
  for (const each of holder.value?.querySelectorAll(`[data-circuit="${CSS.escape(shownCircuit.value)}"]`) ?? [])
    each.classList.add('chosen')
}
watch([svg, shownCircuit], () => void nextTick(show))
onMounted(show)

const files = computed(() => `${design.document!.name}-one-line`.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase())
const paper = () => svgOf(drawing.value, title.value, PAPER_INKS)
const rows = computed(() => design.derived!.circuits.length)
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>One-line drawing</h2>
      <span class="grow" />
      <button class="icon-button" aria-label="Smaller" title="Smaller (−)" @click="zoom(1 / STEP)">−</button>
      <button class="icon-button" aria-label="Larger" title="Larger (+)" @click="zoom(STEP)">+</button>
      <button class="link" @click="fit">fit</button>
      <RouterLink class="link" data-paper :to="{ name: 'drawings', params: { id: design.id } }">for paper</RouterLink>
      <button class="link" @click="saveDrawing(files, paper())">SVG</button>
      <button class="link" @click="savePicture(files, paper(), drawing)">PNG</button>
    </div>
    <!-- eslint-disable vuejs-accessibility/no-static-element-interactions -->
    <div
      ref="holder"
      class="holder"
      tabindex="0"
      role="group"
      :aria-label="`${title}: ${rows} circuits, each with its row in the table below. Plus and minus zoom, arrows move.`"
      data-one-line
      @click="clicked"
      @pointerdown="grab"
      @pointermove="drag"
      @pointerup="letGo"
      @pointercancel="letGo"
      @keydown="keyed"
    >
      <!-- eslint-disable-next-line vue/no-v-html -- made by the core of escaped texts -->
      <div class="sheet-of" :style="{ width: `${drawing.width * scale}px` }" v-html="svg" />
    </div>
    <p class="quiet">
      A line leads to its row, a box to its step. Not an approval: the inspector reads it, and decides.
    </p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: baseline;
  gap: 10px;
}

.holder {
  overflow: auto;
  max-height: min(48vh, 370px);
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  cursor: grab;
}

.holder:active {
  cursor: grabbing;
}

.sheet-of :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
}

.sheet-of :deep([data-circuit]),
.sheet-of :deep([data-node]) {
  cursor: pointer;
}

.sheet-of :deep(path.line.chosen) {
  stroke-width: 4.5;
}

.sheet-of :deep(text.label.chosen) {
  font-weight: 600;
  fill: var(--ink);
}

@media print {
  .holder {
    overflow: visible;
    max-height: none;
    border: 0;
  }

  .sheet-of {
    width: 100% !important;
  }
}
</style>
