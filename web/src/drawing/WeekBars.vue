<script setup lang="ts">
import type { StripWeek } from '@ambrel/core'
import { usePrefs } from '../stores/prefs.ts'
import { weeksSentence } from './chartWords.ts'
import { chargeColour } from './chargeRamp.ts'

/** A winter at a glance: the lowest charge of each week of the typical year, and in full with 1 in 10 and short weeks. */
const props = defineProps<{ weeks: readonly StripWeek[]; width: number; height: number; full?: boolean }>()
const prefs = usePrefs()
const LEAST = 2
const step = () => props.width / props.weeks.length
const y = (charge: number) => props.height - Math.max(LEAST, charge * props.height)
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :width="width"
    :height="height"
    preserveAspectRatio="none"
    role="img"
    :aria-label="weeksSentence(weeks)"
  >
    <g v-for="(week, i) in weeks" :key="i">
      <rect
        :x="i * step()"
        :y="y(week.lowTypical)"
        :width="step() - 0.6"
        :height="height - y(week.lowTypical)"
        :fill="chargeColour(week.lowTypical, prefs.theme === 'night')"
      />
      <template v-if="full">
        <path :d="`M${i * step()} ${y(week.lowOneInTen)}h${step()}`" class="bad" />
        <path v-if="week.shortOneInTen >= 0.5" :d="`M${(i + 0.5) * step() - 3} 0l3 5 3-5z`" class="short" />
      </template>
    </g>
  </svg>
</template>

<style scoped>
.bad {
  fill: none;
  stroke: var(--clay);
  stroke-width: 1.6;
}

.short {
  fill: var(--clay);
}
</style>
