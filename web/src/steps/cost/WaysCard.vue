<script setup lang="ts">
import { decimal, type CostOverLife, type OtherWay, type Words } from '@ambrel/core'
import { computed } from 'vue'
import Chart from '../../drawing/Chart.vue'
import { vStack } from '../../drawing/stacks.ts'
import FieldGrid from '../../fields/FieldGrid.vue'
import { cents } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The design against the other ways to have power that somebody put a price to. */
const props = defineProps<{ costs: CostOverLife; stale: boolean }>()
const design = useDesign()
const prefs = usePrefs()
const budget = computed(() => design.document!.budget)
const anyway = computed(() => design.derived!.bill.anyway)
const life = computed(() => props.costs.life)
const whole = (value: number) => decimal(value, 0)
const FIELDS = [
  'gridQuote',
  'gridMonthly',
  'gridPerKWh',
  'nothingYearly',
  'unitPrice',
  'unitKWhPerDay',
  'unitYears',
  'generatorHoursPerDay',
].map((key) => `budget.others.${key}`)
interface Row {
  id: string
  name: string
  says: Words
  first: number
  yearly: number
  presentValue: number
  perKWh: number | null
  kWh: number
  payback: string
}
const againstIt = ({ payback }: OtherWay) =>
  payback === null
    ? `never in ${budget.value.life.years} years`
    : payback === 0
      ? 'cheaper from the first day'
      : `after ${decimal(payback, 1)} years`
/** What is paid in a mean year of its life, after the first day. */
const yearlyOf = ({ years }: Pick<OtherWay, 'years'>) =>
  years.reduce((sum, { energy, upkeep, replaced }) => sum + energy + upkeep + replaced, 0) / years.length
const rows = computed<Row[]>(() => [
  {
    id: 'own',
    name: design.document!.variant,
    says: `${prefs.show(life.value.kWhPerYear * 1000, 'Wh')} a year served.`,
    first: life.value.first,
    yearly: yearlyOf(life.value),
    presentValue: life.value.presentValue,
    perKWh: life.value.costPerKWh,
    kWh: life.value.kWhPerYear,
    payback: '',
  },
  ...props.costs.ways.map((way) => ({
    id: way.id,
    name: way.name,
    says: way.says,
    first: way.first,
    yearly: yearlyOf(way),
    presentValue: way.presentValue,
    perKWh: way.costPerKWh,
    kWh: way.kWhPerYear,
    payback: againstIt(way),
  })),
])
const COLOURS: Record<string, string> = {
  own: '--spruce',
  grid: '--slate',
  generator: '--clay',
  unit: '--ochre',
  nothing: '--soft',
}
/** A way so dear that beside it the others would be a flat line is left to the table. */
const DRAWN_UP_TO = 3
const drawn = computed(() => {
  const limit = DRAWN_UP_TO * life.value.paid[life.value.paid.length - 1]
  return props.costs.ways.filter(({ paid }) => paid[paid.length - 1] <= limit)
})
const series = computed(() => [
  { name: design.document!.variant, data: life.value.paid.map(Math.round) },
  ...drawn.value.map(({ name, paid }) => ({ name, data: paid.map(Math.round) })),
])
const left = computed(() => props.costs.ways.filter((way) => !drawn.value.includes(way)).map(({ name }) => name))
</script>

<template>
  <section class="card" data-ways>
    <h2>Against other ways</h2>
    <p v-if="costs.ways.length === 0" class="quiet" data-no-payback>
      There is nothing to pay back against: nobody has put a price to the grid, to a power unit or to going on as things
      are. Put one down below, and this design is held against it.
    </p>
    <template v-else>
      <table v-stack class="sheet" :class="{ stale }">
        <thead>
          <tr>
            <th>way</th>
            <th class="n">first</th>
            <th class="n">a mean year</th>
            <th class="n">over {{ budget.life.years }} years</th>
            <th class="n">a kWh</th>
            <th class="n">gives a year</th>
            <th>this design has cost less</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id" :data-way="row.id">
            <td>{{ row.name }} <small>{{ prefs.say(row.says) }}</small></td>
            <td class="n">{{ whole(row.first) }}</td>
            <td class="n">{{ whole(row.yearly) }}</td>
            <td class="n">{{ whole(row.presentValue) }}</td>
            <td class="n">{{ row.perKWh === null ? '—' : cents(row.perKWh) }}</td>
            <td class="n">{{ prefs.show(row.kWh * 1000, 'Wh') }}</td>
            <td>{{ row.payback }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        In {{ budget.currency }} of today, on the energy that is used, not on what the modules could make.
        <template v-if="anyway > 0"
          >What would be bought anyway, {{ whole(anyway) }} {{ budget.currency }}, is left out where years are
          counted.</template
        >
        A way that gives less is no cheaper for it: look at the kilowatt-hour and at what it gives.
      </p>
      <Chart
        :class="{ stale }"
        type="line"
        over="year"
        :series="series"
        :categories="life.paid.map((_, year) => year)"
        :colours="['--spruce', ...drawn.map(({ id }) => COLOURS[id])]"
        :height="240"
        :format="(value: number) => prefs.show(value, '')"
        :tick-amount="12"
        :label="`Paid by the end of each year, in ${budget.currency} of today`"
      />
      <p v-if="left.length > 0" class="quiet">Too dear to draw beside the others: {{ left.join(', ') }}.</p>
    </template>
    <div class="asked"><FieldGrid :fields="FIELDS" column-width="150px" /></div>
  </section>
</template>

<style scoped>
small {
  display: block;
  max-width: 46ch;
  color: var(--soft);
}

.asked {
  margin-top: 12px;
}

.stale {
  opacity: 0.5;
}
</style>
