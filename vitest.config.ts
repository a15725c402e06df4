import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // The machine that runs this has two cores; the default leaves one of them idle.
    maxWorkers: 2,
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts', 'contract/src/**/*.test.ts'],
          // A long random run is as long as it is; the machine may have other work.
          testTimeout: process.env['DEWPOND_DEEP'] ? 3_600_000 : 120_000,
          isolate: false,
        },
      },
      {
        test: {
          name: 'server',
          include: ['server/src/**/*.test.{ts,tsx}'],
          globalSetup: 'server/src/tests/cluster.setup.ts',
          // A database for each of two.
          maxWorkers: 2,
          setupFiles: 'server/src/tests/ownDatabase.setup.ts',
          isolate: false,
          sequence: { groupOrder: 1 },
          testTimeout: 30_000,
          hookTimeout: 30_000,
        },
      },
      { test: { name: 'web', include: ['web/src/**/*.test.ts'], isolate: false } },
      {
        test: {
          name: 'screens',
          include: ['web/src/**/*.test.tsx'],
          environment: 'jsdom',
          isolate: false,
          setupFiles: 'web/src/tests/screens.setup.ts',
          testTimeout: 30_000,
        },
      },
    ],
  },
});
