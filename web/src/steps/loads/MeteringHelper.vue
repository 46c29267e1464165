<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, reactive, ref } from 'vue'
import { Trash2 } from '@lucide/vue'
import {
  inWeek,
  meteringPlan,
  meterProblem,
  statedDailyEnergy,
  withReading,
  withReadings,
  type Load,
  changeLoad,
} from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Which loads to put on a meter next and for how long; readings replace the guess, which is kept beside them. */
const design = useDesign()
const prefs = usePrefs()
const SHOWN = 6
const all = ref(false)
const plan = computed(() =>
  design.derived ? meteringPlan(inWeek(design.document!).loads, design.derived.worstMonth) : [],
)
const read = computed(() => design.document!.loads.filter((load) => load.meterReadings.length > 0))
const recording = ref('')
const form = reactive({ date: '', kWh: null as number | null, hours: null as number | null })
const problem = ref('')

function start(id: string, hours: number): void {
  recording.value = id
  problem.value = ''
  Object.assign(form, { date: new Date().toISOString().slice(0, 10), kWh: null, hours })
}
function put(id: string, change: (load: Load) => Load, label: string): void {
  design.change(label, changeLoad(id, change))
}
function record(): void {
  const { date, kWh, hours } = form
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date)) problem.value = `date “${date}” must be a day such as 2026-01-31`
  else problem.value = meterProblem(kWh, hours) ?? ''
  if (problem.value === '') {
    put(recording.value, (load) => withReading(load, { date, kWh: kWh!, hours: hours! }), 'meter reading')
    recording.value = ''
  }
}
function drop(load: Load, at: number): void {
  put(
    load.id,
    (each) =>
      withReadings(
        each,
        each.meterReadings.filter((_, i) => i !== at),
      ),
    'remove meter reading',
  )
}
/** How far the meter is from the guess, in words. */
function verdict(load: Load): string {
  const guess = statedDailyEnergy({ ...load, basis: 'rated' })
  const metered = statedDailyEnergy(load)
  if (guess <= 0) return ''
  const off = metered / guess - 1
  const words =
    Math.abs(off) < 0.05 ? 'as guessed' : `${decimal(Math.abs(off) * 100, 0)} % ${off > 0 ? 'over' : 'under'} the guess`
  return `${words} of ${prefs.show(guess, 'Wh')}`
}
const long = (hours: number) =>
  hours % 168 === 0
    ? `${hours / 168} week${hours === 168 ? '' : 's'}`
    : hours >= 48
      ? `${hours / 24} days`
      : `${hours} h`
</script>

<template>
  <section v-if="design.derived" class="card">
    <div class="row">
      <h2>Metering</h2>
      <p class="quiet grow">a meter beats a nameplate: put these on one, the worst guess first</p>
    </div>
    <table v-if="plan.length > 0" v-stack class="sheet">
      <thead>
        <tr>
          <th>load</th>
          <th class="n">guess a day</th>
          <th class="n">may be off by</th>
          <th class="n">meter for</th>
          <th>because</th>
          <th><span class="unseen">record</span></th>
        </tr>
      </thead>
      <tbody>
        <template v-for="task in all ? plan : plan.slice(0, SHOWN)" :key="task.loadId">
          <tr :data-meter="task.loadId">
            <td>{{ task.name }}</td>
            <td class="n">{{ prefs.show(task.guessWh, 'Wh') }}</td>
            <td class="n">± {{ prefs.show(task.doubtWh, 'Wh') }}</td>
            <td class="n">{{ long(task.hours) }}</td>
            <td class="quiet">{{ task.why }}</td>
            <td class="n"><button class="link" @click="start(task.loadId, task.hours)">reading</button></td>
          </tr>
          <tr v-if="recording === task.loadId">
            <td colspan="6">
              <form class="row wrap form" data-reading-form @submit.prevent="record">
                <label class="date"
                  ><span>Date</span><input v-model="form.date" type="date" aria-label="Date of the reading"
                /></label>
                <NumberField v-model="form.kWh" unit="kWh" label="The meter says" labelled nullable />
                <NumberField v-model="form.hours" unit="h" label="after" labelled nullable />
                <el-button size="small" type="primary" native-type="submit">Record</el-button>
                <el-button size="small" @click="recording = ''">Leave it</el-button>
                <p v-if="problem" class="error" role="alert">{{ problem }}</p>
              </form>
            </td>
          </tr>
        </template>
      </tbody>
    </table>
    <p v-else class="quiet">Every load that counts has been metered.</p>
    <button v-if="plan.length > SHOWN" class="link" @click="all = !all">
      {{ all ? 'only the worst' : `all ${plan.length}` }}
    </button>
    <template v-if="read.length > 0">
      <h3>Measured</h3>
      <table v-stack class="sheet" data-measured>
        <tbody>
          <tr v-for="load in read" :key="load.id">
            <td>{{ load.name }}</td>
            <td class="n">{{ prefs.show(statedDailyEnergy(load), 'Wh') }} a day</td>
            <td class="quiet">{{ load.basis === 'metered' ? verdict(load) : 'another figure rules' }}</td>
            <td>
              <span v-for="(reading, i) in load.meterReadings" :key="i" class="reading">
                {{ reading.date }}: {{ reading.kWh }} kWh in {{ reading.hours }} h
                <button
                  class="icon-button"
                  :aria-label="`Remove the reading of ${reading.date}`"
                  @click="drop(load, i)"
                >
                  <Trash2 :size="12" />
                </button>
              </span>
            </td>
            <td class="n">
              <button v-if="recording !== load.id" class="link" @click="start(load.id, 168)">another</button>
              <form v-else class="row form" @submit.prevent="record">
                <NumberField v-model="form.kWh" unit="kWh" label="kWh" nullable />
                <NumberField v-model="form.hours" unit="h" label="hours" nullable />
                <el-button size="small" type="primary" native-type="submit">Record</el-button>
              </form>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
  </section>
</template>

<style scoped>
.form {
  align-items: end;
  padding: 4px 0 8px;
}

.form .number {
  width: 110px;
}

.date span {
  display: block;
  color: var(--soft);
  font-size: 12.5px;
}

.date input {
  height: var(--target);
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: inherit;
  font: inherit;
}

h3 {
  margin: 10px 0 2px;
}

.reading {
  margin-right: 10px;
  white-space: nowrap;
}

.reading .icon-button {
  min-width: 20px;
  height: 20px;
}

.error {
  color: var(--clay);
}
</style>
