<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  backupName,
  keyOf,
  needsHelp,
  type Priority,
  provedBottleneck,
  verdict,
  WEEK_DAYS,
  worstOf,
} from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import Figure from '../../frame/Figure.vue'
import DocumentField from '../../fields/DocumentField.vue'
import StepHead from '../../frame/StepHead.vue'
import { useAnswer } from '../../stores/answer.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'
import Tapestry from './Tapestry.vue'
import VariantsCompare from './VariantsCompare.vue'
import WeekView from './WeekView.vue'
import WhatNext from './WhatNext.vue'
import YearTables from './YearTables.vue'

/** As many as What next tries its changes over. */
const TRIAL_YEARS = 10

const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const summary = computed(() => design.winterSummary)
const short = computed(() => (summary.value ? worstOf(summary.value.oneInTen.shortHours) : null))
/** Whether anything could be saved by more of either. */
const needsTrial = computed(() => !!summary.value && !!design.document && needsHelp(design.document, summary.value))
/** One more string of batteries and one of modules, tried beside the run whenever the design has rested. */
const { answer: trials, problem } = useAnswer(
  'bottleneck',
  (document) => (needsTrial.value ? { design: document } : null),
  async (service, asked) => ({
    of: keyOf(asked.design),
    list: await service.bottleneck(asked.design, Math.min(TRIAL_YEARS, asked.design.winter.years)),
  }),
)
/** Stands where the outcome will, about as long as that, so that what is below it stays where it is. */
const BEING_TRIED =
  'One more string of batteries and one more string of modules are being tried over the same winters, to see what each saves, and whether it is storage or modules that hold this design back …'
/** What the tried changes prove, once they are of the design as it stands. */
const proved = computed(() => {
  const subject = design.document
  if (!subject) return null
  if (winter.ranked?.for === subject) return provedBottleneck(winter.ranked.list)
  return trials.value?.of === keyOf(subject) ? provedBottleneck(trials.value.list) : problem.value ? null : BEING_TRIED
})
const says = computed(() =>
  summary.value && design.document ? prefs.say(verdict(design.document, summary.value, proved.value)) : '',
)

/** How far a figure may be off for want of years, to one digit; nothing where it is sure. */
const off = (error: number, unit: string) => (error > 0 ? prefs.show(Number(error.toPrecision(1)), unit) : undefined)
/** Of the priority that is short the longest. */
const worstShortError = computed(() => {
  if (!summary.value) return 0
  const { oneInTen, errors } = summary.value
  const longest = (Object.keys(oneInTen.shortHours) as Priority[]).find(
    (priority) => oneInTen.shortHours[priority] === worstOf(oneInTen.shortHours),
  )!
  return errors.oneInTen.shortHours[longest]
})
/** The week that is opened, by the year and day of the run. */
const opened = ref<{ year: number; firstDay: number } | null>(null)
function open(year: number, day: number): void {
  opened.value = { year, firstDay: Math.max(0, Math.min(365 - WEEK_DAYS, day)) }
}
</script>

<template>
  <StepHead step="winter" :says="design.document!.place.label">
    <DocumentField class="years" path="winter.years" />
    <DocumentField class="seed" path="winter.seed" suffix="seed" />
    <DocumentField class="steps" path="winter.stepMin" />
    <DocumentField class="ageing" path="winter.ageing" />
  </StepHead>
  <template v-if="summary">
    <p class="verdict" data-verdict>{{ says }}</p>
    <div class="row wrap figures">
      <Figure :value="prefs.show(short, 'h')" :error="off(worstShortError, 'h')" label="short, 1 year in 10" />
      <Figure
        :value="prefs.show(summary.median.generatorHours, 'h')"
        :error="off(summary.errors.median.generatorHours, 'h')"
        :label="`${backupName(design.document!)}, typical`"
      />
      <Figure
        :value="prefs.show(summary.oneInTen.generatorHours, 'h')"
        :error="off(summary.errors.oneInTen.generatorHours, 'h')"
        :label="`${backupName(design.document!)}, 1 in 10`"
      />
      <Figure
        :value="prefs.show(summary.median.fuelL, 'L')"
        :error="off(summary.errors.median.fuelL, 'L')"
        :label="
          design.document!.generator.kind === 'generator'
            ? `${design.document!.generator.part.fuel}, typical`
            : 'fuel, typical'
        "
      />
      <Figure :value="prefs.show(summary.oneInTen.lowestStateOfCharge, 'share')" label="lowest charge, 1 in 10" />
      <Figure :value="prefs.show(summary.median.curtailedWh, 'Wh')" label="curtailed a year" />
    </div>
    <div class="stack">
      <h2 class="unseen">Years drawn</h2>
      <Tapestry v-if="winter.winters" :winters="winter.winters" :place="design.document!.place" @open="open" />
      <WeekView
        v-if="opened"
        :year="opened.year"
        :first-day="opened.firstDay"
        @move="opened = { ...opened, firstDay: $event }"
        @close="opened = null"
      />
      <LaterParts>
        <WhatNext />
        <YearTables :summary="summary" />
        <VariantsCompare />
      </LaterParts>
    </div>
  </template>
  <p v-else class="quiet">running winters…</p>
</template>

<style scoped>
.verdict {
  max-width: 84ch;
  margin-bottom: 10px;
  font: 400 17px/1.4 var(--text);
}

.figures {
  gap: 8px 28px;
  margin-bottom: 12px;
}

.years {
  width: 96px;
}

.seed {
  width: 90px;
}

.steps {
  width: 140px;
}

.ageing {
  gap: 5px;
}
</style>
