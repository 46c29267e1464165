import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'
import { say, Stop } from './say.mjs'

/** What is built, each from its workspace and from what that imports. */
const BUILDS = [
  { says: 'the server', workspace: 'server', sources: ['core/src', 'contract/src', 'server/src'] },
  { says: 'the interface', workspace: 'web', sources: ['core/src', 'contract/src', 'web/src', 'web/index.html'] },
]
/** Of the built server, the file that runs it. */
export const SERVER = join(ROOT, 'server', 'dist', 'main.js')

/** Builds the server and the interface where a source is newer than the last build. */
export function build() {
  for (const { says, workspace, sources } of BUILDS) {
    const stamp = join(ROOT, workspace, 'dist', '.built')
    const settings = ['vite.config.ts', 'package.json'].map((name) => join(workspace, name))
    if (!isOlder(stamp, [...sources, ...settings, 'package-lock.json'])) continue
    say(`building ${says}`)
    const { status } = spawnSync('npm', ['run', 'build', '--workspace', workspace, '--silent'], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'inherit'],
    })
    if (status !== 0) throw new Stop('the build failed; see the lines above')
    writeFileSync(stamp, '')
  }
}

/** Whether a file is not there, or older than one of the sources it stands for. */
export function isOlder(file, sources) {
  const newest = Math.max(...sources.map((source) => newestIn(join(ROOT, source))))
  return !existsSync(file) || statSync(file).mtimeMs <= newest
}

function newestIn(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return readdirSync(path).reduce((newest, name) => Math.max(newest, newestIn(join(path, name))), stat.mtimeMs)
}
