<script setup lang="ts">
import { computed } from 'vue'
import { STEPS, type Level, type Step } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'
import { usePrefs } from '../stores/prefs.ts'
import StateMark from '../drawing/StateMark.vue'
import { keyFigure, stepName } from './steps.ts'

defineProps<{ id: string; step: Step }>()
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
</script>

<template>
  <nav class="rail" aria-label="Steps">
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

a {
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

a:hover {
  background: var(--wash);
}

a.on {
  border-left-color: var(--spruce);
  background: var(--card);
}

i {
  color: var(--soft);
  font: 500 12px var(--heading);
}

.words {
  min-width: 0;
}

b {
  display: block;
  font: 500 14.5px/1.2 var(--heading);
}

.on b {
  font-weight: 600;
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

@media (max-width: 900px) {
  .rail {
    flex-direction: row;
    padding: 0;
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }

  a {
    flex: 0 0 auto;
    grid-template-columns: auto 18px;
    gap: 6px;
    border-bottom: 3px solid transparent;
    border-left: 0;
  }

  a.on {
    border-bottom-color: var(--spruce);
  }

  i,
  small {
    display: none;
  }
}
</style>
