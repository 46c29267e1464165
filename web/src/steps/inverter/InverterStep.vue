<script setup lang="ts">
import { computed } from 'vue'
import {
  INVERTER,
  INVERTER_PART,
  curveOf,
  inverterInput,
  serviceOf,
  stackingChoices,
  takeInverter,
  type InverterPart,
  setField,
  setInverterCount,
  setStacking,
  setTopology,
} from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import Chart from '../../drawing/Chart.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import InverterChoices from './InverterChoices.vue'
import LegPicture from './LegPicture.vue'
import SurgePicture from './SurgePicture.vue'

const design = useDesign()
const inverter = computed(() => design.document!.inverter)
const FIELDS = [
  ...Object.keys(INVERTER_PART)
    .filter((key) => !['id', 'topology', 'bankV', 'controller', 'battery', 'estimated'].includes(key))
    .map((key) => `inverter.part.${key}`),
  'inverter.hottestC',
  'growth.inverterW',
]
const SERVICE_WORDS = {
  'split-phase': '120/240 V split phase',
  'three-phase': 'three-phase',
  'single-120': '120 V single',
  'single-230': '230 V single',
} as const
const joinings = computed(() => {
  const allowed = stackingChoices(inverter.value.part, inverter.value.quantity)
  return INVERTER.stacking.options.filter(({ value }) => value === inverter.value.stacking || allowed.includes(value))
})
function takePart(taken: InverterPart): void {
  design.change(`inverter: ${taken.name}`, takeInverter(taken))
}
const shares = Array.from({ length: 20 }, (_, i) => (i + 1) / 20)
const efficiency = computed(() => {
  const { part: sheet, quantity } = inverter.value
  const curve = curveOf(sheet, quantity)
  return shares.map((share) => {
    const watts = share * sheet.ratedW * quantity
    return Number(((100 * watts) / inverterInput(curve, watts)).toFixed(1))
  })
})
/** A power box brings its own bank, whatever stands there now. */
const fits = (candidate: InverterPart) =>
  candidate.battery !== null || candidate.bankV === design.document!.bank.systemV
</script>

<template>
  <StepHead step="inverter" says="does it carry the legs and the surge?" />
  <div class="row wrap figures">
    <Figure id="inverter.leg-share" />
    <Figure v-if="design.derived?.worked['inverter.va-share']" id="inverter.va-share" />
    <Figure id="inverter.surge-share" />
    <Figure id="inverter.rating" />
    <Figure id="inverter.sag" label="bank under it, at 30 %" />
    <Figure id="inverter.low-voltage-current" label="from a low bank" />
    <Figure id="inverter.idle-day" />
  </div>
  <div class="stack">
    <section class="card">
      <h2 class="unseen">The inverter</h2>
      <div class="row wrap head">
        <PartPicker
          class="picker"
          :model-value="inverter.part"
          kind="inverter"
          label="Inverter"
          :fits="fits"
          @update:model-value="takePart"
        />
        <ChoiceField
          class="joined"
          :model-value="inverter.part.topology"
          :options="INVERTER_PART.topology.options"
          label="Output"
          labelled
          path="inverter.part.topology"
          @update:model-value="design.change('output of the inverter', setTopology($event))"
        />
        <NumberField
          class="count"
          :model-value="inverter.quantity"
          label="How many"
          labelled
          path="inverter.quantity"
          @update:model-value="design.change('how many inverters', setInverterCount($event!), 'inv.q')"
        />
        <ChoiceField
          v-if="joinings.length > 1"
          class="joined"
          :model-value="inverter.stacking"
          :options="joinings"
          label="Joined"
          labelled
          path="inverter.stacking"
          @update:model-value="design.change('how inverters are joined', setStacking($event))"
        />
        <p class="service">
          <b>{{ SERVICE_WORDS[serviceOf(inverter)] }}</b>
          <span class="quiet">{{ inverter.part.frequencyHz }} Hz, {{ inverter.part.waveform }} wave</span>
        </p>
        <label class="row search" data-path="inverter.search"
          ><el-switch
            :model-value="inverter.search"
            :disabled="inverter.part.searchW === null && !inverter.search"
            aria-label="Search mode"
            @update:model-value="design.change('search mode', setField('inverter.search', $event))"
          />
          search mode{{ inverter.part.searchW === null ? ' (it has none)' : '' }}</label
        >
      </div>
      <p v-for="path in ['inverter.part.bankV', 'inverter.search']" :key="path" class="error" role="alert">
        {{ design.problemAt.get(path) }}
      </p>
    </section>
    <template v-if="design.derived">
      <LegPicture />
      <SurgePicture />
    </template>
    <LaterParts>
      <InverterChoices v-if="design.derived" />
    </LaterParts>
    <LaterParts>
      <section class="card">
        <h2>Data sheet and place</h2>
        <FieldGrid :fields="FIELDS" column-width="118px" />
      </section>
      <section v-if="design.derived" class="card">
        <h2>Efficiency by load</h2>
        <Chart
          over="share of the rating"
          type="line"
          :series="[{ name: 'efficiency', data: efficiency }]"
          :categories="shares.map((share) => `${Math.round(share * 100)} %`)"
          :colours="['--spruce']"
          :height="170"
          :tick-amount="5"
          :format="(value: number) => `${value} %`"
          label="Efficiency by share of the rating"
        />
      </section>
    </LaterParts>
  </div>
</template>

<style scoped>
.figures {
  gap: 8px 26px;
  margin-bottom: 12px;
}

.head {
  align-items: flex-end;
  margin-bottom: 8px;
}

.picker {
  width: 260px;
}

.count {
  width: 76px;
}

.joined {
  width: 160px;
}

.service {
  display: grid;
  line-height: 1.25;
}

.search {
  gap: 6px;
  height: var(--target);
}

.error {
  color: var(--clay);
}

.error:empty {
  display: none;
}
</style>
