<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref, shallowRef, watch } from 'vue'
import { propaneLitresAYear, withTrials, type LoadChange, type Trial, type YearFigures, worstOf } from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'

/** What each load costs in bank and panels, and what the winter would be without it, before anything is decided. */
const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
const SHOWN = 12
const all = ref(false)
const trials = ref<Trial[]>([])
const effect = shallowRef<{ before: Figures; after: Figures } | null>(null)
const trying = ref(false)
const problem = ref('')
interface Figures {
  median: YearFigures
  oneInTen: YearFigures
}
const CHANGES: { change: LoadChange; name: string; title: string }[] = [
  { change: 'out', name: 'out', title: 'take it out' },
  { change: 'half', name: 'half', title: 'halve its hours' },
  { change: 'propane', name: 'propane', title: 'move it to propane' },
]

const rows = computed(() => {
  const { loads } = design.document!
  const costs = design.derived?.loadCosts ?? []
  const list = loads
    .map((load, i) => ({ load, cost: costs[i] }))
    .filter(({ load, cost }) => cost && load.supply === 'electric' && cost.dayWh > 0)
  return list.sort((a, b) => b.cost.dayWh - a.cost.dayWh)
})
const most = computed(() => Math.max(...rows.value.map(({ cost }) => cost.share), 1e-6))
const away = computed(() => design.document!.loads.filter((load) => load.supply !== 'electric'))
const triedOf = (id: string) => trials.value.find(({ loadId }) => loadId === id)?.change

function toggle(loadId: string, change: LoadChange): void {
  const rest = trials.value.filter((trial) => trial.loadId !== loadId)
  trials.value = triedOf(loadId) === change ? rest : [...rest, { loadId, change }]
}
function says(list: readonly Trial[]): string {
  const words = { out: 'without', half: 'half of', propane: 'on propane:' }
  const nameOf = (id: string) => design.document!.loads.find((load) => load.id === id)?.name ?? id
  return list.map(({ loadId, change }) => `${words[change]} ${nameOf(loadId)}`).join(', ')
}
const COMPARED_YEARS = 10
let asked = 0
watch(trials, async (now) => {
  const mine = ++asked
  winter.clearGhost()
  effect.value = null
  problem.value = ''
  const subject = design.document
  if (now.length === 0 || !subject || !design.derived) return void (trying.value = false)
  trying.value = true
  try {
    const before = await winter.runBeside(subject, COMPARED_YEARS)
    const after = mine === asked ? await winter.showGhost(says(now), withTrials(subject, now)) : null
    if (mine === asked && before && after) effect.value = { before: before.summary, after: after.summary }
  } catch (error) {
    if (mine === asked) problem.value = (error as Error).message
  } finally {
    if (mine === asked) trying.value = false
  }
})
watch(
  () => design.document,
  () => (trials.value = []),
)
function keep(): void {
  const kept = trials.value
  design.change(says(kept), (whole) => withTrials(whole, kept))
}
const worstShort = ({ oneInTen }: Figures) => worstOf(oneInTen.shortHours)
</script>

