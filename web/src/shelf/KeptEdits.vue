<script setup lang="ts">
import { onMounted, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { saveText } from '../frame/files.ts'
import { drafts, type Aside } from '../saving/drafts.ts'
import { waiting } from '../saving/waiting.ts'
import { api } from '../stores/api.ts'

/** Edits kept in this browser: those on their way, those somebody must choose about, and those that could not be opened. */
const emit = defineEmits<{ opened: [] }>()
const router = useRouter()
const asides = ref<Aside[]>([])
const failure = ref('')
const load = async () => void (asides.value = await drafts.asides())
onMounted(load)
watch(waiting, (now, before) => now.length < before.length && emit('opened'))

const WHY = {
  unsent: 'not sent yet; sent when the server is back',
  choose: 'not sent: the design was saved elsewhere meanwhile. Open it to choose.',
  gone: 'not sent: the design was deleted. Open it to keep them.',
} as const
const when = (at: number) => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })
const download = (aside: Aside) =>
  saveText(`kept edits ${new Date(aside.at).toISOString().slice(0, 10)}.ambrel.json`, aside.text, 'application/json')

async function asDesign(aside: Aside): Promise<void> {
  failure.value = ''
  try {
    const made = await api.create(JSON.parse(aside.text))
    await drop(aside)
    await router.push({ name: 'design', params: { id: made.id, step: 'place' } })
  } catch (error) {
    failure.value = `It cannot be opened as a design: ${(error as Error).message}. Download it instead.`
  }
}
async function drop(aside: Aside): Promise<void> {
  await drafts.dropAside(aside.key!)
  await load()
}
</script>

<template>
  <section v-if="waiting.length > 0 || asides.length > 0" class="kept" aria-label="Edits kept in this browser">
    <h3>Edits kept in this browser</h3>
    <ul>
      <li v-for="(each, i) in waiting" :key="i" data-waiting>
        <RouterLink class="link" :to="{ name: 'design', params: { id: each.design, step: 'place' } }">{{
          each.name
        }}</RouterLink>
        <span class="quiet">{{ WHY[each.why] }}</span>
      </li>
      <li v-for="aside in asides" :key="aside.key" data-aside>
        <span class="grow">Edits of {{ when(aside.at) }}, set aside: {{ aside.why }}.</span>
        <button class="link" data-download-aside @click="download(aside)">Download</button>
        <button class="link" @click="asDesign(aside)">Open as a design</button>
        <button class="link" @click="drop(aside)">Drop</button>
      </li>
    </ul>
    <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
  </section>
</template>

<style scoped>
.kept {
  margin-bottom: 12px;
  padding: 10px 16px;
  border: 1px solid var(--ochre);
  border-radius: 4px;
  background: var(--card);
}

ul {
  margin: 4px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  padding: 2px 0;
}

.grow {
  flex: 1;
}

.failure {
  color: var(--clay);
}
</style>
