<script setup lang="ts">
import { computed } from 'vue'
import { bankCables, unitOrder } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The cables of the bank, to be cut and counted; printed together with the drawing. */
const design = useDesign()
const prefs = usePrefs()
const bank = computed(() => design.document!.bank)
const cables = computed(() => bankCables(bank.value))
const joints = computed(() => {
  const order = unitOrder(bank.value)
  const { inSeries, inParallel } = bank.value
  return Array.from({ length: inParallel }, (_, row) => order.slice(row * inSeries, (row + 1) * inSeries).join(' → '))
})
const print = () => window.print()
</script>

<template>
  <div class="cables">
    <table class="sheet">
      <thead>
        <tr>
          <th>cables of the bank</th>
          <th class="n">pieces</th>
          <th class="n">each</th>
          <th class="n">together</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="cable in cables" :key="cable.says">
          <td>{{ cable.says }}</td>
          <td class="n">{{ cable.quantity }}</td>
          <td class="n">{{ cable.lengthM > 0 ? prefs.show(cable.lengthM, 'm') : '' }}</td>
          <td class="n">{{ cable.lengthM > 0 ? prefs.show(cable.lengthM * cable.quantity, 'm') : '' }}</td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      Units by string:
      <span v-for="(units, i) in joints.slice(0, 12)" :key="i" class="joint">{{ i + 1 }}: {{ units }}</span>
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
</style>
