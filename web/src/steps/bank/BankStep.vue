<script setup lang="ts">
import { computed } from 'vue'
import {
  absorptionV,
  batteryParts,
  CHEMISTRIES,
  inverterFor,
  newBank,
  seriesFor,
  startVoltsFor,
  type BatteryPart,
  type Bank,
  type ChemistryChoice as Choice,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import BankCables from './BankCables.vue'
import BankDrawing from './BankDrawing.vue'
import BankWear from './BankWear.vue'
import BatterySheet from './BatterySheet.vue'
import ChemistryChoice from './ChemistryChoice.vue'
import HandSheet from './HandSheet.vue'
import VoltageChoice from './VoltageChoice.vue'

const design = useDesign()
const prefs = usePrefs()
const bank = computed(() => design.document!.bank)

function set<K extends keyof Bank>(key: K, value: Bank[K] | null): void {
  design.edit(`bank: ${key}`, (draft) => (draft.bank[key] = value as Bank[K]), `bank.${key}`)
}

/** A part of another chemistry brings the usual depth and cut-out of its kind. */
function takePart(part: BatteryPart): void {
  design.edit(`battery: ${part.name}`, (draft) => {
    const changed = part.chemistry !== draft.bank.part.chemistry
    draft.bank.part = part
    draft.bank.inSeries = trySeries(draft.bank.systemV, part) ?? draft.bank.inSeries
    if (changed) {
      const facts = CHEMISTRIES[part.chemistry]
      Object.assign(draft.bank, { allowedDepth: facts.depth, cutoffStateOfCharge: facts.cutoff, absorbV: null })
      draft.generator.stopStateOfCharge = facts.generatorStop
    }
  })
}

/** Another voltage takes a unit of the same chemistry that makes it, and an inverter that is made for it. */
function setVoltage(systemV: Bank['systemV']): void {
  const inverter = inverterFor(design.document!, systemV)
  design.edit(`${systemV} V bank`, (draft) => {
    const { part } = draft.bank
    const fits =
      trySeries(systemV, part) === null
        ? batteryParts.find((each) => each.chemistry === part.chemistry && trySeries(systemV, each) !== null)
        : undefined
    if (fits) draft.bank.part = structuredClone(fits)
    draft.bank.systemV = systemV
    draft.bank.inSeries = trySeries(systemV, draft.bank.part) ?? draft.bank.inSeries
    draft.bank.order = []
    draft.bank.absorbV = null
    draft.generator.startV = startVoltsFor(systemV)
    draft.inverter = structuredClone(inverter)
  })
}

function trySeries(systemV: number, part: BatteryPart): number | null {
  try {
    return seriesFor(systemV, part)
  } catch {
    return null
  }
}

const chemistries = Object.entries(CHEMISTRIES).map(([value, { name }]) => ({
  value: value as BatteryPart['chemistry'],
  label: name,
}))
const FIRST_PART: Record<BatteryPart['chemistry'], string> = {
  lfp: 'lfp-51-100',
  flooded: 'flooded-6-420',
  agm: 'agm-6-400',
  gel: 'gel-12-180',
}
function setChemistry(chemistry: BatteryPart['chemistry']): void {
  const partId =
    chemistry === 'lfp' && bank.value.systemV !== 48
      ? bank.value.systemV === 24
        ? 'lfp-25-200'
        : 'lfp-12-100'
      : FIRST_PART[chemistry]
  takePart(newBank(partId, bank.value.systemV, 1).part)
}
/** A bank of that chemistry as it was sized. */
function takeChemistry({ part, inSeries, inParallel }: Choice): void {
  design.edit(`${CHEMISTRIES[part.chemistry].name} bank`, (draft) => {
    const facts = CHEMISTRIES[part.chemistry]
    Object.assign(draft.bank, {
      part: structuredClone(part),
      inSeries,
      inParallel,
      order: [],
      weak: [],
      allowedDepth: facts.depth,
      cutoffStateOfCharge: facts.cutoff,
      absorbV: null,
    })
    draft.generator.stopStateOfCharge = Math.max(facts.generatorStop, draft.generator.startStateOfCharge + 0.05)
  })
}

const LENGTHS = [
  { key: 'seriesM' as const, label: 'Jumper in series' },
  { key: 'linkM' as const, label: 'Link between strings' },
  { key: 'leadM' as const, label: 'Main lead' },
]
const TAKEOFFS = [
  { value: 'one-end' as const, label: 'both leads at one end' },
  { value: 'opposite-corners' as const, label: 'opposite corners' },
  { value: 'equal-leads' as const, label: 'equal leads to bars' },
]
</script>

<template>
  <StepHead step="bank" :says="`${bank.inSeries} × ${bank.inParallel} of ${bank.part.name}`" />
  <div class="row wrap figures">
    <Figure id="bank.days" />
    <Figure id="bank.usable" />
    <Figure id="bank.need" />
    <Figure id="bank.surplus" />
    <Figure v-if="design.derived?.worked['bank.recharge-days']" id="bank.recharge-days" />
    <Figure id="bank.charge-rate" />
  </div>
  <div class="stack">
    <section class="card grid">
      <ChoiceField
        :model-value="bank.systemV"
        :options="[
          { value: 48, label: '48 V' },
          { value: 24, label: '24 V' },
          { value: 12, label: '12 V, existing only' },
        ]"
        label="System voltage"
        labelled
        path="bank.systemV"
        @update:model-value="setVoltage($event as 48)"
      />
      <ChoiceField
        :model-value="bank.part.chemistry"
        :options="chemistries"
        label="Chemistry"
        labelled
        @update:model-value="setChemistry"
      />
      <PartPicker
        class="wide"
        :model-value="bank.part"
        kind="battery"
        label="Unit"
        :fits="(part: BatteryPart) => part.chemistry === bank.part.chemistry"
        @update:model-value="takePart"
      />
      <NumberField
        :model-value="bank.inSeries"
        label="In series"
        labelled
        path="bank.inSeries"
        @update:model-value="set('inSeries', $event)"
      />
      <NumberField
        :model-value="bank.inParallel"
        label="Strings in parallel"
        labelled
        path="bank.inParallel"
        @update:model-value="set('inParallel', $event)"
      />
      <NumberField
        :model-value="bank.autonomyDays"
        unit="d"
        label="Days without sun wanted"
        labelled
        path="bank.autonomyDays"
        @update:model-value="set('autonomyDays', $event)"
      />
      <NumberField
        :model-value="bank.allowedDepth"
        unit="share"
        label="Depth allowed"
        labelled
        path="bank.allowedDepth"
        :step="5"
        @update:model-value="set('allowedDepth', $event)"
      />
      <NumberField
        :model-value="bank.cutoffStateOfCharge"
        unit="share"
        label="Cut-out at a charge of"
        labelled
        path="bank.cutoffStateOfCharge"
        :step="5"
        @update:model-value="set('cutoffStateOfCharge', $event)"
      />
      <NumberField
        :model-value="bank.absorbV"
        unit="V"
        :label="`Absorbs at (usual ${prefs.show(absorptionV({ ...bank, absorbV: null }), 'V')})`"
        labelled
        nullable
        path="bank.absorbV"
        :step="0.2"
        @update:model-value="set('absorbV', $event)"
      />
      <ChoiceField
        :model-value="bank.takeoff"
        :options="TAKEOFFS"
        label="Cabling"
        labelled
        @update:model-value="set('takeoff', $event)"
      />
      <NumberField
        :model-value="bank.linkMilliohm"
        unit="mΩ"
        label="Each link, resistance"
        labelled
        path="bank.linkMilliohm"
        :step="0.1"
        @update:model-value="set('linkMilliohm', $event)"
      />
      <NumberField
        v-for="length in LENGTHS"
        :key="length.key"
        :model-value="bank[length.key]"
        unit="m"
        :label="length.label"
        labelled
        :path="`bank.${length.key}`"
        :step="0.1"
        @update:model-value="set(length.key, $event)"
      />
      <label class="fuses"
        ><el-switch :model-value="bank.stringFuses" @update:model-value="set('stringFuses', $event as boolean)" /> a
        fuse per string</label
      >
    </section>
    <section class="card printed">
      <h2>The bank as it is cabled</h2>
      <template v-if="design.derived">
        <BankDrawing />
        <BankCables />
      </template>
      <p v-else class="quiet">The drawing waits until the fields marked are put right.</p>
    </section>
    <template v-if="design.derived">
      <BankWear />
      <HandSheet />
      <VoltageChoice @choose="setVoltage" />
      <ChemistryChoice @take="takeChemistry" />
    </template>
    <BatterySheet />
  </div>
</template>

<style scoped>
.figures {
  gap: 8px 30px;
  margin-bottom: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 10px 14px;
}

.wide {
  grid-column: span 2;
}

.fuses {
  align-self: end;
  font-size: 13px;
}
</style>
