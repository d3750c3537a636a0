import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'

export const root = path.join(import.meta.dirname, '..')

export function say(words) {
  console.log(`\x1b[1m▸ ${words}\x1b[0m`)
}

/** Runs a command in the project; ends with its status when it fails. */
export function run(command, args, env = {}) {
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (status !== 0) process.exit(status ?? 1)
}

function hashOf(names) {
  const hash = createHash('sha256')
  const add = (name) => {
    const full = path.join(root, name)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory()) for (const entry of readdirSync(full).sort()) add(path.join(name, entry))
    else hash.update(name).update(readFileSync(full))
  }
  names.forEach(add)
  return hash.digest('hex')
}

/** Installs the packages that the lock names, unless they are there already. */
export function installPackages() {
  const stamp = path.join(root, 'node_modules', '.instant-fit-lock')
  const wanted = hashOf(['package-lock.json'])
  const addon = path.join(root, 'node_modules', 'better-sqlite3', 'build', 'Release', 'better_sqlite3.node')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted && existsSync(addon)) return
  say('Installing packages. SQLite is compiled here, which takes two to three minutes.')
  run('npm', ['ci', '--no-audit', '--no-fund'])
  if (!existsSync(addon)) run('npm', ['rebuild', 'better-sqlite3'])
  writeFileSync(stamp, wanted)
}

/** Builds the application, unless what is built is of the sources as they are. */
export function buildApplication() {
  const stamp = path.join(root, '.next', 'instant-fit-sources')
  const wanted = hashOf(['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building the application, about a minute.')
  const { status } = spawnSync('npx', ['next', 'build'], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' },
  })
  if (status !== 0) {
    rmSync(path.join(root, '.next'), { recursive: true, force: true }) // A failed build poisons the next one.
    process.exit(status ?? 1)
  }
  mkdirSync(path.dirname(stamp), { recursive: true })
  writeFileSync(stamp, wanted)
}
