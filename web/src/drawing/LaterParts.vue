<script setup lang="ts">
import { useLater } from './useIdle.ts'

/** What of a step lies below its first screen: it comes once the page has drawn that and rests. */
const isThere = useLater()
</script>

<template>
  <slot v-if="isThere" />
</template>
