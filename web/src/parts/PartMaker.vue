<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { partFromLabel, type AnyTable, type ControllerPart, type Found } from '@ambrel/core'
import { PART_TABLES, type PartKind, type StoredPart } from '@ambrel/contract'
import { partProblems } from '@ambrel/contract/check'
import ChoiceField from '../fields/ChoiceField.vue'
import TextField from '../fields/TextField.vue'
import { ApiRefusal } from '../stores/api.ts'
import { useParts } from '../stores/parts.ts'
import { usePrefs } from '../stores/prefs.ts'
import PartForm from './PartForm.vue'
import SheetPaste from './SheetPaste.vue'
import { KIND_WORDS, LABEL_FIELDS } from './partWords.ts'

/**
 * A part of one's own: begun from what its label says, from the text of its data sheet, or from another part. What is not said is
 * estimated and marked.
 */
const props = defineProps<{
  kind: PartKind
  /** the part it begins with; none for an empty label */
  from?: Record<string, unknown>
  /** a part of the shelf that is changed; none for a new one */
  stored?: StoredPart
  /** it is made in a design, which can use it without the shelf */
  within?: boolean
}>()
const emit = defineEmits<{ close: []; use: [part: Record<string, unknown>] }>()
const parts = useParts()
const prefs = usePrefs()
const words = computed(() => KIND_WORDS[props.kind])
const table = computed(() => PART_TABLES[props.kind] as AnyTable)

/** What somebody has said: everything of a part but its estimates. */
function saidOf(part: Record<string, unknown> | undefined): Record<string, unknown> {
  if (!part) return {}
  const guesses = part.estimated as readonly string[]
  return Object.fromEntries(
    Object.entries(part).filter(([key]) => key !== 'id' && key !== 'estimated' && !guesses.includes(key)),
  )
}
const said = shallowRef(saidOf(props.from))
const pasting = ref(false)
const failure = ref('')
const working = ref(false)
const version = ref(props.stored?.version ?? 0)

const must = computed(() => LABEL_FIELDS[props.kind].must)
/** A sheet's capacities at several rates say what the label's one does. */
const label = computed(() => {
  const { must: first, often } = LABEL_FIELDS[props.kind]
  return [...first, ...often].filter((key) => key !== 'ampHours' || said.value.capacities === undefined)
})
const missing = computed(() =>
  must.value.filter(
    (key) => said.value[key] === undefined && !(key === 'ampHours' && said.value.capacities !== undefined),
  ),
)
const made = computed(() => {
  if (missing.value.length > 0) return null
  try {
    return partFromLabel(props.kind, said.value as never)
  } catch {
    return null
  }
})
const part = computed<Record<string, unknown> | null>(
  () => made.value && ({ ...made.value.part, id: 'own' } as Record<string, unknown>),
)
const shown = computed<Record<string, unknown>>(() => ({ ...said.value, ...part.value, ampHours: said.value.ampHours }))
const rest = computed(() =>
  Object.keys(table.value).filter(
    (key) => !['id', 'name', 'estimated', ...label.value].includes(key) && table.value[key].kind !== 'part',
  ),
)
const problems = computed(() => {
  const found = new Map<string, string>()
  if (!part.value) return found
  for (const { path, message } of partProblems(props.kind, part.value))
    if (!found.has(path.split('.')[0])) found.set(path.split('.')[0], prefs.say(message))
  // the label's one capacity is what the others were made of
  if (said.value.ampHours !== undefined && found.has('capacities')) found.set('ampHours', found.get('capacities')!)
  return found
})
const ready = computed(() => part.value !== null && problems.value.size === 0 && !working.value)
const labelOf = (key: string) => (key === 'ampHours' ? 'Capacity' : table.value[key].label)

function set(key: string, value: unknown): void {
  const next = { ...said.value }
  if (value === undefined) delete next[key]
  else next[key] = value
  // capacities typed by their rates take the place of the label's one
  if (key === 'capacities') delete next.ampHours
  said.value = next
}
function takeFound(found: readonly Found[]): void {
  for (const { key, value } of found) set(key, value)
  pasting.value = false
}

/** What is inside an all-in-one unit comes from the shelf of controllers. */
const inside = computed(() => (shown.value.controller as ControllerPart | null | undefined) ?? null)
const insides = computed(() => {
  const shelf = parts.of<ControllerPart>('controller')
  const known = inside.value && !shelf.some(({ id }) => id === inside.value!.id) ? [inside.value] : []
  return [
    { value: '', label: 'none: it stands by itself' },
    ...[...known, ...shelf].map(({ id, name }) => ({ value: id, label: name })),
  ]
})
function setInside(id: string): void {
  const chosen = parts.of<ControllerPart>('controller').find((each) => each.id === id)
  if (id === '') set('controller', null)
  // the same by itself is another part: it has a cable and a breaker of its own
  else if (chosen && chosen.id !== inside.value?.id)
    set('controller', {
      ...chosen,
      id: chosen.id.startsWith('in-') ? chosen.id : `in-${chosen.id}`.slice(0, 60),
      price: 0,
    })
}

