<script setup lang="ts">
import { computed } from 'vue'
import {
  absorptionV,
  bankNominalV,
  BANK_VOLTAGES,
  BATTERY,
  CHEMISTRIES,
  type BatteryPart,
  type Bank,
  type ChemistryChoice as Choice,
  takeBattery,
  takeChemistry,
  takeVoltage,
  voltagesFor,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import DocumentField from '../../fields/DocumentField.vue'
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
import RestedVolts from './RestedVolts.vue'
import VoltageChoice from './VoltageChoice.vue'

const design = useDesign()
const prefs = usePrefs()
const bank = computed(() => design.document!.bank)

/** A figure of the bank in ampere-hours at its nominal volts, as labels and monitors count. */
const ampHours = (id: string) => prefs.show((design.derived?.worked[id]?.value ?? 0) / bankNominalV(bank.value), 'Ah')

const takePart = (part: BatteryPart) => design.change(`battery: ${part.name}`, takeBattery(part))
/** one the shelf has no inverter for is not offered, but where it is typed in a file it is shown */
const voltages = computed(() =>
  BANK_VOLTAGES.filter(({ value }) => value === bank.value.systemV || voltagesFor(design.document!).includes(value)),
)
const setVoltage = (systemV: Bank['systemV']) => design.change(`${systemV} V bank`, takeVoltage(systemV))

const setChemistry = (chemistry: BatteryPart['chemistry']) =>
  design.change(`${CHEMISTRIES[chemistry].name} bank`, takeChemistry(chemistry))
/** A bank of that chemistry as it was sized. */
const takeSized = ({ part, inParallel }: Choice) =>
  design.change(`${CHEMISTRIES[part.chemistry].name} bank`, takeBattery(part, inParallel))

const FIELDS: (keyof Bank)[] = [
  'inSeries',
  'inParallel',
  'autonomyDays',
  'rechargeDays',
  'allowedDepth',
  'cutoffStateOfCharge',
  'absorbV',
  'takeoff',
  'linkMilliohm',
  'seriesM',
  'linkM',
  'leadM',
  'stringFuses',
]
const fields = computed(() => [
  ...FIELDS.map((key) => ({
    path: `bank.${key}`,
    label:
      key === 'absorbV'
        ? `Absorbs at (usual ${prefs.show(absorptionV({ ...bank.value, absorbV: null }), 'V')})`
        : undefined,
  })),
  { path: 'growth.bankKWh', label: undefined },
])
</script>

<template>
  <StepHead step="bank" :says="`${bank.inSeries} × ${bank.inParallel} of ${bank.part.name}`" />
  <div class="row wrap figures">
    <Figure id="bank.days" />
    <Figure v-if="design.derived?.worked['bank.days-must']" id="bank.days-must" />
    <Figure id="bank.usable" :beside="ampHours('bank.usable')" />
    <Figure id="bank.rated" :beside="ampHours('bank.rated')" />
    <Figure id="bank.need" :beside="ampHours('bank.need')" />
    <Figure id="bank.surplus" />
    <Figure v-if="design.derived?.worked['bank.recharge-days']" id="bank.recharge-days" />
    <Figure id="bank.charge-rate" />
  </div>
  <div class="stack">
    <section class="card grid">
      <ChoiceField
        :model-value="bank.systemV"
        :options="voltages"
        label="System voltage"
        labelled
        path="bank.systemV"
        @update:model-value="setVoltage"
      />
      <ChoiceField
        :model-value="bank.part.chemistry"
        :options="BATTERY.chemistry.options"
        label="Chemistry"
        labelled
        path="bank.part.chemistry"
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
      <DocumentField v-for="field in fields" :key="field.path" v-bind="field" labelled />
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
      <RestedVolts />
      <BankWear />
      <HandSheet />
      <VoltageChoice @choose="setVoltage" />
      <ChemistryChoice @take="takeSized" />
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
</style>
