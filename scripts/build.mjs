import { spawnSync } from 'node:child_process'
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'
import { say, Stop } from './say.mjs'

const SOURCES = [
  'core/src',
  'contract/src',
  'web/src',
  'web/index.html',
  'web/vite.config.ts',
  'web/package.json',
  'package-lock.json',
]

/** Builds the interface where a source is newer than the last build. */
export function build() {
  const stamp = join(ROOT, 'web', 'dist', '.built')
  const newest = Math.max(...SOURCES.map((source) => newestIn(join(ROOT, source))))
  if (existsSync(stamp) && statSync(stamp).mtimeMs > newest) return
  say('building the interface')
  const { status } = spawnSync('npm', ['run', 'build', '--workspace', 'web', '--silent'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
  if (status !== 0) throw new Stop('the build failed; see the lines above')
  writeFileSync(stamp, '')
}

function newestIn(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return readdirSync(path).reduce((newest, name) => Math.max(newest, newestIn(join(path, name))), stat.mtimeMs)
}
