<script setup lang="ts">
import { computed } from 'vue'
import {
  CHEMISTRIES,
  runningCost,
  type BackupKind,
  type Generator,
  type GeneratorPart,
  setField,
  takeBackup,
} from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import type { GridField } from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import BackupYear from './BackupYear.vue'
import SourcesCard from './SourcesCard.vue'

const design = useDesign()
const prefs = usePrefs()
const generator = computed(() => design.document!.generator)
const currency = computed(() => design.document!.budget.currency)
const winter = computed(() => design.winterSummary)
const cost = computed(() => (winter.value ? runningCost(winter.value.median, generator.value).money : null))
const equalises = computed(() => CHEMISTRIES[design.document!.bank.part.chemistry].equaliseV !== null)

const KINDS: { value: 'none' | BackupKind; label: string }[] = [
  { value: 'none', label: 'none' },
  { value: 'generator', label: 'a generator' },
  { value: 'shore', label: 'shore or grid power' },
  { value: 'vehicle', label: 'a vehicle, now and then' },
]
const kind = computed(() => (generator.value.present ? generator.value.kind : 'none'))
function setKind(to: 'none' | BackupKind): void {
  design.change('backup', takeBackup(to))
}
const FUELS = [
  { value: 'petrol', label: 'petrol' },
  { value: 'propane', label: 'propane' },
  { value: 'natural-gas', label: 'natural gas' },
  { value: 'diesel', label: 'diesel' },
]
const CHARGERS = [
  { value: 'inverter', label: 'the inverter’s, house passed on' },
  { value: 'separate', label: 'one of its own, bank only' },
]
const at = (key: keyof Generator) => `generator.${key}`
const power = computed<GridField[]>(() => {
  const charger: GridField[] = [
    { path: at('charger'), label: 'Charger', options: CHARGERS },
    ...(generator.value.charger === 'separate'
      ? [
          { path: at('separateChargerA'), label: 'Its current', unit: 'A' },
          { path: at('separateChargerEfficiency'), label: 'Its efficiency', unit: 'share' },
        ]
      : []),
    { path: at('chargeLimitA'), label: 'Set to (empty: all)', unit: 'A', nullable: true, step: 5 },
  ]
  switch (generator.value.kind) {
    default:
      return [
        { path: 'generator.part.fuel', label: 'Fuel', options: FUELS },
        { path: 'generator.part.ratedW', label: 'Rating, sea level', unit: 'W', step: 100 },
        { path: at('loadShareLimit'), label: 'Planned load, at most', unit: 'share', step: 5 },
        { path: at('warmUpMin'), label: 'Warms up for', unit: 'min' },
        ...charger,
      ]
    case 'shore':
      return [
        { path: at('cordA'), label: 'The cord carries', unit: 'A' },
        { path: at('cordV'), label: 'at', unit: 'V' },
        { path: at('pricePerKWh'), label: 'Energy price', unit: `${currency.value}/kWh`, step: 0.05 },
        ...charger,
      ]
    case 'vehicle':
      return [
        { path: at('vehicleA'), label: 'Current into the bank', unit: 'A' },
        { path: at('vehicleLPerH'), label: 'Fuel while it idles', unit: 'L/h', step: 0.1 },
        { path: at('chargeLimitA'), label: 'Limited to', unit: 'A', nullable: true },
      ]
  }
})
const STARTS = [
  { value: 'charge', label: 'by state of charge' },
  { value: 'voltage', label: 'by voltage, held low' },
  { value: 'morning', label: 'by hand in the morning' },
]
const starting = computed<GridField[]>(() => [
  { path: at('startBy'), label: 'Starts', options: STARTS },
  ...(generator.value.startBy === 'voltage'
    ? [
        { path: at('startV'), label: 'below, under load', unit: 'V', step: 0.2 },
        { path: at('holdMin'), label: 'held for', unit: 'min', step: 15 },
      ]
    : [{ path: at('startStateOfCharge'), label: 'at a charge of', unit: 'share' }]),
  ...(generator.value.startBy === 'morning' ? [{ path: at('morningH'), label: 'looked at, at', unit: 'h' }] : []),
  { path: at('stopStateOfCharge'), label: 'Stops at', unit: 'share' },
  { path: at('minRunH'), label: 'Runs at least', unit: 'h' },
  { path: at('maxRunH'), label: 'Runs at most', unit: 'h' },
  { path: at('restDays'), label: 'Days between runs', unit: 'd' },
  { path: at('quietFromH'), label: 'No starts from', unit: 'h' },
  { path: at('quietToH'), label: 'until', unit: 'h' },
])
const care = computed<GridField[]>(() => [
  ...(generator.value.kind === 'vehicle'
    ? []
    : [
        { path: at('fullChargeEveryDays'), label: 'Full charge every', unit: 'd', nullable: true },
        ...(equalises.value
          ? [
              { path: at('equaliseEveryDays'), label: 'Equalise every', unit: 'd', nullable: true },
              { path: at('equaliseH'), label: 'for', unit: 'h', step: 0.5 },
            ]
          : []),
      ]),
  ...(generator.value.kind === 'generator'
    ? [
        { path: at('exerciseEveryDays'), label: 'Exercise every', unit: 'd', nullable: true },
        { path: at('exerciseMin'), label: 'for', unit: 'min', step: 5 },
        { path: at('oilEveryH'), label: 'Oil every', unit: 'h', step: 10 },
        { path: at('fuelPricePerL'), label: 'Fuel price', unit: `${currency.value}/L`, step: 0.05 },
        { path: at('fuelTripDays'), label: 'Days between fuel trips', unit: 'd' },
        { path: at('tankL'), label: 'Fuel stored', unit: 'L', nullable: true, step: 10 },
      ]
    : []),
  ...(generator.value.kind === 'vehicle'
    ? [{ path: at('fuelPricePerL'), label: 'Fuel price', unit: `${currency.value}/L`, step: 0.05 }]
    : []),
])
const limit = computed(() => Math.floor(design.derived?.worked['generator.charge-limit']?.value ?? 0))
</script>

