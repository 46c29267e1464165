<script setup lang="ts">
import { computed, onMounted, reactive, ref, useTemplateRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import {
  decimal,
  fieldUnit,
  readCoordinate,
  readEntry,
  usualService,
  usualUnits,
  type UnitSystem,
} from '@ambrel/core/units'
import { ILLUSTRATIVE_CLIMATES } from '@ambrel/core/climates'
import type { NewDesignBody } from '@ambrel/contract'
import { api, ApiRefusal } from '../stores/api.ts'
import { usePrefs } from '../stores/prefs.ts'
import RadioSet from './RadioSet.vue'
import { fetched } from '../frame/fetching.ts'

const prefs = usePrefs()
const emit = defineEmits<{ close: [] }>()
const router = useRouter()
const nameField = useTemplateRef('nameField')
/** the dialog shows itself before its fields can have the focus */
onMounted(() => setTimeout(() => nameField.value?.focus()))

type Service = NonNullable<NewDesignBody['service']>
const SERVICES: { value: Service; label: string }[] = [
  { value: 'split-phase', label: '120/240 V' },
  { value: 'single-120', label: '120 V only' },
  { value: 'single-230', label: '230 V' },
]
const VOLTAGES = [
  { value: 0, label: 'advise me' },
  { value: 12, label: '12 V' },
  { value: 24, label: '24 V' },
  { value: 48, label: '48 V' },
] as const
const UNITS: { value: UnitSystem; label: string }[] = [
  { value: 'metric', label: 'metres, °C' },
  { value: 'imperial', label: 'feet, °F' },
]

/** What was chosen the last time; a place is seldom the only one of its kind. */
const LAST = 'ambrel.new-design'
function remembered(): { latitude: string; longitude: string; elevation: string; climate: string } | null {
  try {
    const kept = JSON.parse(localStorage.getItem(LAST) ?? 'null') as Record<string, unknown> | null
    const keys = ['latitude', 'longitude', 'elevation', 'climate'] as const
    if (!kept || !keys.every((key) => typeof kept[key] === 'string')) return null
    if (!ILLUSTRATIVE_CLIMATES.some(({ id }) => id === kept.climate)) return null
    return kept as ReturnType<typeof remembered>
  } catch {
    return null
  }
}
const last = remembered()
const form = reactive({
  name: '',
  latitude: '',
  longitude: '',
  elevation: '0',
  climate: ILLUSTRATIVE_CLIMATES[0].id,
  service: null as Service | null,
  systemV: 0 as (typeof VOLTAGES)[number]['value'],
  units: null as UnitSystem | null,
})
const errors = ref<Record<string, string>>({})
const working = ref(false)

function place(): { latitudeDeg: number; longitudeDeg: number } | null {
  const latitude = readCoordinate(form.latitude, 'latitude')
  const longitude = readCoordinate(form.longitude, 'longitude')
  return 'value' in latitude && 'value' in longitude
    ? { latitudeDeg: latitude.value, longitudeDeg: longitude.value }
    : null
}
const LandMap = fetched(() => import('./LandMap.vue'))
const mapped = ref(false)
function pick(latitudeDeg: number, longitudeDeg: number): void {
  form.latitude = String(latitudeDeg)
  form.longitude = String(longitudeDeg)
  delete errors.value.latitude
  delete errors.value.longitude
}
/** what is usual at the place, until somebody chooses otherwise */
const units = computed<UnitSystem>(() => {
  const at = place()
  return form.units ?? (at ? usualUnits(at.latitudeDeg, at.longitudeDeg) : prefs.units)
})
const climate = computed(() => ILLUSTRATIVE_CLIMATES.find(({ id }) => id === form.climate))
const service = computed<Service>(() => form.service ?? usualService(place()?.longitudeDeg ?? 0))

/** a height that was typed before the units changed stays the same height */
watch(units, (now, before) => {
  const read = readEntry(form.elevation, 'm', before)
  if ('value' in read && form.elevation.trim() !== '')
    form.elevation = String(Number(fieldUnit('m', now).toShown(read.value).toPrecision(6)))
})

function readPlace(field: 'latitude' | 'longitude'): number | null {
  if (!form[field].trim()) {
    errors.value[field] = `${field} is missing`
    return null
  }
  const read = readCoordinate(form[field], field)
  if ('value' in read) return read.value
  errors.value[field] = read.problem
  return null
}
const LOWEST_M = -430
const HIGHEST_M = 6000
function readElevation(): number | null {
  const read = readEntry(form.elevation, 'm', units.value)
  const shown = fieldUnit('m', units.value)
  const told = (metres: number) => `${decimal(shown.toShown(metres), 0)} ${shown.unit}`
  if ('problem' in read) errors.value.elevation = form.elevation.trim() ? read.problem : 'elevation is missing'
  else if (read.value < LOWEST_M) errors.value.elevation = `${told(read.value)} is below ${told(LOWEST_M)}`
  else if (read.value > HIGHEST_M) errors.value.elevation = `${told(read.value)} is above ${told(HIGHEST_M)}`
  else return read.value
  return null
}

async function make(): Promise<void> {
  errors.value = {}
  const latitudeDeg = readPlace('latitude')
  const longitudeDeg = readPlace('longitude')
  const elevationM = readElevation()
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
      service: service.value,
      ...(form.systemV === 0 ? {} : { systemV: form.systemV }),
    })
    prefs.units = units.value
    try {
      const { latitude, longitude, elevation, climate } = form
      localStorage.setItem(LAST, JSON.stringify({ latitude, longitude, elevation, climate }))
    } catch {
      // a browser that keeps nothing forgets it, and that is all
    }
    await router.push({ name: 'design', params: { id: stored.id, step: 'loads' } })
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
  <el-dialog :model-value="true" title="New design" width="min(520px, 96vw)" top="4vh" @close="emit('close')">
    <form class="form" @submit.prevent="make">
      <label>
        Name
        <input ref="nameField" v-model="form.name" name="name" maxlength="120" />
        <em v-if="errors.name" role="alert">{{ errors.name }}</em>
      </label>
      <div class="three">
        <label>
          Latitude
          <input v-model="form.latitude" name="latitude" placeholder="48.2 or 48°12'N" />
          <em v-if="errors.latitude" role="alert">{{ errors.latitude }}</em>
        </label>
        <label>
          Longitude
          <input v-model="form.longitude" name="longitude" placeholder="-115.4 or 115°24'W" />
          <em v-if="errors.longitude" role="alert">{{ errors.longitude }}</em>
        </label>
        <label>
          Elevation, {{ fieldUnit('m', units).unit }}
          <input v-model="form.elevation" name="elevation" />
          <em v-if="errors.elevation" role="alert">{{ errors.elevation }}</em>
        </label>
      </div>
      <button type="button" class="link" :aria-expanded="mapped" data-open-map @click="mapped = !mapped">
        {{ mapped ? 'without the map' : 'point at it on a map' }}
      </button>
      <LandMap
        v-if="mapped"
        :latitude-deg="place()?.latitudeDeg ?? null"
        :longitude-deg="place()?.longitudeDeg ?? null"
        @pick="pick"
      />
      <button v-if="last" type="button" class="link" data-last-place @click="Object.assign(form, last)">
        the place of the last design: {{ last.latitude }}, {{ last.longitude }}
      </button>
      <div class="three">
        <RadioSet
          :model-value="service"
          legend="Sockets"
          name="service"
          :options="SERVICES"
          @update:model-value="form.service = $event"
        />
        <RadioSet v-model="form.systemV" legend="Bank" name="systemV" :options="VOLTAGES" />
        <RadioSet
          :model-value="units"
          legend="Units"
          name="units"
          :options="UNITS"
          @update:model-value="form.units = $event"
        />
      </div>
      <label>
        Climate to start from: rounded illustrations, no station’s figures
        <select v-model="form.climate" name="climate">
          <option v-for="each in ILLUSTRATIVE_CLIMATES" :key="each.id" :value="each.id">{{ each.name }}</option>
        </select>
      </label>
      <p class="quiet">{{ climate?.says }}</p>
      <em v-if="errors.all" role="alert">{{ errors.all }}</em>
      <div class="end"><el-button type="primary" native-type="submit" :loading="working">Make it</el-button></div>
    </form>
  </el-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}

label {
  color: var(--soft);
  font-size: 12.5px;
}

.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 10px;
}

input:not([type='radio']),
select {
  width: 100%;
  height: max(30px, var(--target));
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: 14px var(--text);
}

.link {
  justify-self: start;
}

em {
  display: block;
  color: var(--clay);
  font-style: normal;
}

.end {
  display: flex;
  justify-content: flex-end;
}
</style>
