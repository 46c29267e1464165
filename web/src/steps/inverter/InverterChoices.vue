<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { inverterChoices, legLevel, takeInverter, type InverterPart, setField, startLevel } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import StateMark from '../../drawing/StateMark.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What each inverter of the shelf would carry and cost to keep awake: a larger one idles more of the sun away. */
const design = useDesign()
const prefs = usePrefs()
const inverter = computed(() => design.document!.inverter)
const peaks = computed(() => [design.derived!.peak, design.derived!.otherPeak])
const choices = computed(() => {
  const { peak, otherPeak, sunHours, worstMonth } = design.derived!
  return inverterChoices(design.document!, peak, otherPeak, sunHours[worstMonth])
})
const SCHOOLS = { coincidence: 'realistic coincidence', everything: 'everything at once + 20 %' } as const
const OPTIONS = (['coincidence', 'everything'] as const).map((value) => ({ value, label: SCHOOLS[value] }))
const levelOf = (leg: number, start: number) => {
  const levels = [legLevel(leg), startLevel(start)]
  return (['stop', 'watch'] as const).find((level) => levels.includes(level)) ?? 'sound'
}
const isOne = (part: InverterPart) => inverter.value.quantity === 1 && part.id === inverter.value.part.id
const whole = (share: number) => `${decimal(share * 100, 0)} %`
function take(part: InverterPart): void {
  design.change(`inverter: ${part.name}`, takeInverter(part, 1))
}
</script>

<template>
  <section class="card" data-inverter-choices>
    <div class="row">
      <h2 data-part="How big">How big, and at what idle cost</h2>
      <p class="quiet grow">
        one of each; heaviest leg and largest start by both methods. The chosen one decides the findings.
      </p>
      <ChoiceField
        class="school"
        :model-value="design.document!.schools.peak"
        :options="OPTIONS"
        label="What is on at once"
        @update:model-value="design.change('how the peak is reckoned', setField('schools.peak', $event))"
      />
    </div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th>inverter</th>
          <th v-for="peak in peaks" :key="peak.school" :title="SCHOOLS[peak.school]">
            {{ SCHOOLS[peak.school] }}: {{ prefs.show(peak.continuousW, 'W') }}, start
            {{ prefs.show(peak.surgeW, 'W') }}
          </th>
          <th class="n">idles a day</th>
          <th class="n">modules for it</th>
          <th class="n">price</th>
          <th class="n">and controllers</th>
          <th><span class="unseen">choose</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="choice in choices" :key="choice.part.id" :class="{ on: isOne(choice.part) }">
          <td>{{ choice.part.name }}</td>
          <td>
            <StateMark :level="levelOf(choice.legShare, choice.surgeShare)" />
            {{ whole(choice.legShare) }} on the leg<br /><span class="start"
              >{{ whole(choice.surgeShare) }} at the start</span
            >
          </td>
          <td>
            <StateMark :level="levelOf(choice.otherLegShare, choice.otherSurgeShare)" />
            {{ whole(choice.otherLegShare) }} on the leg<br /><span class="start"
              >{{ whole(choice.otherSurgeShare) }} at the start</span
            >
          </td>
          <td class="n">{{ prefs.show(choice.idleWhDay, 'Wh') }}</td>
          <td class="n">{{ prefs.show(choice.idlePanelsW, 'W') }}</td>
          <td class="n">{{ prefs.show(choice.price, '') }}</td>
          <td class="n">{{ prefs.show(choice.withControllers, '') }}</td>
          <td class="n">
            <button v-if="!isOne(choice.part)" class="link" @click="take(choice.part)">use this one</button>
            <span v-else class="quiet">this one</span>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      An all-in-one brings its charge controller: less wire and money, one box on the wall; but when it fails, light,
      charging and backup are gone together, and it idles more. Separate parts are dearer and are replaced one by one.
    </p>
  </section>
</template>

<style scoped>
tr.on td {
  background: var(--wash);
}

table {
  margin: 6px 0;
}

table.sheet th {
  vertical-align: bottom;
  white-space: normal;
}

td:first-child {
  min-width: 150px;
}

.start {
  padding-left: 20px;
}

.school {
  width: 220px;
}
</style>
