<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesign } from '../stores/design.ts'
import TextField from '../fields/TextField.vue'

const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const router = useRouter()
const name = ref('')
const problem = ref('')
watch(
  () => props.open,
  () => {
    name.value = `Variant ${design.siblings.length + 1}`
    problem.value = ''
  },
  { immediate: true },
)
async function make(): Promise<void> {
  if (!name.value.trim()) {
    problem.value = 'the variant needs a name'
    return
  }
  try {
    const id = await design.addVariant(name.value.trim())
    emit('close')
    await router.push({ name: 'design', params: { id, step: router.currentRoute.value.params.step } })
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <el-dialog :model-value="open" title="New variant" width="400" @close="emit('close')">
    <form @submit.prevent="make">
      <p class="quiet">A copy of the design as it stands, beside the others of this place.</p>
      <TextField v-model="name" label="Name" labelled :problem="problem" />
      <div class="row end"><el-button type="primary" native-type="submit">Make it</el-button></div>
    </form>
  </el-dialog>
</template>

<style scoped>
.end {
  justify-content: flex-end;
  margin-top: 12px;
}
</style>
