import path from 'node:path'
import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: { alias: { '@': path.resolve('src') } },
  test: {
    include: ['src/**/*.test.ts', 'tests/outside/**/*.test.ts', 'tests/server/**/*.test.ts', 'tests/ui/**/*.test.ts'],
    testTimeout: 120_000,
    hookTimeout: 180_000,
    reporters: ['default', ['json', { outputFile: 'test-results/unit.json' }]],
  },
})
