<script setup lang="ts">
import { computed } from 'vue'
import { MONTH_DAYS, MONTH_NAMES, pick, seasonOf } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useAnswer } from '../../stores/answer.ts'

/** How long the dark spells last, by how often they come, and three winters that differ as much as the years allow. */
const PERIODS = [2, 5, 10, 20] as const
const WIDTH = 720
const HEIGHT = 34
const TOP_KWH = 6
const design = useDesign()
const prefs = usePrefs()
const { answer, problem } = useAnswer(
  'sky',
  (whole) => ({ design: pick(whole, 'place', 'arrays', 'schools', 'winter'), years: whole.winter.years }),
  (service, asked) => service.sky(asked.design, asked.years),
)
const rows = computed(() =>
  PERIODS.filter((period) => period <= (answer.value?.years ?? 0)).map((period) => ({
    period,
    days: answer.value!.spells.longestByReturnPeriod[period],
  })),
)
const longest = computed(() => Math.max(1, ...rows.value.map((row) => row.days)))
const months = computed(() => {
  let day = 0
  return seasonOf(design.document!.place)
    .months.slice(1, 5)
    .map((month) => {
      const at = day
      day += MONTH_DAYS[month]
      return { name: MONTH_NAMES[month], at }
    })
})
const step = computed(() => WIDTH / (answer.value?.winters[0].days.length ?? 120))
const height = (energy: number) => Math.max(0.8, (Math.min(energy, TOP_KWH) / TOP_KWH) * HEIGHT)
/** A day of less sun than this on the array is a dark one. */
const DARK_KWH_M2 = 1
const darkDays = (days: readonly number[]) => days.filter((energy) => energy < DARK_KWH_M2).length
function longestRun(days: readonly number[]): number {
  let run = 0
  return days.reduce((most, energy) => Math.max(most, (run = energy < DARK_KWH_M2 ? run + 1 : 0)), 0)
}
const table = () =>
  answer.value!.winters.map(({ says, totalKWhM2, days }) => [
    WORDS[says],
    `${prefs.show(totalKWhM2, '')} kWh/m²`,
    darkDays(days),
    longestRun(days),
  ])
const WORDS = { gloomiest: 'The gloomiest', middling: 'One in the middle', brightest: 'The brightest' }
</script>

<template>
  <section v-if="answer || problem" class="card">
    <p v-if="problem" class="quiet" role="alert">{{ problem }}</p>
    <template v-if="answer">
      <div class="row">
        <h2>Dark spells</h2>
        <p class="quiet grow">
          longest run of days under 1 kWh/m² on the first array; {{ decimal(answer.spells.daysPerYear, 0) }} such days a
          year, over {{ answer.years }} years
        </p>
      </div>
      <div v-for="row in rows" :key="row.period" class="spell">
        <span>1 year in {{ row.period }}</span>
        <i :style="{ width: `${(62 * row.days) / longest}%` }" />
        <b>{{ decimal(row.days, 0) }} days</b>
      </div>
      <h3>Three winters of those</h3>
      <div v-for="winter in answer.winters" :key="winter.says" class="winter">
        <p>
          {{ WORDS[winter.says] }}
          <span class="quiet">{{ prefs.show(winter.totalKWhM2, '') }} kWh/m²</span>
        </p>
        <svg
          :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
          preserveAspectRatio="none"
          role="img"
          :aria-label="`${WORDS[winter.says]} winter: ${darkDays(winter.days)} dark days of ${winter.days.length}, the longest run ${longestRun(winter.days)}`"
        >
          <rect
            v-for="(energy, day) in winter.days"
            :key="day"
            :x="day * step"
            :y="HEIGHT - height(energy)"
            :width="step - 0.8"
            :height="height(energy)"
            :class="{ dark: energy < DARK_KWH_M2 }"
          />
        </svg>
      </div>
      <div class="winter">
        <p class="quiet">a bar a day; dark days slate</p>
        <div class="months">
          <span v-for="month in months" :key="month.name" :style="{ left: `${(100 * month.at * step) / WIDTH}%` }">{{
            month.name
          }}</span>
        </div>
      </div>
      <FiguresTable
        of="Three winters"
        :columns="['winter', 'sun on the array', 'dark days', 'longest run of them']"
        :rows="table"
      />
    </template>
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

h3 {
  margin: 14px 0 4px;
}

.winter {
  display: grid;
  align-items: end;
  margin-top: 6px;
  gap: 10px;
  grid-template-columns: 130px 1fr;
  line-height: 1.2;
}

.winter .quiet {
  display: block;
}

svg {
  width: 100%;
  height: 34px;
  border-bottom: 1px solid var(--ink);
}

rect {
  fill: var(--ochre);
}

.dark {
  fill: var(--slate);
}

.months {
  position: relative;
  height: 18px;
}

.months span {
  position: absolute;
  color: var(--soft);
  font-size: 12px;
}
</style>
