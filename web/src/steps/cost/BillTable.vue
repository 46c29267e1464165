<script setup lang="ts">
import { partAt, removeFrom, setOwned, type BillRow } from '@ambrel/core'
import { ChevronDown, ChevronRight, Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import { useLater } from '../../drawing/useIdle.ts'
import DocumentField from '../../fields/DocumentField.vue'
import { cents, together } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import PriceField from './PriceField.vue'

/** The bill line by line: parts, then the materials that follow from the wiring, then what the list cannot know. */
const design = useDesign()
const prefs = usePrefs()
const bill = computed(() => design.derived!.bill)
const GROUPS: [BillRow['group'], string][] = [
  ['major', 'Major parts'],
  ['safety', 'Boxes, switches, fuses and breakers'],
  ['wire', 'Cable and conduit'],
  ['sundries', 'Racks, lugs and small parts'],
]
const groups = computed(() =>
  GROUPS.map(([group, says]) => {
    const rows = bill.value.rows.flatMap((row, index) => (row.group === group ? [{ row, index }] : []))
    return { group, says, rows, sum: rows.reduce((sum, { row }) => sum + row.sum, 0) }
  }).filter(({ rows }) => rows.length > 0),
)
/** the first group fills the first screen; the others come when the page rests */
const isWhole = useLater()
/** of what is long only the head is seen until somebody wants more */
const folded = ref(new Set<BillRow['group']>(['sundries']))
function toggle(group: BillRow['group']): void {
  const next = new Set(folded.value)
  if (!next.delete(group)) next.add(group)
  folded.value = next
}
const shown = ref('')
const count = ({ unit, quantity }: BillRow) => (unit === 'm' ? prefs.show(quantity, 'm') : String(quantity))
const extras = computed(() => design.document!.budget.extras)
/** Where the data sheet of a part stands, whose price it is. */
const sheetOf = ({ key }: BillRow) => partAt(design.document!, key)?.path
const phases = computed(() => design.document!.budget.phases.map(({ id, name }) => ({ value: id, label: name })))
function own({ key, owned, quantity, name }: BillRow): void {
  const all = owned === quantity
  design.change(`${prefs.say(name)}: ${all ? 'to buy' : 'owned'}`, setOwned(key, !all))
}
</script>

<template>
  <table v-stack class="sheet bill">
    <thead>
      <tr>
        <th>what</th>
        <th class="n">how many</th>
        <th class="n">each</th>
        <th>bought</th>
        <th class="n">together</th>
        <th><span class="unseen">more</span></th>
      </tr>
    </thead>
    <tbody
      v-for="{ group, says, rows, sum } in isWhole ? groups : groups.slice(0, 1)"
      :key="group"
      :data-bill-group="group"
    >
      <tr class="area">
        <th colspan="4" scope="rowgroup">
          <button class="fold" :aria-expanded="!folded.has(group)" @click="toggle(group)">
            <component :is="folded.has(group) ? ChevronRight : ChevronDown" :size="14" /> {{ says }}
            <small>{{ rows.length }}</small>
          </button>
        </th>
        <td class="n sum">{{ cents(sum) }}</td>
        <td />
      </tr>
      <template v-if="!folded.has(group)">
        <template v-for="{ row, index } in rows" :key="row.key">
          <tr :data-bill-row="row.key">
            <td>{{ prefs.say(row.name) }} <small v-if="row.sample" class="sample">sample price</small></td>
            <td class="n">{{ count(row) }}</td>
            <td v-if="row.step === 'kit'" class="n">{{ cents(row.unitPrice) }}</td>
            <td v-else-if="sheetOf(row)" class="mid">
              <DocumentField :path="`${sheetOf(row)}.price`" :of="prefs.say(row.name)" />
            </td>
            <td v-else class="mid"><PriceField :row="row" :index="index" field="unitPrice" /></td>
            <td class="status">
              <label v-if="row.group === 'major' && row.step !== 'kit'" class="owned">
                <input
                  type="checkbox"
                  :checked="row.owned === row.quantity"
                  :aria-label="`${prefs.say(row.name)} is there already`"
                  @change="own(row)"
                />
                {{ row.owned > 0 && row.owned < row.quantity ? `${row.owned} owned` : 'owned' }}
              </label>
              <PriceField v-else :row="row" :index="index" field="status" />
            </td>
            <td class="n">
              {{ together(row) }}
            </td>
            <td>
              <button
                class="icon-button"
                :aria-label="`Terms of ${prefs.say(row.name)}`"
                :aria-expanded="shown === row.key"
                @click="shown = shown === row.key ? '' : row.key"
              >
                <component :is="shown === row.key ? ChevronDown : ChevronRight" :size="14" />
              </button>
            </td>
          </tr>
          <tr v-if="shown === row.key" class="terms">
            <td colspan="6">
              <div class="fields">
                <PriceField :row="row" :index="index" field="discountPct" labelled />
                <PriceField :row="row" :index="index" field="freight" labelled />
                <PriceField v-if="row.group === 'major'" :row="row" :index="index" field="status" labelled />
                <template v-if="row.status === 'later'">
                  <PriceField :row="row" :index="index" field="laterCount" labelled />
                  <PriceField
                    v-if="phases.length > 1"
                    :row="row"
                    :index="index"
                    field="phase"
                    :options="phases"
                    labelled
                  />
                </template>
                <PriceField :row="row" :index="index" field="quotedOn" labelled />
                <PriceField :row="row" :index="index" field="leadDays" labelled />
                <PriceField :row="row" :index="index" field="taxed" labelled />
                <PriceField :row="row" :index="index" field="eligible" labelled />
              </div>
            </td>
          </tr>
        </template>
      </template>
    </tbody>
    <tbody v-if="isWhole && extras.length > 0">
      <tr class="area">
        <th colspan="6" scope="rowgroup">Other</th>
      </tr>
      <tr v-for="(extra, i) in extras" :key="extra.id">
        <td><DocumentField :path="`budget.extras.${i}.name`" /></td>
        <td class="mid"><DocumentField :path="`budget.extras.${i}.quantity`" :of="extra.name" /></td>
        <td class="mid"><DocumentField :path="`budget.extras.${i}.unitPrice`" :of="extra.name" /></td>
        <td />
        <td class="n">{{ cents(extra.quantity * extra.unitPrice) }}</td>
        <td>
          <button
            class="icon-button"
            :aria-label="`Remove ${extra.name}`"
            @click="design.change(`remove ${extra.name}`, removeFrom('budget.extras', i))"
          >
            <Trash2 :size="14" />
          </button>
        </td>
      </tr>
    </tbody>
    <tbody v-if="isWhole">
      <tr class="total">
        <td colspan="4">to be bought now</td>
        <td class="n">{{ cents(bill.partsSum) }}</td>
        <td />
      </tr>
      <tr v-if="design.document!.budget.discount > 0">
        <td colspan="4">discount on the whole</td>
        <td class="n">−{{ cents(design.document!.budget.discount) }}</td>
        <td />
      </tr>
      <tr>
        <td colspan="4">tax</td>
        <td class="n">{{ cents(bill.tax) }}</td>
        <td />
      </tr>
      <tr>
        <td colspan="4">freight</td>
        <td class="n">{{ cents(bill.freight) }}</td>
        <td />
      </tr>
      <tr>
        <td colspan="4">labour</td>
        <td class="n">{{ cents(bill.labour) }}</td>
        <td />
      </tr>
      <tr>
        <td colspan="4">contingency</td>
        <td class="n">{{ cents(bill.contingency) }}</td>
        <td />
      </tr>
      <tr v-if="bill.incentives > 0">
        <td colspan="4">incentives</td>
        <td class="n">−{{ cents(bill.incentives) }}</td>
        <td />
      </tr>
      <tr class="total">
        <td colspan="4">total</td>
        <td class="n" data-bill-total>{{ cents(bill.total) }}</td>
        <td />
      </tr>
      <tr v-for="phase in bill.phases.slice(1)" :key="phase.id">
        <td colspan="4">{{ phase.name }}, with its tax and contingency</td>
        <td class="n">{{ cents(phase.sum) }}</td>
        <td />
      </tr>
      <tr v-if="bill.anyway > 0">
        <td colspan="4">of the total, bought anyway</td>
        <td class="n">{{ cents(bill.anyway) }}</td>
        <td />
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.bill td {
  vertical-align: middle;
}

.area th {
  padding-top: 10px;
  color: var(--spruce);
  font: 600 14px var(--heading);
  text-align: left;
}

.area td {
  border-top: 0;
}

.area .sum {
  padding-top: 10px;
  color: var(--spruce);
  font: 600 14px var(--heading);
}

.fold {
  min-height: var(--target);
  display: inline-flex;
  align-items: center;
  gap: 5px;
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}

.mid {
  width: 96px;
}

.status {
  width: 104px;
}

.sample {
  color: var(--soft);
  white-space: nowrap;
}

.owned {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  color: var(--soft);
}

.terms td {
  padding: 4px 0 12px;
}

.fields :deep(.toggle) {
  grid-column: span 2;
  align-self: end;
}

@media (width <= 720px) {
  .area,
  .area th {
    display: flex;
    align-items: baseline;
  }

  .area th {
    flex: 1;
  }

  .area td.sum::before {
    content: none !important;
  }
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 9px 12px;
}

.total td {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}
</style>
