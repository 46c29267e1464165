<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { Command } from './commands.ts'

const props = defineProps<{ open: boolean; commands: Command[] }>()
const emit = defineEmits<{ close: [] }>()
const typed = ref('')
const at = ref(0)
const field = ref<HTMLInputElement>()
const matches = computed(() => {
  const words = typed.value.toLowerCase().split(/\s+/).filter(Boolean)
  return props.commands.filter(({ says }) => words.every((word) => says.toLowerCase().includes(word)))
})
watch(
  () => props.open,
  async (now) => {
    if (!now) return
    typed.value = ''
    at.value = 0
    await nextTick()
    setTimeout(() => field.value?.focus(), 30)
  },
)
watch(typed, () => (at.value = 0))
function move(by: number): void {
  at.value = (at.value + by + matches.value.length) % Math.max(1, matches.value.length)
}
function run(command: Command | undefined): void {
  emit('close')
  command?.run()
}
</script>

<template>
  <el-dialog
    :model-value="open"
    :show-close="false"
    width="520"
    top="12vh"
    title="What do you want to do?"
    @close="emit('close')"
  >
    <input
      ref="field"
      v-model="typed"
      class="ask"
      placeholder="type a few letters"
      aria-label="Command"
      @keydown.down.prevent="move(1)"
      @keydown.up.prevent="move(-1)"
      @keydown.enter.prevent="run(matches[at])"
    />
    <ul role="listbox" aria-label="Commands">
      <li
        v-for="(command, i) in matches"
        :key="command.says"
        role="option"
        :aria-selected="i === at"
        :class="{ on: i === at }"
        @click="run(command)"
        @pointermove="at = i"
      >
        {{ command.says }} <kbd v-if="command.key">{{ command.key }}</kbd>
      </li>
      <li v-if="matches.length === 0" class="quiet">Nothing is called that.</li>
    </ul>
  </el-dialog>
</template>

<style scoped>
.ask {
  width: 100%;
  height: 34px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--paper);
  color: inherit;
  font: inherit;
}

ul {
  max-height: 46vh;
  overflow: auto;
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
}

li.on {
  background: var(--wash);
}
</style>
