import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './tests/chromium'
import { SIGNED_IN } from './tests/e2e/signed-in'

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/setup.ts',
  outputDir: 'test-results/e2e',
  workers: 2,
  // They end what hangs; a machine that is kept from working for a while is no fault. A browser that has stopped drawing for good is
  // started once more, and the test that it happened in is named at the end.
  timeout: 600_000,
  retries: 1,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    storageState: SIGNED_IN,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: CHROMIUM,
  },
})
