<script setup lang="ts">
import { computed } from 'vue'
import { runningCost, type Generator, type GeneratorPart } from '@ambrel/core'
import ChoiceField from '../../fields/ChoiceField.vue'
import NumberField from '../../fields/NumberField.vue'
import PartPicker from '../../fields/PartPicker.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { yearsWords } from '../../frame/yearsWords.ts'

const design = useDesign()
const prefs = usePrefs()
const generator = computed(() => design.document!.generator)
function set<K extends keyof Generator>(key: K, value: Generator[K] | null): void {
  design.edit(`generator: ${key}`, (draft) => (draft.generator[key] = value as Generator[K]), `generator.${key}`)
}
const winter = computed(() => design.winterSummary)
const costs = computed(() => {
  if (!winter.value) return null
  const { fuelPricePerL } = generator.value
  return {
    typical: runningCost(winter.value.median, fuelPricePerL),
    bad: runningCost(winter.value.oneInTen, fuelPricePerL),
  }
})
const FUELS = [
  { value: 'petrol' as const, label: 'petrol' },
  { value: 'propane' as const, label: 'propane' },
  { value: 'natural-gas' as const, label: 'natural gas' },
  { value: 'diesel' as const, label: 'diesel' },
]
const currency = computed(() => design.document!.budget.currency)
</script>

<template>
  <StepHead step="generator" says="how big, when does it start, how much fuel?" />
  <div v-if="generator.present" class="row wrap figures">
    <Figure :value="prefs.show(winter?.median.generatorHours, 'h')" label="typical year" />
    <Figure :value="prefs.show(winter?.oneInTen.generatorHours, 'h')" label="1 year in 10" />
    <Figure :value="prefs.show(winter?.median.fuelL, 'L')" :label="`${generator.part.fuel}, typical`" />
    <Figure :value="winter ? `${prefs.show(costs!.typical.fuel, '')} ${currency}` : '—'" label="fuel, typical" />
    <Figure id="generator.power" />
    <Figure id="generator.load-share" />
    <Figure id="generator.refill-hours" />
  </div>
  <div class="stack">
    <section class="card">
      <label class="row"
        ><el-switch
          :model-value="generator.present"
          aria-label="There is a generator"
          @update:model-value="set('present', $event as boolean)"
        />
        There is a generator</label
      >
      <p v-if="!generator.present" class="quiet none">
        None is a full answer: the winter run then shows what goes short, and how often.
      </p>
      <div v-else class="grid">
        <PartPicker
          class="wide"
          :model-value="generator.part"
          kind="generator"
          label="Set"
          @update:model-value="set('part', $event as GeneratorPart)"
        />
        <ChoiceField
          :model-value="generator.part.fuel"
          :options="FUELS"
          label="Fuel"
          labelled
          @update:model-value="design.edit('fuel', (d) => (d.generator.part.fuel = $event))"
        />
        <NumberField
          :model-value="generator.part.ratedW"
          unit="W"
          label="Rating, sea level"
          labelled
          path="generator.part.ratedW"
          :step="100"
          @update:model-value="design.edit('generator rating', (d) => (d.generator.part.ratedW = $event!), 'gen.rated')"
        />
        <NumberField
          :model-value="generator.startStateOfCharge"
          unit="share"
          label="Starts at a charge of"
          labelled
          path="generator.startStateOfCharge"
          @update:model-value="set('startStateOfCharge', $event)"
        />
        <NumberField
          :model-value="generator.stopStateOfCharge"
          unit="share"
          label="Stops at"
          labelled
          path="generator.stopStateOfCharge"
          @update:model-value="set('stopStateOfCharge', $event)"
        />
        <NumberField
          :model-value="generator.minRunH"
          unit="h"
          label="Runs at least"
          labelled
          path="generator.minRunH"
          @update:model-value="set('minRunH', $event)"
        />
        <NumberField
          :model-value="generator.maxRunH"
          unit="h"
          label="Runs at most"
          labelled
          path="generator.maxRunH"
          @update:model-value="set('maxRunH', $event)"
        />
        <NumberField
          :model-value="generator.quietFromH"
          unit="h"
          label="No starts from"
          labelled
          path="generator.quietFromH"
          @update:model-value="set('quietFromH', $event)"
        />
        <NumberField
          :model-value="generator.quietToH"
          unit="h"
          label="until"
          labelled
          path="generator.quietToH"
          @update:model-value="set('quietToH', $event)"
        />
        <NumberField
          :model-value="generator.fullChargeEveryDays"
          unit="d"
          label="Full charge every"
          labelled
          nullable
          path="generator.fullChargeEveryDays"
          @update:model-value="set('fullChargeEveryDays', $event)"
        />
        <NumberField
          :model-value="generator.loadShareLimit"
          unit="share"
          label="Planned load, at most"
          labelled
          path="generator.loadShareLimit"
          :step="5"
          @update:model-value="set('loadShareLimit', $event)"
        />
        <NumberField
          :model-value="generator.fuelPricePerL"
          :unit="`${currency}/L`"
          label="Fuel price"
          labelled
          path="generator.fuelPricePerL"
          :step="0.05"
          @update:model-value="set('fuelPricePerL', $event)"
        />
      </div>
    </section>
    <section v-if="generator.present && winter" class="card">
      <h2>What it does in a year</h2>
      <table class="sheet">
        <thead>
          <tr>
            <th />
            <th class="n">typical</th>
            <th class="n">1 in 10</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td>starts</td>
            <td class="n">{{ prefs.show(winter.median.generatorStarts, '') }}</td>
            <td class="n">{{ prefs.show(winter.oneInTen.generatorStarts, '') }}</td>
          </tr>
          <tr>
            <td>hours</td>
            <td class="n">{{ prefs.show(winter.median.generatorHours, 'h') }}</td>
            <td class="n">{{ prefs.show(winter.oneInTen.generatorHours, 'h') }}</td>
          </tr>
          <tr>
            <td>fuel</td>
            <td class="n">{{ prefs.show(winter.median.fuelL, 'L') }}</td>
            <td class="n">{{ prefs.show(winter.oneInTen.fuelL, 'L') }}</td>
          </tr>
          <tr>
            <td>oil changes, every 100 h</td>
            <td class="n">{{ costs!.typical.oilChanges }}</td>
            <td class="n">{{ costs!.bad.oilChanges }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">Over {{ yearsWords(design.document, winter.years) }}.</p>
    </section>
  </div>
</template>

<style scoped>
.figures {
  gap: 28px;
  margin-bottom: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
  gap: 10px 14px;
  margin-top: 10px;
}

.wide {
  grid-column: span 2;
}

.none {
  margin-top: 8px;
}
</style>
