import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'
import { bundled } from './scripts/bundle.mjs'

/** Ends a test that would never; none is to fail because the machine is slow. */
const PATIENCE_MS = 600_000

/** Of what stands on core and contract: both are bundled once, before its tests. */
const ONCE = './scripts/bundle.mjs'

export default defineConfig({
  test: {
    // many a test waits for a process or a page: one more than there are halves of the machine
    maxWorkers: availableParallelism() + 1,
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'cli/src/**/*.test.ts'],
          // designs by the thousand are made and let go
          execArgv: ['--max-semi-space-size=64'],
          // nothing one file leaves is met by another, here and below
          isolate: false,
          testTimeout: PATIENCE_MS,
        },
      },
      {
        resolve: { alias: bundled },
        test: {
          name: 'server',
          globalSetup: ONCE,
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
        resolve: {
          // one file of it, without styles
          alias: [...bundled, { find: /^element-plus(\/es)?$/, replacement: 'element-plus/dist/index.full.mjs' }],
        },
        test: {
          name: 'web',
          globalSetup: ONCE,
          include: ['web/src/**/*.test.ts'],
          testTimeout: PATIENCE_MS,
        },
      },
      {
        resolve: { alias: bundled },
        test: {
          name: 'browser',
          globalSetup: ONCE,
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
