import { defineStore } from 'pinia'
import { ref, toRaw } from 'vue'
import type { Step, Suggested } from '@ambrel/core'
import { useDesign } from './design.ts'
import { useWinter } from './winter.ts'

/** Asks the second worker for a suggestion, which holds it against all rules and runs its winters before it is shown. */
export const useSuggest = defineStore('suggest', () => {
  const design = useDesign()
  const winter = useWinter()
  const busy = ref<Suggested | null>(null)
  let asked = 0

  /** @param step under whose heading the reasons are shown */
  async function ask(what: Suggested, step: Step, label: string): Promise<void> {
    const subject = design.document
    if (!subject || !design.derived || busy.value !== null) return
    const mine = ++asked
    busy.value = what
    try {
      const service = await winter.side(subject)
      const made = await service.suggest(what, toRaw(subject))
      if (mine !== asked) return
      if (design.document === subject) design.take(step, label, made)
      else if (design.document)
        design.take(step, label, {
          design: design.document,
          reasons: ['The design was edited meanwhile, so nothing was taken. Ask again.'],
        })
    } catch (error) {
      if (mine === asked && design.document)
        design.take(step, label, {
          design: design.document,
          reasons: [`Nothing could be suggested: ${(error as Error).message}.`],
        })
    } finally {
      if (mine === asked) busy.value = null
    }
  }

  /** Gives up on what is asked; its answer is not taken. */
  function cancel(): void {
    asked++
    busy.value = null
  }

  return { busy, ask, cancel }
})
