<script setup lang="ts">
import { computed } from 'vue'
import { Plus } from '@lucide/vue'
import { MONTH_NAMES, addArray, addController } from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import Chart from '../../drawing/Chart.vue'
import DocumentField from '../../fields/DocumentField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import ArrayCard from './ArrayCard.vue'
import ControllerCard from './ControllerCard.vue'
import ArrayYields from './ArrayYields.vue'
import ArrayMonths from './ArrayMonths.vue'
import LayoutTable from './LayoutTable.vue'
import RackingCard from './RackingCard.vue'
import StringBoard from './StringBoard.vue'
import UnlikeCurve from './UnlikeCurve.vue'
import VoltageRuler from './VoltageRuler.vue'

const design = useDesign()
const prefs = usePrefs()
const arrays = computed(() => design.document!.arrays)
const controllers = computed(() => design.document!.controllers)

const newOne = () => design.change('new array', addArray)
const newController = () => design.change('new controller', addController)
useNewRow(newOne)
const sun = computed(() => design.derived?.sunHours.map((hours) => Number(hours.toFixed(2))) ?? [])
</script>

<template>
  <StepHead step="array" says="which panels, which strings, which controller?" />
  <div class="row wrap figures">
    <Figure id="array.rated" />
    <Figure id="array.need" />
    <Figure v-if="design.derived?.worked['array.need-known']" id="array.need-known" />
    <Figure id="array.cover" />
    <Figure id="place.worst-month-sun" />
  </div>
  <div class="stack">
    <h2 class="unseen">Arrays</h2>
    <ArrayCard v-for="(array, i) in arrays" :key="array.id" :index="i" />
    <p v-if="arrays.length === 0" class="card quiet">No array yet. Suggest lays one out for the worst month.</p>
    <div class="row">
      <button class="link" @click="newOne"><Plus :size="13" /> another array</button>
      <button class="link" @click="newController"><Plus :size="13" /> another controller</button>
      <span class="grow" />
      <DocumentField class="factor" path="growth.arrayW" labelled />
      <DocumentField class="factor" path="schools.handFactor" labelled label="Hand method counts on" />
    </div>
    <StringBoard v-if="design.derived && arrays.length > 0" />
    <LaterParts>
      <section v-if="design.derived && arrays.length > 0" class="card">
        <div class="row">
          <h2>Voltage ruler</h2>
          <p class="quiet grow">from the hottest afternoon to the coldest dawn</p>
          <DocumentField class="school" path="schools.coldVoltage" />
        </div>
        <VoltageRuler v-for="(array, i) in arrays" :key="array.id" :index="i" />
      </section>
      <LayoutTable v-if="design.derived && arrays.length > 0" />
      <ArrayMonths v-if="design.derived && arrays.length > 0" />
    </LaterParts>
    <LaterParts>
      <template v-if="design.derived && arrays.length > 0">
        <UnlikeCurve
          v-for="group in design.derived.unlike"
          :key="`${group.controllerId} ${group.tracker}`"
          :group="group"
        />
        <div class="two">
          <ArrayYields />
          <section class="card">
            <h2 data-part="Sun on it">A month on this slope</h2>
            <Chart
              over="month"
              type="bar"
              :series="[{ name: 'sun hours a day', data: sun }]"
              :categories="[...MONTH_NAMES]"
              :colours="['--lichen']"
              :height="180"
              :format="(value: number) => prefs.show(value, 'h')"
              label="Sun hours a day by month"
            />
          </section>
        </div>
        <RackingCard />
      </template>
      <ControllerCard v-for="(controller, i) in controllers" :key="controller.id" :index="i" />
    </LaterParts>
  </div>
</template>

<style scoped>
.figures {
  gap: 8px 34px;
  margin-bottom: 12px;
}

.school {
  width: 230px;
}

.factor {
  width: 150px;
}
</style>
