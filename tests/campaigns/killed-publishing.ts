import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { build } from 'esbuild'
import { strFromU8, unzipSync } from 'fflate'
import ssh2 from 'ssh2'
import type { Connection } from '../../src/server/destinations/kinds'
import { fingerprint } from '../../src/server/destinations/sftp/connect'
import { answers, freePort } from '../free-port'
import { killWhole, openSsh, type OpenSsh } from '../outside/real-servers'
import { random } from '../random'
import { PAGES } from './made-site'

/**
 * What is killed: our stand-ins, and OpenSSH's own server with the process that it has for each line. A folder and a zip on this machine
 * have no server but the one that shows the folder.
 */
export const KILLED_KINDS = ['sftp', 'openssh', 'ftp', 'object-store', 'folder', 'zip'] as const
export type KilledKind = (typeof KILLED_KINDS)[number]
export type PublishTally = {
  readonly rounds: number
  /** Pages that visitors were given, each whole and with its own style sheet. */
  readonly seen: number
  /** Releases that went live, and rounds that were cut off before theirs did. */
  readonly live: number
  readonly cut: number
}

const root = path.join(import.meta.dirname, '..', '..')
/** The longest that publishing goes on before somebody is killed, in ms, from when it has begun. */
const LONGEST_MS = 700
const PASSWORD = 'nine swallows over a barn'
const VICTIMS = ['publisher', 'server', 'both'] as const

/**
 * Publishing that is cut off by `kill -9` of whoever publishes, of the server, or of both, at a moment that nobody chose. Whatever a
 * visitor is given is a whole page with the style sheet of the same release; what is published next goes through, and leaves the site
 * whole.
 */
export async function killedPublishing(
  kind: KilledKind,
  { rounds, seed, tell = () => undefined }: { readonly rounds: number; readonly seed: number; readonly tell?: (words: string) => void },
): Promise<PublishTally> {
  const next = random(seed)
  const server = new Server(kind)
  try {
    await bundlePublisher()
    await server.start()
    const to = { connection: server.connection(), sites: server.sites }
    let number = 1
    await published(to, number)
    let [seen, live, cut] = [await server.look(number), 1, 0]
    for (let round = 0; round < rounds; round++) {
      const victim = VICTIMS[Math.floor(next() * VICTIMS.length)]!
      const publisher = begin(to, number + 1, 50)
      await publisher.begun
      const until = Date.now() + next() * LONGEST_MS
      while (Date.now() < until) seen += await server.look()
      if (victim !== 'publisher') await server.kill()
      // Where no server stands between, only whoever publishes can end it.
      publisher.child.kill(victim === 'server' ? 'SIGTERM' : 'SIGKILL')
      const reached = await publisher.ended
      if (victim !== 'publisher') await server.start()
      seen += await server.look()
      live += reached - number
      number = Math.max(number, reached) + 51
      cut++
      await published(to, number)
      seen += await server.look(number)
      live++
      if (round % 20 === 19) tell(`${kind}: ${round + 1} rounds, ${live} releases, ${seen} pages`)
    }
    return { rounds, seen, live, cut }
  } finally {
    await server.stop()
  }
}

async function endWhole(child: ChildProcess | null): Promise<void> {
  if (!child || child.exitCode !== null || child.signalCode !== null) return
  await new Promise<void>((resolve) => {
    child.once('exit', () => resolve())
    killWhole(child)
  })
}

type Publisher = { readonly child: ChildProcess; readonly begun: Promise<void>; readonly ended: Promise<number> }

/** Where is published to, and the folder that is set aside for sites on this machine. */
type Target = { readonly connection: Connection; readonly sites: string }

/** Whoever publishes, as plain JavaScript: most of a round would be compiling it. */
const PUBLISHER = path.join(root, 'dist', 'tests', 'publisher.mjs')

