import path from 'node:path'
import { defineConfig } from 'vitest/config'

/** The tests that changes of the code are tried against; scripts/mutate.mjs names them. */
export default defineConfig({
  resolve: { alias: { '@': path.resolve('src') } },
  test: {
    isolate: false,
    include: (process.env.MUTATE_TESTS ?? '').split(','),
    testTimeout: 120_000,
    hookTimeout: 180_000,
  },
})
