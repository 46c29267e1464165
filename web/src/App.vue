<script setup lang="ts">
import { watchEffect } from 'vue'
import ServerBanner from './frame/ServerBanner.vue'
import { usePrefs } from './stores/prefs.ts'

const prefs = usePrefs()
watchEffect(() => document.documentElement.classList.toggle('dark', prefs.theme === 'night'))
</script>

<template>
  <ServerBanner />
  <RouterView />
</template>
