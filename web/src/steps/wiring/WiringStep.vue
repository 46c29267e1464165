<script setup lang="ts">
import { computed } from 'vue'
import LaterParts from '../../drawing/LaterParts.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import CircuitTable from './CircuitTable.vue'
import DeviceTable from './DeviceTable.vue'
import LabelSheet from './LabelSheet.vue'
import OneLine from './OneLine.vue'
import WallBoard from './WallBoard.vue'

const SCHOOLS = [
  'schools.ampacity',
  'schools.deviceSize',
  'schools.combining',
  'schools.arrayDisconnect',
  'schools.poles',
  'schools.electrodes',
  'budget.cablePerMm2M',
  'budget.kWhWorth',
]
const design = useDesign()
const prefs = usePrefs()
/** Where the one bond is, as the drawing has it. */
const bondWords = computed(() => {
  const bond = design.derived!.system.leads.find(({ id }) => id === 'bond')!
  return `${prefs.say(bond.because)}.`.replace(/^./, (first) => first.toUpperCase())
})
const house = computed(() => [
  'inverter.part.bond',
  'house.bond',
  ...(design.document!.inverter.part.bond === 'none' && !design.document!.house.inverterBondOff
    ? []
    : ['house.inverterBondOff']),
  ...(design.document!.generator.present && design.document!.generator.kind === 'generator'
    ? ['generator.neutral']
    : []),
  'house.bypass',
  'house.meter',
  'house.regulator',
])
</script>

<template>
  <StepHead step="wiring" says="which conductor, which fuse, where? one-line drawing" />
  <div class="stack">
    <OneLine />
    <LaterParts>
      <CircuitTable />
      <section class="card">
        <h2 data-part="Reckoning">Ways of reckoning</h2>
        <FieldGrid :fields="SCHOOLS" column-width="220px" />
        <p class="quiet law">
          Needs: array current × 1.25 × 1.25 at the terminals and × 1.25 with heat and neighbours, everything else ×
          1.25. Battery circuits are reckoned at the low cut-out. Local code outranks this table.
        </p>
      </section>
      <section class="card" data-house>
        <h2 data-part="Neutral and ground">Neutral, ground and changeover</h2>
        <FieldGrid :fields="house" column-width="220px" />
        <p class="quiet law">{{ bondWords }}</p>
      </section>
    </LaterParts>
    <LaterParts>
      <DeviceTable />
      <WallBoard />
      <LabelSheet />
    </LaterParts>
  </div>
</template>

<style scoped>
.law {
  margin: 10px 0 0;
  max-width: 90ch;
}
</style>
