import { spawn, spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { connect } from 'node:net'
import path from 'node:path'
import { buildApplication, installPackages, root, run, say } from './prepare.mjs'

const designer = JSON.parse(readFileSync(path.join(root, 'scripts', 'designer.json'), 'utf8'))
const APP_PORT = process.env.INSTANT_FIT_PORT ?? '4310'
const HOST_PORT = process.env.WEB_HOST_PORT ?? '4380'
const CONTROL_PORT = process.env.WEB_HOST_CONTROL_PORT ?? '4381'
const SFTP_PORT = process.env.CLIENT_SERVER_SFTP_PORT ?? '4382'
const CLIENT_PORT = process.env.CLIENT_SERVER_PORT ?? '4383'
const FTP_PORT = process.env.CLIENT_SERVER_FTP_PORT ?? '4384'
const STORE_PORT = process.env.OBJECT_STORE_PORT ?? '4385'
const STORE_SITE_PORT = process.env.OBJECT_STORE_SITE_PORT ?? '4386'
const SECURE_PORT = process.env.WEB_HOST_SECURE_PORT ?? '4387'
const DNS_PORT = process.env.DNS_PORT ?? '4388'
const REGISTRAR_PORT = process.env.REGISTRAR_PORT ?? '4389'
const AUTHORITY_PORT = process.env.AUTHORITY_PORT ?? '4390'
const NOTICES_PORT = process.env.NOTICES_PORT ?? '4391'
const data = process.env.INSTANT_FIT_DATA ?? path.join(root, 'data')
const env = {
  ...process.env,
  INSTANT_FIT_DATA: data,
  WEB_HOST_PORT: HOST_PORT,
  WEB_HOST_CONTROL_PORT: CONTROL_PORT,
  WEB_HOST_DATA: path.join(data, 'web-host'),
  CLIENT_SERVER_SFTP_PORT: SFTP_PORT,
  CLIENT_SERVER_PORT: CLIENT_PORT,
  CLIENT_SERVER_FTP_PORT: FTP_PORT,
  CLIENT_SERVER_DATA: path.join(data, 'client-server'),
  OBJECT_STORE_PORT: STORE_PORT,
  OBJECT_STORE_SITE_PORT: STORE_SITE_PORT,
  OBJECT_STORE_DATA: path.join(data, 'object-store'),
  WEB_HOST_SECURE_PORT: SECURE_PORT,
  DNS_PORT,
  REGISTRAR_PORT,
  DNS_DATA: path.join(data, 'dns'),
  AUTHORITY_PORT,
  AUTHORITY_DATA: path.join(data, 'authority'),
  INSTANT_FIT_DNS: '127.0.0.1,127.0.0.2',
  INSTANT_FIT_DNS_PORT: DNS_PORT,
  AUTHORITY_DIRECTORY: `https://localhost:${AUTHORITY_PORT}/directory`,
  AUTHORITY_ROOT: path.join(data, 'authority', 'root.pem'),
  NOTICES_PORT,
  NOTICES_DNS: `127.0.0.1:${DNS_PORT}`,
  NOTICES_ROOT: path.join(data, 'authority', 'root.pem'),
  INSTANT_FIT_NOTICES: `http://127.0.0.1:${NOTICES_PORT}/`,
  NEXT_TELEMETRY_DISABLED: '1',
}
const HOST_PORTS = [HOST_PORT, CONTROL_PORT, SECURE_PORT]
const CLIENT_PORTS = [SFTP_PORT, CLIENT_PORT, FTP_PORT, STORE_PORT, STORE_SITE_PORT]
const PORTS = [APP_PORT, ...HOST_PORTS, ...CLIENT_PORTS, DNS_PORT, REGISTRAR_PORT, AUTHORITY_PORT, NOTICES_PORT]

for (const port of PORTS) {
  if (await answers(port)) {
    console.error(
      `Port ${port} is taken. Is the demo running already? Stop it, or set INSTANT_FIT_PORT, WEB_HOST_PORT, WEB_HOST_SECURE_PORT, ` +
        'WEB_HOST_CONTROL_PORT, CLIENT_SERVER_SFTP_PORT, CLIENT_SERVER_PORT, CLIENT_SERVER_FTP_PORT, OBJECT_STORE_PORT, ' +
        'OBJECT_STORE_SITE_PORT, DNS_PORT, REGISTRAR_PORT, AUTHORITY_PORT and NOTICES_PORT.',
    )
    process.exit(1)
  }
}
installPackages()
await buildApplication()
if (process.argv.includes('--fresh')) {
  say('Starting over: the demo data is made anew.')
  rmSync(data, { recursive: true, force: true })
}
const isNew = !existsSync(path.join(data, 'instant-fit.sqlite'))

const standIn = (name) => spawn(process.execPath, [`dist/standins/${name}.mjs`], { cwd: root, env, stdio: ['ignore', 'ignore', 'inherit'] })
const children = [
  standIn('web-host'),
  standIn('client-server'),
  standIn('object-store'),
  standIn('dns'),
  standIn('authority'),
  standIn('notices'),
  spawn(process.execPath, ['node_modules/next/dist/bin/next', 'start', '--port', APP_PORT, '--hostname', '127.0.0.1'], {
    cwd: root,
    env,
    stdio: ['ignore', 'ignore', 'inherit'],
  }),
]
process.on('exit', () => children.forEach((child) => child.kill()))
const stop = () => process.exit(0)
process.on('SIGINT', stop)
process.on('SIGTERM', stop)
children.forEach((child) =>
  child.on('exit', (code) => {
    if (code) {
      console.error('A server ended; the demo stops.')
      stop()
    }
  }),
)

for (const port of [CONTROL_PORT, SFTP_PORT, FTP_PORT, STORE_SITE_PORT, REGISTRAR_PORT, AUTHORITY_PORT, NOTICES_PORT, APP_PORT])
  await untilAnswers(port)
if (isNew) {
  say('Making the demo data: four clients, one of them published. About half a minute.')
  run(process.execPath, ['--import', 'tsx', 'scripts/seed.ts', `http://127.0.0.1:${APP_PORT}`], env)
}
// Data from before there were accounts gets its owner now; elsewhere this is refused, and nothing is changed.
await fetch(`http://127.0.0.1:${APP_PORT}/api/sign-in/first-start`, { method: 'POST', body: JSON.stringify(designer) })
const once = spawnSync(process.execPath, ['--import', 'tsx', 'scripts/let-in.ts', '--once', designer.email], {
  cwd: root,
  env: { ...env, INSTANT_FIT_PORT: APP_PORT },
  encoding: 'utf8',
}).stdout.trim()
console.log(`
  Instant Fit           http://localhost:${APP_PORT}
  Sign in, once, by     ${once || 'your own account'}
  or, until you change  ${designer.email}, “${designer.password}”
  A published site      http://tolliver-and-wren.localhost:${HOST_PORT}
  A client’s server     127.0.0.1, SFTP on port ${SFTP_PORT}, FTP on ${FTP_PORT}: tolliver, “nine swallows over a barn”, folder public_html
  and what it shows     http://localhost:${CLIENT_PORT}
  An object store       127.0.0.1, port ${STORE_PORT}, unencrypted: bucket tolliver-site, region eu-central-1
  and its key           TOLLIVER-KEY, “eleven kites in a row”
  and what it shows     http://localhost:${STORE_SITE_PORT}
  A client’s domain     tolliverandwren.test, looked after at the registrar: http://localhost:${REGISTRAR_PORT}
  To see a site there   chromium --host-resolver-rules="MAP *.test 127.0.0.1", and trust ${path.relative(root, env.AUTHORITY_ROOT)}
  A search engine       that is told what changed: http://localhost:${NOTICES_PORT}
  Stop with Ctrl+C. The data is kept in ${path.relative(root, data) || data}; "npm run demo -- --fresh" starts over.
`)

function answers(port) {
  return new Promise((resolve) => {
    const socket = connect(Number(port), '127.0.0.1')
    socket.once('connect', () => {
      socket.destroy()
      resolve(true)
    })
    socket.once('error', () => resolve(false))
  })
}

async function untilAnswers(port) {
  const end = Date.now() + 60_000
  while (!(await answers(port))) {
    if (Date.now() > end) throw new Error(`Nothing answers on port ${port}`)
    await new Promise((resolve) => setTimeout(resolve, 150))
  }
}
