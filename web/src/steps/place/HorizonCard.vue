<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref, shallowRef } from 'vue'
import { cellsOfHorizon, horizonFromCells, MONTH_NAMES, sunLostTo, type HorizonPoint, setHorizon } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import CellsDialog from '../../frame/CellsDialog.vue'
import { saveCells } from '../../frame/files.ts'
import { useDesign } from '../../stores/design.ts'
import HorizonTable from './HorizonTable.vue'
import SunChart from './SunChart.vue'

const design = useDesign()
const place = computed(() => design.document!.place)
const importing = ref(false)
/** the profile under the pointer; null when none is dragged */
const dragged = shallowRef<HorizonPoint[] | null>(null)

const lost = computed(() => (design.derived ? sunLostTo(design.document!, dragged.value ?? place.value.horizon) : null))
function take(points: HorizonPoint[]): void {
  design.change('horizon', setHorizon(points))
}
const tell = (point: HorizonPoint) => `azimuth ${point.azimuthDeg}°, ${point.elevationDeg}° up, ${point.cover}`
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 class="grow">Sun paths and horizon</h2>
      <button class="link" data-horizon-in @click="importing = true">paste or read points</button>
      <button
        v-if="place.horizon.length > 0"
        class="link"
        data-horizon-out
        @click="saveCells(`${design.document!.name} horizon.csv`, cellsOfHorizon(place.horizon))"
      >
        save as CSV
      </button>
    </div>
    <div class="two sun">
      <div>
        <SunChart @dragged="dragged = $event" />
        <table v-if="lost" v-stack class="sheet lost" aria-label="Sun lost to the horizon by month">
          <thead>
            <tr>
              <th v-for="month in MONTH_NAMES" :key="month" class="n">{{ month }}</th>
            </tr>
          </thead>
          <tbody>
            <tr>
              <td v-for="(share, m) in lost" :key="m" class="n" :class="{ much: share > 0.15 }" data-lost>
                {{ decimal(share * 100, share < 0.095 ? 1 : 0) }}
              </td>
            </tr>
          </tbody>
        </table>
        <p class="quiet">
          Sun lost to the horizon, % of the month on {{ design.document!.arrays[0]?.name ?? 'the level' }}.
        </p>
      </div>
      <HorizonTable />
    </div>
    <CellsDialog
      :open="importing"
      title="Horizon points"
      hint="A row a point: azimuth (° from true north, clockwise), elevation (0–90°) and, if you like, terrain, evergreen or leafless for the stretch from there on."
      take="Take these points"
      :most="360"
      items="points"
      :read="horizonFromCells"
      :tell="tell"
      @close="importing = false"
      @take="take"
    />
  </section>
</template>

<style scoped>
.sun {
  grid-template-columns: 1.9fr 1fr;
}

.lost td,
.lost th {
  padding: 2px 3px;
}

.much {
  color: var(--clay);
  font-weight: 600;
}
</style>
