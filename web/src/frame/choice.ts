import { ref } from 'vue'

/** A choice that asks the server: one at a time, and what keeps it from being done is said in words. */
export function useChoice() {
  const busy = ref(false)
  const failure = ref('')
  async function choose(work: () => Promise<unknown>): Promise<void> {
    if (busy.value) return
    busy.value = true
    failure.value = ''
    try {
      await work()
    } catch (error) {
      failure.value = `This could not be done: ${(error as Error).message}. Nothing is lost; try again.`
    } finally {
      busy.value = false
    }
  }
  return { busy, failure, choose }
}
