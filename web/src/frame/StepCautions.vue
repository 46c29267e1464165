<script setup lang="ts">
import { cautionsOf, setCautionRead, type Step } from '@ambrel/core'
import { computed, ref } from 'vue'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'

/** What hurts or kills at a step's work, and why. One that was read is put away; on paper all of them stand. */
const props = defineProps<{ step: Step }>()
const design = useDesign()
const prefs = usePrefs()
const all = computed(() => cautionsOf(design.document!).filter(({ step }) => step === props.step))
const read = computed(() => new Set(design.document!.cautionsRead))
const away = computed(() => all.value.filter(({ id }) => read.value.has(id)).length)
const shown = ref(false)
const put = (id: string, to: boolean) =>
  design.change(to ? 'caution put away' : 'caution brought out', setCautionRead(id, to))
</script>

<template>
  <section v-if="all.length > 0" class="card cautions" :class="{ quietly: away === all.length && !shown }">
    <h2>Before you touch it</h2>
    <ul>
      <li v-for="{ id, says, because } in all" :key="id" :class="{ away: read.has(id) && !shown }" :data-caution="id">
        <p><strong>{{ prefs.say(says) }}</strong> {{ prefs.say(because) }}</p>
        <button class="link no-print" @click="put(id, !read.has(id))">
          {{ read.has(id) ? 'bring out again' : 'read, put away' }}
        </button>
      </li>
    </ul>
    <button v-if="away > 0" class="link no-print" :aria-expanded="shown" data-cautions-away @click="shown = !shown">
      {{ shown ? 'put them away again' : `${away} put away` }}
    </button>
    <p class="quiet last">
      Local code, the maker’s manual and a licensed electrician come before anything on this page.
    </p>
  </section>
</template>

<style scoped>
ul {
  margin: 0 0 6px;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  align-items: baseline;
  gap: 12px;
  padding: 5px 0;
  border-top: 1px solid var(--rule);
}

li p {
  flex: 1;
  margin: 0;
  max-width: 90ch;
}

li .link {
  white-space: nowrap;
}

.last {
  margin: 6px 0 0;
}

@media screen {
  .away,
  .quietly .last {
    display: none;
  }
}
</style>