let bundled: Promise<unknown> | null = null
function bundlePublisher(): Promise<unknown> {
  return (bundled ??= build({
    entryPoints: [path.join(root, 'tests', 'campaigns', 'publisher.ts')],
    outfile: PUBLISHER,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'warning',
  }))
}

/** Begins to publish releases from a number on; `ended` tells the last that was live. */
function begin({ connection, sites }: Target, first: number, count: number): Publisher {
  const args = [PUBLISHER, JSON.stringify(connection), String(first), String(count)]
  const env = { ...process.env, INSTANT_FIT_FOLDERS: sites }
  const child = spawn(process.execPath, args, { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] })
  let last = first - 1
  let fault = ''
  const begun = new Promise<void>((resolve) => {
    child.stdout.on('data', (data: Buffer) => {
      for (const [, number] of data.toString('utf8').matchAll(/live (\d+)/g)) last = Number(number)
      resolve()
    })
    child.on('exit', () => resolve())
  })
  child.stderr.on('data', (data: Buffer) => (fault += data.toString('utf8')))
  const ended = new Promise<number>((resolve, reject) => {
    child.on('exit', (code) => (code === null || code === 0 || isCutOff(fault) ? resolve(last) : reject(new Error(fault))))
  })
  return { child, begun, ended }
}

/** What is said where the server is gone; anything else is a fault of ours. */
function isCutOff(said: string): boolean {
  return said.includes("fault: 'down'") || said.includes("fault: 'refused'")
}

/** The release that a page is of; beyond all where it is away. */
function numberOn(page: string | null): number {
  return page === null ? Infinity : Number(/<title>(\d+)</.exec(page)?.[1])
}

async function published(to: Target, number: number): Promise<void> {
  const { child, ended } = begin(to, number, 1)
  const last = await ended
  if (last !== number || child.exitCode !== 0) throw new Error(`Release ${number} did not go live`)
}

/** A server of one kind in a process of its own, and the site that it shows. */
class Server {
  private child: ChildProcess | null = null
  private ssh: { readonly set: OpenSsh; running: ChildProcess | null } | null = null
  private readonly data = mkdtempSync(path.join(tmpdir(), 'instant-fit-killed-'))
  private ports = { files: 0, site: 0, other: 0 }

  constructor(private readonly kind: KilledKind) {}

  /** What the server shows, and where a zip lies. */
  get sites(): string {
    return path.join(this.data, 'files')
  }

