import { availableParallelism } from 'node:os'
import { defineConfig } from 'vitest/config'

/** Ends a test that would never; none is to fail because the machine is slow. */
const PATIENCE_MS = 600_000

export default defineConfig({
  test: {
    // many a test waits for a process or a page: one more than there are halves of the machine
    maxWorkers: availableParallelism() + 1,
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'cli/src/**/*.test.ts'],
          // nothing one file leaves is met by another, here and below
          isolate: false,
          testTimeout: PATIENCE_MS,
        },
      },
      {
        test: {
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
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          testTimeout: PATIENCE_MS,
          server: { deps: { inline: ['element-plus'] } },
        },
      },
      {
        test: {
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
