<script setup lang="ts">
import { computed, useTemplateRef } from 'vue'
import { touch, type Step, type TouchedStep } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { useSuggest } from '../stores/suggest.ts'
import { isSuggested } from './commands.ts'
import { stepName } from './steps.ts'
import StepNote from './StepNote.vue'
import StepIndex from './StepIndex.vue'
import { usePrefs } from '../stores/prefs.ts'

/** Heading of a step with its Suggest, and the reasons of the last one. */
const prefs = usePrefs()
const props = defineProps<{ step: Step; says?: string; whole?: boolean }>()
const design = useDesign()
const suggest = useSuggest()
const note = useTemplateRef('note')

/** The step, where it is one that wants to be gone through and nobody has. */
const untouched = computed(() => {
  const { touched } = design.document!
  const key = props.step as TouchedStep
  return touched[key] === false ? key : null
})
const fill = () =>
  isSuggested(props.step)
    ? suggest.ask(props.step, props.step, `suggest ${stepName(props.step, design.document)}`)
    : undefined
const fillAll = () => suggest.ask('whole', props.step, 'suggest the whole system')
</script>

<template>
  <div class="head">
    <div class="row">
      <h1>{{ stepName(step, design.document) }}</h1>
      <p class="quiet grow">{{ says }}</p>
      <slot />
      <button class="link no-print" data-write-note @click="note?.write()">note</button>
      <button v-if="suggest.busy" class="link" @click="suggest.cancel">cancel</button>
      <el-button
        v-if="whole"
        :disabled="!design.derived || suggest.busy !== null"
        :loading="suggest.busy === 'whole'"
        data-suggest-whole
        title="Bank, array, inverter, backup and cables for this place and these loads"
        @click="fillAll"
        >Suggest the whole system</el-button
      >
      <el-button
        v-if="isSuggested(step)"
        :disabled="!design.derived || suggest.busy !== null"
        :loading="suggest.busy === step"
        data-suggest
        title="Fill this step from the steps before"
        @click="fill"
        >Suggest</el-button
      >
    </div>
    <p v-if="untouched" class="quiet untouched" data-untouched>
      Nobody has been through this step yet; its figures are a beginning.
      <button class="link" @click="design.change('gone through', touch([untouched]))">it is right as it is</button>
    </p>
    <StepNote ref="note" :step="step" />
    <div v-if="design.suggestion?.step === step" class="reasons" role="status">
      <ul>
        <li v-if="!design.suggestion.change"><b>Nothing to change: the step is as suggested.</b></li>
        <li v-for="reason in design.suggestion.reasons" :key="prefs.say(reason)">{{ prefs.say(reason) }}</li>
      </ul>
      <button v-if="design.suggestion.change" class="link" data-withdraw @click="design.withdraw">undo</button>
      <button class="link" @click="design.suggestion = null">close</button>
    </div>
  </div>
  <StepIndex />
</template>

<style scoped>
.head {
  margin-bottom: 4px;
}

@media (max-width: 600px) {
  .row {
    flex-wrap: wrap;
    gap: 6px 8px;
  }

  .row .grow {
    flex: 1 1 60%;
  }

  .row :deep(.el-button) {
    margin-left: 0;
  }
}

.untouched {
  margin-top: 4px;
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
  max-height: 190px;
  overflow-y: auto;
  margin: 0;
  padding-left: 16px;
}
</style>
