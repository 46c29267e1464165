<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { bankNominalV, CHEMISTRIES, chemistryChoices, type ChemistryChoice } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What each chemistry would cost this design: money, weight, room, life, cold and care. */
const emit = defineEmits<{ take: [choice: ChemistryChoice] }>()
const design = useDesign()
const prefs = usePrefs()
const choices = computed(() =>
  chemistryChoices(design.document!, design.derived!.worked['loads.battery-day'].value, design.derived!.batteryC),
)
const currency = computed(() => design.document!.budget.currency)
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>Which chemistry</h2>
      <p class="quiet grow">
        each sized for {{ design.document!.bank.autonomyDays }} days by the hand method; life at a cycle a day of the
        daily need
      </p>
    </div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th><span class="unseen">chemistry</span></th>
          <th class="n">bank</th>
          <th class="n">usable</th>
          <th class="n">{{ currency }}</th>
          <th class="n">a year</th>
          <th class="n">weight</th>
          <th class="n">cases</th>
          <th class="n">life</th>
          <th>care and cold</th>
          <th><span class="unseen">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="each in choices"
          :key="each.chemistry"
          :class="{ now: each.chemistry === design.document!.bank.part.chemistry }"
          :data-chemistry="each.chemistry"
        >
          <td class="name" :title="each.part.name">{{ CHEMISTRIES[each.chemistry].name }}</td>
          <td class="n">{{ each.inSeries }} × {{ each.inParallel }}</td>
          <td class="n">
            {{ prefs.show(each.usableWh, 'Wh') }}
            <small>{{ prefs.show(each.usableWh / bankNominalV(each), 'Ah') }}</small>
          </td>
          <td class="n">{{ prefs.show(each.price, '') }}</td>
          <td class="n">{{ prefs.show(Math.round(each.pricePerYear), '') }}</td>
          <td class="n">{{ prefs.show(each.weightKg, 'kg') }}</td>
          <td class="n">{{ prefs.show(each.volumeL, 'L') }}</td>
          <td class="n">{{ decimal(each.years, 0) }} years</td>
          <td class="quiet">{{ each.upkeep }} {{ prefs.say(each.cold) }}</td>
          <td>
            <span v-if="each.chemistry === design.document!.bank.part.chemistry" class="quiet">now</span>
            <button v-else class="link" @click="emit('take', each)">use this bank</button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.now {
  background: var(--wash);
}

.name {
  font-weight: 600;
}

small {
  display: block;
  color: var(--soft);
}
</style>
