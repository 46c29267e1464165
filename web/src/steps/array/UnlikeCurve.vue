<script setup lang="ts">
import { computed } from 'vue'
import { scaleLinear } from 'd3-scale'
import { curvePoints, mismatch, type UnlikeGroup } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import FiguresTable from '../../drawing/FiguresTable.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The combined current–voltage curve of unlike strings on one tracker, and what their company costs. */
const props = defineProps<{ group: UnlikeGroup }>()
const WIDTH = 460
const HEIGHT = 200
const LEFT = 34
const BOTTOM = 26
const TOP = 12
const design = useDesign()
const prefs = usePrefs()
const COLOURS = ['var(--slate)', 'var(--ochre)', 'var(--lichen)', 'var(--clay)']
const light = { irradianceWM2: 1000, cellC: 45 }
const curve = computed(() => curvePoints(props.group.strings, light.irradianceWM2, light.cellC))
const best = computed(() => mismatch(props.group.strings, light.irradianceWM2, light.cellC))
const dull = computed(() => mismatch(props.group.strings, 200, 10))
const names = computed(() =>
  props.group.arrayIds.map((id) => design.document!.arrays.find((array) => array.id === id)?.name ?? id),
)
const controller = computed(
  () => design.document!.controllers.find(({ id }) => id === props.group.controllerId)?.name ?? '',
)
const mostV = computed(() => curve.value.volts.at(-1)! * 1.04)
const mostA = computed(() => Math.max(...curve.value.combinedA) * 1.1)
const x = computed(() => scaleLinear([0, mostV.value], [LEFT, WIDTH - 8]))
const y = computed(() => scaleLinear([0, mostA.value], [HEIGHT - BOTTOM, TOP]))
/** A dozen points of the curves are enough to read. */
const ROWS = 12
const rows = () => {
  const { volts, eachA, combinedA } = curve.value
  return Array.from({ length: ROWS }, (_, row) => Math.round((row * (volts.length - 1)) / (ROWS - 1))).map((i) => [
    prefs.show(volts[i], 'V'),
    ...eachA.map((amps) => prefs.show(amps[i], 'A')),
    prefs.show(combinedA[i], 'A'),
  ])
}
const line = (amps: readonly number[]) =>
  curve.value.volts
    .map((volts, i) => `${i ? 'L' : 'M'}${x.value(volts).toFixed(1)} ${y.value(amps[i]).toFixed(1)}`)
    .join('')
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 data-part="Unlike strings">Unlike strings together</h2>
      <p class="quiet grow">{{ names.join(' and ') }} on {{ controller }}, tracker {{ group.tracker }}</p>
    </div>
    <div class="two unlike">
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="`Current over voltage of ${names.join(' and ')}`"
      >
        <path :d="`M${LEFT} ${TOP}V${HEIGHT - BOTTOM}H${WIDTH - 8}`" class="axis" />
        <g v-for="tick in x.ticks(5)" :key="tick">
          <text :x="x(tick)" :y="HEIGHT - 10" text-anchor="middle">{{ prefs.show(tick, 'V') }}</text>
        </g>
        <text :x="2" :y="y(curve.combinedA[0]) + 4">{{ decimal(curve.combinedA[0], 0) }} A</text>
        <path
          v-for="(amps, i) in curve.eachA"
          :key="i"
          :d="line(amps)"
          class="each"
          :style="{ stroke: COLOURS[i % COLOURS.length] }"
        />
        <path :d="line(curve.combinedA)" class="combined" />
        <circle :cx="x(best.combined.volts)" :cy="y(best.combined.amps)" r="4.5" class="best" />
        <text :x="x(best.combined.volts) - 8" :y="y(best.combined.amps) + 18" text-anchor="end" class="strong">
          {{ prefs.show(best.combined.watts, 'W') }} at {{ prefs.show(best.combined.volts, 'V') }}
        </text>
      </svg>
      <div>
        <ul class="legend">
          <li v-for="(name, i) in names" :key="name">
            <i :style="{ background: COLOURS[i % COLOURS.length] }" />{{ name }}: {{ group.strings[i].inSeries }} in
            series
          </li>
          <li><i class="thick" />together, with the point the tracker finds</li>
        </ul>
        <p data-mismatch>
          In bright light {{ prefs.show(best.combined.watts, 'W') }} of {{ prefs.show(best.separateW, 'W') }}:
          <b>{{ decimal(best.lossFraction * 100, 1) }} % lost</b>. In dull light
          <b>{{ decimal(dull.lossFraction * 100, 1) }} % lost</b>.
        </p>
        <p class="quiet">
          Each string’s best voltage is another; the tracker takes the one that is best for all. Single-diode curves
          from the data sheets, De Soto et al. 2006.
        </p>
        <FiguresTable
          :of="`Current over voltage of ${names.join(' and ')}`"
          :columns="['volts', ...names, 'together']"
          :rows="rows"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.unlike {
  align-items: center;
  grid-template-columns: 1.4fr 1fr;
}

svg {
  width: 100%;
}

text {
  fill: var(--soft);
  font-size: 11.5px;
}

.strong {
  fill: var(--ink);
  font-weight: 600;
}

.axis {
  fill: none;
  stroke: var(--ink);
}

.each,
.combined {
  fill: none;
  stroke-width: 1.6;
}

.combined {
  stroke: var(--spruce);
  stroke-width: 2.6;
}

.best {
  fill: var(--spruce);
}

.legend {
  margin: 0 0 8px;
  padding: 0;
  list-style: none;
}

.legend i {
  display: inline-block;
  width: 16px;
  height: 3px;
  margin-right: 7px;
  vertical-align: middle;
}

.legend .thick {
  height: 4px;
  background: var(--spruce);
}
</style>
