<script setup lang="ts">
import { computed, ref } from 'vue'
import { ChevronDown, ChevronRight, Copy, Trash2 } from '@lucide/vue'
import { dailyEnergy, nextId, statedDailyEnergy, type Load } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import LoadDetail from './LoadDetail.vue'
import { BASIS_OPTIONS, PRIORITY_OPTIONS } from './words.ts'

const design = useDesign()
const prefs = usePrefs()
const loads = computed(() => design.document!.loads)
const opened = ref('')
const split = computed(() => design.document!.inverter.part.topology === 'split-phase')
const legs = computed(() => [
  { value: 'A' as const, label: 'A' },
  ...(split.value
    ? [
        { value: 'B' as const, label: 'B' },
        { value: 'AB' as const, label: '240' },
      ]
    : []),
  { value: 'DC' as const, label: 'DC' },
])

function set<K extends keyof Load>(i: number, key: K, value: Load[K] | null): void {
  design.edit(`${loads.value[i].name}: ${key}`, (draft) => (draft.loads[i][key] = value as Load[K]), `load.${i}.${key}`)
}

/** A basis brings sensible figures for what it needs, unless they are there already. */
function setBasis(i: number, basis: Load['basis']): void {
  design.edit('how it is stated', (draft) => {
    const load = draft.loads[i]
    load.basis = basis
    const wh = statedDailyEnergy({ ...load, quantity: 1, basis: 'rated' })
    if (basis === 'metered')
      Object.assign(load, {
        meteredHours: load.meteredHours ?? 168,
        meteredKWh: load.meteredKWh ?? Number(((wh * 7) / 1000).toFixed(2)),
      })
    if (basis === 'cycle')
      Object.assign(load, {
        cycleWh: load.cycleWh ?? 90,
        cycleDepth: load.cycleDepth ?? 0.8,
        cycleChargerEfficiency: load.cycleChargerEfficiency ?? 0.85,
        cyclesPerWeek: load.cyclesPerWeek ?? 7,
      })
    if (basis === 'month') load.monthKWh ??= Number(((wh * 30.4) / 1000).toFixed(1))
  })
}
function worstWh(load: Load): number | null {
  return design.derived ? dailyEnergy(load, design.derived.worstMonth) : null
}
function copy(i: number): void {
  design.edit(`copy ${loads.value[i].name}`, (draft) => {
    const from = draft.loads[i]
    draft.loads.splice(i + 1, 0, { ...structuredClone(from), id: nextId('load', draft.loads), name: `${from.name} 2` })
  })
}
</script>

<template>
  <p v-if="design.problemAt.get('loads')" class="error" role="alert">{{ design.problemAt.get('loads') }}</p>
  <div class="scroll">
    <table class="sheet loads">
      <thead>
        <tr>
          <th />
          <th>load</th>
          <th class="n">×</th>
          <th>stated by</th>
          <th class="n">running</th>
          <th class="n">hours</th>
          <th>leg</th>
          <th>priority</th>
          <th class="n">worst month</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <template v-for="(load, i) in loads" :key="load.id">
          <tr :data-load="load.id">
            <td>
              <button
                class="icon-button"
                :aria-expanded="opened === load.id"
                :aria-label="`Details of ${load.name}`"
                @click="opened = opened === load.id ? '' : load.id"
              >
                <ChevronDown v-if="opened === load.id" :size="14" /><ChevronRight v-else :size="14" />
              </button>
            </td>
            <td class="name">
              <TextField
                :model-value="load.name"
                label="Name"
                :path="`loads.${i}.name`"
                @update:model-value="set(i, 'name', $event)"
              />
            </td>
            <td class="small">
              <NumberField
                :model-value="load.quantity"
                :label="`${load.name}, how many`"
                :path="`loads.${i}.quantity`"
                @update:model-value="set(i, 'quantity', $event)"
              />
            </td>
            <td class="basis">
              <ChoiceField
                :model-value="load.basis"
                :options="BASIS_OPTIONS"
                :label="`${load.name}, stated by`"
                @update:model-value="setBasis(i, $event)"
              />
            </td>
            <td class="mid">
              <NumberField
                :model-value="load.runningW"
                unit="W"
                :label="`${load.name}, running watts`"
                :path="`loads.${i}.runningW`"
                :step="10"
                @update:model-value="set(i, 'runningW', $event)"
              />
            </td>
            <td class="mid">
              <NumberField
                v-if="load.basis === 'rated'"
                :model-value="load.hoursPerDay"
                unit="h/d"
                :label="`${load.name}, hours a day`"
                :path="`loads.${i}.hoursPerDay`"
                :step="0.5"
                @update:model-value="set(i, 'hoursPerDay', $event)"
              />
              <span v-else class="quiet">{{
                load.basis === 'metered'
                  ? `${load.meteredKWh} kWh`
                  : load.basis === 'cycle'
                    ? `${load.cyclesPerWeek} a week`
                    : `${load.monthKWh} kWh`
              }}</span>
            </td>
            <td class="leg">
              <ChoiceField
                :model-value="load.leg"
                :options="legs"
                :label="`${load.name}, leg`"
                :path="`loads.${i}.leg`"
                @update:model-value="set(i, 'leg', $event)"
              />
            </td>
            <td class="priority">
              <ChoiceField
                :model-value="load.priority"
                :options="PRIORITY_OPTIONS"
                :label="`${load.name}, priority`"
                @update:model-value="set(i, 'priority', $event)"
              />
            </td>
            <td class="n wh">{{ prefs.show(worstWh(load), 'Wh') }}</td>
            <td class="acts">
              <button class="icon-button" :aria-label="`Copy ${load.name}`" title="Copy" @click="copy(i)">
                <Copy :size="14" />
              </button>
              <button
                class="icon-button"
                :aria-label="`Remove ${load.name}`"
                title="Remove"
                @click="design.edit(`remove ${load.name}`, (d) => d.loads.splice(i, 1))"
              >
                <Trash2 :size="14" />
              </button>
            </td>
          </tr>
          <tr v-if="opened === load.id">
            <td colspan="10" class="detail"><LoadDetail :index="i" /></td>
          </tr>
        </template>
        <tr v-if="design.derived" class="own">
          <td />
          <td colspan="7">The inverter’s own draw and conversion, and the controllers: always there</td>
          <td class="n wh">
            {{
              prefs.show(
                design.derived.worked['loads.battery-day'].value - design.derived.worked['loads.worst-day'].value,
                'Wh',
              )
            }}
          </td>
          <td />
        </tr>
      </tbody>
    </table>
  </div>
  <p class="quiet"><kbd>n</kbd> adds a row</p>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

.loads td {
  padding-right: 4px;
}

.name {
  min-width: 132px;
}

.small {
  width: 44px;
}

.basis {
  min-width: 104px;
}

.mid {
  text-align: right;
  min-width: 72px;
}

.leg {
  min-width: 66px;
}

.priority {
  min-width: 112px;
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

.own td {
  padding: 6px 4px 4px 0;
  color: var(--soft);
}

.error {
  color: var(--clay);
  font-weight: 600;
}
</style>
