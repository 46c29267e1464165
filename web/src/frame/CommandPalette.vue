<script setup lang="ts">
import { computed, nextTick, ref, shallowRef, useId, watch } from 'vue'
import { useRouter } from 'vue-router'
import { useDesign } from '../stores/design.ts'
import { useParts } from '../stores/parts.ts'
import { usePrefs } from '../stores/prefs.ts'
import type { Command } from './commands.ts'
import { findsOf, newLoadsFor, type Find } from './finds.ts'
import type { Word } from './glossary.ts'

/** One box to do things and to find things: commands, and the fields, loads, findings, parts and words of the design. */
const props = defineProps<{ open: boolean; commands: Command[] }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const parts = useParts()
const prefs = usePrefs()
const router = useRouter()
const id = useId()
const typed = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const list = ref<HTMLElement>()
const explained = shallowRef<Word | null>(null)
/** Found things come only once something is typed; as many as can be looked through. */
const MOST = 40

const finds = computed(() =>
  props.open ? findsOf(router, design, prefs, parts, (word) => (explained.value = word)) : [],
)
const asked = computed(() => typed.value.toLowerCase().split(/\s+/).filter(Boolean))
/** How well something answers: by its name before by what else it is called; 0 where it does not. */
function answers({ says, also = '' }: Command): number {
  const name = says.toLowerCase()
  const all = `${name} ${also.toLowerCase()}`
  if (!asked.value.every((word) => all.includes(word))) return 0
  const first = asked.value[0] ?? ''
  if (name.startsWith(first)) return 4
  if (asked.value.every((word) => name.includes(word))) return 3
  return new RegExp(`\\b${first.replace(/[^\p{L}\p{N}]/gu, '.')}`, 'iu').test(all) ? 2 : 1
}
const matches = computed<(Command & Partial<Find>)[]>(() => {
  if (asked.value.length === 0) return props.commands
  const ranked = [...props.commands, ...finds.value]
    .map((each) => ({ each, rank: answers(each) }))
    .filter(({ rank }) => rank > 0)
    .sort((a, b) => b.rank - a.rank)
    .map(({ each }) => each)
  return [...ranked.slice(0, MOST), ...newLoadsFor(typed.value, design, router)]
})
watch(
  () => props.open,
  async (now) => {
    if (!now) return
    typed.value = ''
    at.value = 0
    explained.value = null
    await nextTick()
    // one that is answered and closed by then takes the focus from nothing
    setTimeout(() => props.open && field.value?.focus(), 30)
  },
  { immediate: true },
)
watch(typed, () => {
  at.value = 0
  explained.value = null
})
async function move(by: number): Promise<void> {
  at.value = (at.value + by + matches.value.length) % Math.max(1, matches.value.length)
  await nextTick()
  list.value?.querySelector('.on')?.scrollIntoView({ block: 'nearest' })
}
function run(command: (Command & Partial<Find>) | undefined): void {
  // a word is told here; everything else leads away
  if (command?.kind !== 'word') emit('close')
  void command?.run()
}
</script>

<template>
  <el-dialog
    :model-value="open"
    :show-close="false"
    width="min(560px, 94vw)"
    top="12vh"
    title="Do or find"
    @close="emit('close')"
  >
    <input
      ref="field"
      v-model="typed"
      class="ask"
      placeholder="a command, a field, a load, a part, a word"
      role="combobox"
      aria-label="Do or find"
      aria-expanded="true"
      :aria-controls="id"
      :aria-activedescendant="matches.length > 0 ? `${id}-${at}` : undefined"
      data-palette
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="run(matches[at])"
    />
    <p v-if="explained" class="word" role="status" data-word><b>{{ explained.word }}.</b> {{ explained.says }}</p>
    <ul v-show="matches.length > 0" :id="id" ref="list" role="listbox" aria-label="What there is">
      <li
        v-for="(command, i) in matches"
        :id="`${id}-${i}`"
        :key="`${command.kind ?? 'command'} ${command.says} ${i}`"
        role="option"
        :aria-selected="i === at"
        :class="{ on: i === at }"
        @click="run(command)"
        @pointermove="at = i"
      >
        <span class="says">{{ command.says }}</span>
        <kbd v-if="command.key">{{ command.key }}</kbd>
        <span v-else-if="command.kind" class="quiet">{{ command.kind }}</span>
      </li>
    </ul>
    <p v-if="matches.length === 0" class="quiet none">Nothing is called that.</p>
  </el-dialog>
</template>

<style scoped>
.ask {
  width: 100%;
  height: max(34px, var(--target));
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}

.word {
  margin-top: 8px;
  padding: 8px 12px;
  border-left: 3px solid var(--lichen);
  background: var(--wash);
}

ul {
  overflow: auto;
  max-height: 46vh;
  margin: 8px 0 0;
  padding: 0;
  list-style: none;
}

li {
  display: flex;
  justify-content: space-between;
  padding: 5px 10px;
  border-radius: 4px;
  cursor: pointer;
  gap: 12px;
}

.says {
  overflow: hidden;
  text-overflow: ellipsis;
}

.quiet {
  flex: none;
}

.none {
  padding: 10px;
}

li.on {
  background: var(--wash);
}
</style>
