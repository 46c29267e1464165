<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, reactive, ref } from 'vue'
import { meterProblem, removeStrip, shareOut, statedDailyEnergy, type Load } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** One meter on a strip of several devices: what it counted is shared out over them by their nameplates. */
const design = useDesign()
const prefs = usePrefs()
const strips = computed(() => {
  const byName = new Map<string, Load[]>()
  for (const load of design.document!.loads)
    if (load.basis === 'strip') byName.set(load.strip, [...(byName.get(load.strip) ?? []), load])
  return [...byName].map(([name, loads]) => ({ name, loads }))
})
const editing = ref(false)
const form = reactive({ name: '', kWh: null as number | null, hours: 168 as number | null, ids: new Set<string>() })
const problem = ref('')
/** what a meter in the wall cannot have under it is not offered */
const candidates = computed(() =>
  design.document!.loads.filter(({ leg, supply }) => leg !== 'AB' && leg !== 'ABC' && supply === 'electric'),
)

function start(name = '', loads: readonly Load[] = []): void {
  const free = `Strip ${strips.value.length + 1}`
  Object.assign(form, {
    name: name || free,
    kWh: loads[0]?.meteredKWh ?? null,
    hours: loads[0]?.meteredHours ?? 168,
    ids: new Set(loads.map(({ id }) => id)),
  })
  problem.value = ''
  editing.value = true
}
function turn(id: string): void {
  if (!form.ids.delete(id)) form.ids.add(id)
}
function share(): void {
  const { name, kWh, hours, ids } = form
  if (name.trim() === '') problem.value = 'the strip needs a name'
  else if (ids.size === 0) problem.value = 'tick at least one load that hangs on it'
  else problem.value = meterProblem(kWh, hours) ?? ''
  if (problem.value === '') {
    design.change(`share out ${name}`, shareOut(name, new Set(ids), kWh!, hours!))
    editing.value = false
  }
}
</script>

<template>
  <section class="card" data-strips>
    <div class="row">
      <h2 data-part="Strips">One meter on a strip</h2>
      <p class="quiet grow">what it counted is shared out over the devices on it, by their nameplates and hours</p>
      <button v-if="!editing" class="link" data-new-strip @click="start()">a reading of a strip</button>
    </div>
    <form v-if="editing" class="form" @submit.prevent="share">
      <div class="row wrap">
        <TextField v-model="form.name" label="Strip" labelled class="name" />
        <NumberField v-model="form.kWh" unit="kWh" label="Its meter says" labelled nullable class="figure" />
        <NumberField v-model="form.hours" unit="h" label="after" labelled nullable class="figure" />
      </div>
      <div class="row wrap loads" role="group" aria-label="Loads on the strip">
        <label v-for="load in candidates" :key="load.id"
          ><input type="checkbox" :checked="form.ids.has(load.id)" @change="turn(load.id)" /> {{ load.name }}</label
        >
      </div>
      <p v-if="problem" class="error" role="alert">{{ problem }}</p>
      <el-button size="small" type="primary" native-type="submit">Share it out</el-button>
      <el-button size="small" @click="editing = false">Leave it</el-button>
    </form>
    <table v-if="strips.length > 0" v-stack class="sheet">
      <tbody>
        <tr v-for="{ name, loads } in strips" :key="name" :data-strip="name">
          <td>
            <b>{{ name }}</b>
          </td>
          <td class="quiet">
            {{ prefs.show(loads[0].meteredKWh, 'kWh') }} in {{ prefs.show(loads[0].meteredHours, 'h') }}
          </td>
          <td>
            <span v-for="load in loads" :key="load.id" class="share"
              >{{ load.name }} {{ decimal(load.stripShare * 100, 0) }} %,
              {{ prefs.show(statedDailyEnergy(load), 'Wh') }} a day</span
            >
          </td>
          <td class="n">
            <button class="link" @click="start(name, loads)">change</button>
            <button class="link" @click="design.change(`take ${name} apart`, removeStrip(name))">take apart</button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.form {
  padding: 6px 0 10px;
}

.name {
  width: 180px;
}

.figure {
  width: 120px;
}

.loads {
  gap: 2px 14px;
  margin: 8px 0;
}

.share {
  margin-right: 14px;
  white-space: nowrap;
}

.n .link {
  margin-left: 10px;
}

.error {
  margin-bottom: 6px;
  color: var(--clay);
}
</style>
