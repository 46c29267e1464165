import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { build } from 'vite'
import { isOlder } from './build.mjs'
import { ROOT } from './prepare.mjs'

const OUT = join(ROOT, 'node_modules', '.bundled')
const PACKAGES = ['core', 'contract']

/** What others import of the packages, and the source of each: `@ambrel/core/units` of `core/src/units/index.ts`. */
const entries = PACKAGES.flatMap((name) => {
  const { exports } = JSON.parse(readFileSync(join(ROOT, name, 'package.json'), 'utf8'))
  return Object.entries(exports).map(([path, source]) => ({
    id: `@ambrel/${name}${path.slice(1)}`,
    file: `${name}${path.slice(1).replace('/', '-')}`,
    source: join(ROOT, name, source),
  }))
})

/** By which tests of what stands on the core take it bundled: its hundreds of files are read once, not for each of theirs. */
export const bundled = entries.map(({ id, file }) => ({
  find: new RegExp(`^${id}$`),
  replacement: join(OUT, `${file}.mjs`),
}))

/** Bundles core and contract where a source is newer than the last time. */
export default async function setup() {
  const stamp = join(OUT, '.built')
  const sources = [
    ...PACKAGES.flatMap((name) => [`${name}/src`, `${name}/package.json`]),
    'scripts/bundle.mjs',
    'package-lock.json',
  ]
  if (!isOlder(stamp, sources)) return
  await bundle(Object.fromEntries(entries.map(({ file, source }) => [file, source])), OUT)
  writeFileSync(stamp, '')
}

/**
 * Bundles modules for Node, core and contract in them.
 * @param input file of each by the name it is to have
 */
export async function bundle(input, outDir) {
  await build({
    configFile: false,
    root: ROOT,
    logLevel: 'warn',
    build: {
      ssr: true,
      target: 'node20',
      minify: false,
      outDir,
      emptyOutDir: true,
      rolldownOptions: {
        input,
        output: { entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs' },
      },
    },
    ssr: { noExternal: [/^@ambrel\//] },
  })
}
