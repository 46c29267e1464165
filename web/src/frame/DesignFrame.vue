<script setup lang="ts">
import { computed, onBeforeUnmount, provide, ref, useTemplateRef, watch } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import { useEventListener } from '@vueuse/core'
import type { Step } from '@ambrel/core'
import { onBack } from '../saving/connection.ts'
import { ApiRefusal, Unreachable } from '../stores/api.ts'
import { useDesign } from '../stores/design.ts'
import { useLog } from '../stores/log.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useSuggest } from '../stores/suggest.ts'
import { useWinter } from '../stores/winter.ts'
import { useWorking } from '../stores/working.ts'
import FieldHelp from '../fields/FieldHelp.vue'
import AppTop from './AppTop.vue'
import FindingsPane from './FindingsPane.vue'
import WinterStrip from './WinterStrip.vue'
import WorkRail from './WorkRail.vue'
import { commandsFor } from './commands.ts'
import { isStep, stepName } from './steps.ts'
import { FrameDialogs, loadAhead, StepCautions, STEP_VIEWS, type Overlay } from './stepViews.ts'
import { NEW_ROW } from './newRow.ts'

const props = defineProps<{ id: string; step: string }>()
const router = useRouter()
const design = useDesign()
const log = useLog()
const prefs = usePrefs()
const suggest = useSuggest()
const working = useWorking()

const step = computed<Step>(() => (isStep(props.step) ? props.step : 'place'))
const overlay = ref<Overlay | null>(null)
const over = (shown: Overlay) => () => void (overlay.value = shown)
function shownAround(): void {
  overlay.value = null
  prefs.toured = true
}
const failure = ref('')
const newRow = ref<(() => void) | null>(null)
provide(NEW_ROW, newRow)

async function open(id: string): Promise<void> {
  failure.value = ''
  try {
    await design.open(id)
    await log.open(id)
  } catch (error) {
    if (id !== props.id) return
    // the design is open: its readings come when the server does
    if (design.document) return
    if (error instanceof ApiRefusal && error.status === 404)
      failure.value = 'This design is not here; it may have been deleted.'
    else if (error instanceof Unreachable)
      failure.value = `The design could not be opened: ${error.message}. It opens when the server is back.`
    else failure.value = `The design could not be opened: ${(error as Error).message}`
  }
}
watch(
  () => props.id,
  (id) => void open(id),
  { immediate: true },
)
onBeforeUnmount(onBack(() => (failure.value ? void open(props.id) : undefined)))
/** the step that is on the bench, in the title and told to those who listen */
const onBench = computed(() => stepName(step.value, design.document))
watch(
  [onBench, () => design.document?.name],
  ([now, name]) => (document.title = name ? `${now} · ${name} · Ambrel` : 'Ambrel'),
  { immediate: true },
)
const bench = useTemplateRef('bench')
watch(step, (now) => (design.at = now), { immediate: true })
watch(step, () => {
  // a step begins at its top, wherever the one before it was left
  if (bench.value) bench.value.scrollTop = 0
  newRow.value = null
  if (design.suggestion && design.suggestion.step !== step.value) design.suggestion = null
})

const commands = computed(() =>
  commandsFor(router, design, prefs, suggest, {
    palette: over('palette'),
    keys: over('keys'),
    working: showWorking,
    newRow: () => newRow.value?.(),
    variant: over('variant'),
    history: over('history'),
    around: over('around'),
    about: over('about'),
    winterTable: over('winterTable'),
  }),
)

/** The field something was typed into and not yet left: there Ctrl Z undoes the typing. */
let typedInto: EventTarget | null = null
const takesText = (target: EventTarget | null): boolean =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'file', 'color'].includes(target.type))
const isField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (/^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName) || target.isContentEditable)

function onKey(event: KeyboardEvent): void {
  const control = event.ctrlKey || event.metaKey
  const key = event.key.toLowerCase()
  if (control && key === 'k') {
    event.preventDefault()
    overlay.value = 'palette'
  } else if (control && key === 'z') {
    if (event.target === typedInto) return
    event.preventDefault()
    if (event.shiftKey) design.redo()
    else design.undo()
  } else if (!control && !event.altKey && !isField(event.target) && overlay.value !== 'palette') onPlainKey(event)
}

function onPlainKey(event: KeyboardEvent): void {
  const command = commands.value.find(({ key }) => key === event.key)
  if (!command) return
  event.preventDefault()
  void command.run()
}

/** The working of the figure that has the focus, or of the first of the step. */
function showWorking(): void {
  const id = (document.activeElement as HTMLElement | null)?.dataset.working
  const sheet = id
    ? design.derived?.worked[id]
    : Object.values(design.derived?.worked ?? {}).find((each) => each.id.startsWith(`${step.value}.`))
  if (sheet) working.show(sheet)
}

/** every step is here, so that it opens without the server */
const ahead = ref(false)
const winter = useWinter()
watch(
  () => winter.winters,
  async () => {
    await loadAhead()
    ahead.value = true
  },
  { once: true },
)
useEventListener(window, 'keydown', onKey)
useEventListener(window, 'input', ({ target }) => (typedInto = takesText(target) ? target : null), { capture: true })
useEventListener(window, 'focusin', () => (typedInto = null), { capture: true })
useEventListener(window, 'beforeunload', (event) => {
  if (design.document && (design.saveState !== 'saved' || design.unjudged)) event.preventDefault()
})
onBeforeRouteLeave(() => design.leave())
onBeforeUnmount(() => working.close())
</script>

