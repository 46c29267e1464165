<script setup lang="ts">
import { ref, useTemplateRef, watch } from 'vue'
import { cellsOfLoads, loadsFromCells, nextId, type Load, addLoads } from '@ambrel/core'
import { useEventListener } from '@vueuse/core'
import { LIMITS } from '@ambrel/contract'
import LaterParts from '../../drawing/LaterParts.vue'
import { useIdle } from '../../drawing/useIdle.ts'
import CellsDialog from '../../frame/CellsDialog.vue'
import Figure from '../../frame/Figure.vue'
import StepHead from '../../frame/StepHead.vue'
import { saveCells } from '../../frame/files.ts'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import HouseholdCard from './HouseholdCard.vue'
import LoadCosts from './LoadCosts.vue'
import LoadDay from './LoadDay.vue'
import LoadPeaks from './LoadPeaks.vue'
import LoadTable from './LoadTable.vue'
import MeteringHelper from './MeteringHelper.vue'
import PumpsCard from './PumpsCard.vue'
import StripsCard from './StripsCard.vue'
import { fetched } from '../../frame/fetching.ts'

const design = useDesign()
const prefs = usePrefs()
const grouped = ref(false)
const pasting = ref(false)
const pasted = ref('')
const idle = useIdle()
/** It brings a list that opens with it, which the first picture does without. */
const LoadAdder = fetched(() => import('./LoadAdder.vue'))
const adder = useTemplateRef<{ focus: () => void }>('adder')
let asked = false
useNewRow(() => {
  if (adder.value) adder.value.focus()
  else asked = true
})
watch(adder, (now) => {
  if (asked) now?.focus()
  asked = false
})

const readCells = (cells: string[][]) =>
  loadsFromCells(cells, (made) => nextId('load', [...design.document!.loads, ...made]))
function take(loads: Load[]): void {
  design.change(`add ${loads.length} loads`, addLoads(loads))
}
const tell = (load: Load) =>
  `${load.name}: ${load.quantity} × ${prefs.show(load.runningW, 'W')}, ${load.basis === 'rated' ? prefs.show(load.hoursPerDay, 'h') : load.basis}${load.room ? `, ${load.room}` : ''}`

/** Rows pasted anywhere on the step but into a field open the dialog that understands them. */
useEventListener(document, 'paste', (event: ClipboardEvent) => {
  const into = event.target as HTMLElement
  const text = event.clipboardData?.getData('text/plain') ?? ''
  const manyCells = /[\t\n]/.test(text.trim())
  if (!manyCells || into.closest('textarea, .el-dialog')) return
  event.preventDefault()
  pasted.value = text
  pasting.value = true
})
</script>

<template>
  <StepHead step="loads" whole says="what must run, when, and how big at once?" />
  <div class="row wrap figures">
    <Figure id="loads.worst-day" />
    <Figure id="loads.battery-day" />
    <Figure id="loads.peak" />
    <Figure v-if="design.derived?.worked['loads.peak-va']" id="loads.peak-va" />
    <Figure id="loads.surge" />
  </div>
  <div class="stack">
    <LoadDay />
    <section class="card">
      <div class="row wrap head">
        <h2 class="grow">Loads</h2>
        <button class="link" :aria-pressed="grouped" data-by-room @click="grouped = !grouped">
          {{ grouped ? 'in list order' : 'by room' }}
        </button>
        <button
          class="link"
          data-paste-loads
          @click="
            () => {
              pasted = ''
              pasting = true
            }
          "
        >
          paste or read rows
        </button>
        <button
          class="link"
          data-save-loads
          @click="saveCells(`${design.document!.name} loads.csv`, cellsOfLoads(design.document!.loads))"
        >
          save as CSV
        </button>
        <div class="adder"><LoadAdder v-if="idle" ref="adder" /></div>
      </div>
      <LoadTable :by-room="grouped" />
    </section>
    <LaterParts>
      <LoadPeaks />
      <LoadCosts />
    </LaterParts>
    <LaterParts>
      <HouseholdCard />
      <MeteringHelper />
    </LaterParts>
    <LaterParts>
      <StripsCard />
      <PumpsCard />
    </LaterParts>
  </div>
  <CellsDialog
    :open="pasting"
    :pasted="pasted"
    title="Loads from rows"
    hint="A row a load, copied from a spreadsheet. With a header the columns are found by name (name, room, quantity, running W, hours a day, leg, priority, metered kWh …); without one they are name, watts, hours a day, quantity, room. Units may stand in the cells: 1.5 kW, 30 min."
    take="Add these loads"
    :most="LIMITS.loads - design.document!.loads.length"
    items="more loads"
    :read="readCells"
    :tell="tell"
    @close="pasting = false"
    @take="take"
  />
</template>

<style scoped>
.figures {
  gap: 8px 34px;
  margin-bottom: 12px;
}

.head {
  margin-bottom: 6px;
}

/* its place is kept until it comes */
.adder {
  flex: none;
  width: 290px;
  min-height: 30px;
}

@media (max-width: 600px) {
  .adder {
    width: 100%;
  }
}
</style>
