<script setup lang="ts" generic="T extends { id: string; name: string; estimated: string[] }">
import { computed, ref } from 'vue'
import { FilePlus2, SlidersHorizontal } from '@lucide/vue'
import { structuredCloneOf } from '@ambrel/core'
import type { PartKind } from '@ambrel/contract'
import { useParts } from '../stores/parts.ts'
import ChoiceField from './ChoiceField.vue'
import { fetched } from '../frame/fetching.ts'

const PartMaker = fetched(() => import('../parts/PartMaker.vue'))

/** Takes a part from the shelf into the design as a snapshot, or one that is made here from its label or its sheet. */
const props = defineProps<{ modelValue: T; kind: PartKind; label: string; fits?: (part: T) => boolean }>()
const emit = defineEmits<{ 'update:modelValue': [part: T] }>()
const parts = useParts()
const making = ref<'new' | 'this' | null>(null)
const shelf = computed(() =>
  parts.of<T>(props.kind).filter((part) => part.id === props.modelValue.id || !props.fits || props.fits(part)),
)
const options = computed(() => {
  const known = shelf.value.some((part) => part.id === props.modelValue.id)
  const own = known ? [] : [{ value: props.modelValue.id, label: props.modelValue.name }]
  const listed = shelf.value.map(({ id, name }) => ({
    value: id,
    label: parts.ofId(id)?.own ? `${name} (yours)` : name,
  }))
  return [...own, ...listed]
})
function choose(id: string): void {
  const part = shelf.value.find((candidate) => candidate.id === id)
  if (part && id !== props.modelValue.id) emit('update:modelValue', structuredCloneOf(part))
}
function use(part: Record<string, unknown>): void {
  emit('update:modelValue', structuredCloneOf(part) as unknown as T)
}
const current = computed(() => ({ ...props.modelValue }) as unknown as Record<string, unknown>)
</script>

<template>
  <div class="picker">
    <ChoiceField
      class="grow"
      :model-value="modelValue.id"
      :options="options"
      :label="label"
      labelled
      @update:model-value="choose"
    />
    <button
      class="icon-button"
      :aria-label="`${label}: all its figures; keep it as your own`"
      title="All its figures; keep it on the shelf as your own"
      data-own-part
      @click="making = 'this'"
    >
      <SlidersHorizontal :size="14" />
    </button>
    <button
      class="icon-button"
      :aria-label="`${label}: a new one, from its label or data sheet`"
      title="A new one, from its label or data sheet"
      data-from-label
      @click="making = 'new'"
    >
      <FilePlus2 :size="14" />
    </button>
    <PartMaker
      v-if="making"
      :kind="kind"
      :from="making === 'this' ? current : undefined"
      within
      @close="making = null"
      @use="use"
    />
  </div>
</template>

<style scoped>
.picker {
  display: flex;
  align-items: end;
  gap: 2px;
  /* it keeps its height beside a field that says what is wrong under it */
  height: fit-content;
  min-width: 0;
}

.picker .icon-button {
  flex: none;
}
</style>
