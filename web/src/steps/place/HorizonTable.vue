<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { addHorizonPoint, HORIZON, removeFrom, setField } from '@ambrel/core'
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'

const design = useDesign()
const points = computed(() => design.document!.place.horizon)
function add(): void {
  design.change('new horizon point', addHorizonPoint())
}
useNewRow(add)
</script>

<template>
  <div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th class="n">azimuth</th>
          <th class="n">elevation</th>
          <th>up to the next</th>
          <th><span class="unseen">remove</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(point, i) in points" :key="i">
          <td>
            <NumberField
              :model-value="point.azimuthDeg"
              unit="°"
              :label="`Point ${i + 1}, azimuth`"
              :path="`place.horizon.${i}.azimuthDeg`"
              @update:model-value="
                design.change('horizon', setField(`place.horizon.${i}.azimuthDeg`, $event), `hz.${i}.a`)
              "
            />
          </td>
          <td>
            <NumberField
              :model-value="point.elevationDeg"
              unit="°"
              :label="`Point ${i + 1}, elevation`"
              :path="`place.horizon.${i}.elevationDeg`"
              @update:model-value="
                design.change('horizon', setField(`place.horizon.${i}.elevationDeg`, $event), `hz.${i}.e`)
              "
            />
          </td>
          <td>
            <ChoiceField
              :model-value="point.cover"
              :options="HORIZON.cover.options"
              :label="`Point ${i + 1}, cover`"
              @update:model-value="design.change('horizon cover', setField(`place.horizon.${i}.cover`, $event))"
            />
          </td>
          <td>
            <button
              class="icon-button"
              :aria-label="`Remove point ${i + 1}`"
              @click="design.change('remove horizon point', removeFrom('place.horizon', i))"
            >
              <Trash2 :size="14" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="points.length === 0" class="quiet">An open horizon: the sun is seen down to 0°.</p>
    <button class="link" @click="add">add a point</button> <kbd>n</kbd>
  </div>
</template>
