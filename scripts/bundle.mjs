import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { dirname, join, resolve } from 'node:path'
import { build } from 'vite'
import { isOlder } from './build.mjs'
import { ROOT } from './prepare.mjs'

const OUT = join(ROOT, 'node_modules', '.bundled')
const PACKAGES = ['core', 'contract']

/** Every module of the packages that is no test, and the file that gives the same out of the bundle. */
const files = new Map(
  PACKAGES.flatMap((name) => {
    const folder = join(ROOT, name, 'src')
    return readdirSync(folder, { recursive: true })
      .filter((path) => path.endsWith('.ts') && !/\.(test|bench)\.ts$/.test(path))
      .map((path) => [join(folder, path), join(OUT, name, path.replace(/\.ts$/, '.mjs'))])
  }),
)

/** The source of what others import of the packages: of `@ambrel/core/units` `core/src/units/index.ts`. */
const entries = new Map(
  PACKAGES.flatMap((name) => {
    const { exports } = JSON.parse(readFileSync(join(ROOT, name, 'package.json'), 'utf8'))
    return Object.entries(exports).map(([path, source]) => [
      `@ambrel/${name}${path.slice(1)}`,
      join(ROOT, name, source),
    ])
  }),
)

/**
 * Gives tests core and contract out of one bundle, by whatever path they ask for a module of them: their hundreds of files
 * are read once, not for each of theirs, and what they do a million times runs as it does in the application. With
 * AMBREL_FROM_SOURCES set they read the sources.
 */
export const bundled = {
  name: 'bundled',
  enforce: 'pre',
  resolveId(source, importer) {
    if (process.env.AMBREL_FROM_SOURCES) return undefined
    if (source.startsWith('@ambrel/')) return files.get(entries.get(source))
    if (!source.endsWith('.ts')) return undefined
    return files.get(source.startsWith('.') && importer ? resolve(dirname(importer), source) : join(ROOT, source))
  },
}

/** Bundles core and contract where a source is newer than the last time. */
export default async function setup() {
  const stamp = join(OUT, '.built')
  const sources = [
    ...PACKAGES.flatMap((name) => [`${name}/src`, `${name}/package.json`]),
    'scripts/bundle.mjs',
    'package-lock.json',
  ]
  if (process.env.AMBREL_FROM_SOURCES || !isOlder(stamp, sources)) return
  const input = [...files].map(([source, file]) => [file.slice(OUT.length + 1, -'.mjs'.length), source])
  await bundle(Object.fromEntries(input), OUT, { groups: [{ name: 'all', test: /./ }] })
  writeFileSync(stamp, '')
}

/**
 * Bundles modules for Node, core and contract in them.
 * @param input file of each by the name it is to have
 * @param codeSplitting how what they share is parted, as rolldown takes it
 */
export async function bundle(input, outDir, codeSplitting = true) {
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
        output: { entryFileNames: '[name].mjs', chunkFileNames: '[name]-[hash].mjs', codeSplitting },
      },
    },
    ssr: { noExternal: [/^@ambrel\//] },
  })
}
