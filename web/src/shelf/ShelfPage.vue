<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { ArchiveRestore, FileUp, Moon, Package, Plus, Sun } from '@lucide/vue'
import type { DesignEntry } from '@ambrel/contract'
import type { Problem } from '@ambrel/core'
import { onBack } from '../saving/connection.ts'
import { hear, tell } from '../saving/tabs.ts'
import { api, ApiRefusal, Unreachable } from '../stores/api.ts'
import { usePrefs } from '../stores/prefs.ts'
import mark from '../mark.svg'
import KeptEdits from './KeptEdits.vue'
import ShelfFamily from './ShelfFamily.vue'
import { archive } from './rename.ts'
import { dayOf } from './words.ts'
import { fetched } from '../frame/fetching.ts'

const NewDesignDialog = fetched(() => import('./NewDesignDialog.vue'))

const router = useRouter()
const prefs = usePrefs()
const entries = ref<DesignEntry[] | null>(null)
const bin = ref<DesignEntry[]>([])
const showBin = ref(false)
const making = ref(false)
const failure = ref('')
const problems = ref<Problem[]>([])
const file = ref<HTMLInputElement>()

/** The entries by design, its variants together. */
function familiesOf(list: readonly DesignEntry[]): DesignEntry[][] {
  const groups = new Map<string, DesignEntry[]>()
  for (const entry of list) groups.set(entry.familyId, [...(groups.get(entry.familyId) ?? []), entry])
  return [...groups.values()]
}
const sought = ref('')
const order = ref<'made' | 'changed' | 'name'>('made')
const changed = (family: readonly DesignEntry[]) =>
  family
    .map(({ updatedAt }) => updatedAt)
    .sort()
    .at(-1)!
const families = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean)
  const found = familiesOf((entries.value ?? []).filter(({ archivedAt }) => archivedAt === null)).filter((family) => {
    const text = family
      .map(({ name, variant, placeLabel }) => `${name} ${variant} ${placeLabel}`)
      .join(' ')
      .toLowerCase()
    return words.every((word) => text.includes(word))
  })
  if (order.value === 'name') return found.sort(([a], [b]) => a.name.localeCompare(b.name))
  if (order.value === 'changed') return found.sort((a, b) => changed(b).localeCompare(changed(a)))
  return found
})
const away = computed(() => (entries.value ?? []).filter(({ archivedAt }) => archivedAt !== null))
const showAway = ref(false)
const putBack = (entry: DesignEntry) => orSay(() => archive(entry, false))

async function load(): Promise<void> {
  try {
    ;[entries.value, bin.value] = await Promise.all([api.designs(), api.bin()])
    failure.value = ''
  } catch (error) {
    if (entries.value === null || !(error instanceof Unreachable))
      failure.value = `The shelf cannot be read: ${(error as Error).message}.`
  }
}

async function orSay(work: () => Promise<unknown>): Promise<void> {
  failure.value = ''
  try {
    await work()
  } catch (error) {
    failure.value = `This could not be done: ${(error as Error).message}.`
    return
  }
  await load()
}
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

onMounted(() => {
  document.title = 'Ambrel'
  void load()
})
onBeforeUnmount(onBack(() => void load()))
onBeforeUnmount(hear(() => void load()))
</script>

<template>
  <div class="shelf">
    <section class="mast" aria-label="Ambrel">
      <img :src="mark" alt="" width="30" height="30" />
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
    </section>
    <main>
      <div class="row bar">
        <h2 class="grow">Design shelf</h2>
        <RouterLink class="act" :to="{ name: 'guide' }" data-guide-link>Guide</RouterLink>
        <RouterLink class="act" :to="{ name: 'parts' }" data-parts><Package :size="15" /> Parts shelf</RouterLink>
        <button class="act" @click="file?.click()"><FileUp :size="15" /> Open a file</button>
        <input ref="file" type="file" accept=".json,application/json" hidden data-file @change="readFile" />
        <button class="act main" data-new @click="making = true"><Plus :size="15" /> New design</button>
      </div>
      <div v-if="(entries?.length ?? 0) > 1" class="row wrap tools">
        <input
          v-model="sought"
          type="search"
          placeholder="name, variant or place"
          aria-label="Search the shelf"
          data-seek
        />
        <label class="quiet"
          >sorted by
          <select v-model="order" aria-label="Sorted by" data-order>
            <option value="made">when it was made</option>
            <option value="changed">last change</option>
            <option value="name">name</option>
          </select></label
        >
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
      <p v-else-if="families.length === 0 && (entries?.length ?? 0) > 0 && !failure" class="empty">
        {{ sought ? `Nothing here is called “${sought}”.` : 'Every design is put away.' }}
      </p>
      <p v-else-if="families.length === 0 && !failure" class="empty">
        The shelf is empty. A new design asks only for a name and a place.
      </p>
      <ShelfFamily v-for="family in families" :key="family[0].familyId" :family="family" @change="orSay" />
      <section v-if="away.length > 0" class="bin">
        <button class="link" data-show-away @click="showAway = !showAway">
          {{ showAway ? 'Hide' : 'Show' }} what is put away ({{ away.length }})
        </button>
        <ul v-if="showAway">
          <li v-for="entry in away" :key="entry.id">
            <RouterLink class="grow" :to="{ name: 'design', params: { id: entry.id, step: 'winter' } }"
              >{{ entry.name }} · {{ entry.variant }}</RouterLink
            >
            <span class="quiet">put away {{ dayOf(entry.archivedAt!) }}</span>
            <button class="link" @click="putBack(entry)"><ArchiveRestore :size="13" /> back to the shelf</button>
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
            <span class="quiet">deleted {{ dayOf(entry.deletedAt!) }}, kept 30 days</span>
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

.mast {
  display: flex;
  align-items: center;
  gap: 12px;
  padding-bottom: 16px;
  border-bottom: 1px solid var(--ink);
}

.mast h1 {
  font-size: 26px;
}

.mast .quiet {
  font: 400 16px var(--text);
}

.bar {
  margin: 22px 0 12px;
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

.tools {
  margin-bottom: 10px;
}

.tools input,
.tools select {
  height: var(--target);
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
}

.tools input {
  width: 240px;
  max-width: 100%;
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
  .shelf {
    padding: 16px 12px 40px;
  }

  .bar {
    flex-wrap: wrap;
  }

  li {
    flex-wrap: wrap;
    padding: 6px 10px;
  }

  li a {
    flex: 1 1 100%;
  }
}
</style>
