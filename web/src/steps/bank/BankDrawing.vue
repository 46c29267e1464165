<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { bankStrings, markUnit, swapUnits } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useCarried } from '../../drag/carried.ts'
import { useDesign } from '../../stores/design.ts'
import { useWidth } from '../../drawing/useWidth.ts'

/**
 * Every unit with its number and terminals, its jumpers, and each string's share of the current. Units change places by
 * dragging one onto another; a unit can be marked as aged.
 */
const UNIT_H = 40
const GAP_X = 18
const GAP_Y = 22
const SHOWN = 12
/** Width of a unit, which fills what the strings leave of the card. */
const LEAST_UNIT = 66
const MOST_UNIT = 150
/** What the shares want at the right, at least, and their words. */
const LEAST_SHARE = 60
const SHARE_WORDS = 108
const LEFT = 58
const TOP = 14
const design = useDesign()
const bank = computed(() => design.document!.bank)
const columns = computed(() => Math.min(bank.value.inSeries, SHOWN))
const rows = computed(() => Math.min(bank.value.inParallel, SHOWN))
const holder = useTemplateRef('holder')
const room = useWidth(holder)
const unitW = computed(() => {
  const each = (room.value - LEFT - LEAST_SHARE - SHARE_WORDS) / columns.value - GAP_X
  return Math.max(LEAST_UNIT, Math.min(MOST_UNIT, each))
})
const pitch = computed(() => unitW.value + GAP_X)
const width = computed(() => Math.max(room.value, LEFT + columns.value * pitch.value + LEAST_SHARE + SHARE_WORDS))
const shareWidth = computed(() => width.value - barRight.value - SHARE_WORDS)
const height = computed(() => TOP + rows.value * (UNIT_H + GAP_Y) + 8)
const x = (column: number) => LEFT + column * pitch.value
const y = (row: number) => TOP + row * (UNIT_H + GAP_Y)
const middle = (row: number) => y(row) + UNIT_H / 2
const barLeft = LEFT - 34
const barRight = computed(() => x(columns.value) - GAP_X + 22)
const shares = computed(() => design.derived!.shares)
const strings = computed(() => bankStrings(bank.value))
const even = computed(() => 100 / bank.value.inParallel)
const negativeRow = computed(() => (bank.value.takeoff === 'one-end' ? 0 : rows.value - 1))
const widest = computed(() => Math.max(...shares.value, even.value))
const weak = computed(() => new Map(bank.value.weak.map((unit) => [unit.unit, unit])))
const unitAt = (row: number, column: number) => strings.value[row].units[column]

const chosen = ref<number | null>(null)
interface Place {
  unit: number
  row: number
  column: number
}
const CLICK = 6
const { held, carries } = useCarried<Place>({
  dropped: ({ what: { unit, row, column }, dx, dy }) => {
    if (Math.hypot(dx, dy) < CLICK) return void (chosen.value = chosen.value === unit ? null : unit)
    const toColumn = column + Math.round(dx / pitch.value)
    const toRow = row + Math.round(dy / (UNIT_H + GAP_Y))
    if (toColumn >= 0 && toColumn < columns.value && toRow >= 0 && toRow < rows.value)
      swap(unit, unitAt(toRow, toColumn))
  },
})
const standing = computed(() =>
  Array.from({ length: rows.value * columns.value }, (_, i): Place & { carried: boolean; at: string } => {
    const row = Math.floor(i / columns.value)
    const column = i % columns.value
    const unit = unitAt(row, column)
    const carried = held.value?.what.unit === unit ? held.value : null
    const at = `translate(${x(column) + (carried?.dx ?? 0)} ${y(row) + (carried?.dy ?? 0)})`
    return { unit, row, column, carried: carried !== null, at }
  }),
)
function swap(a: number, b: number): void {
  if (a === b) return
  design.change(`units ${a} and ${b} change places`, swapUnits(a, b))
}
function key(unit: number, row: number, column: number, event: KeyboardEvent): void {
  const to = { ArrowUp: row - 1, ArrowDown: row + 1 }[event.key]
  if (event.altKey && to !== undefined && to >= 0 && to < rows.value) swap(unit, unitAt(to, column))
  else if (event.key === 'Enter' || event.key === ' ') chosen.value = chosen.value === unit ? null : unit
  else return
  event.preventDefault()
}
const chosenWeak = computed(() => (chosen.value === null ? undefined : weak.value.get(chosen.value)))
function setWeak(capacityShare: number, resistanceFactor: number): void {
  const unit = chosen.value
  if (unit === null) return
  design.change(`unit ${unit} aged`, markUnit(unit, capacityShare, resistanceFactor))
}
const AGES = [
  { name: 'like the others', capacity: 1, resistance: 1 },
  { name: 'tired: 80 % left, half as much resistance again', capacity: 0.8, resistance: 1.5 },
  { name: 'weak: 60 % left, twice the resistance', capacity: 0.6, resistance: 2 },
  { name: 'failing: 30 % left, four times the resistance', capacity: 0.3, resistance: 4 },
]
</script>

