<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, onBeforeUnmount, ref, watch } from 'vue'
import { CHANNEL_RANGE, CHANNEL_UNITS, understoodRows, type Channel, type ColumnMapping } from '@ambrel/core'
import type { WeatherFile } from '@ambrel/contract'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import ImportReport from './ImportReport.vue'
import { useWeatherImport } from './weatherImport.ts'

defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: []; stored: [file: WeatherFile] }>()
const design = useDesign()
const prefs = usePrefs()
const way = useWeatherImport()
const { stage, fileName, progress, problem, rows, inspected, read } = way
const mapping = ref<ColumnMapping | null>(null)
const name = ref('')
watch(inspected, (now) => {
  mapping.value = now ? (JSON.parse(JSON.stringify(now.mapping)) as ColumnMapping) : null
  name.value = now?.station?.name ?? fileName.value.replace(/\.[^.]+$/, '')
})
onBeforeUnmount(way.reset)

const CHANNELS: Channel[] = ['ghiWM2', 'airC', 'dniWM2', 'dhiWM2', 'windMS', 'snowfallCm', 'snowDepthCm']
const NONE = -1
const columns = computed(() =>
  (inspected.value?.header ?? []).map((label, value) => ({ value, label: `${value + 1}: ${label}` })),
)
const withNone = computed(() => [{ value: NONE, label: 'not in the file' }, ...columns.value])
const unitsOf = (channel: Channel) => Object.keys(CHANNEL_UNITS[channel]).map((unit) => ({ value: unit, label: unit }))
const ORDERS = [
  { value: 'ymd' as const, label: 'year, month, day' },
  { value: 'dmy' as const, label: 'day, month, year' },
  { value: 'mdy' as const, label: 'month, day, year' },
]
const LABELS = [
  { value: 'beginning' as const, label: 'the hour that begins then' },
  { value: 'middle' as const, label: 'the middle of its interval' },
  { value: 'ending' as const, label: 'the hour that ends then' },
]
const DECIMALS = [
  { value: 0, label: 'point (3.5)' },
  { value: 1, label: 'comma (3,5)' },
]

function setChannel(channel: Channel, column: number): void {
  if (!mapping.value) return
  if (column === NONE) delete mapping.value.columns[channel]
  else
    mapping.value.columns[channel] = { column, unit: mapping.value.columns[channel]?.unit ?? unitsOf(channel)[0].value }
}
/** no time at all can be chosen only where the rows make whole years */
const timeColumns = computed(() =>
  inspected.value?.mapping.hourlyFrom === undefined
    ? columns.value
    : [{ value: NONE, label: 'none: hours in order' }, ...columns.value],
)
const isUntimed = computed(() => mapping.value?.time.length === 0 && mapping.value.hourlyFrom !== undefined)
const FIRST_YEAR = 1900
const LAST_YEAR = 2200
function setYear(year: number | null): void {
  if (year !== null && year >= FIRST_YEAR && year <= LAST_YEAR) mapping.value!.hourlyFrom = Math.round(year)
}
const SHOWN_ROWS = 4
/** What the first rows are taken for, so that a wrong unit or order is seen before anything is read. */
const understood = computed(() => {
  if (!mapping.value || !inspected.value) return null
  const channels = CHANNELS.filter((channel) => mapping.value!.columns[channel])
  try {
    const rows = understoodRows(mapping.value, inspected.value.sample.slice(0, SHOWN_ROWS)).map(
      ({ minutes, figures }) => ({
        time: new Date(minutes * 60_000).toISOString().slice(0, 16).replace('T', ' '),
        figures: Object.fromEntries(
          channels.map((channel) => [channel, prefs.show(figures[channel], CHANNEL_RANGE[channel].unit)]),
        ) as Record<Channel, string>,
      }),
    )
    return { rows, channels, problem: rows.length === 0 ? 'None of the first rows is understood yet.' : null }
  } catch (error) {
    return { rows: [], channels, problem: (error as Error).message }
  }
})
function setTime(at: number, column: number): void {
  const time = [...mapping.value!.time]
  if (column === NONE) time.splice(at)
  else time[at] = column
  mapping.value!.time = time
}
const place = computed(() => {
  const { latitudeDeg, longitudeDeg, windMS, monthly } = design.document!.place
  return { latitudeDeg, longitudeDeg, windMS, snowfallCm: monthly.map((month) => month.snowfallCm) }
})
function choose(event: Event): void {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  input.value = ''
  if (file) void way.choose(file, design.document!.place.utcOffsetH)
}
async function store(): Promise<void> {
  const file = await way.store(name.value.trim() || fileName.value)
  if (file) emit('stored', file)
}
function close(): void {
  way.reset()
  emit('close')
}
const KINDS = { epw: 'an EPW file', tmy3: 'a TMY3 file', csv: 'a table' }
</script>

