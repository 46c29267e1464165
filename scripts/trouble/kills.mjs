import { spawnSync } from 'node:child_process'
import { chmodSync, existsSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { commandOf, kill, pause, processesIn, until, lives } from '../process.mjs'
import { call, saving, well } from './clients.mjs'
import { Ground } from './ground.mjs'

const CLIENTS = 20
const backendsOf = (ground) =>
  processesIn(ground.cluster.data).filter(
    (pid) => pid !== ground.cluster.pidFile().pid && /127\.0\.0\.1/.test(commandOf(pid).join(' ')),
  )

/** Kills something again and again under saving clients. @returns saves acknowledged, of those lost, starts that failed */
async function killing(ground, times, blow) {
  const clients = await saving(ground.base, CLIENTS)
  let failed = 0
  for (let i = 0; i < times; i++) {
    // a blow at nothing shows nothing: saves are being acknowledged when it falls
    const before = clients.acknowledged()
    await until(() => clients.acknowledged() > before, 60_000)
    await pause(100 + 500 * Math.random())
    if (!(await blow())) failed++
    if ((await well(ground.base)) === null) failed++
  }
  await clients.stop()
  return { times, acknowledged: clients.acknowledged(), lost: await clients.lost(), failedStarts: failed }
}

export const killServer = (ground, times) =>
  killing(ground, times, async () => {
    await ground.killServer()
    return ground.startServer()
  })

export const killPostmaster = (ground, times) =>
  killing(ground, times, async () => {
    const { pid } = ground.cluster.pidFile()
    kill(pid, 'SIGKILL')
    await until(() => !lives(pid), 5000)
    return ground.cluster.start().then(
      () => true,
      () => false,
    )
  })

export const killBackend = (ground, times) =>
  killing(ground, times, async () => {
    const backends = backendsOf(ground)
    if (backends.length > 0) kill(backends[Math.floor(Math.random() * backends.length)], 'SIGKILL')
    return true
  })

/** Everything of the database stands still for a while. @returns how long until a page is told, ms */
export async function freeze(ground, standsMs = 12_000) {
  const clients = await saving(ground.base, CLIENTS)
  await pause(500)
  const all = () => [ground.cluster.pidFile().pid, ...processesIn(ground.cluster.data)]
  for (const pid of all()) kill(pid, 'SIGSTOP')
  const began = performance.now()
  // as the page asks: every two seconds, with a limit of two
  let toldMs = null
  while (performance.now() - began < standsMs) {
    const { status } = await call(ground.base(), 'GET', '/health', undefined, 2000)
    if (status !== 200) toldMs ??= performance.now() - began
    await pause(200)
  }
  for (const pid of all()) kill(pid, 'SIGCONT')
  const backMs = await well(ground.base)
  await pause(1500)
  await clients.stop()
  return { toldMs, backMs, acknowledged: clients.acknowledged(), lost: await clients.lost() }
}

/** A disk that runs full under saving clients, and is freed again. @returns null where no small disk can be made here */
export async function fullDisk() {
  const folder = mkdtempSync(join(tmpdir(), 'ambrel-disk-'))
  if (spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=260m', 'tmpfs', folder]).status !== 0) {
    rmSync(folder, { recursive: true })
    return null
  }
  const data = join(folder, 'postgres')
  spawnSync('mkdir', [data])
  chmodSync(folder, 0o755)
  const ground = await Ground.lay(data)
  const filler = join(folder, 'filler')
  try {
    const clients = await saving(ground.base, CLIENTS)
    await pause(1000)
    const refusals = { full: 0, other: 0 }
    const fill = () => {
      const { bavail, bsize } = statfsSync(folder)
      writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize)), { flag: 'a' })
    }
    let failed = 0
    for (let round = 0; round < 3; round++) {
      try {
        fill()
      } catch {
        // it is full now, which is what was wanted
      }
      for (const end = performance.now() + 5000; performance.now() < end;) {
        const { status } = await call(ground.base(), 'POST', '/designs', {
          ...{ name: 'Full', latitudeDeg: 48, longitudeDeg: 7, climate: 'cold-valley' },
        })
        if (status === 503) refusals.full++
        else if (status !== 201 && status !== 0) refusals.other++
        await pause(50)
      }
      rmSync(filler, { force: true })
      if (!existsSync(join(ground.cluster.data, 'postmaster.pid')) || !(await ground.cluster.runningPort()))
        await ground.cluster.start().catch(() => failed++)
      if ((await well(ground.base)) === null) failed++
    }
    await pause(1000)
    await clients.stop()
    return { refusals, acknowledged: clients.acknowledged(), lost: await clients.lost(), failedStarts: failed }
  } finally {
    await ground.clear().catch(() => {})
    await pause(300)
    spawnSync('umount', ['-l', folder])
    rmSync(folder, { recursive: true, force: true })
  }
}
