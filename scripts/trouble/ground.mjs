import { spawn } from 'node:child_process'
import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { SERVER } from '../build.mjs'
import { Cluster, ensureDatabase, freePort } from '../postgres.mjs'
import { ROOT } from '../prepare.mjs'
import { kill, lives, until } from '../process.mjs'

/** A database and a server of their own, to be killed, frozen and filled; the data is kept as safely as anybody's. */
export class Ground {
  /** @param {string} [folder] where the database lies */
  static async lay(folder = mkdtempSync(join(tmpdir(), 'ambrel-trouble-'))) {
    const ground = new Ground()
    chmodSync(folder, 0o755)
    ground.folder = folder
    ground.cluster = new Cluster(folder)
    ground.url = await ensureDatabase(await ground.cluster.start(), 'ambrel')
    ground.port = await freePort()
    await ground.startServer()
    return ground
  }

  base = () => `http://127.0.0.1:${this.port}`

  /** @returns whether it came up */
  async startServer() {
    this.server = spawn(process.execPath, [SERVER], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      env: { ...process.env, DATABASE_URL: this.url, PORT: String(this.port), LOG_LEVEL: 'fatal', AMBREL_BACKUPS: '' },
    })
    const { server } = this
    return new Promise((resolve) => {
      server.once('message', () => resolve(true))
      server.once('exit', () => resolve(false))
    })
  }

  killServer(signal = 'SIGKILL') {
    const ended = new Promise((resolve) => this.server.once('exit', resolve))
    this.server.kill(signal)
    return ended
  }

  async clear() {
    if (this.server && lives(this.server.pid)) {
      this.server.kill('SIGTERM')
      if (!(await until(() => !lives(this.server.pid), 8000))) kill(this.server.pid, 'SIGKILL')
    }
    this.cluster.stop()
    rmSync(this.folder, { recursive: true, force: true })
  }
}
