import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import type { SignedIn } from '../scripts/enter'
import { openDoor } from './door'
import { answers, freePort } from './free-port'

const root = path.join(import.meta.dirname, '..')

/** An application and a web host of their own, on free loopback ports, with an empty data folder. */
export type Rig = {
  readonly app: string
  readonly hostPort: number
  readonly data: string
  readonly siteUrl: (name: string) => string
  readonly startApp: () => Promise<void>
  readonly startHost: (quotaBytes?: number) => Promise<void>
  /** Starts name servers, a registrar's page and an authority; answers with the address of the page. */
  readonly startNames: () => Promise<string>
  /** Starts a search engine that takes notices of change; answers with the address of its page. */
  readonly startEngine: () => Promise<string>
  readonly securePort: number
  /** Ends the application at once, as a power cut would: no handler runs. */
  readonly killApp: () => Promise<void>
  readonly stopHost: () => Promise<void>
  /** The same for the web host. */
  readonly killHost: () => Promise<void>
  /** What the application's process holds in memory, in MB; 0 where it does not run. */
  readonly megabytes: () => number
  /** What whoever is signed in says with a request; there once the application was started. */
  readonly signedIn: () => SignedIn
  readonly stop: () => Promise<void>
}

/** Where the invented top level's name servers listen. */
const NAME_SERVERS = ['127.0.0.1', '127.0.0.2', '127.0.0.3']

/** `entered` false leaves the first start to the test; `isTold` has a search engine told of what is published. */
export async function makeRig({ entered = true, isTold = false } = {}): Promise<Rig> {
  const [appPort, hostPort, controlPort, securePort] = [await freePort(), await freePort(), await freePort(), await freePort()]
  const [dnsPort, registrarPort, authorityPort] = [await freePort(NAME_SERVERS), await freePort(), await freePort()]
  const noticesPort = await freePort()
  const data = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  const env = {
    ...process.env,
    INSTANT_FIT_DATA: data,
    WEB_HOST_DATA: path.join(data, 'web-host'),
    WEB_HOST_PORT: String(hostPort),
    WEB_HOST_CONTROL_PORT: String(controlPort),
    WEB_HOST_SECURE_PORT: String(securePort),
    DNS_PORT: String(dnsPort),
    DNS_DATA: path.join(data, 'dns'),
    REGISTRAR_PORT: String(registrarPort),
    AUTHORITY_PORT: String(authorityPort),
    AUTHORITY_DATA: path.join(data, 'authority'),
    AUTHORITY_DIRECTORY: `https://localhost:${authorityPort}/directory`,
    AUTHORITY_ROOT: path.join(data, 'authority', 'root.pem'),
    INSTANT_FIT_DNS: '127.0.0.1,127.0.0.2',
    INSTANT_FIT_DNS_PORT: String(dnsPort),
    NOTICES_PORT: String(noticesPort),
    ...(isTold ? { INSTANT_FIT_NOTICES: `http://127.0.0.1:${noticesPort}/`, INSTANT_FIT_NOTICES_AGAIN: '0.5' } : {}),
    NEXT_TELEMETRY_DISABLED: '1',
  }
  let app: ChildProcess | null = null
  let signedIn: SignedIn | null = null
  let host: ChildProcess | null = null
  let others: readonly ChildProcess[] = []
  const standIn = (name: string): ChildProcess =>
    spawn(process.execPath, [`dist/standins/${name}.mjs`], { cwd: root, env, stdio: ['ignore', 'ignore', 'inherit'] })
  const rig: Rig = {
    app: `http://127.0.0.1:${appPort}`,
    hostPort,
    data,
    siteUrl: (name) => `http://${name}.localhost:${hostPort}`,
    startApp: async () => {
      app = spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '--port', String(appPort), '--hostname', '127.0.0.1'], {
        cwd: root,
        env,
        stdio: ['ignore', 'ignore', 'inherit'],
      })
      await untilAnswers(appPort)
      if (entered) signedIn ??= await openDoor(rig.app)
    },
    startHost: async (quotaBytes) => {
      host = spawn(process.execPath, ['dist/standins/web-host.mjs'], {
        cwd: root,
        env: { ...env, ...(quotaBytes === undefined ? {} : { WEB_HOST_QUOTA: String(quotaBytes) }) },
        stdio: ['ignore', 'ignore', 'inherit'],
      })
      await untilAnswers(controlPort)
    },
    startNames: async () => {
      others = [...others, ...['dns', 'authority'].map(standIn)]
      await untilAnswers(registrarPort)
      await untilAnswers(authorityPort)
      return `http://127.0.0.1:${registrarPort}`
    },
    startEngine: async () => {
      others = [...others, standIn('notices')]
      await untilAnswers(noticesPort)
      return `http://127.0.0.1:${noticesPort}`
    },
    securePort,
    killApp: () => end(app, 'SIGKILL'),
    signedIn: () => signedIn ?? { cookie: '', 'x-request-token': '' },
    stopHost: () => end(host, 'SIGTERM'),
    killHost: () => end(host, 'SIGKILL'),
    megabytes: () => residentMegabytes(app?.pid),
    stop: async () => {
      await Promise.all([end(app, 'SIGKILL'), end(host, 'SIGTERM'), ...others.map((one) => end(one, 'SIGTERM'))])
      rmSync(data, { recursive: true, force: true })
    },
  }
  return rig
}

function end(child: ChildProcess | null, signal: NodeJS.Signals): Promise<void> {
  if (!child || child.exitCode !== null || child.signalCode !== null) return Promise.resolve()
  return new Promise((resolve) => {
    child.once('exit', () => resolve())
    child.kill(signal)
  })
}

/** Linux, proc(5): VmRSS of a process, in kB. */
function residentMegabytes(pid: number | undefined): number {
  const status = pid === undefined ? '' : readFileSync(`/proc/${pid}/status`, 'utf8')
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024)
}

async function untilAnswers(port: number): Promise<void> {
  const end = Date.now() + 300_000
  while (!(await answers(port))) {
    if (Date.now() > end) throw new Error(`Nothing answers on port ${port}`)
  }
}
