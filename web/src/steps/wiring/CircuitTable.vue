<script setup lang="ts">
import type { Area, WorkedCircuit } from '@ambrel/core'
import { computed, ref, watch } from 'vue'
import { vStack } from '../../drawing/stacks.ts'
import { useDesign } from '../../stores/design.ts'
import CircuitRow from './CircuitRow.vue'
import { shownCircuit } from './shown.ts'

/** Every circuit, by the part of the system it belongs to; the branches of the house folded until one is wanted. */
const design = useDesign()
const AREAS: [Area, string][] = [
  ['array', 'From the sun'],
  ['bank', 'Bank and bars'],
  ['house', 'House'],
  ['backup', 'Backup and other sources'],
]
const isBranch = ({ circuit }: WorkedCircuit) => circuit.id.startsWith('branch:')
const groups = computed(() =>
  AREAS.map(([area, says]) => {
    const all = design.derived!.circuits.filter(({ circuit }) => circuit.area === area)
    return { area, says, rows: all.filter((each) => !isBranch(each)), branches: all.filter(isBranch) }
  }).filter(({ rows, branches }) => rows.length + branches.length > 0),
)
const branchesOpen = ref(false)
/** a branch that is wrong, or looked at, is seen */
const wanted = computed(() =>
  groups.value.some(({ branches }) =>
    branches.some(({ circuit, faults }) => faults.length > 0 || circuit.id === shownCircuit.value),
  ),
)
watch(wanted, (now) => now && (branchesOpen.value = true), { immediate: true })
</script>

<template>
  <section class="card">
    <h2>Circuits</h2>
    <table v-stack class="sheet circuits">
      <thead>
        <tr>
          <th><span class="unseen">verdict</span></th>
          <th>circuit</th>
          <th class="n">needs</th>
          <th class="n">one way</th>
          <th>conductor</th>
          <th class="n">drop</th>
          <th>fuse or breaker</th>
          <th><span class="unseen">details</span></th>
        </tr>
      </thead>
      <tbody v-for="group in groups" :key="group.area">
        <tr class="area">
          <th colspan="8" scope="rowgroup">{{ group.says }}</th>
        </tr>
        <CircuitRow v-for="worked in group.rows" :key="worked.circuit.id" :worked="worked" />
        <tr v-if="group.branches.length > 0" class="more">
          <td colspan="8">
            <button class="link" :aria-expanded="branchesOpen" @click="branchesOpen = !branchesOpen">
              {{ branchesOpen ? 'fold the branches' : `${group.branches.length} branches of the house` }}
            </button>
          </td>
        </tr>
        <template v-if="branchesOpen">
          <CircuitRow v-for="worked in group.branches" :key="worked.circuit.id" :worked="worked" />
        </template>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.area th {
  padding-top: 10px;
  text-align: left;
  color: var(--spruce);
  font: 600 14px var(--heading);
}
</style>
