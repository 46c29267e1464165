<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { computed, nextTick, onMounted, ref, shallowRef } from 'vue'
import { useRoute } from 'vue-router'
import { Copy, FileUp, Pencil, Plus, Trash2 } from '@lucide/vue'
import type { Problem } from '@ambrel/core'
import { LIMITS, PART_KINDS, type OwnPart, type PartKind, type StoredPart } from '@ambrel/contract'
import { saveText } from '../frame/files.ts'
import { useParts } from '../stores/parts.ts'
import { usePrefs } from '../stores/prefs.ts'
import mark from '../mark.svg'
import PartMaker from './PartMaker.vue'
import { KIND_WORDS, partSays } from './partWords.ts'

/** The shelf of parts: one's own, to be made, changed, copied, deleted and carried between machines, and the program's. */
const parts = useParts()
const prefs = usePrefs()
const route = useRoute()
const asKind = (asked: unknown) => PART_KINDS.find((each) => each === asked)
const kind = ref<PartKind>(asKind(route.query.kind) ?? 'module')
const making = shallowRef<{ from?: Record<string, unknown>; stored?: StoredPart } | null>(null)
const problems = ref<Problem[]>([])
const told = ref('')
const failure = ref('')
const gone = shallowRef<StoredPart | null>(null)
const file = ref<HTMLInputElement>()
const SHOWN = 12

const ofKind = computed(() => parts.all.filter((entry) => entry.kind === kind.value))
const own = computed(() => ofKind.value.filter((entry) => entry.own))
const generic = computed(() => ofKind.value.filter((entry) => !entry.own))
const allOwn = computed(() => parts.all.filter((entry) => entry.own))
const countOf = (each: PartKind) => allOwn.value.filter((entry) => entry.kind === each).length
const nameOf = ({ part }: StoredPart) => String(part.name)
const guesses = ({ part }: StoredPart) => (part.estimated as string[]).length

function clear(): void {
  told.value = ''
  failure.value = ''
  problems.value = []
  gone.value = null
}
async function orSay(work: () => Promise<unknown>): Promise<void> {
  clear()
  try {
    await work()
  } catch (error) {
    failure.value = `This could not be done: ${(error as Error).message}.`
  }
}
const copy = (entry: StoredPart) =>
  orSay(async () => {
    const name = `${nameOf(entry).slice(0, 110)}, mine`
    await parts.add([{ kind: entry.kind, part: { ...entry.part, name } }])
    told.value = `“${name}” is yours to change.`
  })
const remove = (entry: StoredPart) =>
  orSay(async () => {
    await parts.remove(entry.id)
    gone.value = entry
  })
function bringBack(): Promise<void> {
  const { kind: of, part } = gone.value!
  return orSay(() => parts.add([{ kind: of, part }]))
}

async function exportAs(form: 'json' | 'csv'): Promise<void> {
  const { partsAsCsv, partsAsJson } = await import('@ambrel/contract/part-file')
  const list: OwnPart[] = allOwn.value.map(({ kind: of, part }) => ({ kind: of, part }))
  if (form === 'json') saveText('ambrel-parts.json', partsAsJson(list), 'application/json')
  else saveText('ambrel-parts.csv', partsAsCsv(list))
}
async function readFile(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const chosen = input.files?.[0]
  input.value = ''
  if (!chosen) return
  await orSay(async () => {
    if (chosen.size > LIMITS.tableBytes)
      throw new Error(`${chosen.name} has ${Math.round(chosen.size / 1024)} kB; at most ${LIMITS.tableBytes / 1024}`)
    const [{ readPartFile }, { decodeText }] = await Promise.all([
      import('@ambrel/contract/part-file'),
      import('@ambrel/contract/weather'),
    ])
    const read = readPartFile(decodeText(new Uint8Array(await chosen.arrayBuffer())).text)
    if (read.items.length > 0) {
      const stored = await parts.add(read.items)
      kind.value = stored[0].kind
      told.value = `${stored.length} part${stored.length === 1 ? ' was' : 's were'} taken from ${chosen.name}.`
    }
    problems.value = read.problems
  })
}
onMounted(() => {
  document.title = 'Parts shelf · Ambrel'
  void parts.reload().then(async () => {
    await nextTick()
    document.querySelector('tr.found')?.scrollIntoView({ block: 'center' })
  })
})
const found = computed(() => route.query.part)
</script>

