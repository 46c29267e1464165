<script setup lang="ts">
import { addKit, removeFrom, type BillRow, type KitItem } from '@ambrel/core'
import { Trash2 } from '@lucide/vue'
import { computed, ref } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import DocumentField from '../../fields/DocumentField.vue'
import { cents } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Kits: several lines at one price, each of which keeps what replacing it costs. */
const design = useDesign()
const prefs = usePrefs()
const kits = computed(() => design.document!.budget.kits)
const rows = computed(() => design.derived!.bill.rows)
const free = computed(() =>
  rows.value.filter(({ step, inKit, comes }) => step !== 'kit' && inKit === 0 && comes.some((count) => count > 0)),
)
const nameOf = (row: BillRow | undefined, key: string) => (row ? prefs.say(row.name) : key)
const rowOf = (key: string) => rows.value.find((row) => row.key === key)
const apart = (of: readonly KitItem[]) =>
  of.reduce((sum, { key, quantity }) => sum + quantity * (rowOf(key)?.unitPrice ?? 0), 0)
const picked = ref<string[]>([])
function make(): void {
  design.change('a kit', addKit(picked.value))
  picked.value = []
}
</script>

<template>
  <section class="card" data-kits>
    <div class="row wrap">
      <h2>Kits</h2>
      <p class="quiet grow">
        several lines at one price together; what each costs by itself is what replacing it takes
      </p>
      <el-select
        v-model="picked"
        multiple
        filterable
        collapse-tags
        placeholder="lines of the bill"
        aria-label="Lines of a new kit"
        class="pick"
      >
        <el-option v-for="row in free" :key="row.key" :value="row.key" :label="prefs.say(row.name)" />
      </el-select>
      <el-button :disabled="picked.length === 0" data-make-kit @click="make">Make a kit</el-button>
    </div>
    <table v-for="(kit, i) in kits" :key="kit.id" v-stack class="sheet" :data-kit="kit.id">
      <thead>
        <tr>
          <th><DocumentField :path="`budget.kits.${i}.name`" /></th>
          <th class="n">in it</th>
          <th class="n">each by itself</th>
          <th class="n"><span class="unseen">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(item, j) in kit.of" :key="item.key">
          <td>{{ nameOf(rowOf(item.key), item.key) }}</td>
          <td class="count">
            <DocumentField :path="`budget.kits.${i}.of.${j}.quantity`" :of="nameOf(rowOf(item.key), item.key)" />
          </td>
          <td class="n">{{ rowOf(item.key) ? cents(rowOf(item.key)!.unitPrice) : 'not on this bill' }}</td>
          <td class="n">
            <button
              class="icon-button"
              :aria-label="`Take ${nameOf(rowOf(item.key), item.key)} out of ${kit.name}`"
              @click="design.change(`out of ${kit.name}`, removeFrom(`budget.kits.${i}.of`, j))"
            >
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
        <tr class="total">
          <td>the kit, against {{ cents(apart(kit.of)) }} apart</td>
          <td colspan="2" class="count"><DocumentField :path="`budget.kits.${i}.price`" :of="kit.name" /></td>
          <td class="n">
            <button
              class="icon-button"
              :aria-label="`Remove ${kit.name}`"
              @click="design.change(`remove ${kit.name}`, removeFrom('budget.kits', i))"
            >
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.sheet td {
  vertical-align: middle;
}

.pick {
  width: 260px;
}

.count {
  width: 120px;
}

.total td {
  border-top: 1px solid var(--ink);
}

table {
  margin-top: 8px;
}
</style>
