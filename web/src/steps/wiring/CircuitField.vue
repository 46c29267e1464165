<script setup lang="ts">
import { setCircuit, type CircuitChoice, type Option, type WorkedCircuit } from '@ambrel/core'
import { computed } from 'vue'
import DocumentField from '../../fields/DocumentField.vue'
import { useDesign } from '../../stores/design.ts'

/** One thing chosen about a circuit. Nobody may have chosen anything about it yet: then it stands as it is usual. */
const props = defineProps<{
  worked: WorkedCircuit
  field: Exclude<keyof CircuitChoice, 'id'>
  labelled?: boolean
  options?: readonly Option[]
}>()
const design = useDesign()
const id = computed(() => props.worked.circuit.id)
const path = computed(() => {
  const { circuits } = design.entered ?? design.document!
  const at = circuits.findIndex((each) => each.id === id.value)
  // one that is not there yet has a place of its own beyond those that are
  const beyond = () => circuits.length + design.derived!.system.circuits.findIndex((each) => each.id === id.value)
  return `circuits.${at < 0 ? beyond() : at}.${props.field}`
})
const usual = computed(() => {
  const there = design.document!.circuits.find((each) => each.id === id.value)
  if (there) return there[props.field]
  return props.field === 'oneWayM' ? null : props.worked.circuit.usual[props.field]
})
</script>

<template>
  <DocumentField
    :path="path"
    :labelled="labelled"
    :of="labelled ? undefined : worked.circuit.name"
    :named="worked.circuit.name"
    :usual="usual"
    :options="options"
    :set="(value: unknown) => setCircuit(id, { [field]: value })"
  />
</template>
