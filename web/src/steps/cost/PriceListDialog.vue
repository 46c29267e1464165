<script setup lang="ts">
import { computed, onBeforeUnmount, ref, shallowRef, toRaw, watch } from 'vue'
import { LIMITS } from '@ambrel/contract'
import {
  decimal,
  takePrices,
  type BillRow,
  type DecimalMark,
  type LengthUnit,
  type ListedPrice,
  type PriceList,
} from '@ambrel/core'
import { vStack } from '../../drawing/stacks.ts'
import ChoiceField from '../../fields/ChoiceField.vue'
import FilePick from '../../frame/FilePick.vue'
import { cents, pricedBy } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { openSheets, type Sheets } from '../../workers/sheets.ts'

/** Reads a price list from a file or a paste, shows how it falls on the bill, asks where it says two things, and takes it. */
const props = defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const prefs = usePrefs()
const SHOWN = 8
const FOUND = 40
const MARKS: { value: DecimalMark; label: string }[] = [
  { value: 'auto', label: 'as the list shows' },
  { value: '.', label: 'decimal points' },
  { value: ',', label: 'decimal commas' },
]
const LENGTHS: { value: LengthUnit; label: string }[] = [
  { value: 'ask', label: 'as the list says' },
  { value: 'm', label: 'by the metre' },
  { value: 'ft', label: 'by the foot' },
]
const text = ref('')
const source = ref('')
const failure = ref('')
const reading = ref(false)
const mark = ref<DecimalMark>('auto')
const lengths = ref<LengthUnit>('ask')
const list = shallowRef<PriceList | null>(null)
/** of each line of the bill, the line of the list that is taken; 0 for none */
const taken = ref<Record<string, number>>({})
/** lines of the list that somebody gave to lines of the bill under another name */
const assigned = ref<Record<string, number>>({})
let sheets: Sheets | null = null
let asked = 0
onBeforeUnmount(() => sheets?.end())

const bill = computed(() => design.derived!.bill)
const rows = computed(() => bill.value.rows.filter(({ step }) => step !== 'extra' && step !== 'kit'))
const nameOf = (row: BillRow) => prefs.say(row.name)

async function take(given: string | File): Promise<void> {
  const mine = ++asked
  failure.value = ''
  list.value = null
  taken.value = {}
  assigned.value = {}
  reading.value = true
  try {
    sheets ??= openSheets()
    await sheets.service.take(given)
    if (mine === asked) await read()
  } catch (error) {
    if (mine === asked) failure.value = `${source.value || 'The list'}: ${(error as Error).message}`
  } finally {
    if (mine === asked) reading.value = false
  }
}
async function read(): Promise<void> {
  const sought = rows.value.map(({ key, name, unit }) => ({ key, name: structuredClone(toRaw(name)), unit }))
  const found = await sheets!.service.read(sought, {
    currency: design.document!.budget.currency,
    mark: mark.value,
    lengths: lengths.value,
  })
  // what was given a price by hand keeps it when the list is read another way
  const matched = new Set(found.matches.map(({ key }) => key))
  const byHand = Object.entries(assigned.value).flatMap(([key, line]) => {
    const listed = found.prices.find((each) => each.line === line)
    return listed && !matched.has(key) ? [{ key, lines: [listed] }] : []
  })
  list.value = { ...found, matches: [...found.matches, ...byHand] }
  const before = taken.value
  // of several prices for one thing nobody but the reader can say which holds
  taken.value = Object.fromEntries(
    list.value.matches.map(({ key, lines }) => {
      const chosen = lines.some(({ line }) => line === before[key]) ? before[key] : 0
      return [key, lines.length === 1 ? (before[key] === 0 ? 0 : lines[0].line) : chosen]
    }),
  )
}
watch([mark, lengths], () => list.value && void read())
watch(
  () => props.open,
  (now) => {
    if (!now) return
    text.value = ''
    source.value = ''
    list.value = null
    failure.value = ''
  },
)
watch(text, (now) => {
  if (now.trim() === '') return void (list.value = null)
  source.value = ''
  void take(now)
})
function choose(file: File): void {
  source.value = file.name
  if (file.size > LIMITS.priceListBytes)
    return void (failure.value = `${file.name} has ${decimal(file.size / 1024, 0)} kB; at most ${decimal(LIMITS.priceListBytes / 1024, 0)}`)
  void take(file)
}

