import { defineConfig } from '@playwright/test';
import { LAUNCH, SIGNED_IN } from './salon';

export default defineConfig({
  testDir: '.',
  // A shared machine may stall for half a minute; nothing here measures time.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  workers: 1,
  // A second try, told by name at the end of the run: a stall of the machine is no fault, a test that needs it often is.
  retries: 1,
  reporter: [['line'], ['json']],
  outputDir: '../test-results/browser',
  // Signed in once: sign-in attempts are limited, and rightly so.
  globalSetup: './signInOnce.ts',
  use: {
    baseURL: process.env['BASE_URL'] ?? 'http://127.0.0.1:4310',
    viewport: { width: 1280, height: 800 },
    storageState: SIGNED_IN,
    locale: 'en-GB',
    timezoneId: 'Europe/London',
    contextOptions: { reducedMotion: 'reduce' },
    actionTimeout: 30_000,
    launchOptions: LAUNCH,
    // Every test has a device of its own: each would fetch the whole application to keep it. One test lets it.
    serviceWorkers: 'block',
  },
});
