import { defineAsyncComponent, ref, type AsyncComponentLoader, type Component } from 'vue'

/** How many parts of the program were wanted and have not come. */
export const missing = ref(0)

const AGAIN_MS = 2500

/**
 * Fetches a part of the program however long it takes: the server may be away for a while, or a newer program may have
 * taken the place of the one this page is of. Until it comes {@link missing} counts it.
 */
export function patiently<T>(load: () => Promise<T>): () => Promise<T> {
  return async () => {
    for (let isMissing = false; ;) {
      try {
        const part = await load()
        if (isMissing) missing.value--
        return part
      } catch {
        if (!isMissing) missing.value++
        isMissing = true
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS))
      }
    }
  }
}

/** A component that is brought in when it is first shown. */
export const fetched = <T extends Component>(load: AsyncComponentLoader<T>): T => defineAsyncComponent(patiently(load))
