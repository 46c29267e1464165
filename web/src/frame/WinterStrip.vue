<script setup lang="ts">
import { computed, ref, toRaw } from 'vue'
import { useMediaQuery } from '@vueuse/core'
import { scaleLinear } from 'd3-scale'
import { backupName, dateOfDay, MONTH_DAYS, MONTH_NAMES, seasonOf } from '@ambrel/core'
import { quantity } from '@ambrel/core/units'
import { useDesign } from '../stores/design.ts'
import { editionOf } from '../stores/edition.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWinter } from '../stores/winter.ts'
import { chargeColour } from '../drawing/chargeRamp.ts'
import { weeksSentence } from '../drawing/chartWords.ts'
import { yearsWords } from './yearsWords.ts'
import { useWidth } from '../drawing/useWidth.ts'

const HEIGHT = 104
const TOP = 10
const BASE = 68
const emit = defineEmits<{ table: [] }>()
const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const holder = ref<HTMLElement>()
const width = useWidth(holder)

const backup = computed(() => (design.document ? backupName(design.document) : 'backup'))
const summary = computed(() => winter.winters?.summary ?? null)
const left = 12
const right = 44
const inner = computed(() => Math.max(100, width.value - left - right))
const step = computed(() => inner.value / (summary.value?.weeks.length ?? 30))
const x = (week: number) => left + week * step.value
const y = scaleLinear([0, 1], [BASE, TOP]).clamp(true)
const generatorHeight = (hours: number) => Math.min(15, hours * 0.75)

const months = computed(() => {
  if (!design.document) return []
  let day = 0
  return seasonOf(design.document.place).months.map((month) => {
    const at = day / 7
    day += MONTH_DAYS[month]
    return { name: MONTH_NAMES[month], at }
  })
})
/** The level it starts at, where it goes by state of charge. */
const start = computed(() => {
  const generator = design.document?.generator
  return generator?.present && generator.startBy !== 'voltage' ? generator.startStateOfCharge : null
})
const ghostPath = computed(() => {
  const weeks = winter.ghost?.winters.summary.weeks
  return weeks ? weeks.map((week, i) => `M${x(i)} ${y(week.lowTypical)}h${step.value}`).join('') : ''
})
/** the document as it stands; its winters are drawn once the run says the same */
const current = computed(() => (design.document ? editionOf(toRaw(design.document)) : 0))
const percent = (share: number) => quantity(share, 'share')
const hovered = ref<number | null>(null)
/** On a page without height, as one that is zoomed into, it is a line that opens. */
const flat = useMediaQuery('(max-height: 560px)')
const opened = ref(false)
const folded = computed(() => flat.value && !opened.value)
/** The whole of it in a sentence. */
const sentence = computed(() => {
  if (!summary.value) return 'running winters…'
  return weeksSentence(summary.value.weeks)
})
const told = computed(() => {
  if (hovered.value === null || !summary.value) return null
  const week = summary.value.weeks[hovered.value]
  return `Week ${hovered.value + 1}, ${dateOfDay(week.startDay).month}: lowest charge ${percent(week.lowTypical)} typical, ${percent(week.lowOneInTen)} in 1 of 10; ${backup.value} ${quantity(week.generatorMean, 'h')}; short ${quantity(week.shortOneInTen, 'h')} in 1 of 10.`
})
function point(event: PointerEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const week = Math.floor((event.clientX - box.left - left) / step.value)
  hovered.value = summary.value && week >= 0 && week < summary.value.weeks.length ? week : null
}
function key(event: KeyboardEvent): void {
  if (!summary.value) return
  const last = summary.value.weeks.length - 1
  const at = hovered.value ?? -1
  const to = { ArrowRight: at + 1, ArrowLeft: at < 0 ? last : at - 1, Home: 0, End: last }[event.key]
  if (event.key === 'Escape') hovered.value = null
  else if (to === undefined) return
  else hovered.value = Math.max(0, Math.min(last, to))
  event.preventDefault()
}
</script>

