<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { scaleLinear } from 'd3-scale'
import { dateOfDay, WEEKDAY_NAMES, WEEK_DAYS, type Week } from '@ambrel/core'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'
import { bandPath, linePath } from '../../drawing/paths.ts'
import { useWidth } from '../../drawing/useWidth.ts'

/** One week of one year, hour by hour: charge, power from every source against the loads, voltage and temperatures. */
const props = defineProps<{ year: number; firstDay: number }>()
const emit = defineEmits<{ close: []; move: [firstDay: number] }>()
const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const week = shallowRef<Week | null>(null)
const holder = ref<HTMLElement>()
const width = useWidth(holder)
const hovered = ref<number | null>(null)
watch(
  [() => props.year, () => props.firstDay, () => design.document],
  async () => (week.value = (await winter.week(props.year, props.firstDay)) ?? week.value),
  { immediate: true },
)

const LEFT = 52
const RIGHT = 8
const ROWS = { charge: 74, power: 170, volts: 56, air: 56 }
const GAP = 20
const TOP = 16
const POWER_TICKS = 4
const steps = computed(() => week.value?.trace.stateOfCharge.length ?? 1)
const right = computed(() => Math.max(LEFT + 50, width.value - RIGHT))
const x = computed(() => scaleLinear([0, steps.value], [LEFT, right.value]))
const tops = computed(() => {
  const charge = TOP
  const power = charge + ROWS.charge + GAP
  const volts = power + ROWS.power + GAP
  const air = volts + ROWS.volts + GAP
  return { charge, power, volts, air, end: air + ROWS.air + 4 }
})
/** A row of the picture: its own scale, from `low` at the bottom to `high` at the top. */
const scale = (row: keyof typeof ROWS, low: number, high: number) =>
  scaleLinear([low, high], [tops.value[row] + ROWS[row], tops.value[row]])
