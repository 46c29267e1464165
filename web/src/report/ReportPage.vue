<script setup lang="ts">
import { until } from '@vueuse/core'
import { computed, nextTick, ref } from 'vue'
import {
  cautionsOf,
  circuitCable,
  oneLine,
  PAPER_INKS,
  provedBottleneck,
  STEPS,
  svgOf,
  verdict,
  type Finding,
  type Step,
} from '@ambrel/core'
import { vStack } from '../drawing/stacks.ts'
import StateMark from '../drawing/StateMark.vue'
import WeekBars from '../drawing/WeekBars.vue'
import { keyFigure, STEP_NAMES, stepName } from '../frame/steps.ts'
import { cents, pricedBy, together } from '../frame/money.ts'
import { noteOf } from '../frame/notes.ts'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWinter } from '../stores/winter.ts'
import { choicesOf } from './choices.ts'
import { useOpened } from './opened.ts'
import { yearsWords } from '../frame/yearsWords.ts'
import { fetched } from '../frame/fetching.ts'

/** The whole design on paper: verdict, findings, each step's figures and choices, parts, tasks and notes. */
const MarkdownText = fetched(() => import('../frame/MarkdownText.vue'))
const props = defineProps<{ id: string }>()
const design = useDesign()
const log = useLog()
const prefs = usePrefs()
const winter = useWinter()
const failure = useOpened(() => props.id, 'report')
const drawn = computed(() => design.document)
/** What stands between the lines of the bill and its total. */
const sums = computed((): [string, number][] => {
  const { tax, freight, labour, contingency, incentives } = design.derived!.bill
  const all: [string, number][] = [
    ['discount', -drawn.value!.budget.discount],
    ['tax', tax],
    ['freight', freight],
    ['labour', labour],
    ['contingency', contingency],
    ['incentives', -incentives],
  ]
  return all.filter(([, sum]) => sum !== 0)
})
/** of all its winters: the first look at a few is for a page that follows, not for paper */
const summary = computed(() => (winter.running ? null : design.winterSummary))
const says = computed(() =>
  summary.value && drawn.value
    ? prefs.say(verdict(drawn.value, summary.value, winter.ranked ? provedBottleneck(winter.ranked.list) : null))
    : '',
)
const LEVELS: { level: Finding['level']; name: string }[] = [
  { level: 'stop', name: 'Stops: dangerous, destroyed, or not working' },
  { level: 'watch', name: 'Watches: works, but think about it' },
  { level: 'open', name: 'Open: not answered yet' },
]
const findingsOf = (level: Finding['level']) => design.findings.filter((finding) => finding.level === level)

const worked = (step: Step) => Object.values(design.derived?.worked ?? {}).filter(({ id }) => id.startsWith(`${step}.`))

