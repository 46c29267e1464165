<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import {
  HOUSEHOLD,
  MONTH_NAMES,
  type Absence,
  addAbsence,
  removeFrom,
  setField,
  turnHomeDay,
  WEEKDAY_NAMES,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import FieldLabel from '../../fields/FieldLabel.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import NumberField from '../../fields/NumberField.vue'
import WeekdayPicker from '../../fields/WeekdayPicker.vue'
import { useDesign } from '../../stores/design.ts'

/** What people do about power: when nobody is at home, and what is switched off when the bank runs low. */
const design = useDesign()
const household = computed(() => design.document!.household)
const staying = computed(() => design.document!.loads.filter(({ whenAway }) => whenAway))
const MONTHS = MONTH_NAMES.map((label, i) => ({ value: i + 1, label }))
const SHEDDING = ['household.shedCanWaitBelow', 'household.shedShouldBelow']
function add(): void {
  design.change('an absence', addAbsence)
}
function set(index: number, key: keyof Absence, value: number): void {
  design.change('an absence', setField(`household.away.${index}.${key}`, value), `away.${index}.${key}`)
}
const ENDS = [
  { says: 'away from', month: 'fromMonth', day: 'fromDay' },
  { says: 'to', month: 'toMonth', day: 'toDay' },
] as const
</script>

<template>
  <section class="card" data-household>
    <div class="two">
      <div>
        <div class="row">
          <h2 class="grow">Away from home</h2>
          <el-button size="small" @click="add">Add a stretch</el-button>
        </div>
        <div v-for="(absence, i) in household.away" :key="i" class="row away">
          <template v-for="end in ENDS" :key="end.says">
            <span>{{ end.says }}</span>
            <NumberField
              class="day"
              :model-value="absence[end.day]"
              :label="`${end.says}, day`"
              :path="`household.away.${i}.${end.day}`"
              @update:model-value="set(i, end.day, $event!)"
            />
            <ChoiceField
              :model-value="absence[end.month]"
              :options="MONTHS"
              :label="`${end.says}, month`"
              @update:model-value="set(i, end.month, $event)"
            />
          </template>
          <button
            class="icon-button"
            aria-label="Remove this stretch"
            title="Remove"
            @click="design.change('remove an absence', removeFrom('household.away', i))"
          >
            <Trash2 :size="16" />
          </button>
        </div>
        <FieldLabel :label="HOUSEHOLD.weekdays.label" path="household.weekdays" />
        <WeekdayPicker
          :weekdays="household.weekdays ?? WEEKDAY_NAMES.map(() => 1)"
          :label="HOUSEHOLD.weekdays.label"
          @turn="design.change('days at home', turnHomeDay($event))"
        />
        <p class="quiet">
          <template v-if="household.away.length === 0 && !household.weekdays">Somebody is always there. </template>
          Left on meanwhile: {{ staying.map(({ name }) => name).join(', ') || 'nothing' }}. A load says so in its
          details. Nobody starts a generator by hand then.
        </p>
      </div>
      <div>
        <h2>When the bank runs low</h2>
        <FieldGrid :fields="SHEDDING" column-width="190px" />
        <p class="quiet">
          Left empty, loads drop out only when the bank is at its cut-out, what can wait first. What is switched off
          counts as short; it goes on again while a backup runs.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.away {
  gap: 6px;
  margin: 6px 0;
}

.day {
  width: 56px;
}
</style>
