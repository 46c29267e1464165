<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { FileUp, Moon, Package, Plus, Sun, Trash2 } from '@lucide/vue'
import type { DesignEntry } from '@ambrel/contract'
import type { Problem } from '@ambrel/core'
import { onBack } from '../saving/connection.ts'
import { hear, tell } from '../saving/tabs.ts'
import { api, ApiRefusal, Unreachable } from '../stores/api.ts'
import { usePrefs } from '../stores/prefs.ts'
import KeptEdits from './KeptEdits.vue'

const MiniStrip = defineAsyncComponent(() => import('./MiniStrip.vue'))
const NewDesignDialog = defineAsyncComponent(() => import('./NewDesignDialog.vue'))

const router = useRouter()
const prefs = usePrefs()
const entries = ref<DesignEntry[] | null>(null)
const bin = ref<DesignEntry[]>([])
const showBin = ref(false)
const making = ref(false)
const failure = ref('')
const problems = ref<Problem[]>([])
const file = ref<HTMLInputElement>()

const families = computed(() => {
  const groups = new Map<string, DesignEntry[]>()
  for (const entry of entries.value ?? []) groups.set(entry.familyId, [...(groups.get(entry.familyId) ?? []), entry])
  return [...groups.values()]
})

async function load(): Promise<void> {
  try {
    ;[entries.value, bin.value] = await Promise.all([api.designs(), api.bin()])
    failure.value = ''
  } catch (error) {
    if (entries.value === null || !(error instanceof Unreachable))
      failure.value = `The shelf cannot be read: ${(error as Error).message}.`
  }
}

async function orSay(work: () => Promise<void>): Promise<void> {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value = `This could not be done: ${(error as Error).message}.`
    return
  }
  await load()
}
const remove = (entry: DesignEntry) =>
  orSay(async () => {
    await api.remove(entry.id)
    tell({ kind: 'deleted', design: entry.id, version: entry.version })
  })
const restore = (entry: DesignEntry) =>
  orSay(async () => {
    await api.restore(entry.id)
    tell({ kind: 'restored', design: entry.id, version: entry.version })
  })

async function readFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  problems.value = []
  try {
    const stored = await api.create(JSON.parse((await chosen.text()).replace(/^\uFEFF/, '')))
    await router.push({ name: 'design', params: { id: stored.id } })
  } catch (error) {
    problems.value =
      error instanceof ApiRefusal && error.problems.length > 0
        ? error.problems
        : [
            {
              path: chosen.name,
              value: null,
              message: error instanceof SyntaxError ? `not JSON: ${error.message}` : (error as Error).message,
            },
          ]
  }
}

const day = (iso: string) => new Date(iso).toLocaleDateString([], { day: 'numeric', month: 'short', year: 'numeric' })
onMounted(() => {
  document.title = 'Ambrel'
  void load()
})
onBeforeUnmount(onBack(() => void load()))
onBeforeUnmount(hear(() => void load()))
</script>