<template>
  <div ref="holder" class="holder">
    <svg
      :viewBox="`0 0 ${width} ${height}`"
      class="bank"
      role="group"
      :aria-label="`${bank.inParallel} strings of ${bank.inSeries} units, ${bank.takeoff}`"
    >
      <path :d="`M${barLeft} ${middle(0)}V${middle(rows - 1)}`" :class="['bar', bank.takeoff]" />
      <path :d="`M${barRight} ${middle(0)}V${middle(rows - 1)}`" :class="['bar', bank.takeoff]" />
      <g v-for="row in rows" :key="row">
        <path :d="`M${barLeft} ${middle(row - 1)}H${barRight}`" class="jumper" />
        <g v-if="bank.stringFuses" :transform="`translate(${barLeft + 5} ${middle(row - 1) - 5})`" class="fuse">
          <rect width="20" height="10" rx="2" />
          <path d="M0 5h20" />
          <title>fuse of string {{ row }}</title>
        </g>
        <g :transform="`translate(${barRight + 14} ${middle(row - 1)})`">
          <rect
            x="0"
            y="-5"
            :width="(shareWidth * shares[row - 1]) / widest"
            height="10"
            class="share"
            :class="{ over: shares[row - 1] > even * 1.1 }"
          />
          <text :x="(shareWidth * shares[row - 1]) / widest + 5" y="4" data-share>
            {{ decimal(shares[row - 1], 1) }} %
          </text>
          <text v-if="strings[row - 1].capacityShare < 1" x="0" y="19" class="low">
            {{ decimal(strings[row - 1].capacityShare * 100, 0) }} % of capacity
          </text>
        </g>
      </g>
      <g
        v-for="{ unit, row, column, carried, at } in standing"
        :key="unit"
        :transform="at"
        class="unit"
        :class="{ weak: weak.has(unit), chosen: chosen === unit, held: carried }"
        tabindex="0"
        role="button"
        :aria-label="`Unit ${unit}, string ${row + 1}`"
        :data-unit="unit"
        v-on="carries({ unit, row, column })"
        @keydown="key(unit, row, column, $event)"
      >
        <rect :width="unitW" :height="UNIT_H" rx="3" />
        <text :x="unitW / 2" :y="UNIT_H / 2 + 4" class="number">{{ unit }}</text>
        <text x="6" :y="UNIT_H / 2 + 5" class="pole">+</text>
        <text :x="unitW - 6" :y="UNIT_H / 2 + 5" class="pole end">−</text>
        <path v-if="weak.has(unit)" :d="`M4 ${UNIT_H - 4}L${unitW - 4} 4`" class="crack" />
      </g>
      <g
        class="sensor"
        :transform="`translate(${x(Math.floor(columns / 2)) + unitW / 2} ${y(Math.floor((rows - 1) / 2)) + UNIT_H + 3})`"
      >
        <circle r="4" />
        <title>temperature sensor, on a unit in the middle of the bank</title>
      </g>
      <g class="lead">
        <path :d="`M${barLeft} ${middle(0)}H4`" />
        <text x="2" :y="middle(0) - 5">+</text>
        <path :d="`M${barRight} ${middle(negativeRow)}v${UNIT_H / 2 + 9}H4`" />
        <text x="2" :y="y(negativeRow) + UNIT_H + 20">−</text>
      </g>
    </svg>
  </div>
  <div v-if="chosen !== null" class="chosen-unit" role="status">
    <b>Unit {{ chosen }}</b>
    <button
      v-for="age in AGES"
      :key="age.name"
      class="link"
      :class="{ on: (chosenWeak?.capacityShare ?? 1) === age.capacity }"
      @click="setWeak(age.capacity, age.resistance)"
    >
      {{ age.name }}
    </button>
  </div>
  <p class="quiet">
    Share of the current by string; even would be {{ decimal(even, 1) }} %.
    <template v-if="bank.inParallel > rows || bank.inSeries > columns"
      >Only {{ rows }} of {{ bank.inParallel }} strings and {{ columns }} of {{ bank.inSeries }} units are
      drawn.</template
    >
    Drag a unit onto another to change places (Alt ↑ ↓), click one to mark it as aged. The dot is the temperature
    sensor. Fuse of the fastest class at the positive, as near as it fits.
  </p>
</template>

<style scoped>
.bank {
  width: 100%;
  overflow: visible;
}

.bar {
  fill: none;
  stroke: var(--slate);
  stroke-width: 2.4;
}

.bar.equal-leads {
  stroke: var(--ink);
  stroke-width: 5;
}

.jumper,
.lead path {
  fill: none;
  stroke: var(--slate);
  stroke-width: 2.4;
}

.fuse rect {
  fill: var(--card);
  stroke: var(--ink);
}

.fuse path {
  stroke: var(--ochre);
}

.unit {
  cursor: grab;
  touch-action: none;
}

.unit rect {
  fill: var(--frost);
  stroke: var(--ink);
}

.unit:hover rect,
.unit:focus-visible rect {
  stroke-width: 2;
}

.unit.chosen rect {
  stroke: var(--spruce);
  stroke-width: 3;
}

.unit.weak rect {
  fill: var(--wash);
  stroke: var(--clay);
  stroke-dasharray: 4 3;
}

.crack {
  stroke: var(--clay);
  stroke-width: 1.4;
}

.held {
  opacity: 0.75;
  cursor: grabbing;
}

.sensor circle {
  fill: var(--ochre);
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
  user-select: none;
}

.low {
  fill: var(--clay);
  font-size: 11px;
}

.chosen-unit {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 6px 0;
  padding: 5px 10px;
  border-left: 3px solid var(--spruce);
  background: var(--wash);
}

.chosen-unit .on {
  font-weight: 600;
}
</style>
