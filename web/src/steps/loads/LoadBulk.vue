<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  HOUR_SHAPES,
  LOAD,
  MONTH_NAMES,
  seasonOf,
  type Leg,
  type Load,
  copyLoads,
  removeLoads,
  setDaysOfLoads,
  setHoursOfLoads,
  setOfLoads,
  setSeasonOfLoads,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import { useDesign } from '../../stores/design.ts'

/** What can be done with several loads at once; each is one step to undo. */
const props = defineProps<{ selected: ReadonlySet<string>; legs: { value: Leg; label: string }[] }>()
const emit = defineEmits<{ clear: [] }>()
const design = useDesign()
const count = computed(() => props.selected.size)
const room = ref('')
/** the lists stand on this until something is chosen */
const NOTHING = { value: '' as const, label: 'change …' }
const MOVABLE = [
  { value: 'yes' as const, label: 'yes' },
  { value: 'no' as const, label: 'no' },
]

function setAll<K extends keyof Load>(label: string, key: K, value: Load[K]): void {
  design.change(`${count.value} loads: ${label}`, setOfLoads(props.selected, key, value))
}
const DAYS = { any: null, work: [1, 1, 1, 1, 1, 0, 0], end: [0, 0, 0, 0, 0, 1, 1] }
const DAY_WORDS: { value: keyof typeof DAYS; label: string }[] = [
  { value: 'any', label: 'every day' },
  { value: 'work', label: 'Monday to Friday' },
  { value: 'end', label: 'Saturday and Sunday' },
]
/** the seven months the winter is told by at this place, and the other five */
const seasons = computed<{ value: 'year' | 'winter' | 'summer'; label: string }[]>(() => {
  const { months } = seasonOf(design.document!.place)
  const name = (month: number) => MONTH_NAMES[(month + 12) % 12]
  return [
    { value: 'year', label: 'all year' },
    { value: 'winter', label: `${name(months[0])} to ${name(months.at(-1)!)} only` },
    { value: 'summer', label: `${name(months.at(-1)! + 1)} to ${name(months[0] - 1)} only` },
  ]
})
const SHAPES = Object.entries(HOUR_SHAPES).map(([value, { name }]) => ({ value, label: name }))
/** How many of them have hours to state at all. */
const rated = computed(
  () => design.document!.loads.filter(({ id, basis }) => basis === 'rated' && props.selected.has(id)).length,
)
function setHours(hours: number | null): void {
  if (hours !== null) design.change(`${rated.value} loads: hours a day`, setHoursOfLoads(props.selected, hours))
}
function setRoom(): void {
  if (room.value.trim()) setAll('room', 'room', room.value.trim().slice(0, 80))
  room.value = ''
}
function duplicate(): void {
  design.change(`copy ${count.value} loads`, copyLoads(props.selected))
}
function remove(): void {
  design.change(`remove ${count.value} loads`, removeLoads(props.selected))
  emit('clear')
}
</script>

<template>
  <div class="bulk" role="group" :aria-label="`${count} loads selected`" data-bulk>
    <b>{{ count }} selected</b>
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...LOAD.priority.options]"
      label="Priority"
      labelled
      @update:model-value="$event !== '' && setAll('priority', 'priority', $event)"
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...legs]"
      label="Leg"
      labelled
      @update:model-value="$event !== '' && setAll('leg', 'leg', $event)"
    />
    <NumberField
      v-if="rated > 0"
      :key="[...selected].join()"
      class="hours"
      :model-value="null"
      unit="h/d"
      nullable
      empty="change …"
      :label="rated === count ? 'Hours a day' : `Hours a day, of ${rated}`"
      labelled
      help-path="loads.0.hoursPerDay"
      @update:model-value="setHours"
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...DAY_WORDS]"
      label="Days"
      labelled
      @update:model-value="
        $event !== '' && design.change(`${count} loads: days`, setDaysOfLoads(selected, DAYS[$event]))
      "
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...SHAPES]"
      label="Hours of the day"
      labelled
      @update:model-value="$event !== '' && setAll('hours of the day', 'hourShape', [...HOUR_SHAPES[$event].weights])"
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...seasons]"
      label="Season"
      labelled
      @update:model-value="$event !== '' && design.change(`${count} loads: season`, setSeasonOfLoads(selected, $event))"
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...MOVABLE]"
      label="Into the sun"
      labelled
      @update:model-value="$event !== '' && setAll('movable', 'movable', $event === 'yes')"
    />
    <ChoiceField
      model-value=""
      :options="[NOTHING, ...LOAD.supply.options]"
      label="Carried by"
      labelled
      @update:model-value="$event !== '' && setAll('carried by', 'supply', $event)"
    />
    <label class="room"
      >Room <input v-model="room" placeholder="change …" aria-label="Room of the selected loads" @change="setRoom"
    /></label>
    <button class="link" @click="duplicate">duplicate</button>
    <button class="link" @click="remove">remove</button>
    <button class="link" @click="emit('clear')">deselect</button>
  </div>
</template>

<style scoped>
.bulk {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 12px;
  margin-bottom: 6px;
  padding: 6px 10px 8px;
  border-left: 3px solid var(--spruce);
  background: var(--wash);
}

.hours {
  width: 96px;
}

.bulk :deep(select) {
  min-width: 96px;
}

.room {
  color: var(--soft);
  font-size: 12.5px;
}

.room input {
  display: block;
  width: 96px;
  height: var(--target);
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--card);
  color: var(--ink);
  font: 14px var(--text);
}
</style>
