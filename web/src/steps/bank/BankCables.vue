<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { bankConductors, fullLoadA, stringAmps, unitOrder } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The cables of the bank, to be cut and counted; printed together with the drawing. */
const design = useDesign()
const prefs = usePrefs()
const bank = computed(() => design.document!.bank)
const cables = computed(() => bankConductors(design.document!))
const strings = computed(() => stringAmps(bank.value, fullLoadA(design.document!)))
const limitA = computed(() => bank.value.part.maxDischargeA)
const joints = computed(() => {
  const order = unitOrder(bank.value)
  const { inSeries, inParallel } = bank.value
  return Array.from({ length: inParallel }, (_, row) => order.slice(row * inSeries, (row + 1) * inSeries).join(' → '))
})
const print = () => window.print()
</script>

<template>
  <div class="cables">
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th>cables of the bank</th>
          <th class="n">pieces</th>
          <th class="n">each</th>
          <th class="n">together</th>
          <th class="n" title="At the inverter’s full load, bank at its lowest volts">sees</th>
          <th class="least">at least</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cable in cables" :key="cable.says">
          <td>{{ cable.says }}</td>
          <td class="n">{{ cable.quantity }}</td>
          <td class="n">{{ cable.lengthM > 0 ? prefs.show(cable.lengthM, 'm') : '' }}</td>
          <td class="n">{{ cable.lengthM > 0 ? prefs.show(cable.lengthM * cable.quantity, 'm') : '' }}</td>
          <td class="n">{{ prefs.show(cable.amps, 'A') }}</td>
          <td class="least">
            <template v-if="cable.part === 'fuse'">{{
              cable.deviceA ? prefs.show(cable.deviceA, 'A') : 'none is made for it'
            }}</template>
            <template v-else>{{ cable.cable ? prefs.say(cable.cable) : 'none carries it' }}</template>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      Units by string:
      <span v-for="(units, i) in joints.slice(0, 12)" :key="i" class="joint">{{ i + 1 }}: {{ units }}</span>
    </p>
    <p class="quiet">
      Amps by string at the inverter’s full load:
      <span v-for="(amps, i) in strings.slice(0, 12)" :key="i" class="joint" :class="{ over: amps > limitA }"
        >{{ i + 1 }}: {{ prefs.show(amps, 'A') }}</span
      >
      of {{ prefs.show(limitA, 'A') }} each may give.
    </p>
    <button class="link no-print" @click="print">print the bank</button>
  </div>
</template>

<style scoped>
.cables {
  margin-top: 8px;
}

.joint {
  margin-right: 14px;
  white-space: nowrap;
}
.least {
  padding-left: 14px;
}

.over {
  color: var(--clay);
  font-weight: 600;
}
</style>
