import path from 'node:path'
import { defineConfig } from 'vitest/config'

const shared = {
  resolve: { alias: { '@': path.resolve('src') } },
}
// They end what hangs; on a machine that is kept from working, what reckons for seconds takes minutes and is right all the same.
const patience = { testTimeout: 300_000, hookTimeout: 300_000 }

/** Core is pure, so its files share a process; what has a database, a folder or settings of its own has a process of its own. */
export default defineConfig({
  test: {
    globalSetup: 'tests/built.ts',
    maxWorkers: 2,
    reporters: ['default', ['json', { outputFile: 'test-results/unit.json' }]],
    projects: [
      { ...shared, test: { name: 'core', include: ['src/**/*.test.ts'], isolate: false, ...patience } },
      // What reads, counts, finds and draws words does so in a second language too, beside the site's own (tests/site.ts).
      {
        ...shared,
        test: {
          name: 'second language',
          include: ['src/core/{fill,find,check,ledger,lines,compare}/**/*.test.ts', 'src/core/render/render.test.ts'],
          env: { TEST_LANGUAGE: 'en-CA' },
          isolate: false,
          ...patience,
        },
      },
      // Pictures and fonts that are made of the same recipe are made once for all of them.
      {
        ...shared,
        test: {
          name: 'server',
          include: ['tests/{outside,server,ui}/**/*.test.ts'],
          env: { INSTANT_FIT_CACHE: path.resolve('test-results/cache') },
          ...patience,
        },
      },
    ],
  },
})