<template>
  <section v-if="design.derived && rows.length > 0" class="card">
    <div class="row">
      <h2 data-part="Costs">What each load costs</h2>
      <p class="quiet grow">
        the bank and the panels it alone needs, by the hand method in the worst month; try what becomes of the winter
        without it
      </p>
    </div>
    <table v-stack class="sheet">
      <thead>
        <tr>
          <th>load</th>
          <th class="n">a day</th>
          <th class="share">of all</th>
          <th class="n">bank</th>
          <th class="n">panels</th>
          <th class="n" title="Running in full, nothing else on, until the bank is at its allowed depth">alone</th>
          <th class="n">{{ design.document!.budget.currency }}</th>
          <th>what if</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ load, cost } in all ? rows : rows.slice(0, SHOWN)" :key="load.id" :data-cost="load.id">
          <td>{{ load.name }}</td>
          <td class="n">{{ prefs.show(cost.dayWh, 'Wh') }}</td>
          <td class="share">
            <i :style="{ width: `${(70 * cost.share) / most}%` }" /><span>{{ decimal(cost.share * 100, 0) }} %</span>
          </td>
          <td class="n">{{ prefs.show(cost.bankWh, 'Wh') }}</td>
          <td class="n">{{ prefs.show(cost.arrayW, 'W') }}</td>
          <td class="n">{{ prefs.show(cost.aloneH, 'h') }}</td>
          <td class="n">{{ prefs.show(Math.round(cost.money), '') }}</td>
          <td class="tries">
            <button
              v-for="each in CHANGES"
              :key="each.change"
              :class="{ on: triedOf(load.id) === each.change }"
              :aria-pressed="triedOf(load.id) === each.change"
              :title="each.title"
              :data-try="each.change"
              @click="toggle(load.id, each.change)"
            >
              {{ each.name }}
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <button v-if="rows.length > SHOWN" class="link" @click="all = !all">
      {{ all ? 'only the largest' : `all ${rows.length}` }}
    </button>
    <div v-if="trials.length > 0" class="effect" role="status" data-effect>
      <p>
        <b>{{ says(trials) }}</b>
      </p>
      <p v-if="effect">
        Backup {{ prefs.show(effect.before.median.generatorHours, 'h') }} →
        <b>{{ prefs.show(effect.after.median.generatorHours, 'h') }}</b> a year, short hours 1 in 10
        {{ prefs.show(worstShort(effect.before), 'h') }} → <b>{{ prefs.show(worstShort(effect.after), 'h') }}</b>,
        lowest charge {{ prefs.show(effect.before.median.lowestStateOfCharge, 'share') }} →
        <b>{{ prefs.show(effect.after.median.lowestStateOfCharge, 'share') }}</b>; over the same 10 years, drawn as the
        line on the strip.
      </p>
      <p v-else-if="problem" class="error">{{ problem }}</p>
      <p v-else-if="trying" class="quiet">running the same winters without it …</p>
      <p v-for="trial in trials.filter(({ change }) => change === 'propane')" :key="trial.loadId" class="quiet">
        About
        {{ prefs.show(propaneLitresAYear(design.document!.loads.find(({ id }) => id === trial.loadId)!), 'L') }} of
        propane a year would do its work, at 75 % efficiency; an absorption refrigerator takes several times that.
      </p>
      <el-button size="small" type="primary" data-keep-trials @click="keep">Keep</el-button>
      <el-button size="small" @click="trials = []">Leave it as it is</el-button>
    </div>
    <p v-if="away.length > 0" class="quiet">
      Not carried by this system:
      <template v-for="(load, i) in away" :key="load.id"
        >{{ i > 0 ? ', ' : '' }}{{ load.name }}
        {{
          load.supply === 'propane'
            ? `(propane, about ${prefs.show(propaneLitresAYear(load), 'L')} a year)`
            : '(taken out)'
        }}</template
      >. They come back from the list above.
    </p>
  </section>
</template>

<style scoped>
.share {
  width: 24%;
}

.share i {
  display: inline-block;
  height: 11px;
  background: var(--lichen);
  vertical-align: middle;
}

.share span {
  padding-left: 6px;
}

.tries {
  white-space: nowrap;
}

.tries button {
  padding: 1px 7px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  margin-right: 3px;
  background: none;
  color: var(--soft);
  font: inherit;
  font-size: 12.5px;
  cursor: pointer;
}

.tries .on {
  border-color: var(--spruce);
  background: var(--spruce);
  color: var(--on-spruce);
}

.effect {
  display: grid;
  gap: 4px;
  justify-items: start;
  margin-top: 8px;
  padding: 8px 12px;
  border-left: 3px solid var(--spruce);
  background: var(--wash);
}

.effect :deep(.el-button) {
  margin: 0;
}

.error {
  color: var(--clay);
}
</style>
