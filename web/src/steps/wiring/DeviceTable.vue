<script setup lang="ts">
import { computed } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import { saveCells } from '../../frame/files.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { DEVICE_WORDS } from './deviceWords.ts'

/** What breaks, parts and protects: fuses, breakers, switches, arresters and the shunt, as they are bought. */
const design = useDesign()
const prefs = usePrefs()
const nameOf = (id: string) => design.derived!.system.nodes.find((node) => node.id === id)?.name ?? id
const rows = computed(() =>
  design
    .derived!.circuits.filter(({ choice }) => !choice.unused)
    .flatMap(({ circuit, device }) => {
      const pieces =
        circuit.id === 'bank-lead' || circuit.id === 'bank-link' ? design.document!.bank.inParallel : circuit.quantity
      const own = device
        ? [
            {
              key: `${circuit.id} device`,
              what: `${DEVICE_WORDS[device.kind]}${device.poles > 1 ? `, ${device.poles} poles` : ''}${device.builtIn ? ', built in' : ''}`,
              pieces,
              rating: device.amps === null ? 'none is made for it' : prefs.show(device.amps, 'A'),
              least:
                circuit.current === 'dc'
                  ? `${prefs.show(device.ratedV ?? device.leastV, 'V')} DC${device.leastKA > 0 ? `, ${prefs.show(device.ratedKA ?? device.leastKA, 'kA')}` : ''}`
                  : `${prefs.show(device.ratedV ?? circuit.volts, 'V')} AC`,
              of: circuit.name,
              at: nameOf(device.at),
            },
          ]
        : []
      return [
        ...own,
        ...circuit.inline.map((each) => ({
          key: each.id,
          what: { switch: 'Switch', arrester: 'Surge arrester', shunt: 'Shunt' }[each.kind],
          pieces: 1,
          rating: '',
          least: prefs.say(each.rating),
          of: each.name,
          at: nameOf(each.at),
        })),
      ]
    }),
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
      <h2>Fuses, breakers and switches</h2>
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
        <tr v-for="row in rows" :key="row.key">
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
