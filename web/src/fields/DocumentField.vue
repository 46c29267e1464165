<script setup lang="ts">
import { fieldAt, setField, valueAt, type Change, type Option } from '@ambrel/core'
import { computed } from 'vue'
import { useDesign } from '../stores/design.ts'
import { editOf } from './told.ts'
import HelpMark from './HelpMark.vue'
import ChoiceField from './ChoiceField.vue'
import NumberField from './NumberField.vue'
import TextField from './TextField.vue'
import { useEntry } from './useEntry.ts'

/**
 * One field of the document as its table describes it: a number with its unit, a choice, a text, or a yes and no. It
 * reads its place and writes it back as one undo step. In a table the label is only told, not shown.
 */
const props = defineProps<{
  /** dotted place in the document */
  path: string
  labelled?: boolean
  /** what its label says in this place, where that is not what the table says */
  label?: string
  /** name of the thing it belongs to, told before the label */
  of?: string
  /** what stands after a number that has no unit, where its label is not shown */
  suffix?: string
  /** the choices there are now, where the table cannot know them */
  options?: readonly Option[]
  /** what stands there while the document has no such place yet, how it comes to be there, and what it is told under */
  usual?: unknown
  set?: (value: unknown) => Change
  named?: string
}>()
const design = useDesign()
const field = computed(() => {
  const found = fieldAt(props.path)
  if (!found) throw new RangeError(`${props.path} is no place of the document`)
  return found
})
/** A figure of a part that nobody has read off its data sheet yet. */
const isEstimate = computed(() => {
  const at = props.path.lastIndexOf('.')
  const guesses = valueAt(design.document!, `${props.path.slice(0, at)}.estimated`)
  return Array.isArray(guesses) && guesses.includes(props.path.slice(at + 1))
})
const label = computed(() => {
  const own = (isEstimate.value ? '≈ ' : '') + (props.label ?? field.value.label)
  return props.of === undefined ? own : `${props.of}, ${own.toLowerCase()}`
})
const unit = computed(() => {
  const stored = 'unit' in field.value ? field.value.unit : ''
  if ((stored === '' || stored === 'money') && props.suffix) return props.suffix
  return stored.startsWith('money/')
    ? stored.replace('money', design.document!.budget.currency)
    : stored.replace('money', '')
})
const choices = computed(() => props.options ?? (field.value.kind === 'choice' ? field.value.options : null))
const value = computed(() => (props.set ? props.usual : valueAt(design.document!, props.path)))
const asNumber = computed(() => value.value as number | null)
const asText = computed(() => (value.value ?? '') as string)
const isDay = computed(() => field.value.kind === 'text' && field.value.form === 'day')
const asChoice = computed(() => value.value as string | number)
const { value: typed, problem } = useEntry(
  () => props.path,
  () => value.value,
)
const isOn = computed(() => typed.value === true)
function put(next: unknown): void {
  const said = props.label ?? field.value.label
  design.change(
    props.named ? `${said} of ${props.named}` : editOf(design.entered ?? design.document!, props.path, said),
    props.set ? props.set(next) : setField(props.path, next),
    props.path,
  )
}
</script>

<template>
  <ChoiceField
    v-if="choices"
    :model-value="asChoice"
    :options="choices"
    :label="label"
    :labelled="labelled"
    :path="path"
    @update:model-value="put"
  />
  <label v-else-if="field.kind === 'flag'" class="toggle" :data-path="path">
    <el-switch :model-value="isOn" size="small" :aria-label="label" @update:model-value="put" />
    {{ label }} <HelpMark v-if="labelled" :path="path" />
    <span v-if="problem" class="error" role="alert">{{ problem }}</span>
  </label>
  <NumberField
    v-else-if="field.kind === 'number' || field.kind === 'numbers'"
    :model-value="asNumber"
    :unit="unit"
    :label="label"
    :labelled="labelled"
    :nullable="field.empty !== undefined"
    :empty="field.empty"
    :path="path"
    :step="field.kind === 'number' ? field.step : 1"
    @update:model-value="put"
  />
  <TextField
    v-else
    :model-value="asText"
    :label="label"
    :labelled="labelled"
    :path="path"
    :long="field.kind === 'text' && field.form === 'words' && field.most > LONG"
    :date="isDay"
    @update:model-value="put(isDay && $event === '' ? null : $event)"
  />
</template>

<script lang="ts">
/** A text of more letters than these has lines of its own. */
const LONG = 1000
</script>

<style scoped>
.toggle {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  align-self: end;
  gap: 6px;
  min-height: var(--target);
}

.error {
  color: var(--clay);
  font-size: 12.5px;
}
</style>
