import { defineConfig } from 'vitest/config'

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts', 'cli/src/**/*.test.ts'],
          testTimeout: 30_000,
        },
      },
      { test: { name: 'server', include: ['server/src/**/*.test.ts'], testTimeout: 30_000, hookTimeout: 60_000 } },
      { test: { name: 'scripts', include: ['scripts/**/*.test.mjs'], testTimeout: 60_000 } },
      {
        extends: './web/vite.config.ts',
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          testTimeout: 60_000,
          server: { deps: { inline: ['element-plus'] } },
        },
      },
      {
        test: {
          name: 'browser',
          include: ['e2e/src/**/*.test.ts'],
          testTimeout: 400_000,
          hookTimeout: 120_000,
          fileParallelism: false,
        },
      },
    ],
  },
})
