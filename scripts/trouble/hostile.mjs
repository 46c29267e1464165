import { spawn } from 'node:child_process'
import { request } from 'node:http'
import { join } from 'node:path'
import { larkspurBench } from '@ambrel/core'

/** Documents made to hold a server up. */
export function hostileDocuments() {
  const demo = larkspurBench()
  const [load] = demo.loads
  const text = (change) => JSON.stringify({ ...demo, ...change })
  const wide = (n) => Object.fromEntries(Array.from({ length: n }, (_, i) => [`k${i}`, i]))
  const many = (n, make) => Array.from({ length: n }, (_, i) => make(i))
  const readings = many(200, () => ({ date: '2026-01-31', kWh: 1.234567, hours: 24 }))
  return {
    '400,000 empty loads': text({ loads: many(330_000, () => ({})) }),
    '10,000 empty loads': text({ loads: many(10_000, () => ({})) }),
    '500 empty loads': text({ loads: many(500, () => ({})) }),
    '500 loads, each field wrong': text({
      loads: many(500, () => Object.fromEntries(Object.keys(load).map((key) => [key, { x: [] }]))),
    }),
    '500 loads of 200 readings': text({ loads: many(500, (i) => ({ ...load, id: `l${i}`, meterReadings: readings })) }),
    '500 loads of 200 wrong readings': text({
      loads: many(500, (i) => ({ ...load, id: `l${i}`, meterReadings: many(200, () => ({ date: 5 })) })),
    }),
    'an object of 300,000 fields': text({ place: wide(300_000) }),
    '300 fields in each of 500 loads': text({ loads: many(500, () => wide(300)) }),
    'nested 1,000,000 deep': '['.repeat(1_000_000),
    'nested 30 deep, all over': text({ notes: many(4000, () => JSON.parse('['.repeat(28) + ']'.repeat(28))) }),
    'a text of 15 MB': text({ notes: 'n'.repeat(15_000_000) }),
    'a text of 15 MB of escapes': text({ notes: '\u0001'.repeat(2_500_000) }),
    '16 MB of numbers': `[${'1,'.repeat(8_000_000)}1]`,
    'hours of twelve sources, wrong at the end': text({
      sources: many(12, (i) => ({
        ...{ id: `s${i}`, name: 's', kind: 'wind', side: 'dc', price: 0 },
        wattsByMonth: many(12, () => many(24, () => 1)),
        hourlyW: [...many(8759, () => 1), -1],
      })),
    }),
  }
}

/** A process of its own beats beside the work, so that its clock does not wait for this one's. */
async function pulse(base) {
  const { hostname, port } = new URL(base)
  const beating = spawn(process.execPath, [join(import.meta.dirname, 'pulse.mjs'), hostname, port], {
    stdio: ['pipe', 'pipe', 'inherit'],
    env: { ...process.env, NODE_OPTIONS: '' },
  })
  const words = () => new Promise((resolve) => beating.stdout.once('data', (data) => resolve(String(data).trim())))
  await words()
  return async () => {
    const longest = words()
    beating.stdin.end()
    return Math.round(Number(await longest))
  }
}

function post(base, body) {
  const { hostname, port } = new URL(base)
  return new Promise((resolve) => {
    const headers = { 'content-type': 'application/json', origin: base, 'content-length': Buffer.byteLength(body) }
    // by a connection of its own: one that was used before may be closed at the moment it is used again
    const to = { hostname, port, method: 'POST', path: '/api/designs', headers, agent: false }
    const sent = request(to, (response) => {
      response.resume().on('end', () => resolve(response.statusCode))
    })
    sent.on('error', () => resolve(0))
    sent.end(body)
  })
}

/** @returns for each hostile document its status and the longest that another request waited meanwhile, ms */
export async function hostile(base) {
  const found = []
  for (const [name, body] of Object.entries(hostileDocuments())) {
    const stop = await pulse(base())
    const status = await post(base(), body)
    found.push({ name, status, longestMs: await stop() })
  }
  return found
}
