<script setup lang="ts">
import { computed } from 'vue'
import { MONTH_NAMES, WEAR_YEARS, type Grid } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import Figure from '../../frame/Figure.vue'
import { yearsWords } from '../../frame/yearsWords.ts'
import { useAnswer } from '../../stores/answer.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The grid where it is usually there: what it gives, when it fails, and what the bank makes of that. */
const design = useDesign()
const prefs = usePrefs()
const grid = computed(() => design.document!.grid)
const winter = computed(() => design.winterSummary)
const failures = computed(() => winter.value?.failures ?? null)
const at = (...keys: (keyof Grid & string)[]) => keys.map((key) => `grid.${key}`)
const GIVES = at('breakerA', 'breakerV', 'pricePerKWh', 'keepStateOfCharge', 'chargeLimitA', 'chargeFromH', 'chargeToH')
const fails = computed(() => [
  ...at('failing'),
  ...(grid.value.failing === 'spell' ? at('spellMonth', 'spellDay', 'spellDays') : at('failureH')),
])
const hours = (value: number | null, never: string) => (value === null ? never : prefs.show(value, 'h'))
/** How long the bank lasts at float, by the charge of the run. */
const { answer: life } = useAnswer(
  'wear',
  (whole) => (whole.grid.present ? { design: whole } : null),
  (service, asked) => service.wear(asked.design, WEAR_YEARS),
)
</script>

<template>
  <section class="card" data-grid>
    <div class="row wrap">
      <h2>Grid</h2>
      <DocumentField labelled path="grid.present" />
    </div>
    <p v-if="!grid.present" class="quiet">
      Where a line stands and fails now and then, the bank carries the house meanwhile. A cord that is plugged in now
      and then is a backup: “shore or grid power” above.
    </p>
    <template v-else>
      <div class="row wrap figures">
        <template v-if="failures">
          <Figure :value="prefs.show(failures.lasted, 'share')" label="of its failures, all that must run lasts" />
          <Figure :value="hours(failures.darkAfterH.oneInTen, 'never')" label="until dark, 1 failure in 10" />
          <Figure :value="hours(failures.darkAfterH.soonest, 'never')" label="until dark, the soonest" />
          <Figure :value="hours(failures.rechargeH.oneInTen, 'not by the next')" label="until it is back up, 9 in 10" />
        </template>
        <template v-if="design.derived?.worked['grid.hours-until-dark']">
          <Figure id="grid.hours-until-dark" />
          <Figure id="grid.recharge-hours" />
        </template>
        <Figure v-if="life && failures" :value="prefs.show(life.years, 'years')" label="the bank lasts, so kept" />
        <Figure v-if="winter" :value="prefs.show(winter.median.gridWh, 'Wh')" label="from the grid, typical year" />
      </div>
      <p v-if="failures && winter" class="quiet" data-failures>
        <template v-if="failures.count === 0">It never failed</template>
        <template v-else
          >{{ failures.count }} failures, {{ prefs.show(failures.meanH, 'h') }} on average and
          {{ prefs.show(failures.longestH, 'h') }} at most,</template
        >
        in {{ yearsWords(design.document, winter.years) }}.
        <template v-if="life"
          >The bank ends of {{ life.limitedBy === 'calendar' ? 'age' : 'cycles' }}, after
          {{ decimal(life.equivalentCyclesPerYear, 1) }} cycles of 80 % a year.</template
        >
      </p>
      <h3>What it gives</h3>
      <FieldGrid :fields="GIVES" />
      <p class="quiet">
        While it is there it carries the house through the inverter’s relay, and the sun charges the bank; what the bank
        cannot take is curtailed. Nothing is fed into the line.
      </p>
      <h3>When it fails</h3>
      <FieldGrid :fields="fails" />
      <div v-if="grid.failing === 'drawn'" class="months">
        <DocumentField
          v-for="(name, month) in MONTH_NAMES"
          :key="name"
          labelled
          :label="name"
          :path="`grid.failuresByMonth.${month}`"
        />
      </div>
      <p v-if="grid.failing === 'drawn'" class="quiet">
        Failures that begin in each month, as a mean of many years: 0.5 is one in two years.
      </p>
      <p class="quiet">
        A generator beside it starts by its own rules above, and only while the grid is down; exercise runs go on.
      </p>
    </template>
  </section>
</template>

<style scoped>
.figures {
  gap: 12px 26px;
  margin: 8px 0;
}

h3 {
  margin: 14px 0 6px;
}

.months {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(54px, 1fr));
  gap: 6px;
  margin-top: 9px;
}
</style>
