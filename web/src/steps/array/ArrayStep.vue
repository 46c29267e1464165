<script setup lang="ts">
import { computed } from 'vue'
import { Plus } from '@lucide/vue'
import { controllerParts, MONTH_NAMES, newArray, nextId, partById } from '@ambrel/core'
import Chart from '../../drawing/Chart.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import ArrayCard from './ArrayCard.vue'
import ControllerCard from './ControllerCard.vue'
import ArrayYields from './ArrayYields.vue'
import LayoutTable from './LayoutTable.vue'
import RackingCard from './RackingCard.vue'
import StringBoard from './StringBoard.vue'
import UnlikeCurve from './UnlikeCurve.vue'
import VoltageRuler from './VoltageRuler.vue'

const design = useDesign()
const prefs = usePrefs()
const arrays = computed(() => design.document!.arrays)
const controllers = computed(() => design.document!.controllers)
const SCHOOLS = [
  { value: 'coefficient' as const, label: 'coefficient at the record low' },
  { value: 'code-table' as const, label: 'code table' },
  { value: 'flat' as const, label: 'flat 1.25' },
]

function addArray(): void {
  design.edit('new array', (draft) => {
    if (draft.controllers.length === 0)
      draft.controllers.push({
        id: 'controller-1',
        name: 'Controller 1',
        part: partById(controllerParts, 'track-150-60'),
      })
    const id = nextId('array', draft.arrays)
    const last = design.document!.arrays.at(-1)
    draft.arrays.push(
      last
        ? { ...structuredClone(last), id, name: `Array ${draft.arrays.length + 1}` }
        : newArray(id, 'mono-415', draft.controllers[0].id, {
            inSeries: 2,
            inParallel: 1,
            tiltDeg: 60,
            azimuthDeg: draft.place.latitudeDeg >= 0 ? 180 : 0,
          }),
    )
  })
}
function addController(): void {
  design.edit('new controller', (draft) => {
    const id = nextId('controller', draft.controllers)
    draft.controllers.push({
      id,
      name: `Controller ${draft.controllers.length + 1}`,
      part: structuredClone(design.document!.controllers.at(-1)?.part ?? partById(controllerParts, 'track-150-60')),
    })
  })
}
useNewRow(addArray)
const sun = computed(() => design.derived?.sunHours.map((hours) => Number(hours.toFixed(2))) ?? [])
</script>

<template>
  <StepHead step="array" says="which panels, which strings, which controller?" />
  <div class="row wrap figures">
    <Figure id="array.rated" />
    <Figure id="array.need" />
    <Figure id="array.cover" />
    <Figure id="place.worst-month-sun" />
  </div>
  <div class="stack">
    <ArrayCard v-for="(array, i) in arrays" :key="array.id" :index="i" />
    <p v-if="arrays.length === 0" class="card quiet">No array yet. Suggest lays one out for the worst month.</p>
    <div class="row">
      <button class="link" @click="addArray"><Plus :size="13" /> another array</button>
      <button class="link" @click="addController"><Plus :size="13" /> another controller</button>
    </div>
    <StringBoard v-if="design.derived && arrays.length > 0" />
    <section v-if="design.derived && arrays.length > 0" class="card">
      <div class="row">
        <h2>Voltage ruler</h2>
        <p class="quiet grow">from the hottest afternoon to the coldest dawn</p>
        <ChoiceField
          class="school"
          :model-value="design.document!.schools.coldVoltage"
          :options="SCHOOLS"
          label="School that rules"
          @update:model-value="design.edit('cold voltage school', (d) => (d.schools.coldVoltage = $event))"
        />
      </div>
      <VoltageRuler v-for="(array, i) in arrays" :key="array.id" :index="i" />
    </section>
    <LayoutTable v-if="design.derived && arrays.length > 0" />
    <template v-if="design.derived && arrays.length > 0">
      <UnlikeCurve
        v-for="group in design.derived.unlike"
        :key="`${group.controllerId} ${group.tracker}`"
        :group="group"
      />
      <div class="two">
        <ArrayYields />
        <section class="card">
          <h2>A month on this slope</h2>
          <Chart
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
  </div>
</template>

<style scoped>
.figures {
  gap: 34px;
  margin-bottom: 12px;
}

.school {
  width: 230px;
}
</style>
