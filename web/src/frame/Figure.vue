<script setup lang="ts">
import { computed, ref, watchEffect } from 'vue'
import type { Worked } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWorking } from '../stores/working.ts'

/** A figure with its label; opening it shows how it was worked. */
const props = defineProps<{
  id?: string
  value?: string
  /** how far the value may be off */
  error?: string
  label?: string
  /** the same in another unit */
  beside?: string
  /** its working, where it does not follow from the document alone */
  sheet?: Worked
}>()
const design = useDesign()
const prefs = usePrefs()
const working = useWorking()
const sheet = computed(() => props.sheet ?? (props.id ? design.derived?.worked[props.id] : undefined))
/** the label stays while the figure waits for a mistake to be put right */
const lastLabel = ref('')
watchEffect(() => {
  if (sheet.value) lastLabel.value = sheet.value.label
})
const shown = computed(() => props.value ?? (sheet.value ? prefs.show(sheet.value.value, sheet.value.unit) : '—'))
</script>

<template>
  <component
    :is="sheet ? 'button' : 'div'"
    class="figure"
    :type="sheet ? 'button' : undefined"
    :data-working="sheet?.id"
    :title="sheet ? 'Show the working (w)' : undefined"
    @click="sheet && working.show(sheet)"
  >
    <b>{{ shown }}<small v-if="error">&#8201;±{{ error }}</small></b>
    <span>{{ label ?? lastLabel }}<template v-if="beside"> · {{ beside }}</template></span>
  </component>
</template>

<style scoped>
.figure {
  padding: 2px 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
}

button.figure {
  cursor: pointer;
}

button.figure:hover b {
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 3px;
}

b {
  display: block;
  font: 600 19px/1.2 var(--heading);
  white-space: nowrap;
}

small {
  color: var(--soft);
  font-weight: 400;
  font-size: 14px;
}

span {
  color: var(--soft);
  font-size: 12.5px;
}
</style>
