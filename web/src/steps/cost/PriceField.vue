<script setup lang="ts">
import { pricedOf, setPriced, type BillRow, type Option, type PricedItem } from '@ambrel/core'
import { computed } from 'vue'
import DocumentField from '../../fields/DocumentField.vue'
import { pricedBy } from '../../frame/money.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** One thing known of the price of a line of the bill; where nobody said anything, what holds until then. */
const props = defineProps<{
  row: BillRow
  index: number
  field: Exclude<keyof PricedItem, 'key'>
  labelled?: boolean
  options?: readonly Option[]
}>()
const design = useDesign()
const prefs = usePrefs()
const name = computed(() => prefs.say(props.row.name))
const path = computed(() => {
  const { priced } = (design.entered ?? design.document!).budget
  const at = priced.findIndex(({ key }) => key === props.row.key)
  // one that is not there yet has a place of its own beyond those that are
  return `budget.priced.${at < 0 ? priced.length + props.index : at}.${props.field}`
})
/** a metre's price is told and typed by the foot to those who count in feet */
const by = computed(() => pricedBy(props.row, prefs.units))
const usual = computed(() =>
  props.field === 'unitPrice'
    ? props.row.unitPrice * by.value.share
    : pricedOf(design.document!, props.row.key)[props.field],
)
const stored = (value: unknown) =>
  props.field === 'unitPrice' && typeof value === 'number' ? value / by.value.share : value
</script>

<template>
  <DocumentField
    :path="path"
    :labelled="labelled"
    :options="options"
    :of="labelled ? undefined : name"
    :named="name"
    :suffix="field === 'unitPrice' ? by.says : ''"
    :usual="usual"
    :set="(value: unknown) => setPriced(row.key, { [field]: stored(value) })"
  />
</template>