<template>
  <el-dialog :model-value="open" title="Import hours of weather" width="780" top="5vh" append-to-body @close="close">
    <p v-if="stage === 'choose'" class="quiet">
      An EPW or TMY3 file, or any table with a row an hour or finer: time, global irradiance on the level, temperature.
      Whole years, up to 32 MB.
    </p>
    <label v-if="stage === 'choose' || stage === 'map'" class="file">
      <span class="pick">{{ fileName ? 'another file' : 'choose a file' }}</span>
      <input type="file" aria-label="Weather file" data-weather-file @change="choose" />
      <b v-if="fileName">{{ fileName }}</b>
    </label>
    <div v-if="problem" class="error" role="alert" data-import-problem>
      <b>{{ problem }}</b>
      <ul v-if="rows.length > 0">
        <li v-for="row in rows.slice(0, 8)" :key="`${row.fromRow} ${row.says}`">
          {{ row.fromRow === row.toRow ? `row ${row.fromRow}` : `rows ${row.fromRow}–${row.toRow}` }}: {{ row.says }}
        </li>
        <li v-if="rows.length > 8">and {{ rows.length - 8 }} more</li>
      </ul>
    </div>

    <template v-if="stage === 'map' && inspected && mapping">
      <p class="quiet said">
        This is {{ KINDS[inspected.kind]
        }}<template v-if="inspected.station">
          of {{ inspected.station.name }}, {{ inspected.station.latitudeDeg }}°,
          {{ inspected.station.longitudeDeg }}°</template
        >, text in {{ inspected.encoding }}. Check that every column is what it is taken for.
      </p>
      <p v-if="isUntimed" class="asked" data-no-time>
        The file has no column of time. Its rows are taken for every hour from 1 January, 0 h of the year below, by the
        clock below. Is that so? Else choose the column that holds the time.
      </p>
      <div class="grid">
        <NumberField
          v-if="isUntimed"
          :model-value="mapping.hourlyFrom ?? null"
          label="Year of the first row"
          labelled
          @update:model-value="setYear"
        />
        <ChoiceField
          v-for="(_, at) in [...mapping.time, NONE].slice(0, 6)"
          :key="`time ${at}`"
          :model-value="mapping.time[at] ?? NONE"
          :options="at === 0 ? timeColumns : withNone"
          :label="at === 0 ? 'Time' : 'and'"
          labelled
          @update:model-value="setTime(at, $event)"
        />
        <ChoiceField v-model="mapping.dateOrder" :options="ORDERS" label="Order of a date" labelled />
        <ChoiceField v-model="mapping.label" :options="LABELS" label="A time names" labelled />
        <NumberField
          :model-value="mapping.utcOffsetH"
          unit="h"
          label="Clock, h from UTC"
          labelled
          @update:model-value="mapping.utcOffsetH = $event!"
        />
        <ChoiceField
          :model-value="mapping.decimalComma ? 1 : 0"
          :options="DECIMALS"
          label="Decimals"
          labelled
          @update:model-value="mapping.decimalComma = $event === 1"
        />
      </div>
      <table v-stack class="sheet channels">
        <tbody>
          <tr v-for="channel in CHANNELS" :key="channel">
            <td class="what">{{ CHANNEL_RANGE[channel].name }}</td>
            <td>
              <ChoiceField
                :model-value="mapping.columns[channel]?.column ?? NONE"
                :options="withNone"
                :label="`Column of ${CHANNEL_RANGE[channel].name}`"
                @update:model-value="setChannel(channel, $event)"
              />
            </td>
            <td class="unit">
              <ChoiceField
                v-if="mapping.columns[channel]"
                v-model="mapping.columns[channel]!.unit"
                :options="unitsOf(channel)"
                :label="`Unit of ${CHANNEL_RANGE[channel].name}`"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="understood" class="sample" data-understood>
        <p class="quiet">{{ understood.problem ?? 'The first rows are understood so:' }}</p>
        <table v-if="understood.rows.length > 0" v-stack class="sheet">
          <thead>
            <tr>
              <th>time, by the file’s clock</th>
              <th v-for="channel in understood.channels" :key="channel" class="n">
                {{ CHANNEL_RANGE[channel].name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in understood.rows" :key="row.time">
              <td>{{ row.time }}</td>
              <td v-for="channel in understood.channels" :key="channel" class="n">
                {{ row.figures[channel] }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="sample">
        <table v-stack class="sheet">
          <thead>
            <tr>
              <th v-for="(title, i) in inspected.header" :key="i">{{ title }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(row, i) in inspected.sample.slice(0, 5)" :key="i">
              <td v-for="(cell, c) in row" :key="c">{{ cell }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>

    <div v-if="stage === 'reading' || stage === 'storing'" class="progress" role="status">
      <p>{{ stage === 'reading' ? `Reading ${fileName}: ${Math.round(progress * 100)} %` : 'Storing the hours' }}</p>
      <progress :value="stage === 'reading' ? progress : undefined" max="1" />
    </div>

    <template v-if="stage === 'report' && read">
      <TextField v-model="name" label="Keep it as" labelled />
      <ImportReport :read="read" />
    </template>

    <template #footer>
      <el-button @click="close">{{ stage === 'reading' ? 'Cancel' : 'Leave it' }}</el-button>
      <el-button
        v-if="stage === 'map' && mapping"
        type="primary"
        data-read-weather
        @click="way.readHours(mapping, place)"
        >Read the hours</el-button
      >
      <el-button v-if="stage === 'report'" type="primary" data-store-weather @click="store">
        Keep {{ read!.years }} year{{ read!.years === 1 ? '' : 's' }}
      </el-button>
    </template>
  </el-dialog>
</template>

<style scoped>
.asked {
  margin-bottom: 8px;
  padding: 8px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--wash);
}

.file {
  display: flex;
  align-items: center;
  gap: 12px;
  margin: 8px 0;
}

.file input {
  position: absolute;
  width: 1px;
  opacity: 0;
}

.pick {
  padding: 4px 12px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  cursor: pointer;
}

.file:focus-within .pick,
.pick:hover {
  border-color: var(--spruce);
  background: var(--wash);
}

.said {
  margin-bottom: 8px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 6px 12px;
}

.channels {
  margin-top: 10px;
}

.what {
  width: 34%;
  vertical-align: middle !important;
}

.unit {
  width: 150px;
}

.sample {
  overflow-x: auto;
  margin-top: 10px;
  padding: 4px 8px;
  background: var(--wash);
  font-size: 12.5px;
  white-space: nowrap;
}

.error {
  margin: 8px 0;
  color: var(--clay);
}

.error ul {
  margin: 4px 0 0;
  padding-left: 18px;
  font-size: 13px;
}

progress {
  width: 100%;
}
</style>
