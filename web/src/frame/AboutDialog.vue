<script setup lang="ts">
import { ref } from 'vue'
import { COUNTS, setField } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { renameFamily } from '../shelf/rename.ts'

/** Name of the design and of this variant, and its notes. */
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const { name, variant, notes } = design.document!
const form = ref({ name, variant, notes })
const problem = ref('')
/** letters a name may have */
const LONGEST = 120
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
      const { familyId } = design.siblings.find(({ id }) => id === design.id) ?? {}
      if (familyId) await renameFamily(familyId, name.trim(), design.id)
    } catch (error) {
      problem.value = `This variant is renamed; another could not be: ${(error as Error).message}.`
      return
    }
  }
  emit('close')
}
</script>

<template>
  <el-dialog
    model-value
    title="Name and notes"
    width="min(560px, 94vw)"
    :close-on-click-modal="false"
    @close="emit('close')"
  >
    <form class="form" data-about @submit.prevent="keep">
      <label class="quiet">Name of the design <input v-model="form.name" :maxlength="LONGEST" /></label>
      <label class="quiet">Name of this variant <input v-model="form.variant" :maxlength="LONGEST" /></label>
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

input {
  display: block;
  width: 100%;
  height: max(30px, var(--target));
}

input,
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
