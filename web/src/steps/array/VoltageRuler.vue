<script setup lang="ts">
import { computed } from 'vue'
import { scaleLinear } from 'd3-scale'
import { stringMostV } from '@ambrel/core'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Hot Vmp, cold Voc by all three schools, the tracker's window, its absolute limit and the charging voltage on one scale. */
const props = defineProps<{ index: number }>()
const WIDTH = 720
const HEIGHT = 166
const LEFT = 16
const TOP = 20
const BASE = 138
const design = useDesign()
const prefs = usePrefs()
const array = computed(() => design.document!.arrays[props.index])
const derived = computed(() => design.derived!.arrays[props.index])
const part = computed(() => design.document!.controllers.find(({ id }) => id === array.value.controllerId)!.part)
/** what the weaker of controller and modules bears */
const limit = computed(() => {
  const most = stringMostV(array.value.module, part.value)
  return { volts: most, says: most < part.value.maxInputV ? 'modules insulated for' : 'destroyed above' }
})
const stc = computed(() => array.value.module.vocV * array.value.inSeries)
const vmp = computed(() => array.value.module.vmpV * array.value.inSeries)
const TICKS = 8
const x = computed(() => {
  const highest = Math.max(limit.value.volts * 1.25, ...Object.values(derived.value.cold)) * 1.06
  return scaleLinear([0, highest], [LEFT, WIDTH - LEFT])
    .nice(TICKS)
    .clamp(true)
})
/** The words of limit and charging part where their lines stand close. */
const CLOSE = 190
const areClose = computed(() => x.value(limit.value.volts) - x.value(design.derived!.chargeV) < CLOSE)
/** A label stands right of its bar unless it would run over the limit and there is room on the left. */
function onRight(bar: { from: number; to: number; says: string }): boolean {
  const length = bar.says.length * 6.4
  const end = x.value(Math.max(bar.from, bar.to)) + 7 + length
  const edge = x.value(limit.value.volts)
  const over = end > edge && x.value(Math.max(bar.from, bar.to)) < edge
  return !(over || end > WIDTH) || x.value(Math.min(bar.from, bar.to)) - length < 10
}
const NAMES = { coefficient: 'by coefficient', 'code-table': 'by the code table', flat: 'by flat 1.25' }
const school = computed(() => design.document!.schools.coldVoltage)
const bars = computed(() => [
  {
    id: 'working',
    from: derived.value.hotV,
    to: vmp.value,
    says: `working, Vmp ${prefs.show(derived.value.hotV, 'V')} to ${prefs.show(vmp.value, 'V')}`,
    rules: false,
  },
  ...(['coefficient', 'code-table', 'flat'] as const).map((each) => ({
    id: each,
    from: stc.value,
    to: derived.value.cold[each],
    says: `${prefs.show(derived.value.cold[each], 'V')} open ${NAMES[each]}${each === school.value ? ', rules' : ''}`,
    rules: each === school.value,
  })),
])
const rows = () => [
  ['tracking window', prefs.show(part.value.minTrackV, 'V'), prefs.show(part.value.maxTrackV, 'V')],
  ...bars.value.map(({ id, from, to, rules }) => [
    id === 'working' ? 'working, Vmp' : `open, ${NAMES[id as keyof typeof NAMES]}${rules ? ', rules' : ''}`,
    prefs.show(from, 'V'),
    prefs.show(to, 'V'),
  ]),
  ['charging the bank', prefs.show(design.derived!.chargeV, 'V'), ''],
  [limit.value.says, prefs.show(limit.value.volts, 'V'), ''],
]
</script>

<template>
  <figure>
    <figcaption class="quiet">{{ array.name }}: string of {{ array.inSeries }} on {{ part.name }}</figcaption>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Voltages of ${array.name}: ${bars.map((bar) => bar.says).join('; ')}; ${limit.says} ${limit.volts} V`"
    >
      <rect
        :x="x(part.minTrackV)"
        :y="TOP"
        :width="x(part.maxTrackV) - x(part.minTrackV)"
        :height="BASE - TOP"
        class="window"
      />
      <text :x="x(part.minTrackV) + 4" :y="TOP + 13" class="window-text">
        tracking window {{ part.minTrackV }} to {{ part.maxTrackV }} V
      </text>
      <rect :x="x(limit.volts)" :y="TOP" :width="WIDTH - LEFT - x(limit.volts)" :height="BASE - TOP" class="danger" />
      <text :x="x(limit.volts) - 4" :y="12" class="danger-text" :text-anchor="areClose ? 'start' : 'middle'">
        {{ limit.says }} {{ limit.volts }} V
      </text>
      <path :d="`M${x(limit.volts)} ${TOP - 4}V${BASE}`" class="limit" />
      <path :d="`M${x(design.derived!.chargeV)} ${TOP - 4}V${BASE}`" class="charge" />
      <text :x="x(design.derived!.chargeV)" :y="12" class="charge-text" :text-anchor="areClose ? 'end' : 'middle'">
        charging {{ prefs.show(design.derived!.chargeV, 'V') }}
      </text>
      <g v-for="(bar, i) in bars" :key="bar.id" :transform="`translate(0 ${TOP + 22 + i * 24})`">
        <rect
          :x="x(Math.min(bar.from, bar.to))"
          :width="Math.max(3, x(Math.max(bar.from, bar.to)) - x(Math.min(bar.from, bar.to)))"
          height="13"
          rx="2"
          :class="['bar', bar.id, { rules: bar.rules, over: bar.id !== 'working' && bar.to > limit.volts }]"
        />
        <text v-if="onRight(bar)" :x="x(Math.max(bar.from, bar.to)) + 7" y="11" :class="{ strong: bar.rules }">
          {{ bar.says }}
        </text>
        <text v-else :x="x(Math.min(bar.from, bar.to)) - 7" y="11" text-anchor="end" :class="{ strong: bar.rules }">
          {{ bar.says }}
        </text>
      </g>
      <path :d="`M${LEFT} ${BASE}H${WIDTH - LEFT}`" class="axis" />
      <g v-for="tick in x.ticks(TICKS)" :key="tick">
        <path :d="`M${x(tick)} ${BASE}v5`" class="axis" />
        <text :x="x(tick)" :y="BASE + 19" text-anchor="middle" class="tick">{{ tick }} V</text>
      </g>
    </svg>
    <FiguresTable :of="`Voltages of ${array.name}`" :columns="['voltage', 'from', 'to']" :rows="rows" />
  </figure>
</template>

<style scoped>
figure {
  margin: 6px 0 0;
}

svg {
  width: 100%;
  max-width: 860px;
}

text {
  fill: var(--ink);
  font-size: 12.5px;
}

.window {
  fill: var(--frost);
}

.window-text,
.tick {
  fill: var(--soft);
  font-size: 11.5px;
}

.danger {
  fill: var(--clay);
  fill-opacity: 0.16;
}

.limit {
  stroke: var(--clay);
  stroke-width: 2;
}

.danger-text {
  fill: var(--clay);
  font-weight: 600;
}

.charge {
  stroke: var(--slate);
  stroke-dasharray: 3 3;
}

.charge-text {
  fill: var(--slate);
}

.bar {
  fill: var(--ochre);
  fill-opacity: 0.6;
}

.bar.working {
  fill: var(--lichen);
  fill-opacity: 1;
}

.bar.rules {
  fill: var(--spruce);
  fill-opacity: 1;
}

.bar.over {
  fill: var(--clay);
  fill-opacity: 1;
}

.strong {
  font-weight: 600;
}

.axis {
  stroke: var(--ink);
}
</style>
