import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'

export const root = path.join(import.meta.dirname, '..')

export function say(words) {
  console.log(`\x1b[1m▸ ${words}\x1b[0m`)
}

/** Runs a command in the project; ends with its status when it fails. */
export function run(command, args, env = {}) {
  const { status, signal, error } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  if (status === 0) return
  console.error(`“${command} ${args.join(' ')}” ended with ${error?.message ?? signal ?? status}.`)
  process.exit(status ?? 1)
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

/** How a command ends that goes on beside others: its status, or the signal that ended it. */
export function ended(command, args, env = {}) {
  const child = spawn(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  return new Promise((resolve, reject) => child.on('error', reject).on('exit', (code, signal) => resolve(signal ?? code)))
}

/** What runs beside the application, by the name that it has in `dist`. */
const PROGRAMS = {
  'reader-process': 'src/server/readers/reader-process.ts',
  'make-shipped': 'src/server/packs/make-shipped.ts',
  ...Object.fromEntries(
    readdirSync(path.join(root, 'src', 'standins'), { withFileTypes: true })
      .filter((entry) => entry.isDirectory())
      .map(({ name }) => [`standins/${name}`, `src/standins/${name}/main.ts`]),
  ),
}

/**
 * Makes what runs beside the application (the readers of files from outside, and the stand-ins) into plain JavaScript in `dist`, unless it
 * is of the sources as they are: none of them compiles anything when it starts. Packages stay where they are installed.
 * The shipped templates are parsed here, once.
 */
export async function bundlePrograms() {
  const outdir = path.join(root, 'dist')
  const stamp = path.join(outdir, 'instant-fit-sources')
  const wanted = hashOf(['src/core', 'src/server', 'src/standins', 'templates', 'package-lock.json'])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  const { build } = await import('esbuild')
  rmSync(outdir, { recursive: true, force: true })
  await build({
    absWorkingDir: root,
    entryPoints: PROGRAMS,
    outdir,
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'linked',
    logLevel: 'warning',
  })
  writeFileSync(path.join(outdir, 'parser'), hashOf(['src/core', 'src/server/packs']))
  run(process.execPath, ['dist/make-shipped.mjs'])
  writeFileSync(stamp, wanted)
}

/** Builds the application and what runs beside it, unless what is built is of the sources as they are. */
export async function buildApplication() {
  await bundlePrograms()
  const stamp = path.join(root, '.next', 'instant-fit-sources')
  const wanted = hashOf(['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json'])
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building the application, about a minute.')
  const end = await ended('npx', ['next', 'build'], { NEXT_TELEMETRY_DISABLED: '1' })
  if (end !== 0) {
    rmSync(path.join(root, '.next'), { recursive: true, force: true }) // A failed build poisons the next one.
    console.error(`The build ended with ${end}.`)
    process.exit(1)
  }
  mkdirSync(path.dirname(stamp), { recursive: true })
  writeFileSync(stamp, wanted)
}
