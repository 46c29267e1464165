<script setup lang="ts">
import { computed } from 'vue'
import { Trash2 } from '@lucide/vue'
import {
  CONTROLLER,
  controllerWatts,
  isBuiltIn,
  outputOf,
  type ControllerPart,
  removeController,
  setControllerKind,
  setField,
  takeController,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import PartPicker from '../../fields/PartPicker.vue'
import TextField from '../../fields/TextField.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

const props = defineProps<{ index: number }>()
const design = useDesign()
const prefs = usePrefs()
const controller = computed(() => design.document!.controllers[props.index])
const feedsAc = computed(() => controller.value.part.kind === 'ac-coupled')
const passes = computed(() => controllerWatts(design.document!, outputOf(controller.value)))
const FIELDS = Object.keys(CONTROLLER).filter(
  (key) => !['id', 'name', 'kind', 'estimated'].includes(key),
) as (keyof ControllerPart)[]
const FOR_AC: (keyof ControllerPart)[] = ['outputAcW']
const FOR_BUS: (keyof ControllerPart)[] = ['outputA', 'aboveBankV', 'startAboveBankV']
const fields = computed(() =>
  FIELDS.filter((key) => (FOR_AC.includes(key) ? feedsAc.value : FOR_BUS.includes(key) ? !feedsAc.value : true))
    .map((key) => `controllers.${props.index}.part.${key}`)
    .concat(feedsAc.value ? [] : `controllers.${props.index}.chargeLimitA`),
)
/** What an AC-coupled one gives is in watts, at first what its amps would be at 240 V. */
function setKind(kind: ControllerPart['kind']): void {
  design.change('kind of controller', setControllerKind(props.index, kind))
}
</script>

<template>
  <section class="card">
    <h2 v-if="index === 0" class="unseen">Controllers</h2>
    <div class="row head">
      <TextField
        class="name"
        :model-value="controller.name"
        label="Controller name"
        :path="`controllers.${index}.name`"
        @update:model-value="design.change('controller name', setField(`controllers.${index}.name`, $event))"
      />
      <PartPicker
        class="picker"
        :model-value="controller.part"
        kind="controller"
        label="Part"
        @update:model-value="
          design.change(`controller: ${$event.name}`, takeController(index, $event as ControllerPart))
        "
      />
      <ChoiceField
        :model-value="controller.part.kind"
        :options="CONTROLLER.kind.options"
        label="Kind"
        labelled
        @update:model-value="setKind($event as ControllerPart['kind'])"
      />
      <span class="grow" />
      <button
        class="icon-button"
        :aria-label="`Remove ${controller.name}`"
        title="Remove"
        @click="design.change(`remove ${controller.name}`, removeController(index))"
      >
        <Trash2 :size="14" />
      </button>
    </div>
    <FieldGrid :fields="fields" column-width="108px" />
    <p v-if="feedsAc" class="quiet">
      Feeds the house directly; what is over charges the bank through the inverter’s charger. While a backup runs it is
      held off. The inverter must be made for it and carry at least its rating.
    </p>
    <p v-else class="quiet">
      <template v-if="isBuiltIn(design.document!, controller)"
        >Part of {{ design.document!.inverter.part.name }}: the unit’s own battery cable, breaker and disconnect serve
        it too. </template
      >Passes
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
</style>
