<script setup lang="ts" generic="T extends string | number">
/** A few choices, all of them in sight. */
defineProps<{
  legend: string
  name: string
  options: readonly { value: T; label: string }[]
  modelValue: T
}>()
const emit = defineEmits<{ 'update:modelValue': [value: T] }>()
</script>

<template>
  <fieldset>
    <legend>{{ legend }}</legend>
    <label v-for="each in options" :key="each.value">
      <input
        type="radio"
        :name="name"
        :value="each.value"
        :checked="modelValue === each.value"
        @change="emit('update:modelValue', each.value)"
      />
      {{ each.label }}
    </label>
  </fieldset>
</template>

<style scoped>
fieldset {
  min-width: 0;
  margin: 0;
  padding: 4px 10px 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

legend {
  padding: 0 4px;
  color: var(--soft);
  font-size: 12.5px;
}

label {
  display: flex;
  min-height: max(26px, var(--target));
  align-items: center;
  gap: 8px;
  color: var(--ink);
  font-size: 13.5px;
  line-height: 1.35;
}
</style>
