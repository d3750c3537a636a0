import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { buildApplication, bundlePrograms, ended, installPackages, root, run, say } from './prepare.mjs'

/**
 * Everything that is checked: `npm test`, or `npm test -- words` for what touches a room (a folder of src by that name, and the interface
 * tests called like it).
 */
const rooms = process.argv.slice(2)
const started = Date.now()
installPackages()
installTools()
rmSync(path.join(root, 'test-results'), { recursive: true, force: true })
mkdirSync(path.join(root, 'test-results'))

say('Format, lint, imports, types and expressions, while the application is built')
run('npx', ['oxfmt', '--check', '.'])
checkLines()
run('npx', ['oxlint', '--deny-warnings', 'src', 'tests', 'scripts'])
await bundlePrograms()
run('npx', ['next', 'typegen'])
const [types, expressions] = await Promise.all([
  ended('node', ['scripts/check-types.mjs']).then(async (end) => end || checkImports()),
  ended('node', ['scripts/check-expressions.mjs']),
  buildApplication(),
])
if (types !== 0 || expressions !== 0) {
  console.error(types === 0 ? `The judge of expressions ended with ${expressions}.` : `Types or imports are wrong (${types}).`)
  process.exit(1)
}
const checked = seconds()

say('Unit tests and checks against the outside')
const unit = test('npx', unitArguments())
const unitDone = seconds()
say('The real interface in Chromium')
const e2e = test('npx', ['playwright', 'test', '--pass-with-no-tests', ...rooms])

const { numPassedTests = 0, numFailedTests = 0, testResults = [] } = read('unit.json') ?? {}
const { stats: { expected = 0, unexpected = 0, flaky = 0 } = {}, suites = [] } = read('e2e.json') ?? {}
console.log(`\nThe twenty slowest\n${slowest(testResults, suites).join('\n')}`)
const wrong = failed(testResults, suites)
if (wrong.length > 0) console.log(`\nFailed\n${wrong.join('\n')}`)
console.log(`\nTook ${seconds()} s: checks and build ${checked}, unit tests ${unitDone - checked}, interface ${seconds() - unitDone}`)
console.log(`${numPassedTests + expected} passed, ${numFailedTests + unexpected + flaky} failed`)
// A test that needs a second try is a fault to be found.
const ranAll = rooms.length > 0 || (numPassedTests > 0 && expected > 0)
process.exit(unit === 0 && e2e === 0 && flaky === 0 && ranAll ? 0 : 1)

function seconds() {
  return Math.round((Date.now() - started) / 1000)
}

function test(command, args) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } }).status
}

function read(file) {
  const full = path.join(root, 'test-results', file)
  return existsSync(full) ? JSON.parse(readFileSync(full, 'utf8')) : null
}

