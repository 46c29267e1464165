<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { Trash2 } from '@lucide/vue'
import { addPump, MONTH_NAMES, removePump, wantWater } from '@ambrel/core'
import { decimal, fieldUnit } from '@ambrel/core/units'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** Pumps that run straight from modules of their own: water instead of a battery keeps what the sun gives. */
const design = useDesign()
const prefs = usePrefs()
const FIELDS = ['arrayW', 'tiltDeg', 'azimuthDeg', 'headM', 'startW', 'ratedW', 'efficiency', 'price']
const fields = (index: number) => FIELDS.map((key) => `pumps.${index}.${key}`)
const litres = (index: number, month: number) => design.derived?.pumpLitres[index]?.[month]
const isShort = (index: number, month: number) =>
  (litres(index, month) ?? Infinity) < design.document!.pumps[index].wantedLByMonth[month]
const shown = (value: number | undefined) =>
  value === undefined ? '—' : decimal(fieldUnit('L/d', prefs.units).toShown(value), 0)
</script>

<template>
  <section class="card" data-pumps>
    <div class="row">
      <h2 data-part="Pumps">Pumps on their own modules</h2>
      <p class="quiet grow">run while the sun shines, into a tank; nothing of them is asked of the bank</p>
      <button class="link" data-new-pump @click="design.change('solar pump', addPump)">a pump</button>
    </div>
    <div v-for="(pump, i) in design.document!.pumps" :key="pump.id" class="pump">
      <div class="row">
        <DocumentField class="name" :path="`pumps.${i}.name`" />
        <span class="grow" />
        <button
          class="icon-button"
          :aria-label="`Remove ${pump.name}`"
          title="Remove"
          @click="design.change(`remove ${pump.name}`, removePump(i))"
        >
          <Trash2 :size="14" />
        </button>
      </div>
      <FieldGrid :fields="fields(i)" column-width="110px" />
      <div class="months">
        <table v-stack class="sheet">
          <thead>
            <tr>
              <th>{{ fieldUnit('L/d', prefs.units).unit }}</th>
              <th v-for="name in MONTH_NAMES" :key="name" class="n">{{ name.slice(0, 3) }}</th>
            </tr>
          </thead>
          <tbody>
            <tr data-litres>
              <td>brings</td>
              <td v-for="(name, m) in MONTH_NAMES" :key="name" class="n" :class="{ short: isShort(i, m) }">
                {{ shown(litres(i, m)) }}
              </td>
            </tr>
            <tr>
              <td>wanted</td>
              <td v-for="(name, m) in MONTH_NAMES" :key="name" class="wanted">
                <DocumentField
                  :path="`pumps.${i}.wantedLByMonth.${m}`"
                  :label="`${pump.name}, water wanted in ${name}`"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <button
        v-if="pump.wantedLByMonth.some((each) => each !== pump.wantedLByMonth[0])"
        class="link"
        @click="design.change('water wanted', wantWater(i, pump.wantedLByMonth[0]))"
      >
        the same all year, as in {{ MONTH_NAMES[0] }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.pump {
  padding: 8px 0 4px;
}

.pump + .pump {
  margin-top: 8px;
  border-top: 1px solid var(--rule);
}

.name {
  width: 220px;
  margin-bottom: 6px;
  font-weight: 600;
}

.months {
  overflow-x: auto;
  margin-top: 8px;
}

.months td,
.months th {
  padding-right: 3px;
}

.wanted {
  min-width: 52px;
}

.wanted :deep(.box) {
  padding: 0 4px;
}

.wanted :deep(.unit) {
  display: none;
}

.short {
  color: var(--clay);
  font-weight: 600;
}
</style>
