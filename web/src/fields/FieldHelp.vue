<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { usePrefs } from '../stores/prefs.ts'
import { openHelp, toggleHelp } from './help.ts'

/** The one card of help there is: what a field is, where it is found, what is usual. */
const prefs = usePrefs()
const WIDTH = 300
const EDGE = 8
const at = ref({ left: '0', top: '0' })
const text = computed(() => (openHelp.value ? prefs.say(openHelp.value.words) : ''))
watch(openHelp, (help) => {
  if (!help) return
  const box = help.beside.getBoundingClientRect()
  const left = Math.max(EDGE, Math.min(box.left, window.innerWidth - WIDTH - EDGE))
  const low = box.bottom > window.innerHeight * 0.7
  at.value = { left: `${left}px`, top: low ? `${box.top - EDGE}px` : `${box.bottom + EDGE}px` }
  above.value = low
})
const above = ref(false)
const close = () => (openHelp.value = null)
useEventListener(
  window,
  'keydown',
  (event: KeyboardEvent) => {
    if (event.key === 'Escape' && openHelp.value) {
      event.stopPropagation()
      close()
    }
    const field = document.activeElement?.closest<HTMLElement>('[data-path]')
    if (event.key !== 'F1' || !field) return
    event.preventDefault()
    toggleHelp(field.dataset.path!, field)
  },
  { capture: true },
)
useEventListener(window, 'pointerdown', (event) => {
  const target = event.target as HTMLElement
  if (openHelp.value && !target.closest('.field-help') && !target.closest('[data-help]')) close()
})
useEventListener(window, 'scroll', close, { capture: true, passive: true })
</script>

<template>
  <div v-if="openHelp" class="field-help" :class="{ above }" :style="at" role="status" data-field-help>
    <b>{{ openHelp.label }}</b>
    <p>{{ text }}</p>
    <p v-if="openHelp.absent" data-absent>The design as it stands does not ask for it.</p>
  </div>
</template>

<style scoped>
.field-help {
  position: fixed;
  z-index: 3000;
  width: 300px;
  padding: 9px 12px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--card);
  box-shadow: 0 4px 18px rgb(0 0 0 / 22%);
  font-size: 13px;
  line-height: 1.4;
}

.above {
  transform: translateY(-100%);
}

p {
  margin-top: 2px;
  color: var(--soft);
}
</style>
