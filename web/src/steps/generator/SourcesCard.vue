<script setup lang="ts">
import { computed, ref } from 'vue'
import { Trash2 } from '@lucide/vue'
import {
  MONTH_NAMES,
  sourceFromCells,
  sourceMeans,
  withMonthMean,
  type OtherSource,
  type SourceTable,
  addSource,
  changeSource,
  removeFrom,
} from '@ambrel/core'
import DocumentField from '../../fields/DocumentField.vue'
import NumberField from '../../fields/NumberField.vue'
import CellsDialog from '../../frame/CellsDialog.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What makes power beside sun and backup: watts by month and hour, or the hours of a year from a file. */
const design = useDesign()
const prefs = usePrefs()
const sources = computed(() => design.document!.sources)
const reading = ref<number | null>(null)
const FIELDS: (keyof OtherSource)[] = ['name', 'kind', 'side', 'surplus', 'price']
const FIRST_W = 100

function add(): void {
  design.change('add a source', addSource('stream', FIRST_W))
}
function change(index: number, label: string, make: (source: OtherSource) => OtherSource, key = ''): void {
  design.change(label, changeSource(index, make), key)
}
function take(tables: SourceTable[]): void {
  change(reading.value!, 'watts of a source', (source) =>
    'hourlyW' in tables[0] ? { ...source, hourlyW: tables[0].hourlyW } : { ...source, ...tables[0], hourlyW: null },
  )
}
const tell = (table: SourceTable) =>
  'hourlyW' in table
    ? `the hours of a year, ${prefs.show(Math.max(...table.hourlyW), 'W')} at most`
    : `twelve months, ${table.wattsByMonth.map((hours) => prefs.show(Math.max(...hours), 'W')).join(', ')} at most`
</script>

<template>
  <section class="card" data-sources>
    <div class="row">
      <h2>Other sources</h2>
      <p class="quiet grow">
        a stream or wind turbine, as mean watts; an AC-coupled array is set up in the Array step with its own inverter
      </p>
      <el-button size="small" @click="add">Add a source</el-button>
    </div>
    <div v-for="(source, i) in sources" :key="source.id" class="source">
      <div class="row wrap head">
        <DocumentField v-for="key in FIELDS" :key="key" :class="key" :path="`sources.${i}.${key}`" labelled />
        <span class="grow" />
        <el-button size="small" @click="reading = i">Watts from a table…</el-button>
        <button
          class="icon-button"
          :aria-label="`Remove ${source.name}`"
          title="Remove"
          @click="design.change(`remove ${source.name}`, removeFrom('sources', i))"
        >
          <Trash2 :size="16" />
        </button>
      </div>
      <div class="months">
        <template v-if="source.hourlyW">
          <p v-for="(watts, month) in sourceMeans(source)" :key="month">
            <span class="quiet">{{ MONTH_NAMES[month] }}</span> {{ prefs.show(watts, 'W') }}
          </p>
        </template>
        <NumberField
          v-for="(watts, month) in sourceMeans(source)"
          v-else
          :key="month"
          :model-value="watts"
          unit="W"
          :label="MONTH_NAMES[month]"
          labelled
          :step="10"
          @update:model-value="
            change(
              i,
              `${MONTH_NAMES[month]} of a source`,
              (s) => withMonthMean(s, month, Math.max(0, $event!)),
              `sources.${i}.${month}`,
            )
          "
        />
      </div>
      <p v-if="source.hourlyW" class="quiet">
        The hours of a year rule.
        <button class="link" @click="change(i, 'mean watts of a source', (s) => ({ ...s, hourlyW: null }))">
          use means by month again
        </button>
      </p>
    </div>
    <p v-if="sources.length === 0" class="quiet">None.</p>
    <CellsDialog
      v-if="reading !== null"
      open
      :title="`Watts of ${sources[reading].name}`"
      hint="Twelve rows of 24 hours, twelve rows of one mean each, or the 8760 hours of a year from 1 January, in watts. A header and a name before the numbers may be there."
      :read="sourceFromCells"
      :tell="tell"
      take="Take these watts"
      :most="8760"
      items="hours"
      @close="reading = null"
      @take="take"
    />
  </section>
</template>

<style scoped>
.source {
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}

.head {
  align-items: flex-end;
}

.name {
  width: 180px;
}

.price {
  width: 90px;
}

.months {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(74px, 1fr));
  gap: 6px 8px;
  margin: 8px 0 4px;
}

.months p {
  display: grid;
}
</style>
