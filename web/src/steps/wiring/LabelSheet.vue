<script setup lang="ts">
import { labelsOf } from '@ambrel/core'
import { computed } from 'vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Every label the installation wants, printed at true size. */
const design = useDesign()
const prefs = usePrefs()
const labels = computed(() => {
  const { system, circuits } = design.derived!
  return labelsOf(design.document!, system, circuits)
})
const KIND_WORDS = { danger: 'Danger', warning: 'Warning', notice: 'Notice' }
</script>

<template>
  <section class="card">
    <h2>Labels</h2>
    <p class="quiet">
      Print this step: the labels come out at true size. The maker’s own stay where they are; local code may ask for its
      own words.
    </p>
    <ul class="labels">
      <li v-for="label in labels" :key="label.id" :class="label.kind" :data-label="label.id">
        <p class="kind">{{ KIND_WORDS[label.kind] }}</p>
        <h3>{{ label.title }}</h3>
        <p v-for="(line, i) in label.lines" :key="i">{{ prefs.say(line) }}</p>
        <p class="place">{{ label.place }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.labels {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(84mm, 1fr));
  gap: 4mm;
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  padding: 3mm;
  border: 0.6mm solid var(--ink);
  border-radius: 1mm;
  break-inside: avoid;
}

li p {
  margin: 0;
}

h3 {
  margin: 1mm 0;
}

.kind {
  width: fit-content;
  padding: 0 2mm;
  background: var(--slate);
  color: var(--card);
  font-weight: 600;
}

.danger .kind {
  background: var(--clay);
}

.warning .kind {
  background: var(--ochre-ink);
}

.place {
  margin-top: 2mm;
  color: var(--soft);
  font-size: 12.5px;
}

@media print {
  .labels {
    grid-template-columns: repeat(auto-fill, 84mm);
  }
}
</style>
