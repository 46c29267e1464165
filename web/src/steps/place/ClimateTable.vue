<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed } from 'vue'
import { climateOf, MONTH_NAMES, type Design, setField, setMonth } from '@ambrel/core'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

type Month = Design['place']['monthly'][number]
const ROWS: { key: keyof Month; label: string; unit: string; step: number }[] = [
  { key: 'ghiKWhM2Day', label: 'Sun on the level, kWh/m² a day', unit: '', step: 0.1 },
  { key: 'meanC', label: 'Mean', unit: '°C', step: 0.5 },
  { key: 'minC', label: 'Mean of minima', unit: '°C', step: 0.5 },
  { key: 'maxC', label: 'Mean of maxima', unit: '°C', step: 0.5 },
  { key: 'snowfallCm', label: 'Snowfall, cm', unit: '', step: 1 },
]
const design = useDesign()
const prefs = usePrefs()
const emit = defineEmits<{ pasteBlock: [text: string] }>()
const place = computed(() => design.document!.place)
/** imported hours bring rows of their own, which are only read */
const own = computed(() => place.value.source === 'monthly')
const rows = computed(() => climateOf(place.value))
/** A block of cells goes to the dialog that understands it; a single figure into its field. */
function paste(event: ClipboardEvent): void {
  const text = event.clipboardData?.getData('text/plain') ?? ''
  if (!own.value || !/[\t\n]/.test(text.trim())) return
  event.preventDefault()
  emit('pasteBlock', text)
}
const worst = computed(() => design.derived?.worstMonth ?? -1)

function set(month: number, key: keyof Month, value: number | null): void {
  design.change(`${MONTH_NAMES[month]} ${key}`, setMonth(month, key, value as number), `monthly.${month}.${key}`)
}
function setPersistence(month: number, value: number | null): void {
  design.change(
    `${MONTH_NAMES[month]} persistence`,
    setField(`place.persistence.${month}`, value),
    `persistence.${month}`,
  )
}
</script>

<template>
  <div class="scroll" @paste="paste">
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th><span class="unseen">by month</span></th>
          <th v-for="(name, m) in MONTH_NAMES" :key="name" class="n" :class="{ worst: m === worst }">{{ name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in ROWS" :key="row.key">
          <td class="label">
            {{ row.label }}<template v-if="row.unit">, {{ prefs.units === 'imperial' ? '°F' : row.unit }}</template>
          </td>
          <td v-for="(month, m) in rows.monthly" :key="m" class="cell unitless">
            <span v-if="!own" class="fixed">{{ prefs.show(month[row.key], row.unit).replace(/ °[CF]$/, '') }}</span>
            <NumberField
              v-else
              :model-value="month[row.key]"
              :unit="row.unit"
              :label="`${MONTH_NAMES[m]}, ${row.label}`"
              :path="`place.monthly.${m}.${row.key}`"
              :step="row.step"
              @update:model-value="set(m, row.key, $event)"
            />
          </td>
        </tr>
        <tr>
          <td
            class="label"
            title="How strongly a dull day is followed by another: 0.3 changeable, 0.6 and over sits for weeks"
          >
            Persistence of dull and bright
          </td>
          <td v-for="(value, m) in rows.persistence" :key="m" class="cell">
            <span v-if="!own" class="fixed">{{ prefs.show(value, '') }}</span>
            <NumberField
              v-else
              :model-value="value"
              :label="`${MONTH_NAMES[m]}, persistence`"
              :path="`place.persistence.${m}`"
              :step="0.05"
              @update:model-value="setPersistence(m, $event)"
            />
          </td>
        </tr>
        <tr v-if="design.derived">
          <td class="label">Sun on the array, h a day</td>
          <td v-for="(hours, m) in design.derived.sunHours" :key="m" class="n sun" :class="{ worst: m === worst }">
            {{ prefs.show(hours, '') }}
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

.label {
  min-width: 120px;
  font-size: 13px;
  line-height: 1.2;
  vertical-align: middle !important;
}

.cell {
  min-width: 50px;
  padding-right: 3px !important;
}

.unitless :deep(.unit) {
  display: none;
}

.cell :deep(.box) {
  padding: 0 4px;
}

.fixed {
  display: block;
  padding: 0 4px;
  text-align: right;
}

.worst {
  color: var(--clay) !important;
  font-weight: 600 !important;
}
</style>
