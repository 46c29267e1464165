<script setup lang="ts">
import { computed, onBeforeUnmount, watch } from 'vue'
import { awaited, useIdle } from './useIdle.ts'

/**
 * What of a step lies below its first screen: it comes once the page has drawn that and rests. What is drawn for no
 * window never rests, and is whole at once.
 */
const idle = useIdle()
const isThere = computed(() => idle.value || !('document' in globalThis))
let isAwaited = !isThere.value
if (isAwaited) awaited.value++
function arrived(): void {
  if (isAwaited) awaited.value--
  isAwaited = false
}
watch(isThere, arrived)
onBeforeUnmount(arrived)
</script>

<template>
  <slot v-if="isThere" />
  <div v-else hidden data-later />
</template>