const byKey = computed(() => new Map(rows.value.map((row) => [row.key, row])))
const matches = computed(() =>
  (list.value?.matches ?? []).flatMap(({ key, lines }) => {
    const row = byKey.value.get(key)
    return row ? [{ row, lines }] : []
  }),
)
const asks = computed(() => matches.value.filter(({ row, lines }) => lines.length > 1 && !taken.value[row.key]).length)
const priceText = (row: BillRow, value: number) => {
  const by = pricedBy(row, prefs.units)
  return `${cents(value * by.share)}${by.says ? ` ${by.says}` : ''}`
}
const optionsOf = (row: BillRow, lines: readonly ListedPrice[]) => [
  { value: 0, label: lines.length > 1 ? 'which of them?' : 'leave it' },
  ...lines.map(({ line, unitPrice, what }) => ({
    value: line,
    label: `${priceText(row, unitPrice)} · line ${line}, ${what}`,
  })),
]
/** lines of the bill the list has no price for, and lines of the list that look like them */
const without = computed(() =>
  rows.value.filter(
    ({ key, comes }) => comes.some((count) => count > 0) && !matches.value.some(({ row }) => row.key === key),
  ),
)
const forRow = ref('')
const search = ref('')
const found = computed(() => {
  const words = search.value.toLowerCase().split(/\s+/).filter(Boolean)
  const row = byKey.value.get(forRow.value)
  if (!row) return []
  return (list.value?.prices ?? [])
    .filter(
      ({ key, unit, what }) =>
        key === '' && unit === row.unit && words.every((word) => what.toLowerCase().includes(word)),
    )
    .slice(0, FOUND)
})
function assign(listed: ListedPrice): void {
  const key = forRow.value
  if (!list.value || !byKey.value.has(key)) return
  list.value = { ...list.value, matches: [...list.value.matches, { key, lines: [listed] }] }
  assigned.value = { ...assigned.value, [key]: listed.line }
  taken.value = { ...taken.value, [key]: listed.line }
  forRow.value = ''
  search.value = ''
}
const chosen = computed(() =>
  matches.value.flatMap(({ row, lines }) => {
    const listed = lines.find(({ line }) => line === taken.value[row.key])
    return listed ? [{ ...listed, key: row.key }] : []
  }),
)
function hand(): void {
  design.change(`prices of ${source.value || 'a list'}`, takePrices(chosen.value))
  emit('close')
}
</script>