<template>
  <section
    class="strip"
    :class="{ folded }"
    aria-label="The coming winter"
    :data-years="winter.winters?.years ?? 0"
    :data-run="winter.edition"
    :data-edition="current"
  >
    <div v-if="flat" class="line">
      <button class="link" :aria-expanded="opened" data-strip-line @click="opened = !opened">
        {{ opened ? 'fold' : 'The coming winter' }}
      </button>
      <span class="quiet">{{ sentence }}</span>
    </div>
    <div class="caption">
      <h2>The coming winter</h2>
      <p v-if="winter.ghost" class="quiet">
        line: {{ winter.ghost.says }} <button class="link" @click="winter.clearGhost">hide</button>
      </p>
      <p v-else-if="told" class="quiet told">{{ told }}</p>
      <p v-else class="quiet">
        lowest charge by week: bar typical, line 1 in 10; below: {{ backup }}
        <template v-if="winter.winters"> · {{ yearsWords(design.document, winter.winters.years) }}</template>
      </p>
      <button v-if="summary" class="link quiet tell" data-strip-table @click="emit('table')">as a table</button>
      <p v-if="winter.running && winter.progress > 0" class="quiet">
        {{ Math.round(winter.progress * 100) }} % <button class="link" @click="winter.cancel">cancel</button>
      </p>
    </div>
    <div ref="holder" class="holder">
      <div v-if="winter.failure" class="lacks" role="status">
        <b>No winter can be drawn yet.</b>
        <span>{{ winter.failure }}</span>
      </div>
      <svg
        v-else-if="summary"
        :width="width"
        :height="HEIGHT"
        role="img"
        tabindex="0"
        :aria-label="`Lowest charge of ${summary.weeks.length} weeks over ${summary.years} years. ${sentence}. Arrow keys read a week.`"
        data-strip
        @keydown="key"
        @blur="hovered = null"
        @pointermove="point"
        @pointerleave="hovered = null"
      >
        <g v-for="(week, i) in summary.weeks" :key="i" class="week" :class="{ on: hovered === i }">
          <rect
            :x="x(i) + 0.5"
            :y="y(week.lowTypical)"
            :width="Math.max(1, step - 1)"
            :height="BASE - y(week.lowTypical)"
            :fill="chargeColour(week.lowTypical, prefs.theme === 'night')"
            class="bar"
          />
          <path :d="`M${x(i)} ${y(week.lowOneInTen)}h${step}`" class="bad" />
          <rect
            v-if="week.generatorMean > 0.05"
            :x="x(i) + step * 0.28"
            :y="BASE + 3"
            :width="step * 0.44"
            :height="generatorHeight(week.generatorMean)"
            class="generator"
          />
          <path v-if="week.shortOneInTen >= 0.5" :d="`M${x(i) + step / 2 - 4} 1l4 6 4-6z`" class="short" />
        </g>
        <path v-if="ghostPath" :d="ghostPath" class="ghost" />
        <path :d="`M${left} ${BASE + 0.5}H${left + inner}`" class="base" />
        <template v-if="start !== null">
          <path :d="`M${left} ${y(start)}H${left + inner}`" class="start" />
          <text :x="left + inner + 4" :y="y(start) + 4" class="startText">{{ percent(start) }}</text>
        </template>
        <text v-for="month in months" :key="month.name" :x="x(month.at) + 2" :y="HEIGHT - 5" class="month">
          {{ month.name }}
        </text>
      </svg>
      <p v-else class="quiet waiting">running winters…</p>
    </div>
    <p class="unseen" role="status">{{ told }}</p>
  </section>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: 200px 1fr;
  height: 104px;
  border-top: 1px solid var(--ink);
  background: var(--card);
}

.caption {
  overflow: hidden;
  padding: 10px 12px 0 14px;
  border-right: 1px solid var(--rule);
  line-height: 1.35;
}

h2 {
  font-size: 14px;
}

.told {
  font-size: 12px;
  line-height: 1.25;
}

.holder {
  min-width: 0;
  overflow: hidden;
}

.bar {
  stroke: var(--ink);
  stroke-opacity: 0.22;
}

.on .bar {
  stroke-opacity: 1;
}

.bad {
  fill: none;
  stroke: var(--clay);
  stroke-width: 2;
}

.generator {
  fill: var(--slate);
}

.short {
  fill: var(--clay);
}

.base {
  stroke: var(--ink);
}

.ghost {
  fill: none;
  stroke: var(--spruce);
  stroke-width: 3;
}

.start {
  stroke: var(--slate);
  stroke-dasharray: 3 4;
}

.startText {
  fill: var(--slate);
  font-size: 11.5px;
}

.month {
  fill: var(--soft);
  font-size: 12px;
}

.lacks,
.waiting {
  display: grid;
  gap: 2px;
  padding: 14px;
}

.line {
  display: flex;
  grid-column: 1 / -1;
  gap: 10px;
  align-items: center;
  overflow: hidden;
  height: 28px;
  padding: 0 12px;
  white-space: nowrap;
}

.strip:has(.line) {
  height: auto;
}

.folded .caption,
.folded .holder {
  display: none;
}

.tell {
  font-size: 12.5px;
}

@media (max-width: 900px) {
  .strip {
    grid-template-columns: 1fr;
  }

  .caption {
    display: none;
  }
}
</style>
