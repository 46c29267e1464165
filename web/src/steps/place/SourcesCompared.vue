<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { backupName, ILLUSTRATIVE_CLIMATES, MONTH_NAMES, worstOf } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import Chart from '../../drawing/Chart.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useAnswer } from '../../stores/answer.ts'

/** What each weather source makes of this design, over the same number of years. */
const YEARS = 10
const design = useDesign()
const prefs = usePrefs()
const climate = ref(design.document!.place.climate === 'maritime-coast' ? 'cold-valley' : 'maritime-coast')
const climates = ILLUSTRATIVE_CLIMATES.map(({ id, name }) => ({ value: id, label: name }))
const { answer, problem } = useAnswer(
  'sources',
  (whole) => ({ design: whole, climate: climate.value }),
  (service, asked) => service.sources(asked.design, YEARS, asked.climate),
  true,
)
const nameOf = (id: string, name: string) =>
  id === 'climate'
    ? `Illustration: ${climates.find(({ value }) => value === climate.value)!.label.toLowerCase()}`
    : name
const series = computed(() =>
  (answer.value ?? [])
    .filter(({ id }) => id !== 'hours')
    .map(({ id, name, levelKWhM2Day }) => ({ name: nameOf(id, name), data: levelKWhM2Day })),
)
</script>

<template>
  <section class="card">
    <div class="row wrap">
      <h2>Sources side by side</h2>
      <p class="quiet grow">the same design, {{ YEARS }} years of each</p>
      <ChoiceField v-model="climate" class="wide" :options="climates" label="Illustration to compare with" />
    </div>
    <p v-if="problem" class="quiet" role="alert">{{ problem }}</p>
    <template v-if="answer">
      <table v-stack class="sheet" data-sources>
        <thead>
          <tr>
            <th><span class="unseen">source</span></th>
            <th class="n">worst month</th>
            <th class="n">year</th>
            <th class="n">coldest</th>
            <th class="n">persistence</th>
            <th class="n">dark spell, 1 in 10</th>
            <th class="n">{{ backupName(design.document!) }}</th>
            <th class="n">short, 1 in 10</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in answer" :key="each.id" :class="{ on: each.id === design.document!.place.source }">
            <td>
              {{ nameOf(each.id, each.name) }}
              <span class="quiet">{{ each.years }} year{{ each.years === 1 ? '' : 's' }}</span>
            </td>
            <td class="n">{{ decimal(each.worstSunHours, 2) }} h, {{ MONTH_NAMES[each.worstMonth] }}</td>
            <td class="n">{{ decimal(each.yearSunHours, 1) }} h</td>
            <td class="n">{{ prefs.show(each.coldestMeanC, '°C') }}</td>
            <td class="n">{{ decimal(each.persistence, 2) }}</td>
            <td class="n">{{ decimal(each.longestSpellOneInTen, 0) }} days</td>
            <td class="n">{{ prefs.show(each.median.generatorHours, 'h') }}</td>
            <td class="n">{{ prefs.show(worstOf(each.oneInTen.shortHours), 'h') }}</td>
          </tr>
        </tbody>
      </table>
      <Chart
        over="month"
        type="line"
        :series="series"
        :categories="[...MONTH_NAMES]"
        :colours="['--spruce', '--ochre', '--slate']"
        :height="150"
        :format="(value: number) => decimal(value, 1)"
        label="Sun on the level by month, by source"
      />
    </template>
  </section>
</template>

<style scoped>
.wide {
  width: 220px;
}

.on td {
  font-weight: 600;
}

td .quiet {
  display: block;
  font-size: 12px;
  font-weight: 400;
}
</style>