<template>
  <div class="shelf">
    <header>
      <img src="/mark.svg" alt="" width="30" height="30" />
      <h1>Ambrel</h1>
      <p class="quiet grow">Will the lights stay on through the dark weeks?</p>
      <button
        class="icon-button"
        :title="prefs.theme === 'night' ? 'Day theme' : 'Night theme'"
        aria-label="Theme"
        @click="prefs.toggleTheme"
      >
        <Sun v-if="prefs.theme === 'night'" :size="16" /><Moon v-else :size="16" />
      </button>
    </header>
    <main>
      <div class="row bar">
        <h2 class="grow">Design shelf</h2>
        <RouterLink class="act" :to="{ name: 'parts' }" data-parts><Package :size="15" /> Parts shelf</RouterLink>
        <button class="act" @click="file?.click()"><FileUp :size="15" /> Open a file</button>
        <input ref="file" type="file" accept=".json,application/json" hidden data-file @change="readFile" />
        <button class="act main" data-new @click="making = true"><Plus :size="15" /> New design</button>
      </div>
      <p v-if="failure" class="failure" role="alert">
        {{ failure }} <button class="link" @click="load">try again</button>
      </p>
      <div v-if="problems.length > 0" class="failure" role="alert">
        <b>The file was not taken.</b>
        <ul>
          <li v-for="problem in problems.slice(0, 12)" :key="problem.path">
            <code>{{ problem.path || 'document' }}</code>: {{ prefs.say(problem.message) }}
          </li>
        </ul>
      </div>
      <KeptEdits @opened="load" />
      <p v-if="entries === null && !failure" class="quiet">opening the shelf…</p>
      <p v-else-if="families.length === 0 && !failure" class="empty">
        The shelf is empty. A new design asks only for a name and a place.
      </p>
      <section v-for="family in families" :key="family[0].familyId" class="family">
        <div class="title">
          <h3 :title="family[0].name">{{ family[0].name }}</h3>
          <span class="quiet">{{ family.length }} variant{{ family.length === 1 ? '' : 's' }}</span>
        </div>
        <ul>
          <li v-for="entry in family" :key="entry.id">
            <RouterLink
              :to="{ name: 'design', params: { id: entry.id, step: 'winter' } }"
              :title="entry.variant"
              data-open
              >{{ entry.variant }}</RouterLink
            >
            <MiniStrip :id="entry.id" :version="entry.version" />
            <span class="quiet day">{{ day(entry.updatedAt) }}</span>
            <button
              class="icon-button"
              :aria-label="`Delete ${entry.variant}`"
              title="To the bin, for 30 days"
              @click="remove(entry)"
            >
              <Trash2 :size="14" />
            </button>
          </li>
        </ul>
      </section>
      <section v-if="bin.length > 0" class="bin">
        <button class="link" @click="showBin = !showBin">
          {{ showBin ? 'Hide' : 'Show' }} the bin ({{ bin.length }})
        </button>
        <ul v-if="showBin">
          <li v-for="entry in bin" :key="entry.id">
            <span class="grow">{{ entry.name }} · {{ entry.variant }}</span>
            <span class="quiet">deleted {{ day(entry.deletedAt!) }}, kept 30 days</span>
            <button class="link" @click="restore(entry)">bring back</button>
          </li>
        </ul>
      </section>
      <p class="quiet law">
        Ambrel computes by published methods and shows its working. It approves nothing: local code, permits, makers’
        manuals and a licensed electrician outrank it.
      </p>
    </main>
    <NewDesignDialog v-if="making" @close="making = false" />
  </div>
</template>

<style scoped>
.shelf {
  max-width: 1080px;
  margin: 0 auto;
  padding: 34px 24px 60px;
}

header {
  display: flex;
  align-items: center;
  gap: 12px;
  padding-bottom: 16px;
  border-bottom: 1px solid var(--ink);
}

header h1 {
  font-size: 26px;
}

header .quiet {
  font: 500 15px var(--heading);
}

.bar {
  margin: 22px 0 12px;
}

.family {
  display: grid;
  grid-template-columns: 200px 1fr;
  margin-bottom: 12px;
  border: 1px solid var(--rule);
  border-left: 4px solid var(--lichen);
  border-radius: 4px;
  background: var(--card);
}

.title {
  padding: 14px 16px;
  border-right: 1px solid var(--rule);
  min-width: 0;
}

.title h3 {
  overflow: hidden;
  font-size: 17px;
  text-overflow: ellipsis;
}

ul {
  margin: 0;
  padding: 6px 0;
  list-style: none;
}

li {
  display: flex;
  align-items: center;
  gap: 10px;
  padding: 3px 8px 3px 16px;
}

li a {
  overflow: hidden;
  flex: 1;
  color: var(--spruce);
  font-weight: 600;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.day {
  width: 84px;
  text-align: right;
  white-space: nowrap;
}

.failure {
  margin-bottom: 12px;
  padding: 10px 14px;
  border-left: 4px solid var(--clay);
  background: var(--card);
}

.failure li {
  display: list-item;
}

.empty {
  padding: 30px 0;
}

.bin,
.law {
  margin-top: 24px;
}

@media (max-width: 900px) {
  .family {
    grid-template-columns: 1fr;
  }

  .shelf {
    padding: 16px 12px 40px;
  }

  .bar {
    flex-wrap: wrap;
  }

  .family ul {
    min-width: 0;
  }

  li {
    flex-wrap: wrap;
    padding: 6px 10px;
  }

  li a {
    flex: 1 1 100%;
  }

  .title {
    border-right: 0;
    border-bottom: 1px solid var(--rule);
  }
}
</style>
