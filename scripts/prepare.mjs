import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, readFileSync, writeFileSync } from 'node:fs'
import { basename, dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { findPostgres } from './postgres.mjs'
import { MISSING, say, Stop } from './say.mjs'

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
/** Where the data of this checkout lies. */
export const HOME = process.env.AMBREL_HOME ?? join(ROOT, '.ambrel')
/** Where Debian's Chromium lies: the one without a window, which spares a sixth of the work, else the whole of it. */
const CHROMIUMS = JSON.parse(readFileSync(new URL('chromium.json', import.meta.url), 'utf8'))

/**
 * Installs what a fresh machine lacks: npm packages by the lockfile, Debian's PostgreSQL unless DATABASE_URL names a
 * server, and Debian's Chromium where browser tests want it.
 */
export function prepare({ chromium = false } = {}) {
  checkNode()
  installPackages()
  const wanted = []
  if (!process.env.DATABASE_URL && !findPostgres()) wanted.push(['postgresql'])
  if (chromium && !CHROMIUMS.some((path) => existsSync(path))) wanted.push(CHROMIUMS.map((path) => basename(path)))
  if (wanted.length > 0) installDebian(wanted)
  if (!process.env.DATABASE_URL && !findPostgres())
    throw new Stop('postgresql was installed, but its server programs are not under /usr/lib/postgresql', MISSING)
}

function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19))
    throw new Stop(`Node ${process.versions.node} is too old; Node 20.19 or newer is needed`, MISSING)
}

function installPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
  const stamp = join(ROOT, 'node_modules', '.ambrel-lock')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return
  say('installing npm packages')
  const { status } = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], {
    cwd: ROOT,
    stdio: 'inherit',
  })
  if (status !== 0) throw new Stop('npm ci failed; see the lines above')
  writeFileSync(stamp, lock)
}

/** @param wanted of each package its names; the first that this Debian has is taken, a message gives the last */
function installDebian(wanted) {
  const usual = wanted.map((names) => names.at(-1))
  const names = usual.join(' and ')
  if (spawnSync('apt-get', ['--version']).status !== 0)
    throw new Stop(
      `${names} missing, and there is no apt-get here. Install ${names} yourself${usual.includes('postgresql') ? ', or set DATABASE_URL to a running PostgreSQL server' : ''}.`,
      MISSING,
    )
  const root = process.getuid?.() === 0
  const sudo = !root && spawnSync('sudo', ['-n', 'true']).status === 0
  if (!root && !sudo)
    throw new Stop(`${names} missing, and installing needs root. Run: sudo apt-get install ${usual.join(' ')}`, MISSING)
  const apt = (...args) => {
    const command = root ? ['apt-get', ...args] : ['sudo', '-n', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args]
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    return spawnSync(command[0], command.slice(1), { stdio: ['ignore', 'ignore', 'inherit'], env }).status === 0
  }
  say(`installing Debian's ${names}`)
  apt('update', '-q')
  const isKnown = (name) => spawnSync('apt-cache', ['show', name]).status === 0
  const packages = wanted.map((names) => names.find(isKnown) ?? names.at(-1))
  if (!apt('install', '-y', '-q', '--no-install-recommends', ...packages))
    throw new Stop(`apt-get could not install ${names}; see the lines above`, MISSING)
}
