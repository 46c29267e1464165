<script setup lang="ts">
import { computed } from 'vue'
import { bestLegs, type Load } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Both legs with every AC load on, against half the rating each. */
const design = useDesign()
const prefs = usePrefs()
const split = computed(() => design.document!.inverter.part.topology === 'split-phase')
const rating = computed(() => design.document!.inverter.part.ratedW * design.document!.inverter.quantity)
const limit = computed(() => (split.value ? rating.value / 2 : rating.value))
const balance = computed(() => design.derived!.legs)
const bars = computed(() => [
  { name: split.value ? 'Leg A' : 'Load', watts: balance.value.legAW, loads: of('A') },
  ...(split.value ? [{ name: 'Leg B', watts: balance.value.legBW, loads: of('B') }] : []),
])
const across = computed(() => of('AB'))
const top = computed(() => Math.max(limit.value, ...bars.value.map((bar) => bar.watts)) * 1.05)
function of(leg: Load['leg']): Load[] {
  return design.document!.loads.filter((load) => load.leg === leg).sort((a, b) => b.runningW - a.runningW)
}
function spread(): void {
  design.edit('spread over the legs', (draft) => {
    const legs = bestLegs(draft.loads)
    for (const load of draft.loads) if (legs[load.id]) load.leg = legs[load.id]
  })
}
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 class="grow">{{ split ? 'Legs, everything on' : 'Everything on' }}</h2>
      <button v-if="split" class="link" @click="spread">spread them evenly</button>
    </div>
    <div v-for="bar in bars" :key="bar.name" class="leg">
      <span>{{ bar.name }}</span>
      <div class="track">
        <i :style="{ width: `${(100 * bar.watts) / top}%` }" :class="{ over: bar.watts > limit }" />
        <em :style="{ left: `${(100 * limit) / top}%` }" />
      </div>
      <b>{{ prefs.show(bar.watts, 'W') }}</b>
      <p class="quiet names" :title="bar.loads.map((load) => load.name).join(', ')">
        {{ bar.loads.map((load) => load.name).join(', ') || 'nothing' }}
      </p>
    </div>
    <p class="quiet">
      Mark: {{ prefs.show(limit, 'W') }}{{ split ? ' a leg' : '' }}.
      <template v-if="split"
        >Across both: {{ across.map((load) => load.name).join(', ') || 'nothing' }}. Neutral
        {{ prefs.show(balance.neutralA, 'A') }}.</template
      >
      The chosen school says what share of this is on at once.
    </p>
  </section>
</template>

<style scoped>
.leg {
  display: grid;
  grid-template-columns: 46px 1fr 70px;
  align-items: center;
  gap: 2px 8px;
  margin-top: 10px;
}

.track {
  position: relative;
  height: 18px;
  background: var(--frost);
}

i {
  display: block;
  height: 100%;
  background: var(--lichen);
}

i.over {
  background: var(--ochre);
}

em {
  position: absolute;
  top: -4px;
  bottom: -4px;
  border-left: 2px solid var(--clay);
}

b {
  text-align: right;
}

.names {
  overflow: hidden;
  grid-column: 2 / 4;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
