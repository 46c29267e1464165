<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  absorptionV,
  bankNominalV,
  BANK_VOLTAGES,
  BATTERY,
  changesBeside,
  CHEMISTRIES,
  type BatteryPart,
  type Bank,
  type ChemistryChoice as Choice,
  takeBattery,
  takeChemistry,
  takeVoltage,
  voltagesFor,
} from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import DocumentField from '../../fields/DocumentField.vue'
import FieldFold from '../../fields/FieldFold.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
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
/** another voltage moves other parts too: it says which, and asks */
const asked = ref<Bank['systemV'] | null>(null)
const beside = computed(() =>
  asked.value === null ? [] : changesBeside(design.document!, takeVoltage(asked.value)(design.document!)),
)
watch(
  () => bank.value.systemV,
  () => (asked.value = null),
)
function setVoltage(systemV: Bank['systemV']): void {
  asked.value = systemV === bank.value.systemV ? null : systemV
}
function takeAsked(): void {
  design.change(`${asked.value} V bank`, takeVoltage(asked.value!))
}

const setChemistry = (chemistry: BatteryPart['chemistry']) =>
  design.change(`${CHEMISTRIES[chemistry].name} bank`, takeChemistry(chemistry))
/** A bank of that chemistry as it was sized. */
const takeSized = ({ part, inParallel }: Choice) =>
  design.change(`${CHEMISTRIES[part.chemistry].name} bank`, takeBattery(part, inParallel))

const FIELDS: (keyof Bank)[] = ['inSeries', 'inParallel', 'autonomyDays', 'allowedDepth']
const FOLDED: (keyof Bank)[] = ['cutoffStateOfCharge', 'linkMilliohm', 'seriesM', 'linkM', 'leadM']
const fold = computed(() => ({
  name: 'bank',
  says: 'Recharge target, cut-out, absorption voltage, lengths of the cables, growth',
  fields: [
    'bank.rechargeDays',
    {
      path: 'bank.absorbV',
      label: `Absorption voltage (usual ${prefs.show(absorptionV({ ...bank.value, absorbV: null }), 'V')})`,
    },
    ...FOLDED.map((key) => `bank.${key}`),
    'growth.bankKWh',
  ],
}))
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
      <h2 class="unseen">The bank</h2>
      <ChoiceField
        :key="`${bank.systemV} ${asked}`"
        :model-value="asked ?? bank.systemV"
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
      <div v-if="asked !== null" class="asked" role="alert" data-voltage-asked>
        <p>
          <b>{{ asked }} V changes more than the voltage:</b>
        </p>
        <ul>
          <li v-for="each in beside" :key="prefs.say(each)">{{ prefs.say(each) }}</li>
        </ul>
        <el-button size="small" type="primary" data-take-voltage @click="takeAsked">Change all of it</el-button>
        <el-button size="small" @click="asked = null">Stay at {{ bank.systemV }} V</el-button>
      </div>
      <DocumentField v-for="key in FIELDS" :key="key" :path="`bank.${key}`" labelled />
      <FieldFold
        class="rest"
        :name="fold.name"
        :says="fold.says"
        :paths="fold.fields.map((field) => (typeof field === 'string' ? field : field.path))"
      >
        <FieldGrid :fields="fold.fields" column-width="150px" />
      </FieldFold>
    </section>
    <section class="card printed">
      <div class="row wrap cabling">
        <h2 class="grow" data-part="Cabling">The bank as it is cabled</h2>
        <DocumentField path="bank.takeoff" labelled />
        <DocumentField path="bank.stringFuses" labelled />
      </div>
      <template v-if="design.derived">
        <BankDrawing />
        <BankCables />
      </template>
      <p v-else class="quiet">The drawing waits until the fields marked are put right.</p>
    </section>
    <LaterParts>
      <template v-if="design.derived">
        <RestedVolts />
        <BankWear />
        <HandSheet />
      </template>
    </LaterParts>
    <LaterParts>
      <template v-if="design.derived">
        <VoltageChoice @choose="setVoltage" />
        <ChemistryChoice @take="takeSized" />
      </template>
      <BatterySheet />
    </LaterParts>
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

.cabling {
  align-items: flex-end;
  margin-bottom: 6px;
}

.rest {
  grid-column: 1 / -1;
  margin-top: 0;
}

.asked {
  grid-column: 1 / -1;
  padding: 8px 12px;
  border-left: 3px solid var(--ochre);
  background: var(--wash);
}

.asked ul {
  margin: 2px 0 8px;
  padding-left: 18px;
}
</style>
