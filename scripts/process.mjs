import { readdirSync, readFileSync, readlinkSync } from 'node:fs'

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

/** Waits until something is so. @returns whether it came to be */
export async function until(done, limitMs, everyMs = 50) {
  for (const end = Date.now() + limitMs; ;) {
    if (await done()) return true
    if (Date.now() > end) return false
    await pause(everyMs)
  }
}

/** Whether a process runs; one that has ended and waits for its parent does not. */
export function lives(pid) {
  try {
    process.kill(pid, 0)
  } catch (error) {
    if (error.code !== 'EPERM') return false
  }
  try {
    return !/^State:\s+[ZX]/m.test(readFileSync(`/proc/${pid}/status`, 'utf8'))
  } catch {
    return false
  }
}

/** The words a process was started with. */
export function commandOf(pid) {
  try {
    return readFileSync(`/proc/${Number(pid)}/cmdline`, 'utf8').split('\0')
  } catch {
    return []
  }
}

/** Processes that work in a folder. */
export function processesIn(folder) {
  const here = (pid) => {
    try {
      return readlinkSync(`/proc/${pid}/cwd`) === folder
    } catch {
      return false
    }
  }
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && here(name))
    .map(Number)
}

export function kill(pid, signal = 'SIGTERM') {
  try {
    process.kill(pid, signal)
  } catch {
    // it has ended by itself
  }
}
