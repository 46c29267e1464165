<script setup lang="ts">
import { costStack, decimal, type LayerOf } from '@ambrel/core'
import { computed } from 'vue'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { cents } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'

/** The bill as a stack of what it is made of, a bar for each time of buying, with its table. */
const design = useDesign()
const NAMES: Record<LayerOf, string> = {
  bank: 'bank',
  array: 'array',
  inverter: 'inverter',
  generator: 'backup',
  loads: 'pumps',
  wiring: 'wiring and racks',
  extra: 'other lines',
  kit: 'kits',
  labour: 'work',
  carriage: 'tax, freight, contingency',
  back: 'discount and incentives',
}
const COLOURS: Record<LayerOf, string> = {
  bank: 'var(--spruce)',
  array: 'var(--ochre)',
  inverter: 'var(--lichen)',
  generator: 'var(--slate)',
  loads: 'var(--clay)',
  wiring: 'var(--soft)',
  extra: 'var(--rule)',
  kit: 'color-mix(in srgb, var(--spruce) 55%, var(--card))',
  labour: 'color-mix(in srgb, var(--slate) 50%, var(--card))',
  carriage: 'var(--ink)',
  back: 'var(--card)',
}
const bill = computed(() => design.derived!.bill)
const layers = computed(() => costStack(design.document!, bill.value))
const most = computed(() =>
  Math.max(...bill.value.phases.map((_, k) => layers.value.reduce((sum, { sums }) => sum + Math.max(0, sums[k]), 0))),
)
const bars = computed(() =>
  bill.value.phases.map(({ name, sum }, k) => ({
    name,
    sum,
    parts: layers.value.filter(({ sums }) => sums[k] > 0).map(({ of, sums }) => ({ of, sum: sums[k] })),
  })),
)
/** Of all phases. */
const total = (sums: readonly number[]) => sums.reduce((all, each) => all + each, 0)
const rows = () => [
  ...layers.value.map(({ of, sums }) => [NAMES[of], ...sums.map(cents)]),
  ['together', ...bill.value.phases.map(({ sum }) => cents(sum))],
]
const told = computed(() =>
  bars.value
    .map(({ name, parts }) => `${name}: ${parts.map(({ of, sum }) => `${NAMES[of]} ${decimal(sum, 0)}`).join(', ')}`)
    .join('. '),
)
</script>

<template>
  <figure class="stack" data-cost-stack>
    <div role="img" :aria-label="`What the bill is made of. ${told}`">
      <div v-for="bar in bars" :key="bar.name" class="line">
        <span v-if="bars.length > 1" class="name" :title="bar.name">{{ bar.name }}</span>
        <div class="bar">
          <i
            v-for="part in bar.parts"
            :key="part.of"
            :style="{ width: `${(100 * part.sum) / most}%`, background: COLOURS[part.of] }"
            :title="`${NAMES[part.of]} ${decimal(part.sum, 0)}`"
          />
        </div>
        <span v-if="bars.length > 1" class="n">{{ decimal(bar.sum, 0) }}</span>
      </div>
    </div>
    <div class="row wrap key">
      <span v-for="layer in layers" :key="layer.of"
        ><i :style="{ background: COLOURS[layer.of] }" :class="{ back: layer.of === 'back' }" />{{ NAMES[layer.of] }}
        <b>{{ decimal(total(layer.sums), 0) }}</b></span
      >
      <span class="grow" />
      <FiguresTable
        of="What the bill is made of"
        :columns="['part', ...bill.phases.map(({ name }) => name)]"
        :rows="rows"
      />
    </div>
  </figure>
</template>

<style scoped>
.stack {
  margin: 0 0 12px;
}

.line {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-bottom: 4px;
}

.name {
  width: 110px;
  overflow: hidden;
  font-size: 13px;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.bar {
  display: flex;
  flex: 1;
  height: 18px;
}

.bar i {
  box-shadow: inset -2px 0 0 var(--paper);
}

.key {
  gap: 4px 14px;
  color: var(--soft);
  font-size: 12.5px;
}

.key i {
  display: inline-block;
  width: 10px;
  height: 10px;
  margin-right: 4px;
  border-radius: 2px;
}

.key i.back {
  border: 1px dashed var(--soft);
}

.key b {
  color: var(--ink);
  font-weight: 600;
}

.n {
  min-width: 60px;
  text-align: right;
}
</style>
