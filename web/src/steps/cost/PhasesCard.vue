<script setup lang="ts">
import { addPhase, decimal, removeFrom, type CostOverLife } from '@ambrel/core'
import { Trash2 } from '@lucide/vue'
import { computed } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import DocumentField from '../../fields/DocumentField.vue'
import { cents } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Times of buying: what each costs, and what the system gives in its winters once it is bought. */
const props = defineProps<{ costs: CostOverLife | null; stale: boolean }>()
const design = useDesign()
const prefs = usePrefs()
const bill = computed(() => design.derived!.bill)
const rows = computed(() =>
  bill.value.phases.map((phase, k) => ({
    ...phase,
    k,
    gives: props.costs?.phases.find(({ id }) => id === phase.id)?.gives ?? null,
    lead: Math.max(0, ...bill.value.rows.map(({ comes, leadDays }) => (comes[k] > 0 ? (leadDays ?? 0) : 0))),
  })),
)
const isOwn = (k: number) => k > 0 && design.document!.budget.phases.length >= k
const add = () => design.change('another phase', addPhase)
</script>

<template>
  <section class="card" data-phases>
    <div class="row">
      <h2>Now and later</h2>
      <p class="quiet grow">
        a line of the bill marked <em>later</em> comes in a phase; the wire, boxes and racks it takes come with it
      </p>
      <button class="link" @click="add">another phase</button>
    </div>
    <table v-stack class="sheet" :class="{ stale }">
      <thead>
        <tr>
          <th>phase</th>
          <th>bought on</th>
          <th class="n">costs</th>
          <th class="n">takes, days</th>
          <th class="n">short h, 1 in 10</th>
          <th class="n">backup h, typical</th>
          <th class="n">fuel a year</th>
          <th class="n">lowest charge, 1 in 10</th>
          <th><span class="unseen">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :data-phase="row.id">
          <td>
            <DocumentField v-if="isOwn(row.k)" :path="`budget.phases.${row.k - 1}.name`" />
            <template v-else>{{ row.name }}</template>
          </td>
          <td class="day">
            <DocumentField v-if="row.k === 0" path="budget.buyOn" />
            <DocumentField v-else-if="isOwn(row.k)" :path="`budget.phases.${row.k - 1}.buyOn`" :of="row.name" />
          </td>
          <td class="n">{{ cents(row.sum) }}</td>
          <td class="n">{{ row.lead || '—' }}</td>
          <template v-if="row.gives">
            <td class="n">{{ decimal(row.gives.shortHours, 1) }}</td>
            <td class="n">{{ decimal(row.gives.generatorHours, 0) }}</td>
            <td class="n">{{ prefs.show(row.gives.fuelL, 'L') }}</td>
            <td class="n">{{ prefs.show(row.gives.lowestStateOfCharge, 'share') }}</td>
          </template>
          <td v-else colspan="4" class="quiet">{{ costs && !stale ? 'no system that runs' : 'not run yet' }}</td>
          <td>
            <button
              v-if="isOwn(row.k)"
              class="icon-button"
              :aria-label="`Remove ${row.name}`"
              @click="design.change(`remove ${row.name}`, removeFrom('budget.phases', row.k - 1))"
            >
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.sheet td {
  vertical-align: middle;
}

.stale {
  opacity: 0.6;
}

.day {
  width: 140px;
}
</style>