/** All unit tests, or those that import anything of the rooms that are named. */
function unitArguments() {
  if (rooms.length === 0) return ['vitest', 'run']
  const files = readdirSync(path.join(root, 'src'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /\.tsx?$/.test(entry.name))
    .map((entry) => path.relative(root, path.join(entry.parentPath, entry.name)))
    .filter((file) => rooms.some((room) => file.split('/').includes(room)))
  if (files.length === 0) {
    console.error(`There is no room called ${rooms.join(' or ')} in src.`)
    process.exit(1)
  }
  return ['vitest', 'related', '--run', '--pass-with-no-tests', ...files]
}

/** Every test of the interface with its file. */
function specsOf(suites) {
  return suites.flatMap(({ suites: inner = [], specs = [] }) => [...specs, ...specsOf(inner)])
}

/** The tests that took longest, a line each. */
function slowest(units, suites) {
  const inUnits = units.flatMap(({ name, assertionResults }) =>
    assertionResults.map(({ duration, fullName }) => ({ ms: duration ?? 0, name: `${path.basename(name)} › ${fullName}` })),
  )
  const inSuites = specsOf(suites).map(({ file, title, tests }) => ({
    ms: Math.max(0, ...tests.flatMap(({ results }) => results.map(({ duration }) => duration))),
    name: `${path.basename(file)} › ${title}`,
  }))
  return [...inUnits, ...inSuites]
    .toSorted((a, b) => b.ms - a.ms)
    .slice(0, 20)
    .map(({ ms, name }) => `${(ms / 1000).toFixed(1).padStart(6)} s  ${name.slice(0, 120)}`)
}

/** What failed and why, where whoever reads the end of the run finds it. */
function failed(units, suites) {
  const inUnits = units.flatMap(({ name, status, message, assertionResults }) => {
    const tests = assertionResults.filter((one) => one.status === 'failed')
    if (tests.length === 0 && status === 'failed') return [`${path.basename(name)}\n${message}`]
    return tests.map(({ fullName, failureMessages }) => `${path.basename(name)} › ${fullName}\n${failureMessages.join('\n')}`)
  })
  const inSuites = specsOf(suites).flatMap(({ file, title, ok, tests }) => {
    const errors = tests.flatMap(({ results }) => results.flatMap((result) => result.errors.map(({ message }) => message)))
    return ok && errors.length === 0 ? [] : [`${path.basename(file)} › ${title}\n${errors.join('\n')}`]
  })
  return [...inUnits, ...inSuites].map((one) => one.slice(0, 1500))
}

/**
 * From Debian's packages, where they are missing: Chromium, a Java, xmllint, test data of Unicode and of the public suffix list, and what
 * stands on the other side: servers to publish to, name servers, an authority and their clients.
 */
function installTools() {
  const wanted = [
    ['chromium-headless-shell', '/usr/bin/chromium-headless-shell'],
    // What a page falls back on while it has no font of its own: letters are as wide everywhere.
    ['fonts-liberation', '/usr/share/fonts/truetype/liberation/LiberationSans-Regular.ttf'],
    ['default-jre-headless', '/usr/bin/java'],
    ['libxml2-utils', '/usr/bin/xmllint'],
    ['unicode-data', '/usr/share/unicode/BidiCharacterTest.txt'],
    ['openssh-server', '/usr/sbin/sshd'],
    ['vsftpd', '/usr/sbin/vsftpd'],
    ['rsync', '/usr/bin/rsync'],
    ['bind9', '/usr/sbin/named'],
    ['dnsutils', '/usr/bin/dig'],
    ['curl', '/usr/bin/curl'],
    ['openssl', '/usr/bin/openssl'],
    ['pebble', '/usr/bin/pebble'],
    ['dehydrated', '/usr/bin/dehydrated'],
    ['golang-golang-x-net-dev', '/usr/share/gocode/src/golang.org/x/net/publicsuffix/list_test.go'],
  ]
    .filter(([, file]) => !existsSync(file))
    .map(([name]) => name)
  if (wanted.length === 0) return
  say(`Installing ${wanted.join(', ')} with apt-get.`)
  const apt = process.getuid?.() === 0 ? ['apt-get'] : ['sudo', 'apt-get']
  run(apt[0], [...apt.slice(1), 'update', '-qq'])
  run(apt[0], [...apt.slice(1), 'install', '-y', '-qq', ...wanted], { DEBIAN_FRONTEND: 'noninteractive' })
}

/** Strings and comments, which the formatter leaves as they are, hold the same 140 columns; a migration that has run stays as it ran. */
function checkLines() {
  const inFolders = ['src', 'tests', 'scripts'].flatMap((folder) =>
    readdirSync(path.join(root, folder), { recursive: true }).map((file) => path.join(folder, file)),
  )
  const sources = [...readdirSync(root), ...inFolders].filter(
    (file) => /\.(tsx?|[cm]?js|css|sql)$/.test(file) && !file.endsWith('005-publications.sql'),
  )
  const long = sources.flatMap((file) =>
    readFileSync(path.join(root, file), 'utf8')
      .split('\n')
      .flatMap((line, i) => (line.length > 140 ? [`${file}:${i + 1} has ${line.length} columns`] : [])),
  )
  if (long.length === 0 && sources.length > 300) return
  console.error(long.join('\n') || `Only ${sources.length} sources were looked at`)
  process.exit(1)
}

/** Holds the one way that imports run; a check that saw next to nothing is a failure, not a pass. Answers with the status. */
function checkImports() {
  const { stdout, status } = spawnSync('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src'], { cwd: root, encoding: 'utf8' })
  console.log(stdout.trim())
  const modules = Number(/(\d+) modules/.exec(stdout)?.[1] ?? 0)
  if (status === 0 && modules >= 100) return 0
  console.error(`Imports: ${modules} modules checked, status ${status}`)
  return 1
}
