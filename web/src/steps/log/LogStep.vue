<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { reactive, ref } from 'vue'
import { Trash2 } from '@lucide/vue'
import { readingProblems, type Reading } from '@ambrel/core'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import StepHead from '../../frame/StepHead.vue'
import { ApiRefusal } from '../../stores/api.ts'
import { useLog } from '../../stores/log.ts'
import { usePrefs } from '../../stores/prefs.ts'

const log = useLog()
const prefs = usePrefs()
const empty = (): Omit<Reading, 'at'> => ({
  batteryV: null,
  batteryA: null,
  stateOfCharge: null,
  arrayW: null,
  loadW: null,
  generatorOn: false,
  note: '',
})
const form = reactive(empty())
const at = ref(localNow())
const problems = ref<Record<string, string>>({})

/** The present minute as the date field writes it, in local time. */
function localNow(): string {
  const now = new Date()
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 16)
}

async function enter(): Promise<void> {
  problems.value = {}
  const when = new Date(at.value)
  if (Number.isNaN(when.getTime())) {
    problems.value = { at: 'the time is missing' }
    return
  }
  const reading: Reading = { ...form, at: when.toISOString() }
  const found = readingProblems(reading)
  if (found.length > 0) {
    problems.value = { all: prefs.say(found[0].message) }
    return
  }
  try {
    await log.add(reading)
    Object.assign(form, empty())
    at.value = localNow()
  } catch (error) {
    problems.value =
      error instanceof ApiRefusal && error.problems.length > 0
        ? Object.fromEntries(error.problems.map((problem) => [problem.path, prefs.say(problem.message)]))
        : { all: (error as Error).message }
  }
}
async function orSay(work: () => Promise<void>): Promise<void> {
  problems.value = {}
  try {
    await work()
  } catch (error) {
    problems.value = { all: (error as Error).message }
  }
}
const FIELDS = [
  { key: 'batteryV', label: 'Battery', unit: 'V' },
  { key: 'batteryA', label: 'Current, + in', unit: 'A' },
  { key: 'stateOfCharge', label: 'Charge', unit: 'share' },
  { key: 'arrayW', label: 'Array', unit: 'W' },
  { key: 'loadW', label: 'Load', unit: 'W' },
] as const
</script>

<template>
  <StepHead step="log" says="is it doing what was promised?" />
  <form class="card entry" @submit.prevent="enter">
    <label class="when"
      >Time <input v-model="at" type="datetime-local" /><em v-if="problems.at" role="alert">{{
        problems.at
      }}</em></label
    >
    <NumberField
      v-for="field in FIELDS"
      :key="field.key"
      :model-value="form[field.key]"
      :unit="field.unit"
      :label="field.label"
      labelled
      nullable
      :problem="problems[field.key]"
      @update:model-value="form[field.key] = $event"
    />
    <label class="switch"><el-switch v-model="form.generatorOn" aria-label="Backup on" /> backup on</label>
    <TextField v-model="form.note" class="note" label="Note" labelled :problem="problems.note" />
    <el-button type="primary" native-type="submit" data-enter>Enter</el-button>
    <em v-if="problems.all" class="all" role="alert">{{ problems.all }}</em>
  </form>
  <p v-if="log.removed.length > 0" class="removed" role="status">
    {{ log.removed.length === 1 ? 'A reading was' : `${log.removed.length} readings were` }} taken out.
    <button class="link" data-put-back @click="orSay(log.putBack)">
      Put {{ log.removed.length === 1 ? 'it' : 'the last one' }} back
    </button>
  </p>
  <section class="card">
    <p v-if="log.readings.length === 0" class="quiet">
      No readings yet. One a day, at the same hour before the sun is up, tells most.
    </p>
    <table v-else v-stack class="sheet" data-readings>
      <thead>
        <tr>
          <th>time</th>
          <th class="n">battery</th>
          <th class="n">current</th>
          <th class="n">charge</th>
          <th class="n">array</th>
          <th class="n">load</th>
          <th>backup</th>
          <th>note</th>
          <th><span class="unseen">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="reading in log.readings" :key="reading.id">
          <td>{{ new Date(reading.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }) }}</td>
          <td class="n">{{ prefs.show(reading.batteryV, 'V') }}</td>
          <td class="n">{{ prefs.show(reading.batteryA, 'A') }}</td>
          <td class="n">{{ prefs.show(reading.stateOfCharge, 'share') }}</td>
          <td class="n">{{ prefs.show(reading.arrayW, 'W') }}</td>
          <td class="n">{{ prefs.show(reading.loadW, 'W') }}</td>
          <td>{{ reading.generatorOn ? 'on' : '' }}</td>
          <td>{{ reading.note }}</td>
          <td>
            <button class="icon-button" aria-label="Remove reading" @click="orSay(() => log.remove(reading.id))">
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template-columns: 190px repeat(5, minmax(90px, 1fr));
  align-items: end;
  gap: 10px 12px;
  margin-bottom: 12px;
}

.when,
.switch {
  color: var(--soft);
  font-size: 12.5px;
}

.when input {
  width: 100%;
  height: var(--target);
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: 14px var(--text);
}

.removed {
  margin-bottom: 8px;
}

.note {
  grid-column: 2 / 6;
}

.all {
  grid-column: 1 / -1;
}

em {
  color: var(--clay);
  font-style: normal;
}

@media (max-width: 900px) {
  .entry {
    grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
  }

  .note,
  .when {
    grid-column: 1 / -1;
  }
}
</style>