async function keep(over: StoredPart | null): Promise<void> {
  working.value = true
  failure.value = ''
  try {
    const of = { ...part.value!, name: said.value.name ?? part.value!.name }
    const stored = over
      ? await parts.save(over.id, version.value, of)
      : (await parts.add([{ kind: props.kind, part: of }]))[0]
    emit('use', stored.part)
    emit('close')
  } catch (error) {
    if (error instanceof ApiRefusal && error.currentPart) {
      version.value = error.currentPart.version
      failure.value = `This part was changed elsewhere meanwhile (its name there: “${String(error.currentPart.part.name)}”). Keep it again to write over that, or keep it as a new one.`
    } else failure.value = `It could not be kept: ${(error as Error).message}. Nothing typed here is lost.`
  } finally {
    working.value = false
  }
}
function useHere(): void {
  // changed figures make another part, which nothing else of the design may be taken for
  emit('use', { ...part.value!, id: `own-${crypto.randomUUID()}` })
  emit('close')
}
</script>

<template>
  <el-dialog
    :model-value="true"
    :title="stored ? `Change a ${words.one} of your own` : `A ${words.one} of your own`"
    width="min(820px, 96vw)"
    top="5vh"
    append-to-body
    @close="emit('close')"
  >
    <div class="body">
      <div class="row wrap top">
        <TextField
          class="name"
          :model-value="String(said.name ?? part?.name ?? '')"
          label="Name"
          labelled
          :problem="problems.get('name')"
          data-part-name
          @update:model-value="set('name', $event === '' ? undefined : $event)"
        />
        <button class="link" :aria-expanded="pasting" data-paste-sheet @click="pasting = !pasting">
          {{ pasting ? 'close the text' : 'paste a data sheet’s text' }}
        </button>
      </div>
      <SheetPaste v-if="pasting" :kind="kind" @take="takeFound" />
      <h3>On its label</h3>
      <PartForm
        :kind="kind"
        :part="shown"
        :estimated="made?.estimated ?? []"
        :fields="label"
        :problems="problems"
        @set="set"
      />
      <p v-if="missing.length > 0" class="quiet missing" role="status">
        {{ missing.map(labelOf).join(', ') }} {{ missing.length === 1 ? 'is' : 'are' }} needed; the rest is then
        estimated.
      </p>
      <template v-else>
        <h3>The rest of its data sheet</h3>
        <p class="quiet">
          <template v-if="made && made.estimated.length > 0"
            >{{ made.estimated.length }} figure{{ made.estimated.length === 1 ? '' : 's' }} marked ≈ are reckoned from
            the label by rules of thumb. They stay marked in the design, among the findings, until the sheet’s take
            their place.</template
          >
          <template v-else>No figure of it is an estimate.</template>
        </p>
        <ChoiceField
          v-if="kind === 'inverter'"
          class="inside"
          :model-value="inside?.id ?? ''"
          :options="insides"
          label="Built-in controller"
          help-path="inverter.part.controller"
          labelled
          @update:model-value="setInside"
        />
        <PartForm
          :kind="kind"
          :part="shown"
          :estimated="made?.estimated ?? []"
          :fields="rest"
          :problems="problems"
          @set="set"
        />
      </template>
      <p v-if="failure" class="error" role="alert">{{ failure }}</p>
    </div>
    <template #footer>
      <el-button @click="emit('close')">Leave it</el-button>
      <el-button v-if="within" :disabled="!ready" data-use-part @click="useHere">Use it here only</el-button>
      <el-button v-if="stored" :disabled="!ready" type="primary" data-save-part @click="keep(stored)">Keep</el-button>
      <el-button :disabled="!ready" :type="stored ? 'default' : 'primary'" data-keep-part @click="keep(null)">{{
        stored ? 'Keep as a new one' : within ? 'Use it and keep it on the shelf' : 'Keep it on the shelf'
      }}</el-button>
    </template>
  </el-dialog>
</template>

<style scoped>
.body {
  max-height: 68vh;
  overflow: auto;
  padding: 2px 6px 2px 2px;
}

.top {
  align-items: end;
  gap: 14px;
}

.name {
  flex: 1;
  max-width: 420px;
}

h3 {
  margin: 14px 0 4px;
}

.inside {
  max-width: 460px;
  margin: 6px 0 8px;
}

.missing {
  margin-top: 8px;
}

.error {
  margin-top: 8px;
  color: var(--clay);
}
</style>
