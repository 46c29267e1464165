<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { useDesign } from '../stores/design.ts'
import { useChoice } from './choice.ts'

const design = useDesign()
const router = useRouter()
const { busy, failure, choose } = useChoice()
const when = computed(() =>
  design.conflict
    ? new Date(design.conflict.updatedAt).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })
    : '',
)

const keepBoth = () =>
  choose(async () => {
    const id = await design.keepBoth()
    if (id) await router.push({ name: 'design', params: { id, step: router.currentRoute.value.params.step } })
  })
</script>

<template>
  <el-dialog
    :model-value="!!design.conflict"
    title="Saved somewhere else meanwhile"
    width="480"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <p>This design was saved from another window at {{ when }}. Your edits are still here. Which one is to stand?</p>
    <div class="choices">
      <el-button type="primary" data-choice="both" :disabled="busy" @click="keepBoth">
        Keep both: mine as a variant
      </el-button>
      <el-button data-choice="mine" :disabled="busy" @click="choose(design.keepMine)">Keep mine, over theirs</el-button>
      <el-button data-choice="theirs" :disabled="busy" @click="design.takeTheirs">
        Take theirs; undo brings mine back
      </el-button>
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
