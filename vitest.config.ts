import { readdirSync, readFileSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { defineConfig } from 'vitest/config'
import { bundled } from './scripts/bundle.mjs'

/** Ends a test that would never; none is to fail because the machine is slow. */
const PATIENCE_MS = 600_000

/** Core and contract are bundled once, before the tests. */
const ONCE = { globalSetup: './scripts/bundle.mjs' }

/** Tests of the interface that put something else in the place of a module. */
const REPLACING = readdirSync(join(import.meta.dirname, 'web/src'), { recursive: true, encoding: 'utf8' })
  .map((path) => join('web/src', path))
  .filter((path) => path.endsWith('.test.ts'))
  .filter((path) => readFileSync(join(import.meta.dirname, path), 'utf8').includes('vi.mock('))
/** Tests of the interface without a browser. */
const web = (name: string, test: { include: string[]; exclude?: string[]; isolate?: boolean }) => ({
  extends: './web/vite.config.ts',
  plugins: [bundled],
  // one file of it, without styles
  resolve: { alias: [{ find: /^element-plus(\/es)?$/, replacement: 'element-plus/dist/index.full.mjs' }] },
  test: { ...ONCE, name, ...test, testTimeout: PATIENCE_MS },
})

export default defineConfig({
  test: {
    // many a test waits for a process or a page: one more than there are halves of the machine
    maxWorkers: availableParallelism() + 1,
    projects: [
      {
        plugins: [bundled],
        test: {
          ...ONCE,
          name: 'core',
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'cli/src/**/*.test.ts'],
          // designs by the thousand are made and let go; what compiles beside the tests would only take the machine from them
          execArgv: ['--max-semi-space-size=64', '--single-threaded'],
          // nothing one file leaves is met by another, here and below
          isolate: false,
          testTimeout: PATIENCE_MS,
        },
      },
      {
        plugins: [bundled],
        test: {
          ...ONCE,
          name: 'server',
          include: ['server/src/**/*.test.ts'],
          isolate: false,
          testTimeout: PATIENCE_MS,
          hookTimeout: PATIENCE_MS,
        },
      },
      {
        plugins: [bundled],
        test: {
          ...ONCE,
          name: 'scripts',
          include: ['scripts/**/*.test.mjs'],
          isolate: false,
          testTimeout: 3 * PATIENCE_MS,
          hookTimeout: PATIENCE_MS,
        },
      },
      web('web', { include: ['web/src/**/*.test.ts'], exclude: REPLACING, isolate: false }),
      // what one of these puts in the place of a module is put there for no other
      web('replacing', { include: REPLACING }),
      {
        plugins: [bundled],
        test: {
          ...ONCE,
          name: 'browser',
          include: ['e2e/src/**/*.test.ts'],
          isolate: false,
          testTimeout: 2 * PATIENCE_MS,
          hookTimeout: PATIENCE_MS,
          expect: { poll: { timeout: PATIENCE_MS } },
        },
      },
    ],
  },
})
