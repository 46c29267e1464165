<script setup lang="ts">
import { computed } from 'vue'
import { decimal } from '@ambrel/core/units'
import { useWinter } from '../../stores/winter.ts'

/** How long the dark spells last, by how often they come. */
const winter = useWinter()
const spells = computed(() => winter.winters?.spells ?? null)
const rows = computed(() =>
  spells.value
    ? ([2, 5, 10, 20] as const)
        .filter((period) => period <= winter.winters!.years)
        .map((period) => ({ period, days: spells.value!.longestByReturnPeriod[period] }))
    : [],
)
const longest = computed(() => Math.max(1, ...rows.value.map((row) => row.days)))
</script>

<template>
  <section v-if="spells" class="card">
    <div class="row">
      <h2>Dark spells</h2>
      <p class="quiet grow">
        longest run of days under 1 kWh/m² on the first array; {{ decimal(spells.daysPerYear, 0) }} such days a year,
        over {{ winter.winters!.years }} made years
      </p>
    </div>
    <div v-for="row in rows" :key="row.period" class="spell">
      <span>1 year in {{ row.period }}</span>
      <i :style="{ width: `${(62 * row.days) / longest}%` }" />
      <b>{{ decimal(row.days, 0) }} days</b>
    </div>
  </section>
</template>

<style scoped>
.spell {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 6px;
}

.spell span {
  width: 90px;
  color: var(--soft);
}

i {
  height: 14px;
  background: var(--slate);
}
</style>
