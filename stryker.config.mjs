/** What `npm run mutate` has in common for every room; the room's own tests and report are named by scripts/mutate.mjs. */
export default {
  testRunner: 'vitest',
  plugins: ['@stryker-mutator/vitest-runner'],
  vitest: { configFile: 'vitest.mutate.config.ts', related: false },
  coverageAnalysis: 'perTest',
  concurrency: 2,
  reporters: ['clear-text', 'json', 'progress-append-only'],
  clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
  jsonReporter: { fileName: process.env.MUTATE_REPORT ?? 'test-results/mutation.json' },
  tempDirName: '.stryker',
  ignorePatterns: ['.next', 'data', 'test-results', 'docs', 'reports'],
  timeoutMS: 10_000,
}
