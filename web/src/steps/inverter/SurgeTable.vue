<script setup lang="ts">
import { computed } from 'vue'
import { surgeTable, type SurgeRow } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import StateMark from '../../drawing/StateMark.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The largest start through the charge of the bank, warm and in its coldest month: does the pump start that night? */
const design = useDesign()
const prefs = usePrefs()
const rows = computed(() => surgeTable(design.document!, design.derived!.peak, design.derived!.batteryC))
const charges = computed(() => [...new Set(rows.value.map(({ stateOfCharge }) => stateOfCharge))])
const temperatures = computed(() => [...new Set(rows.value.map(({ bankC }) => bankC))])
const at = (charge: number, bankC: number) =>
  rows.value.find((row) => row.stateOfCharge === charge && row.bankC === bankC)!
const WHY: Record<SurgeRow['limitedBy'], string> = {
  none: 'starts',
  inverter: 'over the inverter’s surge',
  voltage: 'the voltage falls below the cut-out',
  'bank-current': 'over what the bank may give',
}
const peak = computed(() => design.derived!.peak)
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>The largest start</h2>
      <p class="quiet grow">
        {{ peak.starter || 'nothing' }} on top of {{ prefs.show(peak.continuousW, 'W') }}:
        {{ prefs.show(peak.surgeW, 'W') }} for {{ design.document!.inverter.part.surgeS }} s at most
      </p>
    </div>
    <table class="sheet" data-surge>
      <thead>
        <tr>
          <th>charge of the bank</th>
          <th v-for="bankC in temperatures" :key="bankC">bank at {{ prefs.show(bankC, '°C') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="charge in charges" :key="charge">
          <td>{{ decimal(charge * 100, 0) }} %</td>
          <td v-for="bankC in temperatures" :key="bankC">
            <StateMark :level="at(charge, bankC).starts ? 'sound' : 'stop'" />
            {{ WHY[at(charge, bankC).limitedBy] }}
            <span class="quiet"
              >{{ prefs.show(at(charge, bankC).volts, 'V') }}, {{ prefs.show(at(charge, bankC).amps, 'A') }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      A soft starter brings a pump from {{ decimal(4.5, 1) }} to about twice its running watts; set it as the start of
      the load. The inverter lets go below {{ prefs.show(design.document!.inverter.part.lowCutV, 'V') }}.
    </p>
  </section>
</template>
