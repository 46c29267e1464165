<script setup lang="ts">
import { ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesign } from '../stores/design.ts'
import { useChoice } from './choice.ts'

const design = useDesign()
const router = useRouter()
const { busy, failure, choose } = useChoice()
/** the bin has it no more */
const purged = ref(false)
watch(
  () => design.id,
  () => (purged.value = false),
)

const bringBack = () => choose(async () => (purged.value = !(await design.bringBack())))
const keepAsNew = () =>
  choose(async () => {
    const id = await design.keepAsNew()
    if (id) await router.push({ name: 'design', params: { id, step: router.currentRoute.value.params.step } })
  })
const drop = () =>
  choose(async () => {
    await design.dropEdits()
    await router.push({ name: 'shelf' })
  })
</script>

<template>
  <el-dialog
    :model-value="!!design.document && design.saveState === 'gone'"
    title="Deleted somewhere else"
    width="480"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <p>
      This design was deleted from another window. {{ design.unsent ? 'Your edits are still here.' : '' }}
      <template v-if="purged">
        It is no longer in the bin either, so it cannot be brought back, only kept as new.</template
      >
    </p>
    <div class="choices">
      <el-button type="primary" data-gone="restore" :disabled="busy || purged" @click="bringBack">
        Bring it back, with what is here
      </el-button>
      <el-button data-gone="new" :disabled="busy" @click="keepAsNew">Keep it as a new design</el-button>
      <el-button data-gone="drop" :disabled="busy" @click="drop">Let it go, and go to the shelf</el-button>
    </div>
    <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
  </el-dialog>
</template>

<style scoped>
.choices {
  display: grid;
  gap: 8px;
  margin-top: 14px;
}

.choices .el-button {
  margin: 0;
}

.failure {
  margin-top: 10px;
  color: var(--clay);
}
</style>
