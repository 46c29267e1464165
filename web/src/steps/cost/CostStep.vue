<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { decimal, type Budget, addBudgetLine, removeFrom, setField, setOwned } from '@ambrel/core'
import { editOf } from '../../fields/told.ts'
import DocumentField from '../../fields/DocumentField.vue'
import TextField from '../../fields/TextField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'

const design = useDesign()
const budget = computed(() => design.document!.budget)
const bill = computed(() => design.derived?.bill)
const NAMES = {
  bank: 'Bank',
  array: 'Array',
  inverter: 'Inverter',
  generator: 'Backup',
  loads: 'Pumps',
  extra: 'Other',
}
const groups = computed(() => {
  const sums = new Map<string, number>()
  for (const { step, sum } of bill.value?.lines ?? []) sums.set(step, (sums.get(step) ?? 0) + sum)
  return [...sums].map(([step, sum]) => ({ name: NAMES[step as keyof typeof NAMES], sum }))
})
const COLOURS = ['var(--spruce)', 'var(--lichen)', 'var(--ochre)', 'var(--slate)', 'var(--clay)']
const parts = computed(() => bill.value?.lines.filter(({ step }) => step !== 'extra') ?? [])
function set<K extends keyof Budget>(key: K, value: Budget[K] | null): void {
  const path = `budget.${key}`
  design.change(editOf(design.document!, path), setField(path, value), path)
}
function add(): void {
  design.change('new line', addBudgetLine)
}
useNewRow(add)
const money = (value: number | undefined) => (value === undefined ? '—' : decimal(value, 0))
const FIELDS = ['taxPct', 'freight', 'labour', 'discount', 'contingencyPct'].map((key) => `budget.${key}`)
</script>

<template>
  <StepHead step="cost" says="what does it cost?" />
  <div class="row wrap figures">
    <Figure id="money.total" :value="`${money(bill?.total)} ${budget.currency}`" label="total" />
    <Figure v-for="group in groups" :key="group.name" :value="money(group.sum)" :label="group.name.toLowerCase()" />
  </div>
  <div
    v-if="bill"
    class="bar"
    role="img"
    :aria-label="groups.map((group) => `${group.name} ${money(group.sum)}`).join(', ')"
  >
    <i
      v-for="(group, i) in groups"
      :key="group.name"
      :style="{ flex: group.sum, background: COLOURS[i % 5] }"
      :title="`${group.name} ${money(group.sum)}`"
    />
  </div>
  <div class="stack">
    <section class="card">
      <table v-stack class="sheet">
        <thead>
          <tr>
            <th>part</th>
            <th class="n">how many</th>
            <th class="n">each</th>
            <th class="n">together</th>
            <th><span class="unseen">owned</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(line, i) in parts" :key="i">
            <td>{{ line.name }}</td>
            <td class="n">{{ line.quantity }}</td>
            <td class="n">{{ money(line.unitPrice) }}</td>
            <td class="n">
              {{ line.owned === line.quantity ? 'owned' : line.unitPrice > 0 ? money(line.sum) : 'no price' }}
            </td>
            <td>
              <label class="owned">
                <input
                  type="checkbox"
                  :checked="line.owned === line.quantity"
                  :aria-label="`${line.name} is there already`"
                  @change="
                    design.change(
                      `${line.name}: ${line.owned === line.quantity ? 'to buy' : 'owned'}`,
                      setOwned(line.key, line.owned !== line.quantity),
                    )
                  "
                />
                {{ line.owned > 0 && line.owned < line.quantity ? `${line.owned} owned` : 'owned' }}
              </label>
            </td>
          </tr>
          <tr v-for="(extra, i) in budget.extras" :key="extra.id">
            <td><DocumentField :path="`budget.extras.${i}.name`" /></td>
            <td class="mid">
              <DocumentField :path="`budget.extras.${i}.quantity`" :of="extra.name" />
            </td>
            <td class="mid">
              <DocumentField :path="`budget.extras.${i}.unitPrice`" :of="extra.name" />
            </td>
            <td class="n sum">{{ money(extra.quantity * extra.unitPrice) }}</td>
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
          <tr class="total">
            <td colspan="3">parts</td>
            <td class="n">{{ money(bill?.partsSum) }}</td>
            <td />
          </tr>
          <tr>
            <td colspan="3">tax</td>
            <td class="n">{{ money(bill?.tax) }}</td>
            <td />
          </tr>
          <tr>
            <td colspan="3">contingency</td>
            <td class="n">{{ money(bill?.contingency) }}</td>
            <td />
          </tr>
          <tr class="total">
            <td colspan="3">total, with freight and labour, less discount</td>
            <td class="n">{{ money(bill?.total) }}</td>
            <td />
          </tr>
        </tbody>
      </table>
      <button class="link" @click="add">another line</button> <kbd>n</kbd>
    </section>
    <section class="card grid">
      <TextField
        :model-value="budget.currency"
        label="Currency code"
        labelled
        path="budget.currency"
        @update:model-value="set('currency', $event.trim().toUpperCase())"
      />
      <DocumentField v-for="path in FIELDS" :key="path" :path="path" labelled />
    </section>
    <p class="quiet">Shelf prices are made up. Put in what you are really quoted, in the data sheet of each part.</p>
  </div>
</template>

<style scoped>
.figures {
  gap: 30px;
  margin-bottom: 10px;
}

.bar {
  display: flex;
  height: 18px;
  margin-bottom: 12px;
  gap: 2px;
}

.mid {
  width: 90px;
}

.sum {
  padding-top: 7px !important;
}

.total td {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
  gap: 10px 14px;
}
.owned {
  display: inline-flex;
  gap: 4px;
  align-items: center;
  color: var(--soft);
}
</style>