<template>
  <el-dialog :model-value="open" title="A price list" width="720" append-to-body @close="emit('close')">
    <p class="quiet">
      A CSV file or a workbook with a head: what it is, its price, and where you have them its key, unit, currency, date
      and days until it comes. Prices are held against the lines of this bill by key or by name.
    </p>
    <div class="row wrap">
      <FilePick before="Read" says="a CSV or XLSX file" accept=".csv,.txt,.tsv,.xlsx" data-price-list @file="choose" />
      <span v-if="source" class="quiet">{{ source }}</span>
      <span v-if="reading" class="quiet" role="status">reading …</span>
    </div>
    <textarea
      v-model="text"
      rows="3"
      spellcheck="false"
      aria-label="Price list, pasted"
      placeholder="or paste its rows here"
      data-price-cells
    />
    <div class="row wrap choices">
      <ChoiceField
        :model-value="mark"
        :options="MARKS"
        label="Figures"
        labelled
        @update:model-value="mark = $event as DecimalMark"
      />
      <ChoiceField
        :model-value="lengths"
        :options="LENGTHS"
        label="Cable and conduit"
        labelled
        @update:model-value="lengths = $event as LengthUnit"
      />
    </div>
    <p v-if="failure" class="error" role="alert">{{ failure }}</p>
    <div v-if="list" class="result" role="status" data-price-result>
      <p>
        <b>{{ list.prices.length }}</b> {{ list.prices.length === 1 ? 'price' : 'prices' }} read, with decimal
        {{ list.mark === ',' ? 'commas' : 'points' }}; <b>{{ matches.length }}</b> fall on this bill<template
          v-if="asks > 0"
          >, <b>{{ asks }}</b> of them more than once: say which</template
        >.
      </p>
      <p v-if="list.total" :class="{ error: Math.abs(list.total.stated - list.total.summed) > 0.005 }" data-list-total>
        Its total in line {{ list.total.line }} is {{ cents(list.total.stated) }}, its lines come to
        {{ cents(list.total.summed)
        }}<template v-if="Math.abs(list.total.stated - list.total.summed) > 0.005"
          >: {{ cents(Math.abs(list.total.stated - list.total.summed)) }} apart. Ask what is left out or counted
          twice</template
        >.
      </p>
      <ul v-if="list.problems.length > 0" class="error">
        <li v-for="(problem, i) in list.problems.slice(0, SHOWN)" :key="i">{{ prefs.say(problem.message) }}</li>
        <li v-if="list.problems.length > SHOWN">and {{ list.problems.length - SHOWN }} more</li>
      </ul>
      <table v-if="matches.length > 0" v-stack class="sheet">
        <thead>
          <tr>
            <th>line of the bill</th>
            <th class="n">now</th>
            <th>of the list</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="{ row, lines } in matches" :key="row.key" :data-price-match="row.key">
            <td>{{ nameOf(row) }}</td>
            <td class="n">{{ priceText(row, row.unitPrice) }}</td>
            <td>
              <ChoiceField
                :model-value="taken[row.key] ?? 0"
                :options="optionsOf(row, lines)"
                :label="`Price of ${nameOf(row)}`"
                @update:model-value="taken = { ...taken, [row.key]: Number($event) }"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <div v-if="without.length > 0 && list.prices.length > 0" class="assign">
        <ChoiceField
          :model-value="forRow"
          :options="[
            { value: '', label: `${without.length} lines have no price in the list` },
            ...without.map((row) => ({ value: row.key, label: nameOf(row) })),
          ]"
          label="Give it the price of another name"
          labelled
          @update:model-value="forRow = String($event)"
        />
        <template v-if="forRow">
          <input v-model="search" class="search" aria-label="Search the list" placeholder="words of its name" />
          <ul class="found">
            <li v-for="listed in found" :key="listed.line">
              <button class="link" @click="assign(listed)">
                {{ listed.what }} · {{ priceText(byKey.get(forRow)!, listed.unitPrice) }}
              </button>
            </li>
            <li v-if="found.length === 0" class="quiet">
              Nothing in the list is sold by the same unit under that name.
            </li>
          </ul>
        </template>
      </div>
    </div>
    <div class="row end">
      <span v-if="chosen.length > 0" class="quiet grow"
        >They take the place of what stood there; one step undoes it.</span
      >
      <el-button @click="emit('close')">Leave it</el-button>
      <el-button type="primary" :disabled="chosen.length === 0" data-take-prices @click="hand"
        >Take {{ chosen.length }} {{ chosen.length === 1 ? 'price' : 'prices' }}</el-button
      >
    </div>
  </el-dialog>
</template>

<style scoped>
textarea,
.search {
  width: 100%;
  margin: 8px 0;
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}

textarea {
  font:
    13px/1.4 ui-monospace,
    monospace;
  white-space: pre;
}

.choices {
  gap: 14px;
}

.result {
  max-height: 330px;
  overflow: auto;
  margin-top: 10px;
}

ul {
  margin: 2px 0 8px;
  padding-left: 18px;
  font-size: 13px;
}

.found {
  max-height: 130px;
  overflow: auto;
  padding-left: 0;
  list-style: none;
}

.assign {
  margin-top: 10px;
}

.error {
  color: var(--clay);
}

.end {
  justify-content: flex-end;
  margin-top: 12px;
}
</style>
