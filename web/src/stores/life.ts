import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { computed, ref, shallowRef, toRaw } from 'vue'
import type { CostOverLife, Design } from '@ambrel/core'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'

/** What the open design costs over its life, reckoned beside the run whenever somebody looks at it. */
export const useLife = defineStore('life', () => {
  const design = useDesign()
  const winter = useWinter()
  const last = shallowRef<{ id: string; for: Design; costs: CostOverLife } | null>(null)
  const running = ref(false)
  const share = ref(0)
  /** somebody stopped it; it waits until the design changes or is asked for */
  const stopped = ref(false)
  const failure = ref('')
  let asked = 0
  /** what one design costs is never shown under the name of another */
  const found = computed(() => (last.value?.id === design.id ? last.value : null))

  async function reckon(): Promise<void> {
    const subject = design.document
    if (!subject) return
    const { id } = design
    const mine = ++asked
    // undone to what is reckoned already: nothing else is wanted any more
    running.value = found.value?.for !== subject
    if (!running.value) return
    stopped.value = false
    share.value = 0
    failure.value = ''
    try {
      const service = await winter.side(subject)
      if (mine !== asked) return
      const costs = await service.costOverLife(
        toRaw(subject),
        proxy((done: number) => {
          if (mine === asked) share.value = done
        }),
      )
      if (mine !== asked) return
      if (costs) last.value = { id, for: subject, costs }
    } catch (error) {
      if (mine === asked) failure.value = `Its life cannot be reckoned: ${(error as Error).message}.`
    }
    if (mine === asked) running.value = false
  }

  async function stop(): Promise<void> {
    asked++
    running.value = false
    stopped.value = true
    await (await winter.side(design.document!)).cancelCosting()
  }

  return { found, running, share, stopped, failure, reckon, stop }
})
