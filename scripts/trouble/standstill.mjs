/** Has nothing to do but to notice when the machine did not let it: prints the while of each, as [from, to] in ms of the clock. */
const EVERY_MS = 5
const LATE_MS = 20
const lapses = []
let last = Date.now()
const beat = setInterval(() => {
  const now = Date.now()
  if (now - last > EVERY_MS + LATE_MS) lapses.push([last, now])
  last = now
}, EVERY_MS)
process.stdin
  .on('end', () => {
    clearInterval(beat)
    process.stdout.write(JSON.stringify(lapses))
  })
  .resume()
process.stdout.write('\n')
