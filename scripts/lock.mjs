import { linkSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { commandOf, lives } from './process.mjs'
import { RUNNING, Stop } from './say.mjs'

const fileOf = (home) => join(home, 'start.json')

function read(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'))
  } catch {
    return null
  }
}

const isStart = ({ pid }) => lives(pid) && commandOf(pid).some((word) => /start\.mjs$|trouble|backup\.mjs$/.test(word))

/** What runs on this data, or null. */
export function running(home) {
  const held = read(fileOf(home))
  return held && isStart(held) ? held : null
}

/**
 * Takes a data folder for one process: its database must not be started twice.
 * @returns how to say where it is reached, and how to let go
 * @throws Stop where another has it, pointing to it
 */
export function take(home) {
  const file = fileOf(home)
  mkdirSync(home, { recursive: true })
  for (const name of readdirSync(home)) {
    const [, pid] = name.match(/^start\.json\.(\d+)$/) ?? []
    if (pid && !lives(Number(pid))) rmSync(join(home, name), { force: true })
  }
  const mine = `${file}.${process.pid}`
  const told = (address, server) => JSON.stringify({ pid: process.pid, address, server })
  writeFileSync(mine, told(null))
  try {
    for (let tried = 0; ; tried++) {
      try {
        linkSync(mine, file)
        break
      } catch (error) {
        if (error.code !== 'EEXIST') throw error
        const held = read(file)
        if ((held && isStart(held)) || tried > 3)
          throw new Stop(
            held?.address
              ? `already running in this folder, process ${held.pid}: ${held.address}`
              : `already being started in this folder, process ${held?.pid ?? 'unknown'}`,
            RUNNING,
          )
        rmSync(file, { force: true })
      }
    }
  } finally {
    rmSync(mine, { force: true })
  }
  return {
    // moved into its place whole: whoever reads it meanwhile must not take half a file for none
    at: (address, server) => {
      writeFileSync(mine, told(address, server))
      renameSync(mine, file)
    },
    letGo: () => {
      rmSync(mine, { force: true })
      if (read(file)?.pid === process.pid) rmSync(file, { force: true })
    },
  }
}
