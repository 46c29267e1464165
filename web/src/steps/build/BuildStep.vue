<script setup lang="ts">
import { computed } from 'vue'
import { type BuildTask, setTaskDone } from '@ambrel/core'
import DocumentField from '../../fields/DocumentField.vue'
import StepHead from '../../frame/StepHead.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

const prefs = usePrefs()
const design = useDesign()
const done = computed(() => new Set(design.document!.build.done))
const phases = computed(() => {
  const groups = new Map<string, BuildTask[]>()
  for (const task of design.derived?.tasks ?? []) groups.set(task.phase, [...(groups.get(task.phase) ?? []), task])
  return [...groups]
})
const next = computed(() => design.derived?.tasks.find(({ id }) => !done.value.has(id))?.id)
function toggle(task: BuildTask): void {
  design.change(
    done.value.has(task.id) ? `not done: ${task.id}` : `done: ${task.id}`,
    setTaskDone(task.id, !done.value.has(task.id)),
  )
}
</script>

<template>
  <StepHead step="build" says="in what order do you wire it, switch it on and set it? Shutting down is the reverse." />
  <p v-if="phases.length === 0" class="quiet">The list waits until what is named under Findings is put right.</p>
  <section v-for="[phase, tasks] in phases" :key="phase" class="card phase">
    <h2>{{ phase }}</h2>
    <label
      v-for="task in tasks"
      :key="task.id"
      class="task"
      :class="{ done: done.has(task.id), next: task.id === next }"
    >
      <input type="checkbox" :checked="done.has(task.id)" :data-task="task.id" @change="toggle(task)" />
      <span>
        <b>{{ prefs.say(task.says) }}</b>
        <small>{{ prefs.say(task.why) }}</small>
      </span>
    </label>
  </section>
  <section class="card phase">
    <DocumentField path="notes" labelled />
  </section>
  <p class="quiet">The maker’s manual, local code and a licensed electrician outrank this list.</p>
</template>

<style scoped>
.phase {
  margin-bottom: 12px;
}

.task {
  display: grid;
  grid-template-columns: 22px 1fr;
  align-items: start;
  min-height: var(--target);
  padding: 6px 4px;
  border-top: 1px solid var(--rule);
  cursor: pointer;
}

.task.next {
  background: var(--wash);
}

input {
  width: 15px;
  height: 15px;
  margin-top: 3px;
  accent-color: var(--spruce);
}

b {
  font-weight: 600;
}

.done b {
  color: var(--soft);
  font-weight: 400;
  text-decoration: line-through;
}

@media (pointer: coarse) {
  .task {
    grid-template-columns: 34px 1fr;
    padding-block: 10px;
  }

  input {
    width: 24px;
    height: 24px;
    margin-top: 0;
  }
}

small {
  display: block;
  color: var(--soft);
  font-size: 12.5px;
}
</style>
