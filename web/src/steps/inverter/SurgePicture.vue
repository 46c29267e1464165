<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { scaleLinear } from 'd3-scale'
import { START_MULTIPLE, startSeconds, surgeCurve, surgeTable, type SurgeRow } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import StateMark from '../../drawing/StateMark.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The largest start through the charge of the bank, warm and in its coldest month: does the pump start that night? */
const design = useDesign()
const prefs = usePrefs()
const verdict = computed(() => design.derived!.start)
const peak = computed(() => verdict.value.peak)
/** of the start that is spoken of; of nothing that starts, all the same */
const rows = computed(() =>
  verdict.value.start ? verdict.value.rows : surgeTable(design.document!, peak.value, design.derived!.batteryC),
)
const charges = computed(() => [...new Set(rows.value.map(({ stateOfCharge }) => stateOfCharge))])
const temperatures = computed(() => [...new Set(rows.value.map(({ bankC }) => bankC))])
const at = (charge: number, bankC: number) =>
  rows.value.find((row) => row.stateOfCharge === charge && row.bankC === bankC)!
const WHY: Record<SurgeRow['limitedBy'], string> = {
  none: 'starts',
  inverter: 'over the inverter’s surge',
  voltage: 'pulled below the cut-out',
  'bank-current': 'over what the bank may give',
}
/** Watts against their limits on one scale. */
const limits = computed(() => {
  const { inverter } = design.document!
  const hardest = verdict.value.start
  const coldest = at(charges.value.at(-1)!, temperatures.value.at(-1)!)
  const place = !hardest || hardest.at === 'all' ? 'the inverter' : `leg ${hardest.at}`
  const ofInverter = hardest
    ? [
        { name: `on at once, ${place}`, watts: hardest.baseW, kind: 'base' },
        {
          name: `with the start of ${hardest.load.name}, ${decimal(startSeconds(hardest.load), 1)} s`,
          watts: hardest.baseW + hardest.addedW,
          kind: 'start',
        },
        { name: `${place} gives for ${decimal(inverter.part.surgeS, 0)} s`, watts: hardest.limitW, kind: 'limit' },
      ]
    : []
  return [
    ...ofInverter,
    { name: `from the bank, with ${hardest ? 'it' : 'nothing'}`, watts: peak.value.surgeW, kind: 'start' },
    { name: 'its units give for a moment', watts: coldest.surgeLimitW, kind: 'limit' },
  ]
})
const top = computed(() => Math.max(...limits.value.map(({ watts }) => watts), 1))
const W = 320
const H = 150
const curves = computed(() =>
  temperatures.value.map((bankC) => ({ bankC, points: surgeCurve(design.document!, peak.value, bankC) })),
)
const lowCutV = computed(() => design.document!.inverter.part.lowCutV)
const range = computed(() => {
  const volts = curves.value.flatMap(({ points }) => points.map((point) => point.volts ?? lowCutV.value))
  return { low: Math.min(lowCutV.value, ...volts) - 1, high: Math.max(...volts, lowCutV.value) + 1 }
})
const x = scaleLinear([0, 1], [34, W - 10])
const y = computed(() => scaleLinear([range.value.low, range.value.high], [H - 26, 8]))
const path = (points: { stateOfCharge: number; volts: number | null }[]) =>
  points
    .filter(({ volts }) => volts !== null)
    .map(
      ({ stateOfCharge, volts }, i) => `${i ? 'L' : 'M'}${x(stateOfCharge).toFixed(1)} ${y.value(volts!).toFixed(1)}`,
    )
    .join('')
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>The largest start</h2>
      <p class="quiet grow" data-surge-says>
        <template v-if="!verdict.start">nothing starts hard</template>
        <template v-else>{{ prefs.say(verdict.says) }}</template>
      </p>
    </div>
    <div class="two">
      <div>
        <div v-for="limit in limits" :key="limit.name" class="bar" :class="limit.kind">
          <span>{{ limit.name }}</span>
          <b>{{ prefs.show(limit.watts, 'W') }}</b>
          <i :style="{ width: `${(100 * limit.watts) / top}%` }" />
        </div>
        <svg
          class="curves"
          :viewBox="`0 0 ${W} ${H}`"
          role="img"
          aria-label="Bank voltage under the largest start by state of charge"
        >
          <path :d="`M34 ${y(lowCutV)}H${W - 10}`" class="cut" />
          <text :x="W - 10" :y="y(lowCutV) - 3" text-anchor="end" class="cutText">
            lets go below {{ prefs.show(lowCutV, 'V') }}
          </text>
          <path
            v-for="(curve, i) in curves"
            :key="curve.bankC"
            :d="path(curve.points)"
            class="curve"
            :class="{ cold: i > 0 }"
          />
          <text
            v-for="charge in [0, 0.25, 0.5, 0.75, 1]"
            :key="charge"
            :x="x(charge)"
            :y="H - 6"
            :text-anchor="charge === 1 ? 'end' : 'middle'"
          >
            {{ decimal(charge * 100, 0) }} %
          </text>
          <text
            v-for="volts in [range.low + 1, range.high - 1]"
            :key="volts"
            x="30"
            :y="y(volts) + 4"
            text-anchor="end"
          >
            {{ decimal(volts, 0) }} V
          </text>
        </svg>
        <p class="quiet">
          The bank’s voltage under it, by state of charge:
          <template v-for="(curve, i) in curves" :key="curve.bankC">
            <i class="key" :class="{ cold: i > 0 }" />{{ prefs.show(curve.bankC, '°C') }}
          </template>
        </p>
      </div>
      <table v-stack class="sheet" data-surge>
        <thead>
          <tr>
            <th>charge</th>
            <th v-for="bankC in temperatures" :key="bankC">bank at {{ prefs.show(bankC, '°C') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="charge in charges" :key="charge">
            <td>{{ decimal(charge * 100, 0) }} %</td>
            <td v-for="bankC in temperatures" :key="bankC">
              <StateMark :level="at(charge, bankC).starts ? 'sound' : 'stop'" />
              {{ WHY[at(charge, bankC).limitedBy] }}
              <span class="quiet"
                >{{ prefs.show(at(charge, bankC).volts, 'V') }}, {{ prefs.show(at(charge, bankC).amps, 'A') }}</span
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet">
      A soft starter brings a pump from {{ decimal(START_MULTIPLE['submersible-pump'], 1) }} to about
      {{ decimal(START_MULTIPLE['soft-start-pump'], 0) }} times its running watts; the finding about the start puts one
      in with one click.
    </p>
  </section>
</template>

<style scoped>
.bar {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 0 10px;
  margin-bottom: 4px;
}

.bar i {
  grid-column: 1 / 3;
  height: 7px;
  background: var(--lichen);
}

.start i {
  background: var(--ochre);
}

.limit i {
  height: 5px;
  border: 1px solid var(--clay);
  background: none;
}

.curves {
  width: 100%;
  max-width: 420px;
  margin-top: 6px;
}

text {
  fill: var(--soft);
  font-size: 10.5px;
}

.cut {
  stroke: var(--clay);
  stroke-dasharray: 4 3;
}

.cutText {
  fill: var(--clay);
}

.curve {
  fill: none;
  stroke: var(--ochre);
  stroke-width: 2;
}

.curve.cold {
  stroke: var(--slate);
}

.key {
  display: inline-block;
  width: 16px;
  margin: 0 3px 0 8px;
  border-top: 2px solid var(--ochre);
  vertical-align: middle;
}

.key.cold {
  border-color: var(--slate);
}
</style>
