<script setup lang="ts">
import type { Step } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { SUGGEST } from './commands.ts'
import { stepName } from './steps.ts'
import { usePrefs } from '../stores/prefs.ts'

/** Heading of a step with its Suggest, and the reasons of the last one. */
const prefs = usePrefs()
const props = defineProps<{ step: Step; says?: string }>()
const design = useDesign()

function suggest(): void {
  const fill = SUGGEST[props.step]
  if (fill && design.document)
    design.take(props.step, `suggest ${stepName(props.step, design.document)}`, fill(design.document))
}
</script>

<template>
  <div class="head">
    <div class="row">
      <h1>{{ stepName(step, design.document) }}</h1>
      <p class="quiet grow">{{ says }}</p>
      <slot />
      <el-button
        v-if="SUGGEST[step]"
        :disabled="!design.derived"
        data-suggest
        title="Fill this step from the steps before"
        @click="suggest"
        >Suggest</el-button
      >
    </div>
    <div v-if="design.suggestion?.step === step" class="reasons" role="status">
      <ul>
        <li v-if="!design.suggestion.change"><b>Nothing to change: the step is as suggested.</b></li>
        <li v-for="reason in design.suggestion.reasons" :key="prefs.say(reason)">{{ prefs.say(reason) }}</li>
      </ul>
      <button v-if="design.suggestion.change" class="link" data-withdraw @click="design.withdraw">undo</button>
      <button class="link" @click="design.suggestion = null">fine</button>
    </div>
  </div>
</template>

<style scoped>
.head {
  margin-bottom: 12px;
}

.reasons {
  display: flex;
  align-items: flex-start;
  gap: 12px;
  margin-top: 8px;
  padding: 8px 12px;
  border-left: 3px solid var(--lichen);
  background: var(--wash);
}

ul {
  flex: 1;
  margin: 0;
  padding-left: 16px;
}
</style>