  async start(): Promise<void> {
    if (this.ssh) return void (this.ssh.running = (await this.ssh.set.again()).child)
    if (this.ports.files === 0) this.ports = { files: await freePort(), site: await freePort(), other: await freePort() }
    const { files, site, other } = this.ports
    const isStore = this.kind === 'object-store'
    const [sftp, ftp] = this.kind === 'sftp' ? [files, other] : [other, files]
    const env = isStore
      ? { OBJECT_STORE_DATA: this.data, OBJECT_STORE_PORT: String(files), OBJECT_STORE_SITE_PORT: String(site) }
      : {
          CLIENT_SERVER_DATA: this.data,
          CLIENT_SERVER_SFTP_PORT: String(sftp),
          CLIENT_SERVER_FTP_PORT: String(ftp),
          CLIENT_SERVER_PORT: String(site),
        }
    this.child = spawn(process.execPath, [`dist/standins/${isStore ? 'object-store' : 'client-server'}.mjs`], {
      cwd: root,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'ignore', 'inherit'],
    })
    for (const port of [files, site]) while (!(await answers(port)));
    if (this.kind !== 'openssh') return
    const set = await openSsh()
    this.ssh = { set, running: set.child }
  }

  async kill(): Promise<void> {
    // What visitors see goes on, as the web server beside a server for files does.
    if (this.ssh) return endWhole(this.ssh.running)
    const { child } = this
    this.child = null
    await endWhole(child)
  }

  async stop(): Promise<void> {
    await this.kill()
    await endWhole(this.child)
    rmSync(this.data, { recursive: true, force: true })
  }

  connection(): Connection {
    const at = { host: '127.0.0.1', port: this.ports.files }
    switch (this.kind) {
      case 'sftp': {
        const key = ssh2.utils.parseKey(readFileSync(path.join(this.data, 'host-key'), 'utf8'))
        if (key instanceof Error) throw key
        const settings = { ...at, user: 'tolliver', folder: 'public_html', hostKey: fingerprint(key.getPublicSSH()) }
        return { kind: 'sftp', settings, secret: { password: PASSWORD } }
      }
      case 'openssh': {
        if (!this.ssh) throw new Error('The server was not started')
        const { user, key, hostKey, port } = this.ssh.set
        const folder = path.join(this.sites, 'public_html')
        return { kind: 'sftp', settings: { host: at.host, port, user, folder, hostKey }, secret: { key } }
      }
      case 'ftp':
        return {
          kind: 'ftp',
          settings: { ...at, user: 'tolliver', folder: 'public_html', isSecure: false, certificate: null },
          secret: { password: PASSWORD },
        }
      case 'object-store':
        return {
          kind: 'object-store',
          settings: { ...at, isSecure: false, region: 'eu-central-1', bucket: 'tolliver-site', folder: '' },
          secret: { keyId: 'TOLLIVER-KEY', key: 'eleven kites in a row' },
        }
      case 'folder':
      case 'zip':
        return { kind: this.kind, settings: { folder: 'public_html' }, secret: null }
      default:
        return this.kind satisfies never
    }
  }

  /**
   * How many pages were given to a visitor, each whole, with its style sheet; all of one release where its number is told. Our server by
   * SFTP cannot rename over a file, as many cannot: there a page is away for the moment between two renamings, and never torn.
   */
  async look(number: number | null = null): Promise<number> {
    let seen = 0
    const get = this.kind === 'zip' ? inZip(path.join(this.sites, 'public_html.zip')) : this.get.bind(this)
    for (let at = 0; at < PAGES; at++) {
      const path = at === 0 ? '/' : `/p${at}/`
      const page = await get(path, number === null && this.kind === 'sftp')
      if (page === null) continue
      seen++
      const said = /<title>(\d+)<.*href="(\/style-[0-9a-f]{8}\.css)".* says (\d+)\..*<!--end (\d+)-->$/s.exec(page)
      if (!said || said[1] !== said[3] || said[1] !== said[4]) throw new Error(`Page ${at} is not whole: ${page.slice(0, 200)}`)
      if (number !== null && Number(said[1]) !== number) throw new Error(`Page ${at} says ${said[1]}, and ${number} is live`)
      const style = await get(said[2] ?? '', number === null)
      // Two releases may have come between the two; after one, the style sheet is still there.
      if (style === null && numberOn(await get(path, true)) > Number(said[1]) + 1) continue
      if (!style?.includes(`--number:${said[1]}}`) || !style.endsWith('/* as it is */\n'))
        throw new Error(`The style of page ${at} is not whole`)
    }
    return seen
  }

  private async get(url: string, mayBeAway = false): Promise<string | null> {
    const ask = (): Promise<Response> => fetch(`http://127.0.0.1:${this.ports.site}${url}`)
    // A line that was kept open to a server that was killed meanwhile: a browser asks again on another (RFC 9112, 9.3.1).
    const response = await ask().catch(ask)
    if (mayBeAway && response.status === 404) return null
    if (response.status !== 200) throw new Error(`${url} was answered ${response.status}`)
    return response.text()
  }
}

type Get = (url: string, mayBeAway?: boolean) => Promise<string | null>

/** What somebody finds who opens a zip as it is now. */
function inZip(file: string): Get {
  const files = unzipSync(readFileSync(file))
  return (url) => {
    const found = files[`${url.slice(1)}${url.endsWith('/') ? 'index.html' : ''}`]
    if (!found) return Promise.reject(new Error(`${url} is not in the zip`))
    return Promise.resolve(strFromU8(found))
  }
}
