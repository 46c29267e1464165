<script setup lang="ts">
import { ref, watch } from 'vue'
import { COUNTS, setField } from '@ambrel/core'
import TextField from '../fields/TextField.vue'
import { useDesign } from '../stores/design.ts'
import { renameFamily } from '../shelf/rename.ts'

/** Name of the design and of this variant, and its notes. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const form = ref({ name: '', variant: '', notes: '' })
const problem = ref('')
watch(
  () => props.open,
  (now) => {
    if (!now || !design.document) return
    const { name, variant, notes } = design.document
    form.value = { name, variant, notes }
    problem.value = ''
  },
  { immediate: true },
)
async function keep(): Promise<void> {
  const { name, variant, notes } = form.value
  if (!name.trim() || !variant.trim()) {
    problem.value = 'The design and the variant each need a name.'
    return
  }
  if (notes.length > COUNTS.notes) {
    problem.value = `The notes hold ${COUNTS.notes} letters; these are ${notes.length}.`
    return
  }
  const before = design.document!
  if (variant.trim() !== before.variant) design.change('name of the variant', setField('variant', variant.trim()))
  if (notes !== before.notes) design.change('notes', setField('notes', notes))
  if (name.trim() !== before.name) {
    design.change('name of the design', setField('name', name.trim()))
    try {
      await renameFamily(
        design.siblings.filter(({ id }) => id !== design.id),
        name.trim(),
      )
    } catch (error) {
      problem.value = `This variant is renamed; another could not be: ${(error as Error).message}.`
      return
    }
  }
  emit('close')
}
</script>

<template>
  <el-dialog :model-value="open" title="Name and notes" width="min(560px, 94vw)" @close="emit('close')">
    <form class="form" data-about @submit.prevent="keep">
      <TextField v-model="form.name" label="Name of the design" labelled />
      <TextField v-model="form.variant" label="Name of this variant" labelled />
      <label class="quiet" for="about-notes"
        >Notes, in Markdown; what is written of a step stands under its heading</label
      >
      <textarea id="about-notes" v-model="form.notes" rows="9" />
      <p v-if="problem" class="error" role="alert">{{ problem }}</p>
      <div class="row end"><el-button type="primary" native-type="submit" data-keep-about>Keep</el-button></div>
    </form>
  </el-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}

textarea {
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
}

.end {
  justify-content: flex-end;
}

.error {
  color: var(--clay);
}
</style>
