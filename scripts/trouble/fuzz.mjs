import fc from 'fast-check'
import { larkspurBench } from '@ambrel/core'
import { designSchema, newDesignSchema, readingSchema, saveSchema, variantSchema } from '@ambrel/contract/check'
import { call } from './clients.mjs'

/** Any JSON, and what a hostile hand would write in its place. */
const anything = fc.oneof(
  fc.jsonValue({ maxDepth: 3 }),
  fc.constantFrom(null, -1, 0, 1e308, 2 ** 31, 2 ** 53, 'NaN', '\u0000', '\ud800', '2026-02-30', '', ' ', [], {}, [
    [[]],
  ]),
  fc.constantFrom({ __proto__: 1 }, { constructor: { prototype: 1 } }, { $ne: null }, "'; drop table design; --"),
)

/** What a schema takes, more or less: right values, values at the edge and beyond it, and anything at all. */
export function like(schema) {
  const rule = (name) => schema.rules?.find((each) => each.name === name)?.args?.limit
  const right = () => {
    if (schema.flags?.only) return fc.constantFrom(...schema.allow)
    switch (schema.type) {
      case 'object':
        return schema.keys
          ? fc.record(Object.fromEntries(Object.entries(schema.keys).map(([key, inner]) => [key, like(inner)])))
          : fc.dictionary(fc.string({ maxLength: 6 }), anything, { maxKeys: 3 })
      case 'array':
        return fc.array(schema.items ? like(schema.items[0]) : anything, { maxLength: 3 })
      case 'number': {
        const [min, max] = [rule('min') ?? -1e9, rule('max') ?? 1e9]
        return fc.oneof(fc.double({ min, max, noNaN: true }), fc.constantFrom(min, max, min - 1, max + 1))
      }
      case 'boolean':
        return fc.boolean()
      default:
        return fc.oneof(fc.string({ maxLength: 30 }), fc.constant('2026-01-05T08:00:00.000Z'))
    }
  }
  return fc.oneof({ weight: 12, arbitrary: right() }, { weight: 1, arbitrary: anything })
}

/** The demo with a few of its places changed: so near a sound document that the deeper checks are reached. */
const nearlySound = fc
  .array(fc.tuple(fc.nat(2000), fc.oneof(anything, fc.double(), fc.boolean())), { minLength: 1, maxLength: 4 })
  .map((changes) => {
    const design = larkspurBench()
    const places = []
    const walk = (value) => {
      for (const key of Object.keys(value)) {
        places.push((next) => (value[key] = next))
        if (typeof value[key] === 'object' && value[key] !== null) walk(value[key])
      }
    }
    walk(design)
    for (const [nth, value] of changes) places[nth % places.length](value)
    return design
  })

const document = fc.oneof(
  { weight: 3, arbitrary: nearlySound },
  { weight: 1, arbitrary: like(designSchema().describe()) },
)
const whole = (schema) => like(schema.describe())

/** Requests of every route, as the contract has them. */
export function requests(ids) {
  const id = fc.oneof(
    { weight: 6, arbitrary: fc.constantFrom(...ids) },
    fc.string({ maxLength: 12 }).map(encodeURIComponent),
  )
  const number = fc.oneof(fc.nat(5), fc.integer(), fc.constantFrom(2 ** 31, 2 ** 53, 1.5)).map(String)
  const route = (method, path, body = fc.constant(undefined)) =>
    fc.tuple(id, number, body).map(([which, n, sent]) => ({
      method,
      path: path.replace(':id', which).replace(':n', n),
      body: sent,
    }))
  return fc.oneof(
    route('GET', '/designs'),
    route('GET', '/bin'),
    route('GET', '/designs/:id'),
    route('GET', '/designs/:id/history'),
    route('GET', '/designs/:id/history/:n'),
    route('GET', '/designs/:id/readings'),
    route('GET', '/weather'),
    route('GET', '/weather/:id/hours'),
    route('GET', '/parts?kind=:n'),
    route('POST', '/designs', fc.oneof(whole(newDesignSchema), document, anything)),
    route('PUT', '/designs/:id', fc.oneof(fc.record({ version: fc.nat(3), document }), whole(saveSchema), anything)),
    route('POST', '/designs/:id/variants', fc.oneof(whole(variantSchema), anything)),
    route('POST', '/designs/:id/readings', fc.oneof(whole(readingSchema), anything)),
    route('POST', '/designs/:id/restore', anything),
    route('POST', '/weather', anything),
    route('DELETE', '/designs/:id/readings/:n'),
    route('DELETE', '/weather/:id'),
  )
}

const AT_ONCE = 12

/** @returns how many of so many requests ended in which hundred, and the first that were the server's fault */
export async function fuzz(base, count, seed = 7) {
  const made = await Promise.all(
    Array.from({ length: 4 }, () => call(base(), 'POST', '/designs', { ...larkspurBench(), name: 'Fuzzed' })),
  )
  const ids = made.map(({ body }) => body.id)
  const byHundred = {}
  const faults = []
  let left = count
  let round = 0
  async function worker() {
    while (left > 0) {
      const batch = fc.sample(requests(ids), { numRuns: Math.min(50, left), seed: seed + round++ })
      left -= batch.length
      for (const request of batch) {
        let { status } = await call(base(), request.method, request.path, request.body)
        // a minute's worth of requests in a second is refused; it is asked again
        while (status === 429) {
          await new Promise((resolve) => setTimeout(resolve, 1000))
          ;({ status } = await call(base(), request.method, request.path, request.body))
        }
        const hundred = status === 0 ? 'none' : `${Math.floor(status / 100)}xx`
        byHundred[hundred] = (byHundred[hundred] ?? 0) + 1
        if (status === 0 || status >= 500) faults.push({ status, ...request })
      }
    }
  }
  await Promise.all(Array.from({ length: AT_ONCE }, worker))
  return { requests: count, ...byHundred, faults: faults.slice(0, 3) }
}