<template>
  <StepHead step="generator" says="how big, when does it start, how much fuel?" />
  <div v-if="generator.present" class="row wrap figures">
    <Figure :value="prefs.show(winter?.median.generatorHours, 'h')" label="typical year" />
    <Figure :value="prefs.show(winter?.oneInTen.generatorHours, 'h')" label="1 year in 10" />
    <Figure :value="cost === null ? '—' : `${prefs.show(cost, '')} ${currency}`" label="to run it, typical" />
    <Figure id="generator.power" />
    <Figure v-if="kind !== 'vehicle'" id="generator.load-share" />
    <Figure id="generator.refill-hours" />
    <Figure v-if="kind !== 'shore'" id="generator.fuel-hour" />
  </div>
  <div class="stack">
    <section class="card">
      <div class="row wrap head">
        <ChoiceField
          class="kind"
          :model-value="kind"
          :options="KINDS"
          label="Backup"
          labelled
          @update:model-value="setKind"
        />
        <PartPicker
          v-if="kind === 'generator'"
          class="part"
          :model-value="generator.part"
          kind="generator"
          label="Set"
          @update:model-value="
            design.change(`generator: ${$event.name}`, setField('generator.part', $event as GeneratorPart))
          "
        />
        <p v-if="kind === 'none'" class="quiet">
          None is a full answer: the winter run then shows what goes short, and how often.
        </p>
      </div>
      <template v-if="generator.present">
        <h3>What it gives</h3>
        <FieldGrid :fields="power" />
        <p v-if="limit > 0 && generator.chargeLimitA !== limit" class="quiet">
          Set to {{ limit }} A the charger brings it to seventy per cent while charging, or to all it has.
          <button
            class="link"
            data-charge-limit
            @click="design.change('charger setting', setField('generator.chargeLimitA', limit))"
          >
            set it
          </button>
        </p>
        <h3>When it runs</h3>
        <FieldGrid :fields="starting" />
        <template v-if="care.length > 0">
          <h3>Care and fuel</h3>
          <FieldGrid :fields="care" />
        </template>
      </template>
    </section>
    <BackupYear v-if="generator.present && winter" :winter="winter" />
    <SourcesCard />
  </div>
</template>

<style scoped>
.figures {
  gap: 26px;
  margin-bottom: 12px;
}

.head {
  align-items: flex-end;
}

.kind {
  width: 220px;
}

.part {
  width: 260px;
}

h3 {
  margin: 14px 0 6px;
}
</style>
