<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref, shallowRef, toRaw, watch } from 'vue'
import { loadCheck } from '../../stores/check.ts'
import { costFigures, keyFigures, WEAR_YEARS, type Design, type KeyFigure, type StripWeek } from '@ambrel/core'
import WeekBars from '../../drawing/WeekBars.vue'
import { api } from '../../stores/api.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWinter } from '../../stores/winter.ts'
import { yearsWords } from '../../frame/yearsWords.ts'

/** Two to four variants side by side over the same winters: key figures with differences, and their strips or their money. */
const { by = 'winter' } = defineProps<{ by?: 'winter' | 'cost' }>()
const MOST = 4
/** Enough for a 1-in-10 year, and soon there. */
const MOST_YEARS_COMPARED = 60
const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
interface Column {
  id: string
  name: string
  figures: KeyFigure[]
  weeks: StripWeek[]
  years: number
}
const others = computed(() => design.siblings.filter(({ id }) => id !== design.id))
const picked = ref<string[]>([])
const columns = shallowRef<Column[]>([])
const running = ref(false)
const problem = ref('')
/** the document the columns were made for */
const madeFor = shallowRef<Design | null>(null)
const stale = computed(() => columns.value.length > 0 && madeFor.value !== design.document)
watch(
  () => design.id,
  () => {
    picked.value = []
    columns.value = []
  },
)
function pick(id: string): void {
  picked.value = picked.value.includes(id)
    ? picked.value.filter((each) => each !== id)
    : [...picked.value, id].slice(0, MOST - 1)
}

async function columnOf(id: string, of: Design, years: number, seed: number): Promise<Column | null> {
  const result = await winter.runBeside(of, years, seed)
  if (!result) return null
  if (by === 'cost') {
    const service = await winter.side(of)
    const bankLife = await service.wear(toRaw(of), WEAR_YEARS)
    const figures = costFigures(of, { winter: result.summary, bankLife })
    return { id, name: of.variant, figures, weeks: [], years: result.years }
  }
  return {
    id,
    name: of.variant,
    figures: keyFigures(of, result.summary),
    weeks: result.summary.weeks,
    years: result.years,
  }
}
async function compare(): Promise<void> {
  const mine = design.document
  if (!mine || running.value) return
  running.value = true
  problem.value = ''
  try {
    const { seed } = mine.winter
    const years = Math.min(MOST_YEARS_COMPARED, mine.winter.years)
    const found: Column[] = []
    for (const id of [design.id, ...picked.value]) {
      const other = id === design.id ? mine : (await api.design(id)).document
      const { problems } = (await loadCheck()).checkDesign(other)
      if (problems.length > 0) throw new Error(`${other.variant} cannot be run: ${prefs.say(problems[0].message)}`)
      const column = await columnOf(id, other, years, seed)
      if (!column) return
      found.push(column)
    }
    columns.value = found
    madeFor.value = mine
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    running.value = false
  }
}
const WIDTH = 900
const HEIGHT = 34
const rows = computed(() => columns.value[0]?.figures ?? [])
const at = (column: Column, row: number) => column.figures[row]
const unitOf = (unit: string) => (['Wh', 'Ah', 'W', 'h', 'share', 'd'].includes(unit) ? unit : '')
const shown = ({ value, unit }: KeyFigure) => prefs.show(value, unitOf(unit))
function difference(column: Column, row: number): string {
  const now = at(column, row)
  const by = now.value - at(columns.value[0], row).value
  if (Math.abs(by) < 1e-9 || (unitOf(now.unit) === 'h' && Math.abs(by) < 0.05)) return 'the same'
  return `${by > 0 ? '+' : '−'}${prefs.show(Math.abs(by), unitOf(now.unit))}`
}
function verdictOf(column: Column, row: number): '' | 'good' | 'bad' {
  const { better, value } = at(column, row)
  const by = value - at(columns.value[0], row).value
  if (better === null || Math.abs(by) < 1e-9) return ''
  return by > 0 === (better === 'more') ? 'good' : 'bad'
}
</script>

<template>
  <section class="card" data-variants>
    <div class="row wrap">
      <h2>{{ by === 'cost' ? 'Variants by their cost' : 'Variants side by side' }}</h2>
      <p class="quiet grow">over the same winters, this one first; differences are against it</p>
      <label v-for="other in others" :key="other.id" class="row pick">
        <input
          type="checkbox"
          :checked="picked.includes(other.id)"
          :disabled="!picked.includes(other.id) && picked.length >= MOST - 1"
          @change="pick(other.id)"
        />
        {{ other.variant }}
      </label>
      <el-button data-compare :loading="running" :disabled="picked.length === 0" @click="compare">Compare</el-button>
    </div>
    <p v-if="others.length === 0" class="quiet">
      This design has no other variant yet; make one at the top, change one thing in it, and set them side by side here.
    </p>
    <p v-if="problem" class="error" role="alert">{{ problem }}</p>
    <template v-if="columns.length > 0">
      <table v-stack class="sheet" :class="{ stale }">
        <thead>
          <tr>
            <th><span class="unseen">figure</span></th>
            <th v-for="column in columns" :key="column.id" class="n name" :title="column.name">{{ column.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, r) in rows" :key="row.id">
            <td>{{ row.label }}{{ unitOf(row.unit) === '' ? `, ${row.unit}` : '' }}</td>
            <td v-for="(column, c) in columns" :key="column.id" class="n">
              {{ shown(at(column, r)) }}
              <small v-if="c > 0" :class="verdictOf(column, r)">
                {{ difference(column, r)
                }}{{ verdictOf(column, r) === 'good' ? ' ▲' : verdictOf(column, r) === 'bad' ? ' ▽' : '' }}
              </small>
            </td>
          </tr>
        </tbody>
      </table>
      <div v-for="column in by === 'winter' ? columns : []" :key="column.id" class="strip">
        <span :title="column.name">{{ column.name }}</span>
        <WeekBars :weeks="column.weeks" :width="WIDTH" :height="HEIGHT" full />
      </div>
      <p class="quiet">
        <template v-if="by === 'winter'"
          >Bars: the week’s lowest charge in the typical year, October to April or its counterpart; line: 1 in
          10.</template
        >
        Over {{ yearsWords(design.document, Math.min(...columns.map(({ years }) => years))) }}. ▲ better, ▽ worse.
        <template v-if="stale">The design has changed since; compare again.</template>
      </p>
    </template>
  </section>
</template>

<style scoped>
.pick {
  gap: 4px;
}

.name {
  max-width: 180px;
  overflow: hidden;
  text-overflow: ellipsis;
}

small {
  display: block;
  color: var(--soft);
}

small.good {
  color: var(--spruce);
}

small.bad {
  color: var(--clay);
}

.stale tbody {
  opacity: 0.5;
}

.strip {
  display: grid;
  align-items: end;
  gap: 10px;
  grid-template-columns: 130px 1fr;
  margin-top: 6px;
}

.strip span {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.strip svg {
  width: 100%;
  height: 34px;
}

.error {
  color: var(--clay);
}
</style>
