<script setup lang="ts">
import { computed } from 'vue'
import { connection } from '../saving/connection.ts'
import { draftsAreKept } from '../saving/drafts.ts'
import { missing } from './fetching.ts'

/** Says that the server is not well, or that a part of the program does not come, as long as it is so. */
const trouble = computed(() => {
  if (connection.value === 'away') return 'The server cannot be reached.'
  if (connection.value === 'no-database') return 'The database does not answer.'
  if (missing.value > 0) return 'A part of the program does not come.'
  return ''
})
const kept = computed(() => {
  if (connection.value === 'there')
    return 'It is tried again every few seconds. If Ambrel was renewed meanwhile, this page is of the old one.'
  return draftsAreKept.value
    ? 'Your edits are kept in this browser and sent when it is back.'
    : 'This browser keeps nothing, so leave the page open: your edits are sent when it is back.'
})
const loadAgain = () => location.reload()
</script>

<template>
  <p v-if="trouble" class="banner no-print" role="alert" data-banner>
    <b>{{ trouble }}</b>
    {{ kept }}
    <button v-if="connection === 'there'" class="link" data-load-again @click="loadAgain">Load the page again</button>
  </p>
</template>

<style scoped>
.banner {
  position: fixed;
  z-index: 30;
  bottom: 114px;
  left: 50%;
  width: max-content;
  max-width: 90vw;
  padding: 6px 14px;
  border: 1px solid var(--clay);
  border-radius: 4px;
  background: var(--card);
  box-shadow: var(--shadow);
  transform: translateX(-50%);
}

b {
  color: var(--clay);
}
</style>
