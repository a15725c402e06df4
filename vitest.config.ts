import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts'], testTimeout: 120_000 } },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.ts'],
          globalSetup: 'server/src/tests/cluster.setup.ts',
          testTimeout: 30_000,
          hookTimeout: 30_000,
        },
      },
      { test: { name: 'web', include: ['web/src/**/*.test.ts'] } },
      {
        test: {
          name: 'screens',
          include: ['web/src/**/*.test.tsx'],
          environment: 'jsdom',
          setupFiles: 'web/src/tests/screens.setup.ts',
          testTimeout: 30_000,
        },
      },
    ],
  },
});
