import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'
import { bundled } from './scripts/bundle.mjs'

/** Ends a test that would never; none is to fail because the machine is slow. */
const PATIENCE_MS = 600_000

/** Core and contract are bundled once, before the tests. */
const ONCE = { globalSetup: './scripts/bundle.mjs' }

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
        test: {
          name: 'scripts',
          include: ['scripts/**/*.test.mjs'],
          testTimeout: 3 * PATIENCE_MS,
          hookTimeout: PATIENCE_MS,
        },
      },
      {
        extends: './web/vite.config.ts',
        plugins: [bundled],
        // one file of it, without styles
        resolve: { alias: [{ find: /^element-plus(\/es)?$/, replacement: 'element-plus/dist/index.full.mjs' }] },
        test: {
          ...ONCE,
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          testTimeout: PATIENCE_MS,
        },
      },
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
