<script setup lang="ts">
import { computed, ref } from 'vue'
import { ChevronDown, ChevronLeft, ChevronRight } from '@lucide/vue'
import { STEPS, type Level, type Step } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'
import { usePrefs } from '../stores/prefs.ts'
import StateMark from '../drawing/StateMark.vue'
import { keyFigure, stepName } from './steps.ts'

defineEmits<{ around: [] }>()
const props = defineProps<{ id: string; step: Step }>()
const design = useDesign()
const log = useLog()
const prefs = usePrefs()

function figure(step: Step): string {
  return design.document
    ? keyFigure(step, design.document, design.derived, design.winterSummary, log.readings.length, prefs.units)
    : ''
}

/** Steps with no rules of their own are open until something is done there. */
function mark(step: Step): Level {
  if (!design.derived || !design.document) return 'open'
  const { tasks } = design.derived
  if (step === 'build') return tasks.every(({ id }) => design.document!.build.done.includes(id)) ? 'sound' : 'open'
  if (step === 'log') return log.readings.length > 0 ? 'sound' : 'open'
  return design.levelOf(step)
}

/** A link is drawn anew only where its own figure or mark changed. */
const links = computed(() => STEPS.map((each) => ({ step: each, says: figure(each), level: mark(each) })))
/** On a narrow screen the step at hand and its neighbours; the list opens over the bench. */
const listed = ref(false)
const at = computed(() => STEPS.indexOf(props.step))
const to = (step: Step | undefined) =>
  step
    ? { name: 'design', params: { id: props.id, step } }
    : { name: 'design', params: { id: props.id, step: props.step } }
</script>

<template>
  <nav class="rail" :class="{ narrow: prefs.narrow, listed }" aria-label="Steps" @keydown.esc="listed = false">
    <div v-if="prefs.narrow" class="now">
      <RouterLink
        class="turn"
        :class="{ none: at === 0 }"
        :to="to(STEPS[at - 1])"
        :aria-label="at > 0 ? `Step before: ${stepName(STEPS[at - 1], design.document)}` : 'This is the first step'"
        ><ChevronLeft :size="18"
      /></RouterLink>
      <button :aria-expanded="listed" data-steps @click="listed = !listed">
        <StateMark :level="links[at].level" />
        <b>{{ at + 1 }} {{ stepName(step, design.document) }}</b>
        <span class="quiet says">{{ links[at].says }}</span>
        <ChevronDown :size="16" />
      </button>
      <RouterLink
        class="turn"
        :class="{ none: at === STEPS.length - 1 }"
        :to="to(STEPS[at + 1])"
        :aria-label="
          at < STEPS.length - 1 ? `Step after: ${stepName(STEPS[at + 1], design.document)}` : 'This is the last step'
        "
        ><ChevronRight :size="18"
      /></RouterLink>
    </div>
    <div class="list" @click="listed = false">
      <RouterLink
        v-for="({ step: each, says, level }, i) in links"
        :key="each"
        v-memo="[says, level, each === step, id]"
        :to="{ name: 'design', params: { id, step: each } }"
        :class="{ on: each === step }"
        :aria-current="each === step ? 'step' : undefined"
        :data-step="each"
      >
        <i>{{ i + 1 }}</i>
        <span class="words">
          <b>{{ stepName(each, design.document) }}</b>
          <small :title="says">{{ says }}</small>
        </span>
        <StateMark :level="level" />
      </RouterLink>
      <button v-if="!prefs.toured" class="link around" data-around @click="$emit('around')">show me around</button>
    </div>
  </nav>
</template>

<style scoped>
.rail {
  display: flex;
  flex-direction: column;
  overflow: auto;
  padding: 6px 0;
  border-right: 1px solid var(--rule);
}

.list {
  display: flex;
  min-height: 0;
  flex-direction: column;
}

.list a {
  display: grid;
  flex: 0 1 51px;
  grid-template-columns: 24px 1fr 18px;
  align-items: center;
  min-height: 42px;
  padding: 0 12px 0 12px;
  border-left: 4px solid transparent;
  color: inherit;
  text-decoration: none;
}

.list a:hover {
  background: var(--wash);
}

a.on {
  border-left-color: var(--spruce);
  background: var(--card);
}

i {
  color: var(--soft);
  font: 600 12px var(--heading);
}

.words {
  min-width: 0;
}

b {
  display: block;
  font: 600 14.5px/1.2 var(--heading);
}

small {
  display: block;
  overflow: hidden;
  color: var(--soft);
  font-size: 12.5px;
  line-height: 1.25;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* of a bank there are two ways to say how much */
a[data-step='bank'] small {
  line-height: 1.15;
  white-space: normal;
}

.around {
  margin: 8px 0 6px 40px;
  text-align: left;
}

.now {
  display: grid;
  width: 100%;
  align-items: center;
  grid-template-columns: 44px minmax(0, 1fr) 44px;
}

.now button {
  display: flex;
  min-width: 0;
  height: 44px;
  align-items: center;
  gap: 8px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.now b {
  white-space: nowrap;
}

.says {
  overflow: hidden;
  flex: 1;
  text-align: left;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.turn {
  display: grid;
  height: 44px;
  place-items: center;
  color: var(--spruce);
}

.none {
  visibility: hidden;
}

.narrow {
  position: relative;
  z-index: 21;
  display: block;
  overflow: visible;
  padding: 0;
  border-right: 0;
  border-bottom: 1px solid var(--rule);
  background: var(--paper);
}

.narrow .list {
  position: absolute;
  top: 100%;
  right: 0;
  left: 0;
  display: none;
  overflow: auto;
  max-height: calc(100vh - 120px);
  border-bottom: 1px solid var(--rule);
  background: var(--card);
  box-shadow: var(--shadow);
}

.listed .list {
  display: flex;
}

@media (max-height: 560px) {
  .now button,
  .turn {
    height: 34px;
  }
}
</style>