const SUPPLY = ['arrayW', 'otherW', 'gridW', 'generatorW'] as const
const picture = computed(() => {
  if (!week.value) return null
  const { trace, airC } = week.value
  const sum = (keys: readonly (keyof typeof trace)[], step: number) =>
    keys.reduce((total, key) => total + trace[key][step], 0)
  const list = Array.from({ length: steps.value }, (_, step) => step)
  const highestW = Math.max(
    1,
    ...list.map((step) => Math.max(sum(SUPPLY, step), sum(['mustW', 'shouldW', 'canWaitW'], step))),
  )
  const watts = scale('power', 0, highestW).nice(POWER_TICKS)
  const across = x.value
  const charge = scale('charge', 0, 1)
  const volts = [...trace.voltsV]
  const lowV = Math.floor(Math.min(...volts))
  const highV = Math.ceil(Math.max(...volts)) + 1
  const perHour = steps.value / airC.length
  const degrees = [...airC, ...trace.roomC]
  const lowC = Math.floor(Math.min(...degrees) / 5) * 5
  const highC = Math.ceil((Math.max(...degrees) + 0.1) / 5) * 5
  const stack = (keys: readonly (keyof typeof trace)[]) =>
    keys.map((key, i) => ({
      key,
      path: bandPath(
        list.map((step) => sum(keys.slice(0, i), step)),
        list.map((step) => sum(keys.slice(0, i + 1), step)),
        across,
        watts,
      ),
    }))
  return {
    lowV,
    highV,
    lowC,
    highC,
    watts,
    charge: linePath([...trace.stateOfCharge], across, charge),
    start: charge(design.document!.generator.startStateOfCharge),
    supply: stack(SUPPLY),
    demand: stack(['mustW', 'shouldW', 'canWaitW']).map(({ key }, i, all) => ({
      key,
      path: linePath(
        list.map((step) =>
          sum(
            all.slice(0, i + 1).map((each) => each.key),
            step,
          ),
        ),
        across,
        watts,
      ),
    })),
    short: list.filter((step) => trace.unmetW[step] > 0.5),
    volts: linePath(volts, across, scale('volts', lowV, highV)),
    air: linePath([...airC], (hour) => across(hour * perHour), scale('air', lowC, highC)),
    room: linePath([...trace.roomC], across, scale('air', lowC, highC)),
    freezing: lowC < 0 && highC > 0 ? scale('air', lowC, highC)(0) : null,
  }
})
const dayName = (day: number) => {
  const { startDay, weekday } = week.value ?? { startDay: 0, weekday: 0 }
  const date = dateOfDay(startDay + day)
  return `${WEEKDAY_NAMES[(weekday + day) % 7]} ${date.day} ${date.month}`
}
const told = computed(() => {
  if (hovered.value === null || !week.value) return null
  const { trace, stepH, airC } = week.value
  const step = hovered.value
  const hour = Math.floor(step * stepH)
  const watts = (value: number) => prefs.show(value, 'W')
  const parts = [
    `${dayName(Math.floor(hour / 24))}, ${hour % 24} h: ${prefs.show(trace.stateOfCharge[step], 'share')}`,
    `array ${watts(trace.arrayW[step])}`,
    ...(trace.otherW[step] > 0.5 ? [`other ${watts(trace.otherW[step])}`] : []),
    ...(trace.gridW[step] > 0.5 ? [`grid ${watts(trace.gridW[step])}`] : []),
    ...(trace.generatorW[step] > 0.5 ? [`backup ${watts(trace.generatorW[step])}`] : []),
    `loads ${watts(trace.mustW[step] + trace.shouldW[step] + trace.canWaitW[step])}`,
    ...(trace.unmetW[step] > 0.5 ? [`short ${watts(trace.unmetW[step])}`] : []),
    ...(trace.curtailedW[step] > 0.5 ? [`curtailed ${watts(trace.curtailedW[step])}`] : []),
    prefs.show(trace.voltsV[step], 'V'),
    `${prefs.show(airC[hour], '°C')} outside, ${prefs.show(trace.roomC[step], '°C')} at the bank`,
  ]
  return parts.join(' · ')
})
function point(event: PointerEvent): void {
  const box = (event.currentTarget as SVGElement).getBoundingClientRect()
  const step = Math.floor(x.value.invert(event.clientX - box.left))
  hovered.value = step >= 0 && step < steps.value ? step : null
}
function key(event: KeyboardEvent): void {
  if (event.key === 'Escape') return emit('close')
  const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0
  if (by === 0) return
  event.preventDefault()
  hovered.value = Math.max(0, Math.min(steps.value - 1, (hovered.value ?? -by) + by))
}
const DEMAND = ['mustW', 'shouldW', 'canWaitW']
const NAMES: Record<string, string> = {
  arrayW: 'array, used',
  otherW: 'other source',
  gridW: 'grid',
  generatorW: 'backup',
  mustW: 'must run',
  shouldW: 'should run',
  canWaitW: 'can wait',
}
const legend = computed(() => {
  const { trace } = week.value ?? {}
  return SUPPLY.filter((key) => key === 'arrayW' || trace?.[key].some((watts) => watts > 0.5))
})
const move = (days: number) => emit('move', Math.max(0, Math.min(365 - WEEK_DAYS, props.firstDay + days)))
/** The week hour by hour: the step at the beginning of each. */
const table = () => {
  const { trace, airC } = week.value!
  const perHour = steps.value / airC.length
  const sum = (keys: readonly (keyof typeof trace)[], step: number) =>
    keys.reduce((total, key) => total + trace[key][step], 0)
  return Array.from({ length: airC.length }, (_, hour) => {
    const step = Math.round(hour * perHour)
    return [
      `${dayName(Math.floor(hour / 24))}, ${hour % 24} h`,
      prefs.show(trace.stateOfCharge[step], 'share'),
      prefs.show(sum(SUPPLY, step), 'W'),
      prefs.show(sum(['mustW', 'shouldW', 'canWaitW'], step), 'W'),
      prefs.show(trace.unmetW[step], 'W'),
      prefs.show(trace.voltsV[step], 'V'),
      prefs.show(airC[hour], '°C'),
    ]
  })
}
</script>

