<script setup lang="ts">
import { computed, ref } from 'vue'
import { X } from '@lucide/vue'
import type { Finding, Step } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWorking } from '../stores/working.ts'
import { editOf } from '../fields/told.ts'
import StateMark, { MARKS } from '../drawing/StateMark.vue'
import { stepName } from './steps.ts'

const props = defineProps<{ step: Step }>()
const design = useDesign()
const prefs = usePrefs()
const working = useWorking()
const everything = ref(false)
const here = computed(() => design.findings.filter((finding) => finding.step === props.step))
const shown = computed(() => (everything.value ? design.findings : here.value))

function remedy(finding: Finding): void {
  if (design.document && finding.remedy)
    design.replace(`remedy: ${prefs.say(finding.remedy.label)}`, finding.remedy.apply(design.document))
}
/** where a wrong entry stands, in the words of its field */
const placeOf = (path: string) => (path === '' ? 'the whole design' : editOf(design.entered ?? design.document!, path))
const sheetOf = (finding: Finding) => (finding.working ? design.derived?.worked[finding.working] : undefined)
</script>

<template>
  <aside class="findings" aria-label="Findings">
    <header>
      <h2>Findings</h2>
      <span class="quiet">
        <button class="link" :class="{ plain: !everything }" @click="everything = false">this step</button> ·
        <button class="link" :class="{ plain: everything }" @click="everything = true">
          all {{ design.findings.length }}
        </button>
      </span>
      <button
        class="icon-button close"
        title="Hide findings (f)"
        aria-label="Hide findings"
        @click="prefs.findingsOpen = false"
      >
        <X :size="15" />
      </button>
    </header>
    <template v-if="design.problems.length > 0">
      <article v-for="problem in design.problems.slice(0, 12)" :key="problem.path" class="finding" data-problem>
        <StateMark level="stop" class="mark" />
        <p>{{ design.tell(problem) }}</p>
        <p class="quiet path">{{ placeOf(problem.path) }}</p>
      </article>
      <p class="quiet waits">
        {{ design.problems.length === 1 ? 'This entry waits' : 'These entries wait' }} here until put right; the last
        good value goes on ruling.
        <button class="link" data-drop-waiting @click="design.dropWaiting">
          Drop {{ design.problems.length === 1 ? 'it' : 'them' }}
        </button>
      </p>
    </template>
    <p v-if="shown.length === 0 && design.problems.length === 0" class="quiet none">
      No rule has anything to say about this step.
    </p>
    <article
      v-for="finding in shown"
      :key="finding.id + finding.subject"
      class="finding"
      :data-finding="finding.id"
      :data-level="finding.level"
    >
      <StateMark :level="finding.level" class="mark" />
      <p>
        <b>{{ prefs.say(finding.says) }}</b> {{ prefs.say(finding.because) }}
        <span class="then">
          <button v-if="sheetOf(finding)" class="link" @click="working.show(sheetOf(finding)!)">numbers</button>
          <button v-if="finding.remedy" class="link remedy" @click="remedy(finding)">
            {{ prefs.say(finding.remedy.label) }}
          </button>
        </span>
      </p>
      <p v-if="everything" class="quiet">{{ stepName(finding.step, design.document) }}</p>
    </article>
    <dl class="legend quiet" aria-label="What the marks mean">
      <div v-for="({ name, says }, level) in MARKS" :key="level">
        <dt><StateMark :level="level" :size="12" /> {{ name }}</dt>
        <dd>{{ says }}</dd>
      </div>
    </dl>
    <p class="quiet law">
      Rules of practice, not an approval. Local code, the maker’s manual and a licensed electrician have the last word.
    </p>
  </aside>
</template>

<style scoped>
.findings {
  overflow: auto;
  padding: 14px;
  border-left: 1px solid var(--rule);
  background: color-mix(in srgb, var(--card) 60%, var(--paper));
}

header {
  display: flex;
  align-items: baseline;
  gap: 8px;
  margin-bottom: 8px;
}

.close {
  margin-left: auto;
}

.plain {
  color: var(--ink);
  text-decoration: none;
}

.finding {
  position: relative;
  padding: 9px 0 9px 25px;
  border-top: 1px solid var(--rule);
  font-size: 13.5px;
  line-height: 1.38;
}

.mark {
  position: absolute;
  top: 11px;
  left: 0;
}

.remedy {
  margin-left: 8px;
  font-weight: 600;
}

.path {
  overflow-wrap: anywhere;
}

/* in the hand a line of their own, so that what is pressed does not part the lines of the text */
@media (pointer: coarse) {
  .then {
    display: flex;
    flex-wrap: wrap;
    gap: 0 20px;
  }

  .then .link {
    margin: 0;
    text-align: left;
  }
}

.legend {
  margin: 0;
  padding: 9px 0;
  border-top: 1px solid var(--rule);
  font-size: 12.5px;
}

.legend div {
  display: grid;
  grid-template-columns: 62px 1fr;
}

.legend dd {
  margin: 0;
}

.none,
.law {
  padding: 9px 0;
  border-top: 1px solid var(--rule);
}
</style>
