<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { voltageChoices, voltagesFor, type Bank } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** 48, 24 and 12 V side by side for the same inverter and loads. */
const emit = defineEmits<{ choose: [systemV: Bank['systemV']] }>()
const design = useDesign()
const prefs = usePrefs()
const choices = computed(() => {
  const { worked } = design.derived!
  return voltageChoices(design.document!, {
    peakW: worked['loads.peak'].value,
    surgeW: worked['loads.surge'].value,
    dailyWh: worked['loads.battery-day'].value,
  })
})
const offered = computed(() => voltagesFor(design.document!))
const now = computed(() => design.document!.bank.systemV)
</script>

<template>
  <section class="card">
    <h2>Which voltage</h2>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th><span class="unseen">bank voltage</span></th>
          <th class="n">full load</th>
          <th class="n">largest start</th>
          <th>bank to inverter</th>
          <th class="n">60 A controller</th>
          <th>what it means</th>
          <th><span class="unseen">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr
          v-for="each in choices"
          :key="each.systemV"
          :class="{ now: each.systemV === now }"
          :data-voltage="each.systemV"
        >
          <td class="volts">{{ each.systemV }} V <small v-if="each.advised">advised here</small></td>
          <td class="n">{{ prefs.show(each.fullLoadA, 'A') }}</td>
          <td class="n">{{ prefs.show(each.surgeA, 'A') }}</td>
          <td>{{ prefs.say(each.cable) }}</td>
          <td class="n">{{ prefs.show(each.controllerW, 'W') }}</td>
          <td class="quiet">{{ prefs.say(each.says) }}</td>
          <td>
            <span v-if="each.systemV === now" class="quiet">now</span>
            <button v-else-if="offered.includes(each.systemV)" class="link" @click="emit('choose', each.systemV)">
              use it
            </button>
            <span v-else class="quiet">no such inverter on the shelf</span>
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

.volts {
  font-weight: 600;
  white-space: nowrap;
}

small {
  display: block;
  color: var(--spruce);
  font-weight: 400;
}
</style>
