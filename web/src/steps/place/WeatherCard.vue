<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { Trash2 } from '@lucide/vue'
import {
  climateFromCells,
  ILLUSTRATIVE_CLIMATES,
  type MonthlyClimate,
  type WeatherSource,
  setField,
  setPersistence,
  takeClimate,
  takeHours,
  takeMonths,
} from '@ambrel/core'
import { significant } from '@ambrel/core/units'
import type { WeatherFile } from '@ambrel/contract'
import ChoiceField from '../../fields/ChoiceField.vue'
import CellsDialog from '../../frame/CellsDialog.vue'
import { useDesign } from '../../stores/design.ts'
import { placeHoursOf, useWeather } from '../../stores/weather.ts'
import ClimateTable from './ClimateTable.vue'
import { fetched } from '../../frame/fetching.ts'

const ImportDialog = fetched(() => import('./ImportDialog.vue'))
const ImportReport = fetched(() => import('./ImportReport.vue'))

const design = useDesign()
const weather = useWeather()
const place = computed(() => design.document!.place)
const importing = ref(false)
const reporting = ref(false)
const pasting = ref('')
const pasteOpen = ref(false)
const problem = ref('')
onMounted(() => void weather.load().catch(() => undefined))

const SOURCES: { id: WeatherSource; name: string; says: string }[] = [
  { id: 'monthly', name: 'Monthly rows', says: 'Any number of years is made from the twelve rows below.' },
  {
    id: 'fitted',
    name: 'Made from imported hours',
    says: 'Any number of years is made with the months and the persistence of the file: the bad winters show that a single file may lack.',
  },
  { id: 'hours', name: 'Imported hours', says: 'The years of the file are run just as they were, and no others.' },
]
const source = computed(() => SOURCES.find(({ id }) => id === place.value.source)!)
const file = computed(() => weather.files.find(({ id }) => id === place.value.hours?.fileId))

