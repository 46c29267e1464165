<script setup lang="ts">
import { computed } from 'vue'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'

/** Every unit with its number and terminals, its jumpers, and each string's share of the current. */
const UNIT_W = 66
const UNIT_H = 40
const GAP_X = 18
const GAP_Y = 22
const SHOWN = 12
const design = useDesign()
const bank = computed(() => design.document!.bank)
const columns = computed(() => Math.min(bank.value.inSeries, SHOWN))
const rows = computed(() => Math.min(bank.value.inParallel, SHOWN))
const left = 46
const top = 14
const width = computed(() => left + columns.value * (UNIT_W + GAP_X) + 150)
const height = computed(() => top + rows.value * (UNIT_H + GAP_Y) + 6)
const x = (column: number) => left + column * (UNIT_W + GAP_X)
const y = (row: number) => top + row * (UNIT_H + GAP_Y)
const barLeft = left - 22
const barRight = computed(() => x(columns.value) - GAP_X + 22)
const shares = computed(() => design.derived!.shares)
const even = computed(() => 100 / bank.value.inParallel)
const positiveRow = 0
const negativeRow = computed(() => (bank.value.takeoff === 'one-end' ? 0 : rows.value - 1))
const widest = computed(() => Math.max(...shares.value, even.value))
</script>

<template>
  <svg
    :viewBox="`0 0 ${width} ${height}`"
    :style="{ maxWidth: `${Math.min(920, width)}px` }"
    class="bank"
    role="img"
    :aria-label="`${bank.inParallel} strings of ${bank.inSeries} units, ${bank.takeoff}`"
  >
    <path :d="`M${barLeft} ${y(0) + UNIT_H / 2}V${y(rows - 1) + UNIT_H / 2}`" class="bar" />
    <path :d="`M${barRight} ${y(0) + UNIT_H / 2}V${y(rows - 1) + UNIT_H / 2}`" class="bar" />
    <g v-for="row in rows" :key="row">
      <path :d="`M${barLeft} ${y(row - 1) + UNIT_H / 2}H${barRight}`" class="jumper" />
      <g v-for="column in columns" :key="column" :transform="`translate(${x(column - 1)} ${y(row - 1)})`">
        <rect :width="UNIT_W" :height="UNIT_H" rx="3" class="unit" />
        <text :x="UNIT_W / 2" :y="UNIT_H / 2 + 4" class="number">{{ (row - 1) * bank.inSeries + column }}</text>
        <text x="6" :y="UNIT_H / 2 + 5" class="pole">+</text>
        <text :x="UNIT_W - 6" :y="UNIT_H / 2 + 5" class="pole end">−</text>
      </g>
      <g :transform="`translate(${barRight + 14} ${y(row - 1) + UNIT_H / 2})`">
        <rect
          x="0"
          y="-5"
          :width="(60 * shares[row - 1]) / widest"
          height="10"
          class="share"
          :class="{ over: shares[row - 1] > even * 1.1 }"
        />
        <text :x="(60 * shares[row - 1]) / widest + 5" y="4">{{ decimal(shares[row - 1], 1) }} %</text>
      </g>
    </g>
    <g class="lead">
      <path :d="`M${barLeft} ${y(positiveRow) + UNIT_H / 2}H4`" />
      <text x="2" :y="y(positiveRow) + UNIT_H / 2 - 5">+</text>
      <path
        v-if="bank.takeoff !== 'equal-leads'"
        :d="`M${barRight} ${y(negativeRow) + UNIT_H / 2}v${UNIT_H / 2 + 9}H4`"
      />
      <path v-else :d="`M${barRight} ${y(rows - 1) + UNIT_H / 2}v${UNIT_H / 2 + 9}H4`" />
      <text x="2" :y="y(bank.takeoff === 'one-end' ? 0 : rows - 1) + UNIT_H + 20">−</text>
    </g>
  </svg>
  <p class="quiet">
    Share of the current by string; even would be {{ decimal(even, 1) }} %.
    <template v-if="bank.inParallel > rows || bank.inSeries > columns"
      >Only {{ rows }} of {{ bank.inParallel }} strings and {{ columns }} of {{ bank.inSeries }} units are
      drawn.</template
    >
    Fuse of the fastest class at the positive, as near as it fits; equal lengths on parallel cables.
  </p>
</template>

<style scoped>
.bank {
  width: 100%;
  overflow: visible;
}

.bar {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
}

.jumper,
.lead path {
  fill: none;
  stroke: var(--slate);
  stroke-width: 2.4;
}

.unit {
  fill: var(--frost);
  stroke: var(--ink);
}

.number {
  fill: var(--ink);
  font: 600 14px var(--heading);
  text-anchor: middle;
}

.pole {
  fill: var(--soft);
  font-size: 12px;
}

.end {
  text-anchor: end;
}

.share {
  fill: var(--lichen);
}

.share.over {
  fill: var(--clay);
}

text {
  fill: var(--ink);
  font-size: 12px;
}
</style>
