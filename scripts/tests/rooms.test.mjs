import { readdirSync, readFileSync, statSync } from 'node:fs'
import { dirname, join, normalize, relative } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it } from 'vitest'

const root = fileURLToPath(new URL('../../core/src/', import.meta.url))
const roomOf = (file) => relative(root, file).split('/')[0]

function filesIn(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) return filesIn(path)
    return /\.ts$/.test(name) && !/\.(test|bench)\.ts$|testDesigns/.test(name) ? [path] : []
  })
}

/** Which room imports from which, with the files that do. */
function arrows() {
  const found = new Map()
  for (const file of filesIn(root)) {
    const from = roomOf(file)
    if (dirname(file) === normalize(root).replace(/\/$/, '')) continue
    for (const [, path] of readFileSync(file, 'utf8').matchAll(/from '(\.[^']+)'/g)) {
      const to = roomOf(join(dirname(file), path))
      if (to === from) continue
      const row = found.get(from) ?? new Map()
      row.set(to, [...(row.get(to) ?? []), relative(root, file)])
      found.set(from, row)
    }
  }
  return found
}

describe('the rooms of the core', () => {
  it('are many, and no two import from each other', () => {
    const found = arrows()
    expect(found.size).toBeGreaterThan(15)
    const pairs = [...found].flatMap(([from, row]) =>
      [...row].flatMap(([to, files]) =>
        from < to && found.get(to)?.has(from) ? [`${from} ↔ ${to}: ${files} / ${found.get(to).get(from)}`] : [],
      ),
    )
    expect(pairs).toEqual([])
  })
})
