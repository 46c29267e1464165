<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { bankNominalV, CHEMISTRIES, handSchools, pick, takeHandSize } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useAnswer } from '../../stores/answer.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The hand method by every school of days and depth, the days of the dark spells among them. */
const design = useDesign()
const prefs = usePrefs()
const { answer } = useAnswer(
  'sky',
  (whole) => ({ design: pick(whole, 'place', 'arrays', 'schools', 'winter'), years: whole.winter.years }),
  (service, asked) => service.sky(asked.design, asked.years),
)
const spell = computed(() => (answer.value ? Math.round(answer.value.spells.longestByReturnPeriod[10]) : null))
const schools = computed(() =>
  handSchools(
    design.document!,
    design.derived!.worked['loads.battery-day'].value,
    design.derived!.batteryC,
    spell.value,
  ),
)
const depths = computed(() => {
  const { depth, depthMax } = CHEMISTRIES[design.document!.bank.part.chemistry]
  return [depth, depthMax]
})
const rows = computed(() => {
  const days = [...new Set(schools.value.map(({ days: each }) => each))].sort((a, b) => a - b)
  return days.map((each) => ({
    days: each,
    fromSpells: schools.value.some((school) => school.days === each && school.fromSpells),
    cells: depths.value.map((depth) => schools.value.find((school) => school.days === each && school.depth === depth)!),
  }))
})
const volts = computed(() => bankNominalV(design.document!.bank))
const isNow = (days: number, depth: number) =>
  design.document!.bank.autonomyDays === days && design.document!.bank.allowedDepth === depth
function take(days: number, depth: number, strings: number): void {
  design.change(`${days} days at ${Math.round(depth * 100)} %`, takeHandSize(days, depth, strings))
}
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 data-part="By hand">Sized by hand, by every method</h2>
      <p class="quiet grow">strings of the chosen unit; the winter run below says how they really fare</p>
    </div>
    <table v-stack class="sheet" data-hand>
      <thead>
        <tr>
          <th>days without sun</th>
          <th v-for="depth in depths" :key="depth">emptied by {{ decimal(depth * 100, 0) }} %</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.days">
          <td>{{ row.days }} days <span v-if="row.fromSpells" class="quiet">longest dark spell, 1 year in 10</span></td>
          <td v-for="cell in row.cells" :key="cell.depth" :class="{ now: isNow(cell.days, cell.depth) }">
            {{ cell.strings }} string{{ cell.strings === 1 ? '' : 's' }}
            <span class="quiet">{{ prefs.show(cell.needWh, 'Wh') }}, {{ prefs.show(cell.needWh / volts, 'Ah') }}</span>
            <button
              v-if="!isNow(cell.days, cell.depth) && cell.strings <= 200"
              class="link"
              @click="take(cell.days, cell.depth, cell.strings)"
            >
              use these
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.now {
  background: var(--wash);
  font-weight: 600;
}

.link {
  margin-left: 8px;
}
</style>
