<script setup lang="ts">
import { computed } from 'vue'
import { curveOf, inverterInput, type InverterPart } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import LegBars from './LegBars.vue'
import SurgeTable from './SurgeTable.vue'

const design = useDesign()
const prefs = usePrefs()
const inverter = computed(() => design.document!.inverter)
type Numeric = { [K in keyof InverterPart]: InverterPart[K] extends number ? K : never }[keyof InverterPart]
const FIELDS: { key: Exclude<Numeric, 'bankV'>; label: string; unit: string; step?: number }[] = [
  { key: 'ratedW', label: 'Continuous', unit: 'W', step: 100 },
  { key: 'surgeW', label: 'Surge', unit: 'W', step: 100 },
  { key: 'surgeS', label: 'for', unit: 's' },
  { key: 'idleW', label: 'Idle draw', unit: 'W' },
  { key: 'peakEfficiency', label: 'Best efficiency', unit: 'share' },
  { key: 'peakAtFraction', label: 'at a load of', unit: 'share' },
  { key: 'fullLoadEfficiency', label: 'at full load', unit: 'share' },
  { key: 'lowCutV', label: 'Lets go below', unit: 'V', step: 0.5 },
  { key: 'chargerA', label: 'Charger', unit: 'A' },
  { key: 'chargerEfficiency', label: 'Charger efficiency', unit: 'share' },
  { key: 'transferA', label: 'Transfer relay', unit: 'A' },
  { key: 'price', label: 'Price', unit: '' },
]
/** The legs of the loads follow a change between one leg and two. */
function takePart(part: InverterPart): void {
  design.edit(`inverter: ${part.name}`, (draft) => {
    draft.inverter.part = part
    if (part.topology !== 'split-phase') for (const load of draft.loads) if (load.leg !== 'DC') load.leg = 'A'
  })
}
const shares = Array.from({ length: 20 }, (_, i) => (i + 1) / 20)
const efficiency = computed(() => {
  const { part, quantity } = inverter.value
  const curve = curveOf(part, quantity)
  return shares.map((share) => {
    const watts = share * part.ratedW * quantity
    return Number(((100 * watts) / inverterInput(curve, watts)).toFixed(1))
  })
})
const SCHOOLS = [
  { value: 'coincidence' as const, label: 'realistic coincidence' },
  { value: 'everything' as const, label: 'everything at once + 20 %' },
]
</script>

<template>
  <StepHead step="inverter" says="does it carry the legs and the surge?" />
  <div class="row wrap figures">
    <Figure id="inverter.leg-share" />
    <Figure id="inverter.surge-share" />
    <Figure id="inverter.sag" />
    <Figure id="inverter.low-voltage-current" />
  </div>
  <div class="stack">
    <section class="card">
      <div class="row head">
        <PartPicker
          class="picker"
          :model-value="inverter.part"
          kind="inverter"
          label="Inverter"
          :fits="(part: InverterPart) => part.bankV === design.document!.bank.systemV"
          @update:model-value="takePart"
        />
        <NumberField
          class="count"
          :model-value="inverter.quantity"
          label="How many"
          labelled
          path="inverter.quantity"
          @update:model-value="design.edit('how many inverters', (d) => (d.inverter.quantity = $event!), 'inv.q')"
        />
        <ChoiceField
          class="picker"
          :model-value="design.document!.schools.peak"
          :options="SCHOOLS"
          label="What is on at once"
          labelled
          @update:model-value="design.edit('peak school', (d) => (d.schools.peak = $event))"
        />
      </div>
      <p v-if="design.problemAt.get('inverter.part.bankV')" class="error" role="alert">
        {{ design.problemAt.get('inverter.part.bankV') }}
      </p>
      <div class="grid">
        <NumberField
          v-for="field in FIELDS"
          :key="field.key"
          :model-value="inverter.part[field.key]"
          :unit="field.unit"
          :label="field.label"
          labelled
          :path="`inverter.part.${field.key}`"
          :step="field.step ?? 1"
          @update:model-value="
            design.edit(field.label, (d) => (d.inverter.part[field.key] = $event!), `inv.${field.key}`)
          "
        />
      </div>
    </section>
    <SurgeTable v-if="design.derived" />
    <div class="two">
      <LegBars v-if="design.derived" />
      <section v-if="design.derived" class="card">
        <h2>Efficiency by load</h2>
        <Chart
          type="line"
          :series="[{ name: 'efficiency', data: efficiency }]"
          :categories="shares.map((share) => `${Math.round(share * 100)} %`)"
          :colours="['--spruce']"
          :height="170"
          :tick-amount="5"
          :format="(value: number) => `${value} %`"
          label="Efficiency by share of the rating"
        />
        <p class="quiet">
          Its idle draw alone is {{ prefs.show(inverter.part.idleW * inverter.quantity * 24, 'Wh') }} a day.
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.figures {
  gap: 34px;
  margin-bottom: 12px;
}

.head {
  align-items: flex-end;
  margin-bottom: 10px;
}

.picker {
  width: 250px;
}

.count {
  width: 80px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(120px, 1fr));
  gap: 8px 12px;
}

.error {
  color: var(--clay);
}
</style>
