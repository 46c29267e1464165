/**
 * Watches over a start from beside it: when that ends, in whatever way, the server is let finish and the database is
 * stopped, so that nothing is left behind. Its standard input is held open by the start and ends with it.
 */
import { Cluster } from './postgres.mjs'
import { kill, lives, until } from './process.mjs'

const [folder] = process.argv.slice(2)
const SERVER_ENDS_MS = 8000
let serverPid = 0

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => {})
process.stdin.setEncoding('utf8')
process.stdin.on('data', (text) => {
  serverPid = Number(text.trim().split('\n').at(-1))
})
process.stdin.on('end', async () => {
  if (serverPid && lives(serverPid)) {
    kill(serverPid, 'SIGTERM')
    if (!(await until(() => !lives(serverPid), SERVER_ENDS_MS))) kill(serverPid, 'SIGKILL')
  }
  if (folder) new Cluster(folder).stop()
  process.exit(0)
})
