<script setup lang="ts">
import { onMounted, ref, useTemplateRef } from 'vue'
import { addWritten, appliancesCalled, loadsWritten, type Written } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** One box for new loads: an everyday name, or several with what is known of them; Enter adds the first hit. */
const design = useDesign()
const prefs = usePrefs()
const text = ref('')
const SHOWN = 8

interface Offer {
  value: string
  says: string
  items: Parameters<typeof addWritten>[0]
}
const given = ({ quantity, runningW, hoursPerDay }: Written) =>
  [
    ...(quantity > 1 ? [`× ${quantity}`] : []),
    ...(runningW === undefined ? [] : [prefs.show(runningW, 'W')]),
    ...(hoursPerDay === undefined ? [] : [`${prefs.show(hoursPerDay, 'h')} a day`]),
  ].join(', ')
const told = (written: Written) =>
  `${appliancesCalled(written.name)[0]?.name ?? `“${written.name}”`} ${given(written)}`.trim()

function offers(typed: string, show: (list: Offer[]) => void): void {
  const written = loadsWritten(typed)
  if (written.length === 0) return show([])
  if (written.length > 1)
    return show([
      {
        value: typed,
        says: `add ${written.length} loads: ${written.map(told).join('; ')}`,
        items: written.map((each) => ({ written: each })),
      },
    ])
  const [one] = written
  const hits = appliancesCalled(one.name).slice(0, SHOWN)
  show([
    ...hits.map((appliance) => ({
      value: typed,
      says: `${appliance.name} ${given(one) || `${prefs.show(appliance.runningW, 'W')}, ${appliance.room}`}`,
      items: [{ written: one, appliance }],
    })),
    ...(hits.length === 0
      ? [{ value: typed, says: `“${one.name}”, a blank load of that name`, items: [{ written: one }] }]
      : []),
  ])
}
/** Enter before the list has come takes its first all the same. */
function take(offer: Record<string, unknown>): void {
  let { items } = offer as unknown as Offer
  if (!items) offers(String(offer.value ?? ''), ([first]) => (items = first?.items ?? []))
  if (items.length === 0) return
  const label = items.length > 1 ? `add ${items.length} loads` : `add ${items[0].written.name}`
  design.change(label, addWritten(items))
  text.value = ''
}
const box = useTemplateRef('box')
const holder = useTemplateRef('holder')
/** the library points to the item before the first one where none is meant */
const pointNowhere = () => holder.value?.querySelector('input')?.removeAttribute('aria-activedescendant')
onMounted(pointNowhere)
defineExpose({ focus: () => box.value?.focus() })
</script>

<template>
  <div ref="holder">
    <el-autocomplete
      ref="box"
      v-model="text"
      :fetch-suggestions="offers"
      :debounce="0"
      highlight-first-item
      select-when-unmatched
      :trigger-on-focus="false"
      placeholder="fridge, 6 bulbs, laptop 45W 3h"
      aria-label="Add loads by name"
      data-add-load
      @blur="pointNowhere"
      @select="take"
    >
      <template #default="{ item }">{{ item.says }}</template>
    </el-autocomplete>
  </div>
</template>
