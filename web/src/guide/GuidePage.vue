<script setup lang="ts">
import { computed, onMounted } from 'vue'
import GUIDE from '../../../docs/guide.md?raw'
import MarkdownText from '../frame/MarkdownText.vue'

/** The guide of docs/guide.md with its pictures, in the program. */
const PICTURES = import.meta.glob<string>('../../../docs/screenshots/*.png', {
  eager: true,
  query: '?url',
  import: 'default',
})
const urlOf = (name: string) => PICTURES[`../../../docs/screenshots/${name}`] ?? ''
const text = computed(() =>
  GUIDE.replaceAll(/\(screenshots\/([\w-]+\.png)\)/g, (_, name: string) => `(${urlOf(name)})`),
)
onMounted(() => (document.title = 'Guide · Ambrel'))
</script>

<template>
  <div class="guide">
    <nav aria-label="Guide"><RouterLink :to="{ name: 'shelf' }">Ambrel, design shelf</RouterLink></nav>
    <main data-guide><MarkdownText :text="text" /></main>
  </div>
</template>

<style scoped>
.guide {
  max-width: 860px;
  margin: 0 auto;
  padding: 22px 20px 80px;
  font-size: 15px;
}

nav a {
  color: var(--spruce);
}

main :deep(.markdown h1) {
  margin: 14px 0;
  font-size: 26px;
}

main :deep(.markdown h2) {
  margin: 26px 0 8px;
  font-size: 18px;
}

main :deep(.markdown p) {
  margin: 0 0 10px;
}

/* of a step that is shown whole, its head */
main :deep(img) {
  display: block;
  width: 100%;
  max-height: 600px;
  object-fit: cover;
  object-position: top;
  border: 1px solid var(--rule);
  border-radius: 4px;
}
</style>
