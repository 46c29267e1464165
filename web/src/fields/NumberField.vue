<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue'
import { fieldUnit, parseNumber, readEntry } from '@ambrel/core/units'
import { usePrefs } from '../stores/prefs.ts'
import FieldLabel from './FieldLabel.vue'
import { helpOf } from './help.ts'
import { useEntry, useTyping } from './useEntry.ts'

const props = withDefaults(
  defineProps<{
    modelValue: number | null
    /** stored unit; shown in the reader's own */
    unit?: string
    label?: string
    /** place in the document whose problem belongs here */
    path?: string
    /** place whose help it shows where it is no part of the document */
    helpPath?: string
    /** shows the label above instead of only telling it to a screen reader */
    labelled?: boolean
    nullable?: boolean
    /** what it means when it is left empty */
    empty?: string
    step?: number
    problem?: string
    width?: string
  }>(),
  { unit: '', label: '', path: '', helpPath: '', empty: '', step: 1, problem: '', width: '' },
)
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>()

const prefs = usePrefs()
const id = useId()
const help = computed(() => {
  const words = props.labelled ? helpOf(props.helpPath || props.path) : null
  return words === null ? undefined : prefs.say(words)
})
const shownUnit = computed(() => fieldUnit(props.unit, prefs.units))
const tidy = (value: number) => String(Number(value.toPrecision(6)))
const entry = useEntry(
  () => props.path,
  () => props.modelValue,
)
const write = (value: unknown) => (typeof value === 'number' ? tidy(shownUnit.value.toShown(value)) : '')
const shown = computed(() => write(entry.value.value))
const mistake = ref('')
watch(shown, () => (mistake.value = ''))
const rules = computed(() =>
  entry.waits.value && props.labelled
    ? `; ${write(props.modelValue) || 'nothing'} ${shownUnit.value.unit} goes on ruling`
    : '',
)
const error = computed(
  () => mistake.value || props.problem || (entry.problem.value ? entry.problem.value + rules.value : ''),
)
const { typed, commit, onKey } = useTyping(shown, take)
// back at what rules, by hand or by Escape, there is nothing to mend any more
watch(typed, (now) => now === shown.value && (mistake.value = ''))

function take(text: string): void {
  if (text.trim() === shown.value) {
    mistake.value = ''
    return
  }
  if (text.trim() === '' && props.nullable) return send(null)
  if (text.trim() === '') {
    mistake.value = `${props.label || 'this'} is empty; write a number`
    return
  }
  const read = readEntry(text, props.unit, prefs.units)
  if ('problem' in read) mistake.value = read.problem
  else {
    send(read.value)
    // what was typed with another unit is shown in the field's own
    typed.value = write(read.value)
  }
}

function send(value: number | null): void {
  mistake.value = ''
  emit('update:modelValue', value)
}

function nudge(direction: number): void {
  const value = parseNumber(typed.value)
  if (value === null) return
  typed.value = tidy(value + direction * props.step)
  commit()
}
</script>

<template>
  <div class="number" :class="{ bad: error }" :style="width ? { width } : {}">
    <FieldLabel v-if="labelled" :label="label" :for="id" :path="helpPath || path" />
    <div class="box">
      <input
        :id="id"
        v-model="typed"
        inputmode="decimal"
        autocomplete="off"
        :aria-label="labelled ? undefined : label"
        :aria-invalid="!!error"
        :aria-describedby="error ? `${id}-error` : undefined"
        :aria-description="help"
        :placeholder="nullable ? empty : undefined"
        :data-path="path || undefined"
        @change="commit"
        @keydown="onKey"
        @keydown.up.prevent="nudge(1)"
        @keydown.down.prevent="nudge(-1)"
      />
      <span v-if="shownUnit.unit" class="unit">{{ shownUnit.unit }}</span>
    </div>
    <p v-if="error" :id="`${id}-error`" class="error" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.number {
  min-width: 0;
}

.box {
  display: flex;
  align-items: baseline;
  height: var(--target);
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  line-height: calc(var(--target) - 2px);
}

.box:focus-within {
  border-color: var(--spruce);
  box-shadow: 0 0 0 1px var(--spruce);
}

.bad .box {
  border-color: var(--clay);
}

input {
  flex: 1;
  width: 100%;
  min-width: 0;
  border: 0;
  outline: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: right;
}

.unit {
  padding-left: 4px;
  color: var(--soft);
  font-size: 12.5px;
  white-space: nowrap;
}

.error {
  max-width: 260px;
  margin-top: 2px;
  color: var(--clay);
  font-size: 12px;
  line-height: 1.25;
}
</style>
