<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { climateOf, MONTH_NAMES, pick } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import Chart from '../../drawing/Chart.vue'
import { useDesign } from '../../stores/design.ts'
import { useAnswer } from '../../stores/answer.ts'

/** The sun of each month on the level and on the first array, and what horizon and snow take of it. */
const YEARS = 10
const design = useDesign()
const { answer } = useAnswer(
  'sky',
  (whole) => ({ design: pick(whole, 'place', 'arrays', 'schools', 'winter'), years: YEARS }),
  (service, asked) => service.sky(asked.design, asked.years),
)
const level = computed(() => climateOf(design.document!.place).monthly.map((month) => month.ghiKWhM2Day))
const round = (values: readonly number[]) => values.map((value) => Math.round(value * 100) / 100)
const series = computed(() => [
  { name: 'on the level', data: round(level.value) },
  ...(answer.value
    ? [
        { name: 'on the array, open sky', data: round(answer.value.left.openKWhM2) },
        { name: 'behind the horizon, snow brushed or slid', data: round(answer.value.left.snowKWhM2) },
      ]
    : []),
])
const worst = computed(() => {
  const left = answer.value?.left.snowKWhM2 ?? level.value
  return left.indexOf(Math.min(...left))
})
const yearMean = computed(() => design.derived?.worked['place.annual-sun']?.value ?? 0)
const taken = computed(() => {
  if (!answer.value) return null
  const { openKWhM2, horizonKWhM2, snowKWhM2 } = answer.value.left
  return MONTH_NAMES.map((name, m) => ({
    name,
    horizon: openKWhM2[m] - horizonKWhM2[m],
    snow: horizonKWhM2[m] - snowKWhM2[m],
    share: openKWhM2[m] > 0 ? 1 - snowKWhM2[m] / openKWhM2[m] : 0,
  }))
})
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>Sun by month</h2>
      <p class="quiet grow">kWh/m² a day; nothing is sized with the mean of the year</p>
    </div>
    <Chart
      over="month"
      type="bar"
      :series="series"
      :categories="[...MONTH_NAMES]"
      :colours="['--lichen', '--slate', '--ochre']"
      :height="190"
      :format="(value: number) => decimal(value, 1)"
      label="Sun by month on the level and on the array"
      :level="{ at: Math.round(yearMean * 10) / 10, says: `mean of the year ${decimal(yearMean, 1)}` }"
      :marked="{ category: MONTH_NAMES[worst], says: 'worst' }"
    />
    <table v-if="taken" v-stack class="sheet">
      <thead>
        <tr>
          <th>taken a day</th>
          <th v-for="month in taken" :key="month.name" class="n">{{ month.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>by the horizon</td>
          <td v-for="month in taken" :key="month.name" class="n">{{ decimal(month.horizon, 2) }}</td>
        </tr>
        <tr>
          <td>by snow</td>
          <td v-for="month in taken" :key="month.name" class="n">{{ decimal(month.snow, 2) }}</td>
        </tr>
        <tr>
          <td>together</td>
          <td v-for="month in taken" :key="month.name" class="n">{{ decimal(month.share * 100, 0) }} %</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      On {{ design.document!.arrays[0]?.name ?? 'no array yet' }}, over {{ answer?.years ?? YEARS }} years.
    </p>
  </section>
</template>
