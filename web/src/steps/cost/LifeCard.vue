<script setup lang="ts">
import { decimal, lifeSheets, type CostOverLife } from '@ambrel/core'
import { computed } from 'vue'
import Chart from '../../drawing/Chart.vue'
import { vStack } from '../../drawing/stacks.ts'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import { cents } from '../../frame/money.ts'
import { yearsWords } from '../../frame/yearsWords.ts'
import Figure from '../../frame/Figure.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What the design costs over its life: year by year, what wears out, and what a kilowatt-hour comes to. */
const props = defineProps<{ costs: CostOverLife; stale: boolean }>()
const design = useDesign()
const prefs = usePrefs()
const budget = computed(() => design.document!.budget)
const life = computed(() => props.costs.life)
const sheets = computed(() => lifeSheets(design.document!, life.value))
const whole = (value: number) => decimal(value, 0)
const categories = computed(() => life.value.years.map(({ year }) => year))
const series = computed(() =>
  (
    [
      ['fuel and tariffs', 'energy'],
      ['upkeep', 'upkeep'],
      ['bought later and again', 'replaced'],
    ] as const
  ).map(([name, key]) => ({ name, data: life.value.years.map((year) => Math.round(year[key])) })),
)
const FIELDS = [
  'years',
  'discountPct',
  'energyRisePct',
  'oilChange',
  'yearly',
  'electronicsYears',
  'moduleYears',
  'pumpYears',
  'generatorHours',
].map((key) => `budget.life.${key}`)
const perKWh = computed(() =>
  life.value.costPerKWh === null ? '—' : `${cents(life.value.costPerKWh)} ${budget.value.currency}`,
)
const bankPerKWh = computed(() =>
  life.value.bankPerUsableKWh === null ? 'no price' : `${whole(life.value.bankPerUsableKWh)} ${budget.value.currency}`,
)
const again = (years: readonly number[]) =>
  years.length === 0 ? 'never' : years.map((year) => decimal(year, 1)).join(', ')
</script>

<template>
  <section class="card" data-life-cost>
    <h2>Over its life</h2>
    <div class="row wrap figures" :class="{ stale }">
      <Figure
        :sheet="sheets.present"
        :value="`${whole(life.presentValue)} ${budget.currency}`"
        :label="`${budget.life.years} years in money of today`"
      />
      <Figure :sheet="sheets.perKWh" :value="perKWh" label="a kilowatt-hour served" />
      <Figure
        :value="`${whole(life.fuel)} ${budget.currency}`"
        :label="`fuel and tariffs, a mean year of ${yearsWords(design.document, costs.years)}`"
      />
      <Figure :value="`${decimal(life.bankYears, 1)} years`" label="the bank lasts" />
      <Figure :sheet="sheets.perUsableKWh" :value="bankPerKWh" label="a usable kilowatt-hour of the bank" />
    </div>
    <div :class="{ stale }">
      <Chart
        type="bar"
        stacked
        over="year"
        :series="series"
        :categories="categories"
        :colours="['--slate', '--lichen', '--ochre']"
        :height="190"
        :format="(value: number) => prefs.show(value, '')"
        :tick-amount="12"
        :label="`What is paid in each year after the first day, ${budget.currency}`"
      />
      <table v-stack class="sheet">
        <thead>
          <tr>
            <th>what wears out</th>
            <th class="n">lasts, years</th>
            <th class="n">anew</th>
            <th class="n">bought again after</th>
            <th class="n">left at the end</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="each in life.wearing" :key="each.key">
            <td>{{ prefs.say(each.name) }}</td>
            <td class="n">{{ decimal(each.lasts, 1) }}</td>
            <td class="n">{{ whole(each.cost) }}</td>
            <td class="n">{{ again(each.bought.map(({ year }) => year)) }}</td>
            <td class="n">{{ whole(each.left) }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="costs.moreBattery" class="more" :class="{ stale }" data-more-battery>
      One more string of batteries now costs {{ whole(costs.moreBattery.price) }} {{ budget.currency }} and saves
      {{ prefs.show(Math.max(0, costs.moreBattery.litresSaved), 'L') }} of fuel a year,
      {{ whole(Math.max(0, costs.moreBattery.savedYearly)) }} {{ budget.currency }}.
      <template v-if="costs.moreBattery.payback === null"
        >It never pays for itself in {{ budget.life.years }} years; it costs {{ whole(costs.moreBattery.presentValue) }}
        {{ budget.currency }} more over its life. What it is worth is quiet and days to spare.</template
      >
      <template v-else>It has paid for itself after {{ decimal(costs.moreBattery.payback, 1) }} years.</template>
    </p>
    <FieldGrid :fields="FIELDS" column-width="140px" />
    <DocumentField class="end" path="budget.life.endValue" labelled />
  </section>
</template>

<style scoped>
.figures {
  gap: 8px 30px;
  margin-bottom: 8px;
}

.stale {
  opacity: 0.5;
}

.end {
  margin-top: 10px;
}

.more {
  margin: 10px 0;
}
</style>
