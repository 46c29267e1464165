/** What tabs tell each other: of a design, or that the parts shelf has changed. */
export type Told = ToldOfDesign | { kind: 'parts' }
interface ToldOfDesign {
  kind: 'saved' | 'deleted' | 'restored' | 'made'
  design: string
  version: number
}

const CHANNEL = 'ambrel'
const KEY = 'ambrel.tab'
/** None in a browser from before they were, and in one that forbids all storage. */
export const browserLocks = (): LockManager | undefined =>
  typeof navigator === 'undefined' ? undefined : navigator.locks
const lockOf = (tab: string) => `ambrel.tab.${tab}`
/** A page that is being reloaded lets go of its lock a moment after the new one has begun. */
const CLAIM_MS = 600

let claimed: Promise<string> | null = null

/** The name of this tab: the same after a reload, another in a copy of the tab. Held by a lock while the tab lives. */
export function thisTab(): Promise<string> {
  claimed ??= claim()
  return claimed
}

async function claim(): Promise<string> {
  const known = remembered()
  if (known && (await hold(known, CLAIM_MS))) return known
  const fresh = crypto.randomUUID()
  try {
    sessionStorage.setItem(KEY, fresh)
  } catch {
    // a tab that may store nothing is another one after a reload
  }
  await hold(fresh, CLAIM_MS)
  return fresh
}

function remembered(): string | null {
  try {
    return sessionStorage.getItem(KEY)
  } catch {
    return null
  }
}

/** Takes the lock of a tab for as long as this page lives. @returns whether it could be had */
function hold(tab: string, limitMs: number): Promise<boolean> {
  const locks = browserLocks()
  if (!locks) return Promise.resolve(true)
  return new Promise((resolve) => {
    const signal = AbortSignal.timeout(limitMs)
    locks
      .request(lockOf(tab), { signal }, () => {
        resolve(true)
        return new Promise(() => {})
      })
      .catch(() => resolve(false))
  })
}

/** Whether a tab of that name is open; one that is not has left its drafts to whoever comes. */
export async function tabLives(tab: string): Promise<boolean> {
  const locks = browserLocks()
  if (!locks) return false
  const { held } = await locks.query()
  return (held ?? []).some(({ name }) => name === lockOf(tab))
}

const listeners = new Set<(told: Told) => void>()
let channel: BroadcastChannel | null = null
function theChannel(): BroadcastChannel {
  if (channel) return channel
  channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = ({ data }: MessageEvent<Told>) => listeners.forEach((listener) => listener(data))
  return channel
}

export const tell = (told: Told): void => theChannel().postMessage(told)

/** Listens to the other tabs. @returns how to stop */
export function hear(listener: (told: Told) => void): () => void {
  theChannel()
  listeners.add(listener)
  return () => listeners.delete(listener)
}
