<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { needsStringFuses, racking, setField, winterSun, type ArrayField } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import DocumentField from '../../fields/DocumentField.vue'
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
function put(index: number, key: keyof ArrayField, value: number | null): void {
  design.change('clamps', setField(`arrays.${index}.${key}`, value), `arrays.${index}.${key}`)
}
</script>

<template>
  <section class="card">
    <div class="row wrap">
      <h2 data-part="Rails">Rails and ground</h2>
      <p class="quiet grow">no row shades another at this hour of the shortest day</p>
      <NumberField v-model="hour" class="hour" unit="h" label="Hour" />
      <span class="quiet">sun {{ decimal(sun.elevationDeg, 0) }}° up</span>
    </div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th>array</th>
          <th class="n">rows</th>
          <th class="n">rails</th>
          <th class="n">clamps, mid and end</th>
          <th class="n">feet</th>
          <th class="n">apart, at most</th>
          <th class="n">rows apart</th>
          <th class="n">takes</th>
          <th class="n">weight</th>
          <th>combiner</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="({ array, wanted, needs, fused }, index) in list" :key="array.id">
          <td>{{ array.name }} <span class="quiet">{{ array.site }}</span></td>
          <td class="rows">
            <NumberField
              :model-value="wanted"
              :label="`Rows of ${array.name}`"
              @update:model-value="rows[array.id] = $event ?? 1"
            />
          </td>
          <td class="n">{{ needs.rails }} × {{ prefs.show(needs.railM, 'm') }}</td>
          <td class="clamps">
            <NumberField
              :model-value="array.midClamps"
              :empty="String(needs.midClamps)"
              :label="`Clamps between modules of ${array.name}`"
              :path="`arrays.${index}.midClamps`"
              nullable
              @update:model-value="put(index, 'midClamps', $event)"
            />
            <NumberField
              :model-value="array.endClamps"
              :empty="String(needs.endClamps)"
              :label="`Clamps at the ends of ${array.name}`"
              :path="`arrays.${index}.endClamps`"
              nullable
              @update:model-value="put(index, 'endClamps', $event)"
            />
          </td>
          <td class="n">{{ needs.feet }}</td>
          <td class="apart">
            <DocumentField :path="`arrays.${index}.footSpacingM`" :of="array.name" />
          </td>
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

.clamps {
  display: flex;
  gap: 4px;
  width: 110px;
}

.apart {
  width: 84px;
}
</style>