<template>
  <div class="page">
    <section class="mast" aria-label="Parts shelf">
      <RouterLink :to="{ name: 'shelf' }" class="home"
        ><img :src="mark" alt="" width="30" height="30" /> Ambrel</RouterLink
      >
      <h1 class="grow">Parts shelf</h1>
      <button class="act" @click="file?.click()"><FileUp :size="15" /> Open a file of parts</button>
      <input ref="file" type="file" accept=".json,.csv,.txt" hidden data-parts-file @change="readFile" />
      <template v-if="allOwn.length > 0">
        <button class="act" data-export="json" @click="exportAs('json')">Save mine as JSON</button>
        <button class="act" data-export="csv" @click="exportAs('csv')">as CSV</button>
      </template>
    </section>
    <main>
      <nav class="row wrap kinds" aria-label="Kinds of parts">
        <button
          v-for="each in PART_KINDS"
          :key="each"
          class="kind"
          :aria-pressed="kind === each"
          :data-kind="each"
          @click="kind = each"
        >
          {{ KIND_WORDS[each].many }}<span v-if="countOf(each) > 0" class="count">{{ countOf(each) }}</span>
        </button>
      </nav>
      <p v-if="parts.failure" class="failure" role="alert">
        The shelf cannot be read: {{ parts.failure }}.
        <button class="link" @click="parts.reload()">try again</button>
      </p>
      <p v-if="failure" class="failure" role="alert">{{ failure }}</p>
      <div v-if="problems.length > 0" class="failure" role="alert">
        <b>Not taken:</b>
        <ul>
          <li v-for="(problem, i) in problems.slice(0, SHOWN)" :key="i">{{ prefs.say(problem.message) }}</li>
          <li v-if="problems.length > SHOWN">and {{ problems.length - SHOWN }} more</li>
        </ul>
      </div>
      <p v-if="told" role="status">{{ told }}</p>
      <p v-if="gone" role="status">
        “{{ nameOf(gone) }}” is deleted. Designs that use it keep it as it was.
        <button class="link" data-bring-back @click="bringBack">bring it back</button>
      </p>
      <section class="card">
        <div class="row">
          <h2 class="grow">Yours</h2>
          <button class="act main" data-new-part @click="making = {}">
            <Plus :size="15" /> New {{ KIND_WORDS[kind].one }}
          </button>
        </div>
        <p v-if="own.length === 0" class="quiet">
          None yet. From a label or the text of a data sheet, or as a copy of one below; any design can use it.
        </p>
        <table v-else v-stack class="sheet" data-own>
          <tbody>
            <tr v-for="entry in own" :key="entry.id" :class="{ found: entry.id === found }">
              <td class="name" :title="nameOf(entry)">{{ nameOf(entry) }}</td>
              <td class="quiet">{{ partSays(entry.kind, entry.part, prefs.show) }}</td>
              <td class="guess">
                <template v-if="guesses(entry) > 0"
                  >≈ {{ guesses(entry) }} estimate{{ guesses(entry) === 1 ? '' : 's' }}</template
                >
              </td>
              <td class="acts">
                <button
                  class="icon-button"
                  :aria-label="`Change ${nameOf(entry)}`"
                  title="Change"
                  @click="making = { from: entry.part, stored: entry }"
                >
                  <Pencil :size="14" />
                </button>
                <button class="icon-button" :aria-label="`Copy ${nameOf(entry)}`" title="Copy" @click="copy(entry)">
                  <Copy :size="14" />
                </button>
                <button
                  class="icon-button"
                  :aria-label="`Delete ${nameOf(entry)}`"
                  title="Delete"
                  @click="remove(entry)"
                >
                  <Trash2 :size="14" />
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
      <section class="card">
        <h2>That come with Ambrel</h2>
        <p class="quiet">Generic, of no maker; prices are made up. Copy one to have it under your own name.</p>
        <table v-stack class="sheet">
          <tbody>
            <tr v-for="entry in generic" :key="entry.id" :class="{ found: entry.id === found }">
              <td class="name" :title="nameOf(entry)">{{ nameOf(entry) }}</td>
              <td class="quiet">{{ partSays(entry.kind, entry.part, prefs.show) }}</td>
              <td class="acts">
                <button class="icon-button" :aria-label="`Copy ${nameOf(entry)}`" title="Copy" @click="copy(entry)">
                  <Copy :size="14" />
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </section>
    </main>
    <PartMaker
      v-if="making"
      :kind="making.stored?.kind ?? kind"
      :from="making.from"
      :stored="making.stored"
      @close="making = null"
      @use="clear"
    />
  </div>
</template>

<style scoped>
.found {
  background: var(--wash);
}

.page {
  max-width: 1080px;
  margin: 0 auto;
  padding: 34px 24px 60px;
}

.mast {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  padding-bottom: 16px;
  border-bottom: 1px solid var(--ink);
}

.mast h1 {
  font-size: 24px;
}

.home {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  color: var(--soft);
  text-decoration: none;
}

.kinds {
  gap: 4px;
  margin: 16px 0 12px;
}

.kind {
  height: max(32px, var(--target));
  padding: 0 12px;
  border: 0;
  border-bottom: 2px solid transparent;
  background: none;
  color: var(--soft);
  font: inherit;
  cursor: pointer;
}

.kind[aria-pressed='true'] {
  border-bottom-color: var(--spruce);
  color: var(--ink);
  font-weight: 600;
}

.count {
  margin-left: 6px;
  color: var(--soft);
  font-size: 12px;
}

.card {
  margin-bottom: 14px;
}

.name {
  overflow: hidden;
  max-width: 340px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

section .row {
  margin-bottom: 8px;
}

.guess {
  color: var(--soft);
  white-space: nowrap;
}

.acts {
  text-align: right;
  white-space: nowrap;
}

.failure {
  margin-bottom: 12px;
  padding: 10px 14px;
  border-left: 4px solid var(--clay);
  background: var(--card);
}

.failure ul {
  margin: 4px 0 0;
  padding-left: 18px;
}

@media (max-width: 600px) {
  .page {
    padding: 18px 12px 40px;
  }

  tr {
    display: grid;
    grid-template-columns: 1fr auto;
    align-items: center;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule);
  }

  .sheet td {
    border: 0;
  }

  .name {
    overflow-wrap: anywhere;
    white-space: normal;
  }

  td:nth-child(2) {
    grid-row: 2;
  }
}
</style>
