import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

const CHROMIUM = process.env.CHROMIUM ?? '/usr/bin/chromium';

export default defineConfig({
  testDir: 'e2e',
  globalSetup: './e2e/globalSetup.ts',
  outputDir: process.env.TAKTIK_RESULTS ?? 'test-results',
  timeout: 300_000,
  // Each test has a server and a browser of its own: two of them fill two cores.
  fullyParallel: true,
  workers: Math.min(2, availableParallelism()),
  // A shared machine stalls now and then; what fails three times running is broken.
  retries: process.env.CI ? 2 : 0,
  // A shared machine is at times several times slower than a desk.
  expect: { timeout: 90_000 },
  use: {
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
    colorScheme: 'dark',
    // What moves is looked at by eye; a test waits for where it comes to rest.
    contextOptions: { reducedMotion: 'reduce' },
    // Each test is a fresh browser: keeping the whole app on the device is tested where it is meant.
    serviceWorkers: 'block',
    trace: 'on-first-retry',
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 } } },
    { name: 'wide', use: { viewport: { width: 1280, height: 800 } }, grepInvert: /@once/ },
  ],
});
