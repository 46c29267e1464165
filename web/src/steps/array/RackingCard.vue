<script setup lang="ts">
import { computed, ref } from 'vue'
import { needsStringFuses, racking, winterSun } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Rails, clamps, feet, combiner and ground for each array. */
const design = useDesign()
const prefs = usePrefs()
const rows = ref<Record<string, number>>({})
const hour = ref(10)
const sun = computed(() => winterSun(design.document!, hour.value))
const list = computed(() =>
  design.document!.arrays.map((array) => {
    const count = array.inSeries * array.inParallel
    const wanted = Math.min(count, Math.max(1, Math.round(rows.value[array.id] ?? (count > 10 ? 2 : 1))))
    return {
      array,
      wanted,
      fused: needsStringFuses(design.document!, array),
      needs: racking(array, wanted, sun.value),
    }
  }),
)
</script>

<template>
  <section class="card">
    <div class="row wrap">
      <h2>Rails and ground</h2>
      <p class="quiet grow">no row shades another at this hour of the shortest day</p>
      <NumberField v-model="hour" class="hour" unit="h" label="Hour" />
      <span class="quiet">sun {{ decimal(sun.elevationDeg, 0) }}° up</span>
    </div>
    <table class="sheet">
      <thead>
        <tr>
          <th>array</th>
          <th class="n">rows</th>
          <th class="n">rails</th>
          <th class="n">clamps, mid + end</th>
          <th class="n">feet</th>
          <th class="n">spacing</th>
          <th class="n">takes</th>
          <th class="n">weight</th>
          <th>combiner</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ array, wanted, needs, fused } in list" :key="array.id">
          <td>
            {{ array.name }} <span class="quiet">{{ array.site }}</span>
          </td>
          <td class="rows">
            <NumberField
              :model-value="wanted"
              :label="`Rows of ${array.name}`"
              @update:model-value="rows[array.id] = $event ?? 1"
            />
          </td>
          <td class="n">{{ needs.rails }} × {{ prefs.show(needs.railM, 'm') }}</td>
          <td class="n">{{ needs.midClamps }} + {{ needs.endClamps }}</td>
          <td class="n">{{ needs.feet }}</td>
          <td class="n">{{ needs.pitchM === null ? 'one row' : prefs.show(needs.pitchM, 'm') }}</td>
          <td class="n">
            {{ prefs.show(needs.rowLengthM, 'm') }} by {{ prefs.show(needs.footprintM2 / needs.rowLengthM, 'm') }}
          </td>
          <td class="n">{{ prefs.show(needs.weightKg, 'kg') }}</td>
          <td>
            {{
              array.inParallel === 1
                ? 'none: one string'
                : fused
                  ? `${array.inParallel} fuses of ${array.module.seriesFuseA} A`
                  : 'joined without fuses'
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <p class="quiet">
      Snow load, wind and what a roof carries are for an engineer and your local code. Modules upright on two rails.
    </p>
  </section>
</template>

<style scoped>
.hour {
  width: 80px;
}

.rows {
  width: 50px;
}
</style>
