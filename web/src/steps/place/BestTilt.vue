<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { type TiltChoice, pick, seasonOf, turnAll } from '@ambrel/core'
import { decimal, significant } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'
import MonthPicker from '../../fields/MonthPicker.vue'
import { useAnswer } from '../../stores/answer.ts'

/** The tilt that collects most in the chosen months, by search, beside the rules of thumb. */
const design = useDesign()
const months = ref(seasonOf(design.document!.place).months.slice(1, 5))
const { answer } = useAnswer(
  'tilts',
  (whole) => ({ design: pick(whole, 'place', 'arrays', 'schools'), months: months.value }),
  (service, asked) => service.tilts(asked.design, asked.months),
)
const most = computed(() => Math.max(...(answer.value ?? []).map((choice) => choice.energyKWhM2Day), 0.001))
function toggle(month: number): void {
  const rest = months.value.filter((each) => each !== month)
  if (rest.length === months.value.length) months.value = [...rest, month].sort((a, b) => a - b)
  else if (rest.length > 0) months.value = rest
}
function take({ tiltDeg, azimuthDeg }: TiltChoice): void {
  design.change(`tilt ${tiltDeg}°`, turnAll({ tiltDeg, azimuthDeg }))
}
</script>

<template>
  <section class="card">
    <div class="row wrap">
      <h2>Best tilt</h2>
      <p class="quiet grow">for these months together</p>
      <MonthPicker :chosen="months" label="Months to collect in" @pick="toggle" />
    </div>
    <table v-if="answer" v-stack class="sheet">
      <thead>
        <tr>
          <th><span class="unseen">lay of the array</span></th>
          <th class="n">tilt</th>
          <th class="n">azimuth</th>
          <th class="n">kWh/m² a day</th>
          <th class="n">of the best</th>
          <th><span class="unseen">take it</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="choice in answer" :key="choice.says">
          <td>{{ choice.says }}</td>
          <td class="n">{{ decimal(choice.tiltDeg, 0) }}°</td>
          <td class="n">{{ decimal(choice.azimuthDeg, 0) }}°</td>
          <td class="n">{{ significant(choice.energyKWhM2Day) }}</td>
          <td class="n">{{ decimal((100 * choice.energyKWhM2Day) / most, 1) }} %</td>
          <td class="n">
            <button
              v-if="design.document!.arrays.length > 0 && !choice.says.endsWith('as it stands')"
              class="link"
              @click="take(choice)"
            >
              set the array so
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>
