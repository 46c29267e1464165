<script setup lang="ts">
import { deviceSchedule } from '@ambrel/core'
import { computed } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import { saveCells } from '../../frame/files.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** What breaks, parts and protects: fuses, breakers, switches, arresters and the shunt, as they are bought. */
const design = useDesign()
const prefs = usePrefs()
const rows = computed(() =>
  deviceSchedule(design.derived!.system, design.derived!.circuits).map((device) => ({
    ...device,
    what: prefs.say(device.what),
    rating: device.amps === null ? '' : prefs.show(device.amps, 'A'),
    least: prefs.say(device.least),
  })),
)
const HEADS = ['what', 'pieces', 'rating', 'made for at least', 'of', 'at']
const save = () =>
  saveCells(`${design.document!.name} - fuses and breakers.csv`, [
    HEADS,
    ...rows.value.map(({ what, pieces, rating, least, of, at }) => [what, String(pieces), rating, least, of, at]),
  ])
</script>

<template>
  <section class="card">
    <div class="row">
      <h2 data-part="Fuses and switches">Fuses, breakers and switches</h2>
      <span class="grow" />
      <button class="link" @click="save">CSV</button>
    </div>
    <table v-stack class="sheet" data-devices>
      <thead>
        <tr>
          <th v-for="(head, i) in HEADS" :key="head" :class="{ n: i === 1 || i === 2 }">{{ head }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <td>{{ row.what }}</td>
          <td class="n">{{ row.pieces }}</td>
          <td class="n">{{ row.rating }}</td>
          <td>{{ row.least }}</td>
          <td>{{ row.of }}</td>
          <td>{{ row.at }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: baseline;
  gap: 10px;
}
</style>