<template>
  <div v-if="failure" class="failure">
    <h1>{{ failure }}</h1>
    <RouterLink class="link" :to="{ name: 'shelf' }">Back to the shelf</RouterLink>
  </div>
  <div v-else class="frame" :class="{ wide: !prefs.findingsOpen }" :data-ahead="ahead">
    <a class="skip no-print" href="#bench" @click.prevent="bench?.focus()">Skip to the step</a>
    <p class="unseen" role="status">{{ onBench }}</p>
    <AppTop
      :step="step"
      class="areaTop no-print"
      @palette="overlay = 'palette'"
      @variant="overlay = 'variant'"
      @about="overlay = 'about'"
    />
    <WorkRail :id="props.id" :step="step" class="areaRail no-print" @around="overlay = 'around'" />
    <main id="bench" ref="bench" class="areaBench" :data-bench="step" tabindex="-1">
      <component :is="STEP_VIEWS[step]" v-if="design.document" :key="design.id" />
      <StepCautions v-if="design.document" :step="step" />
    </main>
    <FindingsPane v-if="prefs.findingsOpen" :step="step" class="areaFind no-print" />
    <button
      v-else-if="!prefs.narrow"
      class="peek no-print"
      title="Show findings (f)"
      @click="prefs.findingsOpen = true"
    >
      Findings
    </button>
    <WinterStrip class="areaStrip no-print" @table="overlay = 'winterTable'" />
    <FieldHelp />
    <FrameDialogs
      v-if="ahead || overlay || working.sheet || design.conflict || design.saveState === 'gone'"
      :shown="overlay"
      :commands="commands"
      @close="overlay = null"
      @toured="shownAround"
    />
  </div>
</template>

<style scoped>
.frame {
  --bar: 46px;

  position: relative;
  overflow: hidden;
  display: grid;
  height: 100%;
  grid-template: var(--bar) minmax(0, 1fr) auto / 200px minmax(0, 1fr) 268px;
  grid-template-areas: 'top top top' 'rail bench find' 'strip strip strip';
}

.frame.wide {
  grid-template-columns: 200px minmax(0, 1fr) 30px;
}

.skip {
  position: fixed;
  z-index: 30;
  top: -60px;
  left: 8px;
  padding: 8px 14px;
  border-radius: 4px;
  background: var(--spruce);
  color: var(--on-spruce);
}

.skip:focus {
  top: 8px;
}

.areaBench:focus {
  outline: none;
}

.areaTop {
  grid-area: top;
}

.areaRail {
  grid-area: rail;
}

.areaBench {
  grid-area: bench;
  --bench-pad: 18px;

  position: relative;
  overflow: auto;
  padding: 14px var(--bench-pad) 22px;
}

.areaFind {
  grid-area: find;
}

.areaStrip {
  grid-area: strip;
}

.peek {
  grid-area: find;
  padding: 14px 0;
  border: 0;
  border-left: 1px solid var(--rule);
  background: none;
  color: var(--soft);
  font: 600 14px var(--heading);
  writing-mode: vertical-rl;
  text-align: left;
  cursor: pointer;
}

.failure {
  padding: 15vh 10vw;
}

@media (max-width: 900px) {
  .frame,
  .frame.wide {
    grid-template: var(--bar) 46px minmax(0, 1fr) auto / minmax(0, 1fr);
    grid-template-areas: 'top' 'rail' 'bench' 'strip';
  }

  .areaFind {
    position: fixed;
    z-index: 20;
    top: calc(var(--bar) + 46px);
    right: 0;
    bottom: 104px;
    width: min(320px, 90vw);
    grid-area: auto;
    background: var(--card);
    box-shadow: var(--shadow);
  }
}

@media (max-width: 900px) and (max-height: 560px) {
  .frame,
  .frame.wide {
    grid-template-rows: 40px 36px minmax(0, 1fr) auto;
  }

  .areaFind {
    top: 76px;
    bottom: 28px;
  }
}

@media (max-width: 600px) {
  .areaBench {
    --bench-pad: 12px;
  }

  .areaFind {
    left: 0;
    width: auto;
  }
}

@media (max-width: 600px) and (min-height: 561px) {
  .frame {
    --bar: 80px;
  }
}

@media (max-width: 600px) and (min-height: 561px) and (pointer: coarse) {
  .frame {
    --bar: 92px;
  }
}

@media print {
  .frame {
    display: block;
    overflow: visible;
    height: auto;
  }

  .areaBench {
    overflow: visible;
  }

  .areaTop,
  .areaRail,
  .areaFind,
  .areaStrip,
  .peek {
    display: none;
  }

  /* a step that has something to be taken along prints that alone */
  .areaBench:has(:deep(.printed)) :deep(.card:not(.printed)),
  .areaBench:has(:deep(.printed)) :deep(.figures) {
    display: none;
  }
}
</style>
