import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { buildApplication, ended, installPackages, root, run, say } from './prepare.mjs'

const MOST_SECOND_TRIES = 2
const started = Date.now()
installPackages()
installTools()
rmSync(path.join(root, 'test-results'), { recursive: true, force: true })
mkdirSync(path.join(root, 'test-results'))

say('Format, lint, imports and types')
run('npx', ['prettier', '--check', '--log-level', 'warn', 'src', 'tests', 'scripts', '*.ts'])
checkLines()
run('npx', ['oxlint', '--deny-warnings', 'src', 'tests', 'scripts'])
checkImports()
run('npx', ['next', 'typegen'])
run('node', ['scripts/check-types.mjs'])
// Judged while the application is built: it takes most of a minute.
const [judgement] = await Promise.all([ended('node', ['scripts/check-expressions.mjs']), buildApplication()])
if (judgement !== 0) {
  console.error(`The judge of expressions ended with ${judgement}.`)
  process.exit(1)
}

say('Unit tests and checks against the outside')
const unit = test('npx', ['vitest', 'run'])
say('The real interface in Chromium')
const e2e = test('npx', ['playwright', 'test'])

const { numPassedTests = 0, numFailedTests = 0 } = read('unit.json') ?? {}
const { expected = 0, unexpected = 0, flaky = 0 } = read('e2e.json')?.stats ?? {}
console.log(`\nTook ${Math.round((Date.now() - started) / 1000)} s`)
console.log(`${numPassedTests + expected + flaky} passed, ${flaky} of them at the second try, ${numFailedTests + unexpected} failed`)
// A browser that hangs once is no fault of ours; what needs second tries often is.
process.exit(unit === 0 && e2e === 0 && flaky <= MOST_SECOND_TRIES && numPassedTests > 0 && expected > 0 ? 0 : 1)

function test(command, args) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } }).status
}

function read(file) {
  const full = path.join(root, 'test-results', file)
  return existsSync(full) ? JSON.parse(readFileSync(full, 'utf8')) : null
}

/**
 * From Debian's packages, where they are missing: Chromium, a Java, xmllint, test data of Unicode and of the public suffix list, and what
 * stands on the other side: servers to publish to, name servers, an authority and their clients.
 */
function installTools() {
  const wanted = [
    ['chromium', '/usr/bin/chromium'],
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

/** Holds the one way that imports run; a check that saw next to nothing is a failure, not a pass. */
function checkImports() {
  const { stdout, status } = spawnSync('npx', ['depcruise', '--config', '.dependency-cruiser.cjs', 'src'], { cwd: root, encoding: 'utf8' })
  console.log(stdout.trim())
  const modules = Number(/(\d+) modules/.exec(stdout)?.[1] ?? 0)
  if (status !== 0 || modules < 100) {
    console.error(`Imports: ${modules} modules checked, status ${status}`)
    process.exit(1)
  }
}
