<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import { controllerWatts, type ControllerPart } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

const props = defineProps<{ index: number }>()
const design = useDesign()
const prefs = usePrefs()
const KINDS = [
  { value: 'tracker' as const, label: 'tracks' },
  { value: 'pulse-width' as const, label: 'pulse-width' },
]
const passes = computed(() => controllerWatts(design.document!, controller.value.part.outputA))
const controller = computed(() => design.document!.controllers[props.index])
type Numeric = { [K in keyof ControllerPart]: ControllerPart[K] extends number ? K : never }[keyof ControllerPart]
const FIELDS: { key: Numeric; label: string; unit: string; step?: number }[] = [
  { key: 'maxInputV', label: 'Destroyed above', unit: 'V' },
  { key: 'startV', label: 'Starts from', unit: 'V' },
  { key: 'trackers', label: 'Trackers', unit: '' },
  { key: 'minTrackV', label: 'Tracks from', unit: 'V' },
  { key: 'maxTrackV', label: 'Tracks up to', unit: 'V' },
  { key: 'maxInputA', label: 'Input, at most', unit: 'A' },
  { key: 'outputA', label: 'Output', unit: 'A' },
  { key: 'efficiency', label: 'Efficiency', unit: 'share' },
  { key: 'selfW', label: 'Own draw', unit: 'W', step: 0.5 },
  { key: 'price', label: 'Price', unit: '' },
]
</script>

<template>
  <section class="card">
    <div class="row head">
      <TextField
        class="name"
        :model-value="controller.name"
        label="Controller name"
        :path="`controllers.${index}.name`"
        @update:model-value="design.edit('controller name', (d) => (d.controllers[index].name = $event))"
      />
      <PartPicker
        class="picker"
        :model-value="controller.part"
        kind="controller"
        label="Part"
        @update:model-value="
          design.edit(`controller: ${$event.name}`, (d) => (d.controllers[index].part = $event as ControllerPart))
        "
      />
      <span class="grow" />
      <button
        class="icon-button"
        :aria-label="`Remove ${controller.name}`"
        title="Remove"
        @click="design.edit(`remove ${controller.name}`, (d) => d.controllers.splice(index, 1))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
    <div class="grid">
      <ChoiceField
        :model-value="controller.part.kind"
        :options="KINDS"
        label="Kind"
        labelled
        @update:model-value="design.edit('kind of controller', (d) => (d.controllers[index].part.kind = $event))"
      />
      <NumberField
        v-for="field in FIELDS"
        :key="field.key"
        :model-value="controller.part[field.key]"
        :unit="field.unit"
        :label="field.label"
        labelled
        :path="`controllers.${index}.part.${field.key}`"
        :step="field.step ?? 1"
        @update:model-value="
          design.edit(
            field.label,
            (d) => (d.controllers[index].part[field.key] = $event!),
            `controllers.${index}.${field.key}`,
          )
        "
      />
    </div>
    <p class="quiet">
      Passes
      <template v-for="(each, i) in passes" :key="each.volts"
        >{{ i > 0 ? ', ' : '' }}{{ prefs.show(each.watts, 'W') }} at {{ each.volts }} V</template
      >.
    </p>
  </section>
</template>

<style scoped>
.head {
  align-items: flex-end;
  margin-bottom: 8px;
}

.name {
  width: 180px;
}

.picker {
  width: 290px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(108px, 1fr));
  gap: 8px 12px;
}
</style>
