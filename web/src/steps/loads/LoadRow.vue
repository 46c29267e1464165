<script setup lang="ts">
import { computed } from 'vue'
import { ChevronDown, ChevronRight, Copy, GripVertical, Trash2 } from '@lucide/vue'
import { LOAD, dailyEnergy, loadInWeek, type Leg, type Load, setBasis, setField } from '@ambrel/core'
import { editOf } from '../../fields/told.ts'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import LoadDetail from './LoadDetail.vue'

/** One load. It is drawn anew only when its own load changed: the others are the same objects as before. */
const props = defineProps<{
  load: Load
  index: number
  legs: { value: Leg; label: string }[]
  opened: boolean
  selected: boolean
  fixed: boolean
}>()
const emit = defineEmits<{ open: []; select: [shift: boolean]; copy: []; remove: []; move: [by: number] }>()
const design = useDesign()
const prefs = usePrefs()
const path = (key: string) => `loads.${props.index}.${key}`
const worstWh = computed(() =>
  design.derived ? dailyEnergy(loadInWeek(props.load, design.document!.household), design.derived.worstMonth) : null,
)

function set<K extends keyof Load>(key: K, value: Load[K] | null): void {
  design.change(editOf(design.document!, path(key)), setField(path(key), value), path(key))
}

/** what the other bases rest on; the whole of it in the title */
const stated = computed(() => {
  const { basis, meteredKWh, meteredHours, strip, stripShare, cyclesPerWeek, monthKWh } = props.load
  if (basis === 'strip')
    return {
      short: `${Math.round(stripShare * 100)} % of it`,
      long: `${Math.round(stripShare * 100)} % of ${meteredKWh} kWh in ${meteredHours} h on ${strip}`,
    }
  if (basis === 'metered')
    return { short: `${meteredKWh} kWh`, long: `${meteredKWh} kWh on the meter in ${meteredHours} h` }
  if (basis === 'cycle') return { short: `${cyclesPerWeek} a week`, long: `charged ${cyclesPerWeek} times a week` }
  return { short: `${monthKWh} kWh`, long: `${monthKWh} kWh a month` }
})
/** the leg that was named stays in sight where this inverter does not have it */
const legsNow = computed(() => {
  const { leg } = props.load
  if (props.legs.some(({ value }) => value === leg)) return props.legs
  return [...props.legs, { value: leg, label: `${leg === 'AB' ? '240' : leg} ?` }]
})
const SUPPLY_WORDS = { propane: 'on propane', out: 'taken out' }
</script>

<template>
  <tbody
    class="load"
    :class="{ selected, away: load.supply !== 'electric' }"
    :data-load="load.id"
    @keydown.alt.up.prevent="emit('move', -1)"
    @keydown.alt.down.prevent="emit('move', 1)"
  >
    <tr>
      <td class="tools">
        <span v-if="!fixed" class="grip" title="Drag to reorder; Alt ↑ and Alt ↓ do the same"
          ><GripVertical :size="13"
        /></span>
        <input
          type="checkbox"
          :checked="selected"
          :aria-label="`Select ${load.name}`"
          @click="emit('select', ($event as MouseEvent).shiftKey)"
        />
        <button
          class="icon-button"
          :aria-expanded="opened"
          :aria-label="`Details of ${load.name}`"
          @click="emit('open')"
        >
          <ChevronDown v-if="opened" :size="14" /><ChevronRight v-else :size="14" />
        </button>
      </td>
      <td class="name">
        <TextField
          :model-value="load.name"
          label="Name"
          :path="path('name')"
          @update:model-value="set('name', $event)"
        />
      </td>
      <td class="small">
        <NumberField
          :model-value="load.quantity"
          :label="`${load.name}, how many`"
          :path="path('quantity')"
          @update:model-value="set('quantity', $event)"
        />
      </td>
      <td class="basis" :class="{ guess: load.basis === 'rated' }">
        <ChoiceField
          :model-value="load.basis"
          :options="LOAD.basis.options"
          :label="`${load.name}, stated by`"
          @update:model-value="design.change('how it is stated', setBasis(load.id, $event))"
        />
      </td>
      <td class="mid">
        <NumberField
          :model-value="load.runningW"
          unit="W"
          :label="`${load.name}, running watts`"
          :path="path('runningW')"
          :step="10"
          @update:model-value="set('runningW', $event)"
        />
      </td>
      <td class="mid">
        <NumberField
          v-if="load.basis === 'rated'"
          :model-value="load.hoursPerDay"
          unit="h/d"
          :label="`${load.name}, hours a day`"
          :path="path('hoursPerDay')"
          :step="0.5"
          @update:model-value="set('hoursPerDay', $event)"
        />
        <span v-else class="quiet" :title="stated.long">{{ stated.short }}</span>
      </td>
      <td class="leg">
        <ChoiceField
          :model-value="load.leg"
          :options="legsNow"
          :label="`${load.name}, leg`"
          :path="path('leg')"
          @update:model-value="set('leg', $event)"
        />
      </td>
      <td class="priority">
        <ChoiceField
          :model-value="load.priority"
          :options="LOAD.priority.options"
          :label="`${load.name}, priority`"
          @update:model-value="set('priority', $event)"
        />
      </td>
      <td class="n wh">
        <template v-if="load.supply === 'electric'">{{ prefs.show(worstWh, 'Wh') }}</template>
        <template v-else>
          {{ SUPPLY_WORDS[load.supply] }}
          <button class="link" @click="set('supply', 'electric')">back</button>
        </template>
      </td>
      <td class="acts">
        <button class="icon-button" :aria-label="`Copy ${load.name}`" title="Copy" @click="emit('copy')">
          <Copy :size="14" />
        </button>
        <button class="icon-button" :aria-label="`Remove ${load.name}`" title="Remove" @click="emit('remove')">
          <Trash2 :size="14" />
        </button>
      </td>
    </tr>
    <tr v-if="opened">
      <td colspan="10" class="detail"><LoadDetail :load="load" :index="index" /></td>
    </tr>
  </tbody>
</template>

<style scoped>
td {
  padding: 3px 4px 3px 0;
}

.tools {
  width: 64px;
  white-space: nowrap;
}

.grip {
  color: var(--soft);
  cursor: grab;
  vertical-align: middle;
}

.tools input {
  width: 14px;
  height: 14px;
  margin: 5px;
  vertical-align: middle;
}

.tools .icon-button {
  min-width: 24px;
  padding: 0 2px;
  vertical-align: middle;
}

.selected tr:first-child {
  background: var(--wash);
}

.away {
  opacity: 0.62;
}

.guess :deep(select) {
  border-style: dashed;
}

.name {
  min-width: 112px;
}

.small {
  min-width: 40px;
}

.small :deep(.box),
.mid :deep(.box) {
  padding: 0 4px;
}

.basis {
  min-width: 104px;
}

.mid {
  text-align: right;
  min-width: 70px;
}

.leg {
  min-width: 62px;
}

.priority {
  min-width: 102px;
}

.wh {
  padding-top: 7px !important;
}

.acts {
  white-space: nowrap;
}

.acts .icon-button {
  min-width: 24px;
  padding: 0 2px;
}

.detail {
  padding: 8px 12px 14px 34px !important;
  background: var(--wash);
}

@media (max-width: 900px) {
  .name {
    min-width: 110px;
  }
}

/* where the row is a block, its name has a line of its own */
@media (max-width: 700px) {
  tr > .name {
    grid-column: 1 / -1;
  }

  .tools .icon-button,
  .acts .icon-button {
    min-width: var(--target);
  }
}
</style>
