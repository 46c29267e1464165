<script setup lang="ts">
import { computed } from 'vue'
import { CHEMISTRIES, coldFactor, freezingPointC, WEAR_YEARS } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useAnswer } from '../../stores/answer.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** How long the bank lasts, what it weighs on its shelf, and how units are kept before they are needed. */
const design = useDesign()
const prefs = usePrefs()
const { answer } = useAnswer(
  'wear',
  (whole) => ({ design: whole }),
  (service, asked) => service.wear(asked.design, WEAR_YEARS),
)
const bank = computed(() => design.document!.bank)
const weight = computed(() => bank.value.part.weightKg * bank.value.inSeries * bank.value.inParallel)
const winter = computed(() => design.winterSummary)
const coldShare = computed(() => coldFactor(bank.value.part.chemistry, design.derived!.batteryC))
const freezes = computed(() => freezingPointC(Math.max(0, Math.min(1, winter.value!.oneInTen.lowestStateOfCharge))))
const facts = computed(() => CHEMISTRIES[bank.value.part.chemistry])
const count = computed(() => bank.value.inSeries * bank.value.inParallel)
</script>

<template>
  <section class="card">
    <h2 data-part="Life and cold">Life, cold and weight</h2>
    <div class="row wrap figures">
      <div v-if="answer" data-life>
        <b>{{ decimal(answer.years, 1) }} years</b>
        <span>until replacement, of {{ answer.limitedBy === 'calendar' ? 'age' : 'cycles' }}</span>
      </div>
      <div v-if="answer">
        <b>{{ decimal(answer.equivalentCyclesPerYear, 0) }}</b>
        <span>cycles of 80 % a year, rainflow over {{ WEAR_YEARS }} years</span>
      </div>
      <div v-if="answer">
        <b>{{ Number.isFinite(answer.cyclicYears) ? `${decimal(answer.cyclicYears, 0)} years` : 'never' }}</b>
        <span>until the cycles alone would wear it out</span>
      </div>
      <div>
        <b>{{ decimal(coldShare * 100, 0) }} %</b>
        <span>of its capacity at {{ prefs.show(design.derived!.batteryC, '°C') }}, the coldest month in its room</span>
      </div>
      <div v-if="bank.part.minChargeC !== null && winter">
        <b>{{ prefs.show(winter.median.coldLockHours, 'h') }}</b>
        <span>a year locked against charging by cold; heaters take {{ prefs.show(winter.median.heaterWh, 'Wh') }}</span>
      </div>
      <div v-if="facts.freezes && winter">
        <b>{{ prefs.show(freezes, '°C') }}</b>
        <span
          >freezes its acid at {{ prefs.show(winter.oneInTen.lowestStateOfCharge, 'share') }}, the lowest of 1 winter in
          10; record low {{ prefs.show(design.document!.place.recordLowC, '°C') }}</span
        >
      </div>
      <div>
        <b>{{ prefs.show(weight, 'kg') }}</b>
        <span
          >on the floor or shelf, {{ count }} units of {{ prefs.show(bank.part.weightKg, 'kg') }}; lift with two, or a
          hoist</span
        >
      </div>
    </div>
    <details>
      <summary>Units bought before there is anything to charge them</summary>
      <ul>
        <li v-for="line in facts.storage" :key="prefs.say(line)">{{ prefs.say(line) }}</li>
      </ul>
      <p class="quiet">The maker’s sheet outranks this.</p>
    </details>
  </section>
</template>

<style scoped>
.figures {
  align-items: start;
  gap: 10px 26px;
  margin: 6px 0 8px;
}

.figures div {
  max-width: 190px;
}

b {
  display: block;
  font: 600 17px/1.2 var(--heading);
}

span {
  color: var(--soft);
  font-size: 12.5px;
}

summary {
  cursor: pointer;
}

ul {
  margin: 6px 0;
  padding-left: 18px;
}
</style>
