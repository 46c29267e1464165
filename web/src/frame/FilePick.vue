<script setup lang="ts">
/** Chooses a file, by pointer or keys. What it is handed besides goes to the input itself. */
defineOptions({ inheritAttrs: false })
defineProps<{
  /** what is pressed */
  says: string
  /** words before it */
  before?: string
  accept?: string
}>()
const emit = defineEmits<{ file: [file: File] }>()
function choose(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  // the same file may be chosen again, once it was mended
  input.value = ''
  if (file) emit('file', file)
}
</script>

<template>
  <label class="file">
    {{ before }} <span class="pick">{{ says }}</span>
    <input type="file" :accept="accept" v-bind="$attrs" @change="choose" />
    <slot />
  </label>
</template>

<style scoped>
input {
  position: absolute;
  width: 1px;
  opacity: 0;
}

.pick {
  color: var(--spruce);
  text-decoration: underline;
  text-underline-offset: 2px;
  cursor: pointer;
}

.file:focus-within .pick {
  outline: 2px solid var(--slate);
  outline-offset: 2px;
}
</style>
