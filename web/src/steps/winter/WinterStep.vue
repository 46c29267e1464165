<script setup lang="ts">
import { computed } from 'vue'
import { MONTH_NAMES, provedBottleneck, verdict } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import NumberField from '../../fields/NumberField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'
import Tapestry from './Tapestry.vue'
import WhatNext from './WhatNext.vue'

const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const summary = computed(() => design.winterSummary)
const short = computed(() => (summary.value ? Math.max(...Object.values(summary.value.oneInTen.shortHours)) : null))
/** What the tried changes prove, while they are of the design as it stands. */
const proved = computed(() =>
  winter.ranked?.for === design.document && winter.ranked ? provedBottleneck(winter.ranked.list) : null,
)
const says = computed(() =>
  summary.value && design.document ? verdict(design.document, summary.value, proved.value) : '',
)
/** Months in the order of the run, so that winter stands in the middle. */
const order = computed(() =>
  Array.from({ length: 12 }, (_, i) => ((design.document?.place.latitudeDeg ?? 0) >= 0 ? i + 6 : i) % 12),
)
const series = computed(() => {
  if (!summary.value) return []
  const { arrayKWh, generatorKWh, curtailedKWh } = summary.value.months
  const pick = (name: string, months: number[]) => ({
    name,
    data: order.value.map((month) => Math.round(months[month])),
  })
  return [pick('array, used', arrayKWh), pick('generator', generatorKWh), pick('curtailed', curtailedKWh)]
})
</script>

<template>
  <StepHead step="winter" :says="design.document!.place.label">
    <NumberField
      class="years"
      :model-value="design.document!.winter.years"
      unit="years"
      label="Made years"
      path="winter.years"
      @update:model-value="design.edit('made years', (d) => (d.winter.years = $event!), 'years')"
    />
    <NumberField
      class="seed"
      :model-value="design.document!.winter.seed"
      unit="seed"
      label="Seed"
      path="winter.seed"
      @update:model-value="design.edit('seed', (d) => (d.winter.seed = $event!), 'seed')"
    />
  </StepHead>
  <template v-if="summary">
    <p class="verdict" data-verdict>{{ says }}</p>
    <div class="row wrap figures">
      <Figure :value="prefs.show(short, 'h')" label="short, 1 year in 10" />
      <Figure :value="prefs.show(summary.median.generatorHours, 'h')" label="generator, typical" />
      <Figure :value="prefs.show(summary.oneInTen.generatorHours, 'h')" label="generator, 1 in 10" />
      <Figure
        :value="prefs.show(summary.median.fuelL, 'L')"
        :label="`${design.document!.generator.part.fuel}, typical`"
      />
      <Figure :value="prefs.show(summary.oneInTen.lowestStateOfCharge, 'share')" label="lowest charge, 1 in 10" />
      <Figure :value="prefs.show(summary.median.curtailedWh, 'Wh')" label="curtailed a year" />
    </div>
    <div class="stack">
      <Tapestry v-if="winter.winters" :winters="winter.winters" :latitude-deg="design.document!.place.latitudeDeg" />
      <WhatNext />
      <section class="card">
        <h2>Energy by month, mean of {{ summary.years }} years</h2>
        <Chart
          type="bar"
          stacked
          :series="series"
          :categories="order.map((month) => MONTH_NAMES[month])"
          :colours="['--lichen', '--slate', '--ochre']"
          :height="190"
          :format="(value: number) => `${value} kWh`"
          label="Energy by month: array used, generator, curtailed"
        />
      </section>
    </div>
  </template>
  <p v-else-if="design.problems.length > 0" class="quiet">
    No winter can be run until what is named under Findings is put right.
  </p>
  <p v-else class="quiet">running winters…</p>
</template>

<style scoped>
.verdict {
  max-width: 66ch;
  margin-bottom: 10px;
  font: 500 17px/1.4 var(--heading);
}

.figures {
  gap: 28px;
  margin-bottom: 12px;
}

.years {
  width: 96px;
}

.seed {
  width: 90px;
}
</style>
