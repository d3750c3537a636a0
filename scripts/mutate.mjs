import { spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { bundlePrograms, root, say } from './prepare.mjs'

/**
 * Changes the code in small ways, one at a time, and asks whether a test notices: `npm run mutate`, or of some rooms
 * `npm run mutate -- history wear`. Each room's own tests are asked, with properties run briefly.
 */
const ROOMS = {
  document: ['src/core/site/document', ['src/core/site/**']],
  edits: ['src/core/site/edits', ['src/core/site/**']],
  history: ['src/core/site/history', ['src/core/site/history/**']],
  wear: ['src/core/wear', ['src/core/wear/**']],
  fill: ['src/core/fill', ['src/core/fill/**', 'src/core/render/**', 'tests/outside/written-designs*']],
  release: ['src/core/release', ['src/core/release/**', 'tests/outside/site-name*']],
  plan: ['src/core/plan', ['src/core/plan/**']],
  find: ['src/core/find', ['src/core/find/**']],
  domain: ['src/core/domain', ['src/core/domain/**', 'tests/outside/domain*']],
  log: ['src/server/log', ['tests/server/edit-log*', 'tests/ui/job-store*']],
  // The screen's store of a job: what is typed until the database has it.
  store: ['src/ui/job', ['tests/ui/**'], ['job-store.ts', 'outbox.ts', 'rebase.ts', 'sync.ts', 'tab-life.ts']],
  // What every destination is asked through.
  shell: ['src/server/destinations', ['tests/server/destinations*', 'tests/server/ftp-connections*'], ['*.ts']],
}
const asked = process.argv.slice(2)
const rooms = Object.entries(ROOMS).filter(([room]) => asked.length === 0 || asked.includes(room))
const reports = path.join(root, 'reports')
mkdirSync(reports, { recursive: true })
await bundlePrograms()
const lines = rooms.map(([room, [folder, tests, files = ['**/*.ts']]]) => {
  say(`Mutations of ${folder}`)
  const report = path.join(reports, `mutation-${room}.json`)
  const globs = `${files.map((file) => `${folder}/${file}`).join(',')},!${folder}/**/*.test.ts,!${folder}/**/index.ts`
  const include = tests.map((glob) => `${glob}.test.ts`.replace('/**.test', '/**/*.test')).join(',')
  const env = {
    ...process.env,
    MUTATE_TESTS: include,
    CONVERGENCE_RUNS: '6',
    PROPERTY_RUNS: '60',
    MUTATE_REPORT: report,
  }
  spawnSync('npx', ['stryker', 'run', '--mutate', globs], { cwd: root, stdio: 'inherit', env })
  const mutants = Object.values(JSON.parse(readFileSync(report, 'utf8')).files).flatMap((file) => file.mutants)
  const of = (...states) => mutants.filter((m) => states.includes(m.status)).length
  const [killed, lived] = [of('Killed', 'Timeout'), of('Survived', 'NoCoverage')]
  return `${room.padEnd(10)} ${killed} of ${killed + lived} noticed, ${((100 * killed) / (killed + lived)).toFixed(1)} %`
})
console.log(`\n${lines.join('\n')}`)
