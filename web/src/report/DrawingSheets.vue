<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { entriesOf, oneLine, PAPER_INKS, svgOf, wallLayout } from '@ambrel/core'
import { vStack } from '../drawing/stacks.ts'
import LabelSheet from '../steps/wiring/LabelSheet.vue'
import WallPicture from '../steps/wiring/WallPicture.vue'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useOpened } from './opened.ts'

/** One-line drawing, wall and labels, a sheet each, on the paper the reader has. */
const props = defineProps<{ id: string }>()
const design = useDesign()
const prefs = usePrefs()
const failure = useOpened(() => props.id, 'drawings')
const drawn = computed(() => (design.derived ? design.document : null))
const title = computed(() => `${drawn.value!.name}, ${drawn.value!.variant}`)
const oneLineSvg = computed(() => {
  const { system, circuits } = design.derived!
  return svgOf(oneLine(system, circuits, prefs.say), `One-line drawing of ${title.value}`, PAPER_INKS)
})
const units = computed(() => wallLayout(drawn.value!, design.derived!.system))
const cables = computed(() =>
  units.value.flatMap((unit) =>
    entriesOf(unit, design.derived!.circuits).map((entry) => ({ ...entry, unit: unit.name, key: unit.id + entry.id })),
  ),
)
const today = new Date().toLocaleDateString([], { dateStyle: 'long' })
const print = () => window.print()

/** A drawing lies across its sheet, labels stand; only a rule of the page can say so. */
const rule = document.createElement('style')
document.head.append(rule)
watch(
  () => prefs.paper,
  (paper) => {
    rule.textContent = `@page { size: ${paper} landscape; margin: 10mm } @page labels { size: ${paper} portrait; margin: 10mm }`
  },
  { immediate: true },
)
onBeforeUnmount(() => rule.remove())
const PAPERS = [
  { value: 'A4', label: 'A4' },
  { value: 'letter', label: 'Letter' },
] as const
</script>

<template>
  <div class="drawings">
    <p v-if="failure" role="alert">{{ failure }} <RouterLink :to="{ name: 'shelf' }">Back to the shelf</RouterLink></p>
    <template v-if="drawn">
      <nav class="row no-print" aria-label="Drawings">
        <RouterLink class="act" :to="{ name: 'design', params: { id, step: 'wiring' } }">Back to the design</RouterLink>
        <span role="radiogroup" aria-label="Paper" class="row">
          <label v-for="{ value, label } in PAPERS" :key="value">
            <input v-model="prefs.paper" type="radio" name="paper" :value="value" /> {{ label }}
          </label>
        </span>
        <button class="act main" @click="print">Print</button>
      </nav>
      <main>
        <section class="sheet-of" :class="prefs.paper" data-sheet="one-line">
          <!-- eslint-disable-next-line vue/no-v-html -- made by the core of escaped texts -->
          <div class="drawing" v-html="oneLineSvg" />
          <p class="block">
            <b>One-line drawing</b> {{ title }} · {{ drawn.place.label }} · {{ today }} · by published methods, not an
            approval
          </p>
        </section>
        <section class="sheet-of" :class="prefs.paper" data-sheet="wall">
          <WallPicture :units="units" still />
          <table v-stack class="sheet">
            <thead>
              <tr>
                <th>unit</th>
                <th>cable from below</th>
                <th>through</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="cable in cables" :key="cable.key">
                <td>{{ cable.unit }}</td>
                <td>{{ cable.name }}</td>
                <td>{{ prefs.say(cable.through) }}</td>
              </tr>
            </tbody>
          </table>
          <p class="block">
            <b>Wall layout</b> {{ title }} · {{ today }} · sizes and room are those usual of a kind: the makers’ manuals
            have the last word
          </p>
        </section>
        <section class="sheet-of standing" :class="prefs.paper" data-sheet="labels">
          <LabelSheet />
        </section>
      </main>
    </template>
  </div>
</template>

<style scoped>
.drawings {
  padding: 18px 20px 60px;
}

nav {
  max-width: 277mm;
  margin: 0 auto 14px;
}

.sheet-of {
  width: 277mm;
  min-height: 190mm;
  margin: 0 auto 18px;
  padding: 4mm;
  border: 1px solid var(--rule);
  background: var(--card);
}

.sheet-of.letter {
  width: 259mm;
  min-height: 195mm;
}

.standing,
.standing.letter {
  width: 190mm;
}

.drawing :deep(svg) {
  display: block;
  width: 100%;
  max-height: 172mm;
}

.block {
  margin: 3mm 0 0;
  padding-top: 2mm;
  border-top: 1px solid var(--ink);
}

@media print {
  .drawings {
    padding: 0;
  }

  .sheet-of {
    width: auto;
    min-height: 0;
    margin: 0;
    padding: 0;
    border: 0;
    break-after: page;
  }

  .standing {
    page: labels;
    break-after: auto;
  }
}
</style>
