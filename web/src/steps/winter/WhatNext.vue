<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { backupName, rankedBy, worth, type Candidate, type Care } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'

const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const care = ref<Care>('money')
const CARES: { value: Care; label: string }[] = [
  { value: 'money', label: 'hours for the money' },
  { value: 'short', label: 'short hours' },
  { value: 'backup', label: 'hours of backup' },
]
const list = computed(() => rankedBy(winter.ranked?.list ?? [], care.value))
const priceOf = ({ price, unpriced }: Candidate) => (unpriced ? 'no price' : price > 0 ? prefs.show(price, '') : 'free')
const stale = computed(() => winter.ranked !== null && winter.ranked.for !== design.document)
function keep(candidate: Candidate): void {
  winter.clearGhost()
  design.take('winter', prefs.say(candidate.says), {
    design: candidate.design,
    reasons: [
      `${prefs.say(candidate.says)}: ${decimal(candidate.generatorHoursSaved, 0)} hours of ${backupName(design.document!)} and ${decimal(candidate.shortHoursSaved, 1)} short hours (1 in 10) saved a year over the same weather, for ${candidate.unpriced ? 'parts that have no price yet' : candidate.price > 0 ? `${prefs.show(candidate.price, '')} ${design.document!.budget.currency}` : 'nothing'}.`,
    ],
  })
}
/** Change in hours: a saving is negative, a cost carries its plus. */
const signed = (saved: number, decimals: number) => `${saved < 0 ? '+' : ''}${decimal(-saved, decimals)}`
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>What next</h2>
      <p class="quiet grow">
        one change at a time over the same ten winters, and two together where none alone helps much; nothing comes back
        for what is thrown away
      </p>
      <ChoiceField
        v-if="list.length > 0"
        :model-value="care"
        :options="CARES"
        label="Ranked by"
        labelled
        @update:model-value="care = $event as Care"
      />
      <template v-if="winter.ranking">
        <span class="quiet" role="status">{{ Math.round(winter.rankedShare * 100) }} %</span>
        <button class="link" @click="winter.cancelRanking">cancel</button>
      </template>
      <el-button data-suggest :loading="winter.ranking" :disabled="!design.derived" @click="winter.rank">{{
        list.length ? 'Try again' : 'Suggest'
      }}</el-button>
    </div>
    <table v-if="list.length > 0" v-stack class="sheet" :class="{ stale }">
      <thead>
        <tr>
          <th>change one thing</th>
          <th class="n">price</th>
          <th class="n">{{ backupName(design.document!) }} h</th>
          <th class="n">short h, 1 in 10</th>
          <th class="n">h saved per 1000</th>
          <th><span class="unseen">show or do it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="candidate in list"
          :key="candidate.id"
          :data-candidate="candidate.id"
          :class="{ apart: candidate.unpriced }"
        >
          <td>{{ prefs.say(candidate.says) }}</td>
          <td class="n">{{ priceOf(candidate) }}</td>
          <td class="n">{{ signed(candidate.generatorHoursSaved, 0) }}</td>
          <td class="n">{{ signed(candidate.shortHoursSaved, 1) }}</td>
          <td class="n">{{ candidate.price > 0 && !candidate.unpriced ? decimal(worth(candidate), 1) : '—' }}</td>
          <td class="n">
            <button
              class="link"
              :disabled="stale"
              @click="winter.showGhost(prefs.say(candidate.says), candidate.design)"
            >
              show
            </button>
            · <button class="link" :disabled="stale" @click="keep(candidate)">keep</button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="stale" class="quiet">The design has changed since; try again.</p>
  </section>
</template>

<style scoped>
.stale tbody {
  opacity: 0.5;
}

table {
  margin-top: 6px;
}

.apart {
  color: var(--soft);
}
</style>
