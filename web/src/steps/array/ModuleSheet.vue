<script setup lang="ts">
import { computed } from 'vue'
import { MODULE, setField } from '@ambrel/core'
import FieldFold from '../../fields/FieldFold.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import { useDesign } from '../../stores/design.ts'

const props = defineProps<{ index: number }>()
const design = useDesign()
/** as typed: what is looked at here is a slip of the pen, which does not rule */
const module = computed(() => (design.entered?.arrays[props.index] ?? design.document!.arrays[props.index]).module)
const fields = computed(() =>
  Object.keys(MODULE)
    .filter((key) => key !== 'id' && key !== 'estimated')
    .map((key) => `arrays.${props.index}.module.${key}`),
)

type Coefficient = 'betaVocPctPerK' | 'gammaPctPerK' | 'alphaIscPctPerK'
/** A coefficient typed with the wrong sign or in mV/K is known by its size; the right one is offered. */
const offers = computed(() => {
  const { betaVocPctPerK, gammaPctPerK, vocV, vmpV } = module.value
  const found: { key: Coefficient; value: number; says: string }[] = []
  const look = (key: Coefficient, value: number, volts: number) => {
    const size = Math.abs(value)
    const name = key === 'gammaPctPerK' ? 'γ' : 'β'
    if (size > 1 && size < 1000) {
      const inPercent = -Number(((size / 1000 / volts) * 100).toFixed(3))
      if (inPercent >= -1) found.push({ key, value: inPercent, says: `${name} of ${value} looks like mV/K.` })
    } else if (value > 0 && size <= 1)
      found.push({ key, value: -value, says: `${name} falls with heat: it must be below zero.` })
  }
  look('betaVocPctPerK', betaVocPctPerK, vocV)
  look('gammaPctPerK', gammaPctPerK, vmpV)
  return found
})
function take({ key, value }: { key: Coefficient; value: number }): void {
  design.change('coefficient', setField(`arrays.${props.index}.module.${key}`, value))
}
</script>

<template>
  <FieldFold :name="`module-${index}`" says="Data sheet of the module" :paths="fields">
    <FieldGrid :fields="fields" column-width="108px" />
  </FieldFold>
  <p v-for="offer in offers" :key="offer.key" class="offer" role="status">
    {{ offer.says }}
    <button class="link" data-convert @click="take(offer)">take {{ offer.value }} %/K</button>
  </p>
</template>

<style scoped>
.offer {
  margin-top: 6px;
  padding: 5px 10px;
  border-left: 3px solid var(--ochre);
  background: var(--wash);
}
</style>
