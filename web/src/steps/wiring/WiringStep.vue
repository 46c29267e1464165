<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref } from 'vue'
import { ChevronDown, ChevronRight, Trash2 } from '@lucide/vue'
import { CONDUCTORS, type Level, type WireRun, addRun, removeFrom, setField } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import StateMark from '../../drawing/StateMark.vue'
import ChoiceField from '../../fields/ChoiceField.vue'
import DocumentField from '../../fields/DocumentField.vue'
import FieldGrid from '../../fields/FieldGrid.vue'
import StepHead from '../../frame/StepHead.vue'
import { useNewRow } from '../../frame/newRow.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

const design = useDesign()
const prefs = usePrefs()
const runs = computed(() => design.document!.runs)
const sizes = computed(() =>
  CONDUCTORS.filter(
    ({ basis, size }) => basis === design.document!.place.wiringBasis || runs.value.some((run) => run.size === size),
  ).map(({ size }) => ({ value: size, label: size.replace('mm2', 'mm²') })),
)
/** the run whose details are open */
const opened = ref('')
const DETAILS: (keyof WireRun)[] = ['insulationC', 'ambientC', 'conductors']
const worked = (i: number) => design.derived?.runs[i]
/** The fields of a run that are set in its row. */
function cells(i: number): { path: string; class: string; options?: typeof sizes.value }[] {
  const cell = (key: keyof WireRun, style: string) => ({ path: `runs.${i}.${key}`, class: style })
  return [
    cell('name', 'name'),
    cell('circuit', 'circuit'),
    cell('oneWayM', 'mid'),
    { ...cell('size', 'size'), options: sizes.value },
    cell('parallel', 'tiny'),
  ]
}
/** What a run of its circuit can belong to; none where there is no choice. */
function subjectsOf({ circuit }: WireRun): { value: string; label: string }[] {
  const { arrays, controllers } = design.document!
  const list = circuit === 'array' ? arrays : circuit === 'controller-bank' ? controllers : []
  return [{ value: '', label: 'the first' }, ...list.slice(1).map(({ id, name }) => ({ value: id, label: name }))]
}
function mark(i: number): Level {
  const run = worked(i)
  if (!run) return 'open'
  return run.sound ? 'sound' : run.carries ? 'watch' : 'stop'
}
function add(): void {
  design.change('new run', addRun(sizes.value[4].value))
}
useNewRow(add)
</script>

<template>
  <StepHead step="wiring" says="which conductor, which fuse, where?" />
  <section class="card">
    <div class="scroll">
      <table v-stack class="sheet runs">
        <thead>
          <tr>
            <th><span class="unseen">verdict</span></th>
            <th>run</th>
            <th>circuit</th>
            <th class="n">one way</th>
            <th>conductor</th>
            <th class="n">×</th>
            <th class="n">needs</th>
            <th class="n">carries</th>
            <th class="n">drop</th>
            <th class="n">allowed</th>
            <th class="n">device</th>
            <th><span class="unseen">remove</span></th>
          </tr>
        </thead>
        <tbody>
          <template v-for="(run, i) in runs" :key="run.id">
            <tr :data-run="run.id">
              <td class="mark">
                <StateMark :level="mark(i)" />
              </td>
              <td v-for="cell in cells(i)" :key="cell.path" :class="cell.class">
                <DocumentField :path="cell.path" :of="run.name" :options="cell.options" />
              </td>
              <td class="n" :title="worked(i)?.because">
                {{ worked(i)?.within ? 'in the unit' : prefs.show(worked(i)?.designA, 'A') }}
              </td>
              <td class="n">{{ prefs.show(worked(i)?.ampacityA, 'A') }}</td>
              <td class="n">{{ worked(i) ? `${decimal(worked(i)!.dropPct, 1)} %` : '—' }}</td>
              <td class="tiny">
                <DocumentField :path="`runs.${i}.allowedDropPct`" :of="run.name" />
              </td>
              <td class="n">{{ worked(i)?.deviceA ? prefs.show(worked(i)!.deviceA, 'A') : 'over 400 A' }}</td>
              <td>
                <div class="buttons">
                  <button
                    class="icon-button"
                    :aria-label="`Details of ${run.name}`"
                    :aria-expanded="opened === run.id"
                    @click="opened = opened === run.id ? '' : run.id"
                  >
                    <component :is="opened === run.id ? ChevronDown : ChevronRight" :size="14" />
                  </button>
                  <button
                    class="icon-button"
                    :aria-label="`Remove ${run.name}`"
                    @click="design.change(`remove ${run.name}`, removeFrom('runs', i))"
                  >
                    <Trash2 :size="14" />
                  </button>
                </div>
              </td>
            </tr>
            <tr v-if="opened === run.id" class="detail">
              <td />
              <td colspan="10">
                <FieldGrid :fields="DETAILS.map((key) => `runs.${i}.${key}`)" column-width="150px">
                  <ChoiceField
                    v-if="subjectsOf(run).length > 1"
                    :model-value="run.subjectId ?? ''"
                    :options="subjectsOf(run)"
                    label="Belongs to"
                    labelled
                    :path="`runs.${i}.subjectId`"
                    @update:model-value="
                      design.change(`${run.name}, belongs to`, setField(`runs.${i}.subjectId`, $event || null))
                    "
                  />
                </FieldGrid>
              </td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
    <button class="link" @click="add">another run</button> <kbd>n</kbd>
  </section>
  <p class="quiet law">
    Needs: array current × 1.25 × 1.25, everything else × 1.25; the bank to inverter run is reckoned at the low cut-out
    voltage. The terminals’ class 75 caps every answer. Parallel cables are equal in length. Devices must be rated for
    the DC voltage and the bank’s short-circuit current. Local code outranks this table.
  </p>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

.runs td {
  padding-right: 4px;
  vertical-align: middle;
}

.mark {
  width: 20px;
}

.name {
  min-width: 136px;
}

.circuit {
  min-width: 98px;
}

.mid {
  min-width: 64px;
}

.size {
  min-width: 92px;
}

.tiny {
  width: 44px;
  min-width: 40px;
}

.buttons {
  display: flex;
}

.detail td {
  padding: 4px 0 10px;
}

.law {
  margin-top: 10px;
  max-width: 90ch;
}
</style>
