import path from 'node:path'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': path.resolve('src') } },
  test: {
    include: ['src/**/*.test.ts', 'tests/outside/**/*.test.ts', 'tests/server/**/*.test.ts', 'tests/ui/**/*.test.ts'],
    // Some reckon for a minute; on a machine that is kept from working they take many, and are right all the same.
    testTimeout: 600_000,
    hookTimeout: 600_000,
    reporters: ['default', ['json', { outputFile: 'test-results/unit.json' }]],
  },
})
