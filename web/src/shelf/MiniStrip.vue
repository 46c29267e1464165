<script setup lang="ts">
import { onBeforeUnmount, onMounted, ref, shallowRef } from 'vue'
import { quantity } from '@ambrel/core/units'
import type { WinterSummary } from '@ambrel/core'
import WeekBars from '../drawing/WeekBars.vue'
import { summaryOf } from './summaries.ts'

/** A design's winter at a glance: its weeks, its generator hours, its short hours. */
const props = defineProps<{ id: string; version: number }>()
const summary = shallowRef<WinterSummary | null>(null)
const failed = ref(false)
const WIDTH = 210
const HEIGHT = 26
const leaving = new AbortController()
onMounted(async () => {
  try {
    summary.value = await summaryOf(props.id, props.version, leaving.signal)
  } catch {
    failed.value = true
  }
})
onBeforeUnmount(() => leaving.abort())
const short = () => Math.max(...Object.values(summary.value!.oneInTen.shortHours))
</script>

<template>
  <div class="mini" :data-mini="summary ? 'drawn' : 'waiting'">
    <template v-if="summary">
      <WeekBars :weeks="summary.weeks" :width="WIDTH" :height="HEIGHT" />
      <span class="quiet"
        >{{ quantity(summary.median.generatorHours, 'h') }} backup ·
        {{ short() < 0.5 ? 'nothing short, 9 in 10' : `${quantity(short(), 'h')} short, 1 in 10` }}</span
      >
    </template>
    <span v-else class="quiet">{{ failed ? 'no winter to show' : 'running winters…' }}</span>
  </div>
</template>

<style scoped>
.mini {
  display: flex;
  align-items: center;
  gap: 12px;
  min-width: 0;
  min-height: 28px;
}

span {
  width: 220px;
  min-width: 0;
  white-space: nowrap;
}

@media (max-width: 600px) {
  .mini {
    flex-wrap: wrap;
    gap: 0 12px;
  }
}
</style>
