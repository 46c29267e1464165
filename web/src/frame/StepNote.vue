<script setup lang="ts">
import { computed, nextTick, onBeforeUnmount, ref, useTemplateRef } from 'vue'
import { setField, type Step } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { noteOf, withNote } from './notes.ts'
import { STEP_NAMES } from './steps.ts'
import { fetched } from './fetching.ts'

/** What somebody wrote of a step, in Markdown: shown under its head, and edited there. */
const MarkdownText = fetched(() => import('./MarkdownText.vue'))
const props = defineProps<{ step: Step }>()
const design = useDesign()
const name = computed(() => STEP_NAMES[props.step])
/** as typed: notes that are too long wait, told of at their place, like any other entry */
const notes = computed(() => (design.entered ?? design.document)?.notes ?? '')
const note = computed(() => noteOf(notes.value, name.value))
const problem = computed(() => design.problemAt.get('notes') ?? '')
const writing = ref(false)
const typed = ref('')
const box = useTemplateRef('box')
async function write(): Promise<void> {
  typed.value = note.value
  writing.value = true
  await nextTick()
  box.value?.focus()
}
function keep(): void {
  if (!writing.value) return
  writing.value = false
  if (typed.value.trim() !== note.value)
    design.change(`note on ${name.value}`, setField('notes', withNote(notes.value, name.value, typed.value)), 'notes')
}
// what is typed and not yet kept is kept when its step goes from the screen
onBeforeUnmount(() => design.document && keep())
defineExpose({ write })
</script>

<template>
  <div v-if="writing" class="note">
    <textarea
      ref="box"
      v-model="typed"
      rows="4"
      :aria-label="`Note on ${name}`"
      data-note-text
      @keydown.ctrl.enter="keep"
      @keydown.esc="writing = false"
    />
    <div class="row">
      <el-button size="small" type="primary" data-keep-note @click="keep">Keep</el-button>
      <el-button size="small" @click="writing = false">Drop</el-button>
      <span class="quiet">Markdown: **bold**, - lists, [words](address)</span>
    </div>
  </div>
  <div v-else-if="note" class="note" data-note>
    <MarkdownText :text="note" />
    <p v-if="problem" class="error" role="alert">{{ problem }}</p>
    <button class="link no-print" @click="write">change the note</button>
  </div>
</template>

<style scoped>
.note {
  margin-top: 8px;
  padding: 8px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--wash);
}

textarea {
  width: 100%;
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
}

.error {
  color: var(--clay);
}
</style>