function setSource(id: WeatherSource): void {
  if (id !== 'monthly' && !place.value.hours) return void (importing.value = true)
  design.change(`weather: ${SOURCES.find((each) => each.id === id)!.name}`, setField('place.source', id))
}
/** One typical year is better made into many; ten real ones are better run as they were. */
function takeFile(chosen: WeatherFile): void {
  importing.value = false
  design.change(`weather of ${chosen.name}`, takeHours(placeHoursOf(chosen)))
}
async function removeFile(id: string): Promise<void> {
  problem.value = ''
  try {
    await weather.remove(id)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
const files = computed(() => [
  {
    value: '',
    label: place.value.hours && !file.value ? `${place.value.hours.name} (not on this server)` : 'no file yet',
  },
  ...weather.files.map(({ id, name, years }) => ({
    value: id,
    label: `${name}, ${years} year${years === 1 ? '' : 's'}`,
  })),
])

const climates = [
  ...ILLUSTRATIVE_CLIMATES.map(({ id, name }) => ({ value: id, label: `${name} (illustration)` })),
  { value: 'own', label: 'Own monthly figures' },
]
function chooseClimate(id: string): void {
  design.change('climate', takeClimate(id))
}
function takeRows(rows: MonthlyClimate[]): void {
  design.change('monthly rows', takeMonths(rows))
}
function paste(text: string): void {
  pasting.value = text
  pasteOpen.value = true
}
const tellRow = (row: MonthlyClimate) =>
  `${significant(row.ghiKWhM2Day)} kWh/m², ${row.meanC} °C (${row.minC} to ${row.maxC}), ${row.snowfallCm} cm of snow`
const tell = (row: MonthlyClimate) => tellRow(row)
const read = (cells: string[][]) => climateFromCells(cells, place.value.monthly)

/** What a persistence means, in words; chosen for the whole year at once. */
const WORDS = [
  { value: 0.2, label: 'Changeable: yesterday says little' },
  { value: 0.29, label: 'Ordinary: the published mean' },
  { value: 0.45, label: 'In spells of several days' },
  { value: 0.6, label: 'Sits for weeks: fog, maritime grey' },
]
const said = computed(() => {
  const { persistence } = place.value
  return persistence.every((value) => value === persistence[0]) ? persistence[0] : -1
})
const words = computed(() =>
  WORDS.some(({ value }) => value === said.value)
    ? WORDS
    : [{ value: said.value, label: 'By month, as in the row' }, ...WORDS],
)
function setWords(value: number): void {
  if (value >= 0) design.change('persistence', setPersistence(value))
}
</script>

<template>
  <section class="card">
    <div class="row wrap head">
      <h2>Weather</h2>
      <div class="sources" role="radiogroup" aria-label="Source of the weather">
        <button
          v-for="each in SOURCES"
          :key="each.id"
          role="radio"
          :aria-checked="place.source === each.id"
          :class="{ on: place.source === each.id }"
          :data-source="each.id"
          @click="setSource(each.id)"
        >
          {{ each.name }}
        </button>
      </div>
      <span class="grow" />
      <button class="link" data-import-weather @click="importing = true">import hours</button>
    </div>
    <p class="quiet">{{ source.says }}</p>
    <div v-if="weather.files.length > 0 || place.hours" class="row wrap file">
      <ChoiceField
        class="wide"
        :model-value="file?.id ?? ''"
        :options="files"
        label="Weather file"
        labelled
        @update:model-value="(id) => id && takeFile(weather.files.find((each) => each.id === id)!)"
      />
      <button v-if="file" class="link" @click="reporting = !reporting">
        {{ reporting ? 'hide what was read' : 'what was read' }}
      </button>
      <button
        v-for="each in weather.files.filter(({ id, usedBy }) => usedBy === 0 && id !== place.hours?.fileId)"
        :key="each.id"
        class="icon-button"
        :title="`Remove ${each.name}, which no design uses`"
        :aria-label="`Remove weather file ${each.name}`"
        @click="removeFile(each.id)"
      >
        <Trash2 :size="14" />&nbsp;{{ each.name }}
      </button>
    </div>
    <p v-if="problem" class="error" role="alert">{{ problem }}</p>
    <p v-if="design.problemAt.get('place.source')" class="error" role="alert">
      {{ design.problemAt.get('place.source') }}
    </p>
    <ImportReport v-if="file && reporting" :read="file" />
    <template v-if="place.source === 'monthly'">
      <div class="row wrap head">
        <ChoiceField
          class="wide"
          :model-value="place.climate"
          :options="climates"
          label="Climate"
          labelled
          @update:model-value="chooseClimate"
        />
        <ChoiceField
          class="wide"
          :model-value="said"
          :options="words"
          label="Persistence of dull and bright"
          labelled
          @update:model-value="setWords"
        />
        <button class="link" data-paste-climate @click="paste('')">paste rows</button>
      </div>
      <p v-if="place.climate !== 'own'" class="quiet">
        A rounded illustration, to be replaced by local figures; editing a row makes them your own.
      </p>
    </template>
    <ClimateTable @paste-block="paste" />
    <CellsDialog
      :open="pasteOpen"
      :pasted="pasting"
      title="Monthly rows"
      hint="Twelve months down or across, copied from a spreadsheet: sun on the level (kWh/m² a day), mean, minimum and maximum temperature, snowfall. Names of months and columns, and units, may stand with them."
      take="Take these months"
      :most="12"
      items="months"
      :read="read"
      :tell="tell"
      @close="pasteOpen = false"
      @take="takeRows"
    />
    <ImportDialog v-if="importing" open @close="importing = false" @stored="takeFile" />
  </section>
</template>

<style scoped>
.head {
  margin-bottom: 4px;
}

.sources {
  display: flex;
}

.sources button {
  padding: 3px 12px;
  border: 1px solid var(--rule);
  border-right-width: 0;
  background: none;
  color: var(--soft);
  font: inherit;
  cursor: pointer;
}

.sources button:last-child {
  border-right-width: 1px;
}

.sources .on {
  background: var(--spruce);
  color: var(--on-spruce);
}

.file {
  margin: 8px 0;
  align-items: end;
}

.wide {
  width: 270px;
}

.error {
  color: var(--clay);
}
</style>
