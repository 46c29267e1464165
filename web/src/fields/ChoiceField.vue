<script setup lang="ts" generic="T extends string | number">
import { computed, useId } from 'vue'
import { useDesign } from '../stores/design.ts'

const props = withDefaults(
  defineProps<{
    modelValue: T
    options: { value: T; label: string }[]
    label: string
    labelled?: boolean
    path?: string
  }>(),
  { path: '' },
)
defineEmits<{ 'update:modelValue': [value: T] }>()
const design = useDesign()
const id = useId()
const error = computed(() => (props.path ? (design.problemAt.get(props.path) ?? '') : ''))
</script>

<template>
  <div class="choice">
    <label v-if="labelled" :for="id">{{ label }}</label>
    <el-select
      :id="id"
      :model-value="modelValue"
      :aria-label="label"
      :data-path="path || undefined"
      :fit-input-width="false"
      @update:model-value="(value: T) => $emit('update:modelValue', value)"
    >
      <el-option v-for="option in options" :key="option.value" :value="option.value" :label="option.label" />
    </el-select>
    <p v-if="error" class="error" role="alert">{{ error }}</p>
  </div>
</template>

<style scoped>
.choice {
  min-width: 0;
}

label {
  display: block;
  color: var(--soft);
  font-size: 12.5px;
}

.choice :deep(.el-select__wrapper) {
  min-height: 28px;
  padding: 0 7px;
  font-size: 14px;
  line-height: 26px;
}

.error {
  margin-top: 2px;
  color: var(--clay);
  font-size: 12px;
}
</style>
