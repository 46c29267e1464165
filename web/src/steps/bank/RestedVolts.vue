<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { CHEMISTRIES, restedBankV } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What this bank shows at rest at each charge, for whoever has a voltmeter. */
const design = useDesign()
const prefs = usePrefs()
const bank = computed(() => design.document!.bank)
const CHARGES = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1]
const rows = computed(() =>
  CHARGES.map((charge) => ({
    charge,
    volts: restedBankV(bank.value, charge),
    deepest: Math.abs(charge - (1 - bank.value.allowedDepth)) < 0.05,
  })),
)
const flat = computed(() => CHEMISTRIES[bank.value.part.chemistry].managed)
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>Volts at rest</h2>
      <p class="quiet grow">
        no current for some hours, about {{ prefs.show(25, '°C') }}, the allowed depth marked<template v-if="flat"
          >; lithium is so flat in the middle that a voltmeter tells only full and nearly empty there</template
        >
      </p>
    </div>
    <table v-stack class="sheet rested" data-rested>
      <tbody>
        <tr>
          <th scope="row">charge</th>
          <td v-for="row in rows" :key="row.charge" class="n" :class="{ mark: row.deepest }">
            {{ decimal(row.charge * 100, 0) }} %
          </td>
        </tr>
        <tr>
          <th scope="row">volts</th>
          <td v-for="row in rows" :key="row.charge" class="n" :class="{ mark: row.deepest }">
            {{ decimal(row.volts, 2) }}
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.rested {
  margin-top: 6px;
}

.mark {
  background: var(--wash);
  font-weight: 600;
}
</style>
