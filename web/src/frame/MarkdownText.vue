<script lang="ts">
import MarkdownIt from 'markdown-it'

/** Tags in a note stay text, and only links of the common kinds are links. */
const markdown = new MarkdownIt({ html: false, linkify: true, breaks: true })
</script>

<script setup lang="ts">
import { computed } from 'vue'

/** A note as it was meant. */
const props = defineProps<{ text: string }>()
const html = computed(() => markdown.render(props.text))
</script>

<template>
  <!-- eslint-disable-next-line vue/no-v-html -- made by the parser, which lets no tags through -->
  <div class="markdown" v-html="html" />
</template>

<style scoped>
.markdown :deep(> :first-child) {
  margin-top: 0;
}

.markdown :deep(> :last-child) {
  margin-bottom: 0;
}

.markdown :deep(p),
.markdown :deep(ul),
.markdown :deep(ol) {
  margin: 0 0 6px;
}

.markdown :deep(h1),
.markdown :deep(h2),
.markdown :deep(h3) {
  margin: 8px 0 4px;
  font-size: 14px;
}

.markdown :deep(a) {
  color: var(--spruce);
}
</style>
