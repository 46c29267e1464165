<script setup lang="ts">
import { computed } from 'vue'
import {
  GENERATOR,
  CHEMISTRIES,
  runningCost,
  type BackupKind,
  type Generator,
  type GeneratorPart,
  setField,
  takeBackup,
  fitsAsItIs,
  takeSet,
} from '@ambrel/core'
import LaterParts from '../../drawing/LaterParts.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid, { type GridField } from '../../fields/FieldGrid.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import BackupYear from './BackupYear.vue'
import GridCard from './GridCard.vue'
import SourcesCard from './SourcesCard.vue'

const design = useDesign()
const prefs = usePrefs()
const generator = computed(() => design.document!.generator)
const currency = computed(() => design.document!.budget.currency)
const winter = computed(() => design.winterSummary)
const cost = computed(() => (winter.value ? runningCost(winter.value.median, design.document!).money : null))
const equalises = computed(() => CHEMISTRIES[design.document!.bank.part.chemistry].equaliseV !== null)

const KINDS: { value: 'none' | BackupKind; label: string }[] = [
  { value: 'none', label: 'none' },
  ...GENERATOR.kind.options,
]
const kind = computed(() => (generator.value.present ? generator.value.kind : 'none'))
function setKind(to: 'none' | BackupKind): void {
  design.change('backup', takeBackup(to))
}
const at = (...keys: (keyof Generator)[]) => keys.map((key) => `generator.${key}`)
const power = computed<GridField[]>(() => {
  const charger = [
    ...at('charger'),
    ...(generator.value.charger === 'separate' ? at('separateChargerA', 'separateChargerEfficiency') : []),
    ...at('chargeLimitA'),
  ]
  switch (generator.value.kind) {
    default:
      return [
        'generator.part.fuel',
        'generator.part.ratedW',
        'generator.part.ratedOn',
        'generator.part.output',
        'generator.part.frequencyHz',
        ...at('neutral', 'loadShareLimit', 'warmUpMin'),
        ...charger,
        'generator.part.price',
      ]
    case 'shore':
      return [...at('cordA', 'cordV', 'pricePerKWh'), ...charger]
    case 'vehicle':
      return at('vehicleA', 'vehicleLPerH', 'chargeLimitA')
  }
})
const starting = computed(() => {
  const { startBy, kind: backup } = generator.value
  return at(
    'startBy',
    ...(startBy === 'voltage' ? (['startV', 'holdMin'] as const) : (['startStateOfCharge'] as const)),
    ...(startBy === 'morning' ? (['morningH'] as const) : []),
    'stopStateOfCharge',
    'minRunH',
    ...(backup === 'shore' ? [] : (['maxRunH'] as const)),
    'restDays',
    ...(backup === 'shore' ? [] : (['quietFromH', 'quietToH'] as const)),
  )
})
/** Nobody has to come for it. */
const startsByItself = computed(() => generator.value.kind !== 'vehicle' && generator.value.startBy !== 'morning')
const care = computed(() => {
  const { kind: backup } = generator.value
  return [
    ...(backup === 'vehicle' ? [] : at('fullChargeEveryDays')),
    ...(backup !== 'vehicle' && equalises.value ? at('equaliseEveryDays', 'equaliseH') : []),
    ...(backup === 'generator'
      ? at('exerciseEveryDays', 'exerciseMin', 'oilEveryH', 'fuelPricePerL', 'fuelTripDays', 'tankL')
      : []),
    ...(backup === 'vehicle' ? at('fuelPricePerL') : []),
  ]
})
const limit = computed(() => Math.floor(design.derived?.worked['generator.charge-limit']?.value ?? 0))
</script>

<template>
  <StepHead step="generator" says="how big, when does it start, how much fuel?" />
  <div v-if="generator.present" class="row wrap figures">
    <Figure :value="prefs.show(winter?.median.generatorHours, 'h')" label="typical year" />
    <Figure :value="prefs.show(winter?.oneInTen.generatorHours, 'h')" label="1 year in 10" />
    <Figure :value="cost === null ? '—' : `${prefs.show(cost, '')} ${currency}`" label="to run it, typical" />
    <Figure id="generator.power" />
    <Figure v-if="kind === 'generator'" id="generator.planned" />
    <Figure v-if="kind !== 'vehicle'" id="generator.load-share" />
    <Figure id="generator.refill-hours" />
    <Figure v-if="kind !== 'shore'" id="generator.fuel-hour" />
  </div>
  <div class="stack">
    <section class="card">
      <h2 class="title">The backup</h2>
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
          @update:model-value="design.change(`generator: ${$event.name}`, takeSet($event as GeneratorPart))"
        />
        <p v-if="kind === 'none'" class="quiet">
          None is a full answer: the winter run then shows what goes short, and how often.
        </p>
      </div>
      <template v-if="generator.present">
        <h3>What it gives</h3>
        <FieldGrid :fields="power" />
        <DocumentField v-if="!fitsAsItIs(design.document!)" class="by-itself" labelled path="generator.adapted" />
        <p v-if="limit > 0 && generator.chargeLimitA !== limit" class="quiet by-itself">
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
        <DocumentField v-if="startsByItself" class="by-itself" labelled path="generator.startWhenEmpty" />
        <template v-if="care.length > 0">
          <h3>Care and fuel</h3>
          <FieldGrid :fields="care" />
        </template>
      </template>
    </section>
    <LaterParts>
      <GridCard />
    </LaterParts>
    <LaterParts>
      <BackupYear v-if="generator.present && winter" :winter="winter" />
      <SourcesCard />
    </LaterParts>
  </div>
</template>

<style scoped>
.figures {
  gap: 8px 26px;
  margin-bottom: 12px;
}

.title {
  margin-bottom: 6px;
}

.head {
  align-items: flex-end;
}

.by-itself {
  margin-top: 8px;
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
