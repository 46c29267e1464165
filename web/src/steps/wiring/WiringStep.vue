<script setup lang="ts">
import FieldGrid from '../../fields/FieldGrid.vue'
import StepHead from '../../frame/StepHead.vue'
import CircuitTable from './CircuitTable.vue'
import DeviceTable from './DeviceTable.vue'
import LabelSheet from './LabelSheet.vue'
import OneLine from './OneLine.vue'
import WallBoard from './WallBoard.vue'

const SCHOOLS = ['schools.ampacity', 'schools.deviceSize', 'schools.electrodes']
/** What is done wrong with wires, and what comes of it. */
const CAUTIONS = [
  [
    'Nothing is worked on live.',
    'A bank cannot be switched off at its own terminals: cover them, insulated tools, no rings, eyes shielded.',
  ],
  ['Modules are live in any light.', 'Plug connectors are never parted under load; the disconnect first.'],
  [
    'Terminals are tightened by the torque their maker prints.',
    'A loose lug of a battery cable burns before any fuse opens.',
  ],
  [
    'One bond of neutral and ground.',
    'Two of them send current through frames and cases; none leaves a fault unnoticed.',
  ],
  ['Parallel leads are of equal length.', 'The shorter one carries more than its share.'],
]
</script>

<template>
  <StepHead step="wiring" says="which conductor, which fuse, where? one-line drawing" />
  <OneLine />
  <CircuitTable />
  <section class="card">
    <h2>Ways of reckoning</h2>
    <FieldGrid :fields="SCHOOLS" column-width="220px" />
    <p class="quiet law">
      Needs: array current × 1.25 × 1.25 at the terminals and × 1.25 with heat and neighbours, everything else × 1.25.
      Battery circuits are reckoned at the low cut-out. Local code outranks this table.
    </p>
  </section>
  <DeviceTable />
  <WallBoard />
  <LabelSheet />
  <section class="card">
    <h2>Before you touch it</h2>
    <ul class="cautions">
      <li v-for="[says, why] in CAUTIONS" :key="says">
        <strong>{{ says }}</strong> {{ why }}
      </li>
    </ul>
    <p class="quiet">Local code, the maker’s manual and a licensed electrician come before anything on this page.</p>
  </section>
</template>

<style scoped>
.law {
  margin: 10px 0 0;
  max-width: 90ch;
}

.cautions {
  margin: 0 0 8px;
  padding-left: 18px;
}
</style>
