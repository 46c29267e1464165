import { ref } from 'vue'

/** How the server is doing, as this page last heard. */
export type Connection = 'there' | 'away' | 'no-database'

export const connection = ref<Connection>('there')

const BEAT_MS = 2000
const LIMIT_MS = 2000
const listeners = new Set<() => void>()

/** Calls back when the server is there again. @returns how to stop */
export function onBack(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

async function ask(): Promise<Connection> {
  try {
    const { ok, status } = await fetch('/api/health', { signal: AbortSignal.timeout(LIMIT_MS), cache: 'no-store' })
    if (ok) return 'there'
    return status === 503 ? 'no-database' : 'there'
  } catch {
    return 'away'
  }
}

async function beat(): Promise<void> {
  if (document.visibilityState === 'hidden') return
  const was = connection.value
  connection.value = await ask()
  if (was !== 'there' && connection.value === 'there') for (const listener of listeners) listener()
}

/** Asks the server every two seconds whether it is well, while the page is looked at. */
export function startHeartbeat(): void {
  let asking = false
  const once = async () => {
    if (asking) return
    asking = true
    await beat()
    asking = false
  }
  setInterval(() => void once(), BEAT_MS)
  for (const event of ['online', 'offline', 'focus']) window.addEventListener(event, () => void once())
  document.addEventListener('visibilitychange', () => void once())
}