/** all of them, whatever was put away on the screen */
const cautions = computed(() => (design.document ? cautionsOf(design.document) : []))
const choices = computed(() => (design.document ? choicesOf(design.document, prefs.show) : []))
const readings = computed(() => log.readings.length)
const general = computed(() => (drawn.value?.notes ?? '').split(/^## /m)[0].trim())
const waits = ref(false)
async function print(): Promise<void> {
  waits.value = true
  await until(() => summary.value !== null || winter.failure !== '').toBe(true)
  waits.value = false
  await nextTick()
  window.print()
}
const today = new Date().toLocaleDateString([], { dateStyle: 'long' })
const laid = computed(() => design.derived?.circuits.filter(({ circuit }) => !circuit.within) ?? [])
const oneLineSvg = computed(() => {
  const { derived, document } = design
  if (!derived || !document) return ''
  return svgOf(oneLine(derived.system, derived.circuits, prefs.say), `One-line drawing of ${document.name}`, PAPER_INKS)
})
</script>

<template>
  <div class="report">
    <p v-if="failure" role="alert">{{ failure }} <RouterLink :to="{ name: 'shelf' }">Back to the shelf</RouterLink></p>
    <template v-if="drawn">
      <nav class="row no-print" aria-label="Report">
        <RouterLink class="act" :to="{ name: 'design', params: { id, step: 'winter' } }">Back to the design</RouterLink>
        <button class="act main" data-print :disabled="waits" @click="print">
          {{ waits ? 'Printed once the winters are run…' : 'Print' }}
        </button>
      </nav>
      <main>
        <h1>{{ drawn.name }} <span>{{ drawn.variant }}</span></h1>
        <p class="quiet">
          {{ drawn.place.label }}, {{ drawn.place.latitudeDeg }}°, {{ drawn.place.longitudeDeg }}°,
          {{ prefs.show(drawn.place.elevationM, 'm') }} · {{ today }} · reckoned by published methods, not an approval:
          local code, permits, the makers’ manuals and a licensed electrician have the last word.
        </p>
        <p v-if="says" class="verdict" data-verdict>{{ says }}</p>
        <p v-else class="quiet">{{ winter.failure || 'running winters…' }}</p>
        <figure v-if="summary">
          <WeekBars :weeks="summary.weeks" :width="720" :height="60" full />
          <figcaption class="quiet">
            Lowest charge of each week, typical and in 1 winter of 10, over {{ yearsWords(drawn, summary.years) }}.
          </figcaption>
        </figure>
        <MarkdownText v-if="general" :text="general" />
        <section v-for="{ level, name } in LEVELS" :key="level">
          <template v-if="findingsOf(level).length > 0">
            <h2>{{ name }}</h2>
            <ul class="findings">
              <li v-for="finding in findingsOf(level)" :key="finding.id + finding.subject">
                <StateMark :level="finding.level" :size="13" />
                <span
                  ><b>{{ prefs.say(finding.says) }}</b> {{ prefs.say(finding.because) }}
                  <i class="quiet">{{ stepName(finding.step, drawn) }}</i></span
                >
              </li>
            </ul>
          </template>
        </section>
        <section v-for="(step, i) in STEPS" :key="step" class="step" :data-report="step">
          <h2>
            {{ i + 1 }} {{ stepName(step, drawn) }}
            <span class="quiet">{{ keyFigure(step, drawn, design.derived, summary, readings, prefs.units) }}</span>
          </h2>
          <MarkdownText v-if="noteOf(drawn.notes, STEP_NAMES[step])" :text="noteOf(drawn.notes, STEP_NAMES[step])" />
          <dl v-if="worked(step).length > 0" class="figures">
            <div v-for="sheet in worked(step)" :key="sheet.id">
              <dt>{{ sheet.label }}</dt>
              <dd>{{ prefs.show(sheet.value, sheet.unit) }}</dd>
            </div>
          </dl>
          <table v-if="step === 'loads'" v-stack class="sheet">
            <thead>
              <tr>
                <th>load</th>
                <th class="n">×</th>
                <th class="n">running</th>
                <th class="n">a day, worst month</th>
                <th>leg</th>
                <th>priority</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(load, l) in drawn.loads" :key="load.id">
                <td>{{ load.name }}</td>
                <td class="n">{{ load.quantity }}</td>
                <td class="n">{{ prefs.show(load.runningW, 'W') }}</td>
                <td class="n">{{ prefs.show(design.derived?.loadCosts[l]?.dayWh, 'Wh') }}</td>
                <td>{{ load.leg }}</td>
                <td>{{ { must: 'must run', should: 'should run', canWait: 'can wait' }[load.priority] }}</td>
              </tr>
            </tbody>
          </table>
          <!-- eslint-disable-next-line vue/no-v-html -- made by the core of escaped texts -->
          <div v-if="step === 'wiring' && oneLineSvg" class="drawing" v-html="oneLineSvg" />
          <table v-if="step === 'wiring' && design.derived" v-stack class="sheet">
            <thead>
              <tr>
                <th>circuit</th>
                <th class="n">needs</th>
                <th class="n">one way</th>
                <th>conductor</th>
                <th class="n">drop</th>
                <th class="n">fuse or breaker</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="each in laid" :key="each.circuit.id">
                <td>{{ each.circuit.name }}</td>
                <td class="n">{{ prefs.show(each.circuit.designA, 'A') }}</td>
                <td class="n">{{ prefs.show(each.choice.oneWayM, 'm') }}</td>
                <td>{{ each.conductor ? prefs.say(circuitCable(each)) : '—' }}</td>
                <td class="n">{{ prefs.show(each.conductor?.dropPct, '%') }}</td>
                <td class="n">{{ each.device?.amps ? prefs.show(each.device.amps, 'A') : '—' }}</td>
              </tr>
            </tbody>
          </table>
          <table v-else-if="step === 'cost' && design.derived" v-stack class="sheet">
            <thead>
              <tr>
                <th>part</th>
                <th class="n">how many</th>
                <th class="n">each, {{ drawn.budget.currency }}</th>
                <th class="n">together</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="line in design.derived.bill.rows" :key="line.key">
                <td>{{ prefs.say(line.name) }}</td>
                <td class="n">{{ line.unit ? prefs.show(line.quantity, line.unit) : line.quantity }}</td>
                <td class="n">
                  {{ cents(line.unitPrice * pricedBy(line, prefs.units).share) }}{{ pricedBy(line, prefs.units).says }}
                </td>
                <td class="n">{{ together(line) }}</td>
              </tr>
              <tr v-for="[of, sum] in sums" :key="of">
                <td colspan="3">{{ of }}</td>
                <td class="n">{{ cents(sum) }}</td>
              </tr>
              <tr>
                <td colspan="3"><b>In all</b></td>
                <td class="n">
                  <b>{{ cents(design.derived.bill.total) }}</b>
                </td>
              </tr>
              <tr v-for="phase in design.derived.bill.phases.slice(1)" :key="phase.id">
                <td colspan="3">
                  {{ phase.name }}{{ phase.buyOn ? `, ${phase.buyOn}` : '' }}, with tax and contingency
                </td>
                <td class="n">{{ cents(phase.sum) }}</td>
              </tr>
            </tbody>
          </table>
          <ul v-else-if="step === 'build' && design.derived" class="tasks">
            <li v-for="task in design.derived.tasks" :key="task.id">
              {{ drawn.build.done.includes(task.id) ? '☑' : '☐' }} {{ prefs.say(task.says) }}
            </li>
          </ul>
          <ul v-if="cautions.some((caution) => caution.step === step)" class="cautions" data-cautions>
            <li v-for="caution in cautions.filter((each) => each.step === step)" :key="caution.id">
              <b>{{ prefs.say(caution.says) }}</b> {{ prefs.say(caution.because) }}
            </li>
          </ul>
          <dl v-if="choices.some((row) => row.step === step)" class="choices">
            <div v-for="(row, r) in choices.filter((each) => each.step === step)" :key="r">
              <dt>{{ row.label }}</dt>
              <dd>{{ row.value }}</dd>
            </div>
          </dl>
        </section>
      </main>
    </template>
  </div>
</template>

<style scoped>
.drawing {
  margin-bottom: 10px;
  break-inside: avoid;
}

.drawing :deep(svg) {
  display: block;
  width: 100%;
  height: auto;
}

.report {
  max-width: 820px;
  margin: 0 auto;
  padding: 18px 20px 60px;
}

nav {
  margin-bottom: 14px;
}

h1 {
  font-size: 26px;
}

h1 span {
  color: var(--soft);
}

h2 {
  margin: 20px 0 6px;
  padding-bottom: 3px;
  border-bottom: 1px solid var(--rule);
}

.verdict {
  margin: 12px 0;
  font: 400 16px/1.4 var(--text);
}

figure {
  margin: 0 0 12px;
}

figure svg {
  width: 100%;
}

ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

.findings li {
  display: flex;
  gap: 8px;
  padding: 3px 0;
  break-inside: avoid;
}

.findings svg {
  flex: none;
  margin-top: 3px;
}

dl {
  display: grid;
  margin: 6px 0;
  gap: 2px 24px;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
}

dl div {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  border-bottom: 1px dotted var(--rule);
  break-inside: avoid;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0;
  text-align: right;
}

.cautions {
  margin: 8px 0;
  padding-left: 10px;
  border-left: 3px solid var(--ochre);
}

.cautions li {
  padding: 2px 0;
  break-inside: avoid;
}

.choices {
  font-size: 12.5px;
}

@media print {
  .report {
    max-width: none;
    padding: 0;
    color: #000;
    background: #fff;
  }

  h2 {
    break-after: avoid;
  }
}
</style>
