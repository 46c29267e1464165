import { request } from 'node:http'

/** Asks a server for next to nothing, again and again, until its input ends; then tells the longest wait, ms. */
const [hostname, port] = process.argv.slice(2)
const EVERY_MS = 3
let longest = 0
let going = true
process.stdin.on('end', () => (going = false)).resume()

const once = () =>
  new Promise((resolve) => {
    const began = performance.now()
    const done = () => resolve(performance.now() - began)
    const sent = request({ hostname, port, agent: false, path: '/api/nothing' }, (answer) =>
      answer.resume().on('end', done),
    )
    sent.on('error', done)
    sent.end()
  })

process.stdout.write('ready\n')
while (going) {
  longest = Math.max(longest, await once())
  await new Promise((resolve) => setTimeout(resolve, EVERY_MS))
}
process.stdout.write(`${longest}\n`)
