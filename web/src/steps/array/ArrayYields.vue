<script setup lang="ts">
import { computed } from 'vue'
import { hoursQuestion, pick } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import Chart from '../../drawing/Chart.vue'
import { useAnswer } from '../../stores/answer.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What the arrays bring in a mean year, what is clipped or thrown away, and what another string would add. */
const YEARS = 4
const design = useDesign()
const prefs = usePrefs()
const first = computed(() => design.document!.arrays[0])
const { answer } = useAnswer(
  'yields',
  (whole) => ({ design: { ...hoursQuestion(whole), ...pick(whole, 'place', 'schools', 'winter') } }),
  (service, { design: subject }) => service.yields(subject, subject.arrays[0].id, YEARS),
)
const losses = computed(() =>
  answer.value
    ? [
        { says: 'clipped by the controllers’ output, harmlessly', kWh: answer.value.now.clippedKWh },
        { says: 'thrown away by pulse-width controllers', kWh: answer.value.now.thrownKWh },
        { says: 'lost by unlike strings working together', kWh: answer.value.now.unlikeKWh },
      ].filter(({ kWh }) => kWh >= 0.5)
    : [],
)
const steps = computed(() => answer.value?.steps.slice(1) ?? [])
const series = computed(() => [{ name: 'gained a year', data: steps.value.map(({ gainKWh }) => Math.round(gainKWh)) }])
</script>

<template>
  <section v-if="answer" class="card" data-yields>
    <h2 data-part="Mean year">A mean year on the bus</h2>
    <p>
      <b>{{ prefs.show(answer.now.intoBusKWh * 1000, 'Wh') }}</b> reach the bus.
      <template v-if="losses.length === 0">Nothing worth naming is clipped or thrown away.</template>
    </p>
    <ul v-if="losses.length > 0">
      <li v-for="loss in losses" :key="loss.says"><b>{{ decimal(loss.kWh, 0) }} kWh</b> {{ loss.says }}</li>
    </ul>
    <Chart
      over="string"
      type="bar"
      :series="series"
      :categories="steps.map(({ strings }) => `${strings} strings`)"
      :colours="['--lichen']"
      :height="150"
      :format="(value: number) => `${decimal(value, 0)} kWh`"
      :label="`kWh a year gained by each further string on ${first.name}`"
    />
    <p class="quiet">
      What each further string on {{ first.name }} brings with the controllers as they are, before the bank can take it;
      mean of {{ YEARS }} years.
    </p>
  </section>
</template>

<style scoped>
ul {
  margin: 4px 0;
  padding-left: 18px;
}
</style>
