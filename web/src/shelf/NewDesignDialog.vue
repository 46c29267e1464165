<script setup lang="ts">
import { reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { parseNumber, readCoordinate } from '@ambrel/core/units'
import { ILLUSTRATIVE_CLIMATES } from '@ambrel/core/climates'
import { api, ApiRefusal } from '../stores/api.ts'
import { usePrefs } from '../stores/prefs.ts'

const prefs = usePrefs()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const form = reactive({ name: '', latitude: '', longitude: '', elevation: '0', climate: ILLUSTRATIVE_CLIMATES[0].id })
const errors = ref<Record<string, string>>({})
const working = ref(false)

const RANGES = {
  latitude: { name: 'latitude', min: -90, max: 90, path: 'latitudeDeg' },
  longitude: { name: 'longitude', min: -180, max: 180, path: 'longitudeDeg' },
  elevation: { name: 'elevation', min: -430, max: 6000, path: 'elevationM' },
} as const

function read(field: keyof typeof RANGES): number | null {
  const { name, min, max } = RANGES[field]
  const typed = form[field]
  if (field !== 'elevation' && typed.trim()) {
    const read = readCoordinate(typed, field)
    if ('value' in read) return read.value
    errors.value[field] = read.problem
    return null
  }
  const value = parseNumber(typed)
  if (value === null) errors.value[field] = typed.trim() ? `“${typed}” is not a number` : `${name} is missing`
  else if (value < min || value > max) errors.value[field] = `${name} ${value} must lie between ${min} and ${max}`
  else return value
  return null
}

async function make(): Promise<void> {
  errors.value = {}
  const latitudeDeg = read('latitude')
  const longitudeDeg = read('longitude')
  const elevationM = read('elevation')
  if (!form.name.trim()) errors.value.name = 'the design needs a name'
  if (latitudeDeg === null || longitudeDeg === null || elevationM === null || errors.value.name) return
  working.value = true
  try {
    const stored = await api.create({
      name: form.name.trim(),
      latitudeDeg,
      longitudeDeg,
      elevationM,
      climate: form.climate,
    })
    await router.push({ name: 'design', params: { id: stored.id, step: 'place' } })
  } catch (error) {
    errors.value.all =
      error instanceof ApiRefusal
        ? error.problems.map((problem) => prefs.say(problem.message)).join('; ') || error.message
        : (error as Error).message
  } finally {
    working.value = false
  }
}
</script>

<template>
  <el-dialog :model-value="true" title="New design" width="460" @close="emit('close')">
    <form class="form" @submit.prevent="make">
      <label>
        Name
        <input v-model="form.name" name="name" maxlength="120" autofocus />
        <em v-if="errors.name" role="alert">{{ errors.name }}</em>
      </label>
      <div class="three">
        <label>
          Latitude, ° north
          <input v-model="form.latitude" name="latitude" inputmode="decimal" placeholder="48.2" />
          <em v-if="errors.latitude" role="alert">{{ errors.latitude }}</em>
        </label>
        <label>
          Longitude, ° east
          <input v-model="form.longitude" name="longitude" inputmode="decimal" placeholder="-115.4" />
          <em v-if="errors.longitude" role="alert">{{ errors.longitude }}</em>
        </label>
        <label>
          Elevation, m
          <input v-model="form.elevation" name="elevation" inputmode="decimal" />
          <em v-if="errors.elevation" role="alert">{{ errors.elevation }}</em>
        </label>
      </div>
      <fieldset>
        <legend>Climate to start from: rounded illustrations, no station’s figures</legend>
        <label v-for="climate in ILLUSTRATIVE_CLIMATES" :key="climate.id" class="climate">
          <input v-model="form.climate" type="radio" name="climate" :value="climate.id" />
          <span
            ><b>{{ climate.name }}.</b> {{ climate.says }}</span
          >
        </label>
      </fieldset>
      <em v-if="errors.all" role="alert">{{ errors.all }}</em>
      <div class="end"><el-button type="primary" native-type="submit" :loading="working">Make it</el-button></div>
    </form>
  </el-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}

label {
  color: var(--soft);
  font-size: 12.5px;
}

.three {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
}

input:not([type='radio']) {
  width: 100%;
  height: 30px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: 14px var(--text);
}

fieldset {
  margin: 0;
  padding: 8px 12px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

legend {
  padding: 0 4px;
  color: var(--soft);
  font-size: 12.5px;
}

.climate {
  display: flex;
  gap: 8px;
  padding: 3px 0;
  color: var(--ink);
  font-size: 13.5px;
  line-height: 1.35;
}

em {
  display: block;
  color: var(--clay);
  font-style: normal;
}

.end {
  text-align: right;
}
</style>
