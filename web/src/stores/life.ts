import { proxy } from 'comlink'
import { defineStore } from 'pinia'
import { ref, shallowRef, toRaw } from 'vue'
import type { CostOverLife, Design } from '@ambrel/core'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'

/** What the open design costs over its life, reckoned beside the run whenever somebody looks at it. */
export const useLife = defineStore('life', () => {
  const design = useDesign()
  const winter = useWinter()
  const found = shallowRef<{ for: Design; costs: CostOverLife } | null>(null)
  const running = ref(false)
  const share = ref(0)
  /** somebody stopped it; it waits until the design changes or is asked for */
  const stopped = ref(false)
  const failure = ref('')
  let asked = 0

  async function reckon(): Promise<void> {
    const subject = design.document
    if (!subject || found.value?.for === subject) return
    const mine = ++asked
    running.value = true
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
      if (costs) found.value = { for: subject, costs }
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
