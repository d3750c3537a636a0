import path from 'node:path'
import { defineConfig } from '@playwright/test'
import { CHROMIUM } from './tests/chromium'
import { SIGNED_IN } from './tests/e2e/signed-in'

// Pictures and fonts that are made of the same recipe are made once, for the unit tests and for every application that is started here.
process.env.INSTANT_FIT_CACHE = path.resolve('test-results/cache')

/** What takes longest comes first, so that no processor waits at the end for the other. */
const LONG = /(every-|sheet-is-site|right-to-left|menus|overlong|campaign|client-copy|copy-fit)[\w-]*\.spec\.ts$/

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/setup.ts',
  outputDir: 'test-results/e2e',
  workers: 2,
  fullyParallel: true,
  // These end what hangs; a machine that is kept from working for a while is no fault.
  timeout: 180_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    storageState: SIGNED_IN,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: CHROMIUM,
  },
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'short', testIgnore: LONG },
  ],
})
