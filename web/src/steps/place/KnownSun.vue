<script setup lang="ts">
import { computed } from 'vue'
import { MONTH_NAMES, setField } from '@ambrel/core'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Sun hours somebody was told, beside the climate: of the worst month alone, or of the twelve. */
const design = useDesign()
const prefs = usePrefs()
const known = computed(() => design.document!.place.knownSunHours)
const byMonth = computed(() => known.value?.length === 12)
const climate = computed(() => design.derived?.sunHours ?? Array<number>(12).fill(0))
const worst = computed(() => design.derived?.worked['place.worst-month-sun']?.value ?? 0)
const set = (hours: number[] | null) =>
  design.change('sun hours you know', setField('place.knownSunHours', hours), 'place.knownSunHours')
const setMonth = (month: number, hours: number | null) =>
  set(known.value!.map((each, m) => (m === month ? (hours ?? 0) : each)))
const sizes = computed(() => {
  const { worked } = design.derived ?? { worked: {} as Record<string, { value: number }> }
  const byKnown = worked['array.need-known']
  return byKnown ? { known: byKnown.value, climate: worked['array.need'].value } : null
})
</script>

<template>
  <section class="card" data-known-sun>
    <div class="row">
      <h2>Sun hours you know</h2>
      <p class="quiet grow">
        “I only have four hours”: peak sun hours a day on the modules, from a map or a neighbour. The array is sized by
        them beside the climate; the winter run keeps to the climate.
      </p>
    </div>
    <div class="row wrap">
      <NumberField
        v-if="!byMonth"
        :model-value="known?.[0] ?? null"
        unit="h"
        label="Worst month"
        path="place.knownSunHours"
        labelled
        nullable
        :empty="`climate: ${prefs.show(worst, 'h')}`"
        :step="0.1"
        width="170px"
        @update:model-value="set($event === null ? null : [$event])"
      />
      <NumberField
        v-for="(name, month) in byMonth ? MONTH_NAMES : []"
        :key="name"
        :model-value="known![month]"
        unit="h"
        :label="name"
        labelled
        :step="0.1"
        width="84px"
        @update:model-value="setMonth(month, $event)"
      />
      <button v-if="!byMonth" class="link" @click="set(climate.map((hours) => Math.round(hours * 10) / 10))">
        by month, beginning with the climate’s
      </button>
      <button v-else class="link" @click="set([Math.min(...known!)])">only the worst month</button>
    </div>
    <p v-if="sizes">
      Array by your hours <b>{{ prefs.show(sizes.known, 'W') }}</b>, by the climate
      <b>{{ prefs.show(sizes.climate, 'W') }}</b>.
    </p>
  </section>
</template>

<style scoped>
.row.wrap {
  flex-wrap: wrap;
  align-items: flex-end;
  gap: 8px;
  margin-top: 6px;
}
</style>