<template>
  <section class="card" data-week>
    <div class="row">
      <h2 data-part="The week">Year {{ year + 1 }}, week from {{ dayName(0) }}</h2>
      <p class="quiet grow told" role="status">{{ told ?? 'point at an hour, or use the arrow keys' }}</p>
      <button class="link" :disabled="firstDay === 0" @click="move(-WEEK_DAYS)">week before</button>
      <button class="link" @click="move(WEEK_DAYS)">week after</button>
      <button class="link" @click="emit('close')">close</button>
    </div>
    <div ref="holder" class="holder">
      <svg
        v-if="picture"
        :width="width"
        :height="tops.end"
        tabindex="0"
        role="img"
        :aria-label="`Charge, power, voltage and temperature through the week from ${dayName(0)}. ${told ?? ''}`"
        @pointermove="point"
        @pointerleave="hovered = null"
        @keydown="key"
      >
        <g v-for="day in WEEK_DAYS" :key="day">
          <path :d="`M${x(((day - 1) * steps) / WEEK_DAYS)} ${TOP - 4}V${tops.end - 4}`" class="day" />
          <text :x="x(((day - 1) * steps) / WEEK_DAYS) + 3" :y="TOP - 4">{{ dayName(day - 1) }}</text>
        </g>
        <text x="0" :y="tops.charge + 8">100 %</text>
        <text x="0" :y="tops.charge + ROWS.charge">0</text>
        <path v-if="design.document!.generator.present" :d="`M${LEFT} ${picture.start}H${right}`" class="start" />
        <path :d="picture.charge" class="charge" />
        <g v-for="tick in picture.watts.ticks(POWER_TICKS)" :key="tick">
          <path :d="`M${LEFT} ${picture.watts(tick)}H${right}`" class="day" />
          <text x="0" :y="picture.watts(tick) + 4">{{ prefs.show(tick, 'W') }}</text>
        </g>
        <path v-for="band in picture.supply" :key="band.key" :d="band.path" :class="band.key" />
        <path v-for="line in picture.demand" :key="line.key" :d="line.path" class="load" :class="line.key" />
        <rect
          v-for="step in picture.short"
          :key="step"
          :x="x(step)"
          :y="tops.power + ROWS.power + 2"
          :width="x(1) - x(0)"
          height="5"
          class="short"
        />
        <text x="0" :y="tops.volts + 8">{{ picture.highV }} V</text>
        <text x="0" :y="tops.volts + ROWS.volts">{{ picture.lowV }} V</text>
        <path :d="picture.volts" class="volts" />
        <text x="0" :y="tops.air + 8">{{ prefs.show(picture.highC, '°C') }}</text>
        <text x="0" :y="tops.air + ROWS.air">{{ prefs.show(picture.lowC, '°C') }}</text>
        <path v-if="picture.freezing !== null" :d="`M${LEFT} ${picture.freezing}H${right}`" class="day" />
        <path :d="picture.air" class="air" />
        <path :d="picture.room" class="room" />
        <path v-if="hovered !== null" :d="`M${x(hovered + 0.5)} ${TOP}V${tops.end - 4}`" class="cursor" />
      </svg>
    </div>
    <p class="legend quiet">
      <span>top: charge of the bank</span>
      <span v-for="each in legend" :key="each"><i :class="each" />{{ NAMES[each] }}</span>
      <span v-for="each in DEMAND" :key="each"><i class="load" :class="each" />{{ NAMES[each] }}</span>
      <span><i class="short" />short</span>
      <span><i class="volts" />bank voltage</span>
      <span><i class="air" />outside</span>
      <span><i class="room" />at the bank</span>
    </p>
    <FiguresTable
      v-if="picture"
      :of="`Year ${year + 1}, week from ${dayName(0)}, hour by hour`"
      :columns="['hour', 'charge', 'sun and others', 'loads', 'short', 'bank', 'outside']"
      :rows="table"
    />
  </section>
</template>

<style scoped>
.told {
  font-size: 12.5px;
}

.holder {
  min-height: 380px;
}

text {
  fill: var(--soft);
  font-size: 11px;
}

path {
  fill: none;
}

.day {
  stroke: var(--rule);
}

.start {
  stroke: var(--slate);
  stroke-dasharray: 3 4;
}

.charge {
  stroke: var(--spruce);
  stroke-width: 2;
}

path.arrayW {
  fill: var(--lichen);
  fill-opacity: 0.75;
}

path.otherW {
  fill: var(--frost);
  stroke: var(--slate);
}

path.gridW {
  fill: var(--soft);
  fill-opacity: 0.45;
}

path.generatorW {
  fill: var(--slate);
  fill-opacity: 0.7;
}

path.load {
  stroke: var(--ink);
  stroke-width: 1.3;
}

path.load.mustW {
  stroke-width: 2;
}

path.load.canWaitW {
  stroke-dasharray: 2 2;
}

.short {
  fill: var(--clay);
}

path.volts {
  stroke: var(--ochre);
  stroke-width: 1.6;
}

path.air {
  stroke: var(--slate);
  stroke-width: 1.4;
}

path.room {
  stroke: var(--clay);
  stroke-width: 1.4;
}

.cursor {
  stroke: var(--ink);
  stroke-opacity: 0.5;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.legend i {
  display: inline-block;
  width: 16px;
  height: 9px;
  margin-right: 4px;
}

.legend i.arrayW {
  background: var(--lichen);
}

.legend i.otherW {
  border: 1px solid var(--slate);
  background: var(--frost);
}

.legend i.gridW {
  background: var(--soft);
  opacity: 0.6;
}

.legend i.generatorW {
  background: var(--slate);
}

.legend i.load {
  height: 0;
  border-top: 1.3px solid var(--ink);
  vertical-align: middle;
}

.legend i.mustW {
  border-top-width: 2.5px;
}

.legend i.canWaitW {
  border-top-style: dotted;
}

.legend i.short {
  background: var(--clay);
}

.legend i.volts,
.legend i.air,
.legend i.room {
  height: 0;
  border-top: 2px solid var(--ochre);
  vertical-align: middle;
}

.legend i.air {
  border-color: var(--slate);
}

.legend i.room {
  border-color: var(--clay);
}
</style>
