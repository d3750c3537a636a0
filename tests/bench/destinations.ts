import { spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { performance } from 'node:perf_hooks'
import { Readable } from 'node:stream'
import { Client } from 'basic-ftp'
import PQueue from 'p-queue'
import { planFiles, type Manifest } from '../../src/core/release'
import type { Destination } from '../../src/server/destinations/destination'
import { ftpDestination } from '../../src/server/destinations/ftp/adapter'
import { sftpDestination } from '../../src/server/destinations/sftp/adapter'
import { makeDestination } from '../../src/server/destinations/shell'
import { countedLine } from '../counted-line'
import { openSsh, vsftpd } from '../outside/real-servers'
import { remembering } from '../remembering'
import { line, median, percentiles, time } from './report'

type Files = ReadonlyMap<string, Buffer>
const hashOf = (content: Buffer): string => createHash('sha256').update(content).digest('hex')
const manifestOf = (files: Files): Manifest =>
  Object.fromEntries([...files].map(([name, content]) => [name, { hash: hashOf(content), bytes: content.length }]))

/** As a publication does it. */
async function publish(to: Destination, release: string, files: Files, manifest: Manifest): Promise<void> {
  await to.claim('', 'job')
  const delivery = await to.deliver('', release, manifest)
  const missing = new Set(delivery.missing)
  const queue = new PQueue({ concurrency: 4 })
  for (const [name, content] of files) {
    const { hash } = manifest[name]!
    if (missing.delete(hash)) void queue.add(() => delivery.send(hash, content))
  }
  await queue.onIdle()
  await delivery.activate()
}

const clocked = async (work: () => Promise<void>): Promise<number> => {
  const start = performance.now()
  await work()
  return performance.now() - start
}

/** Words of which none repeat, as many bytes as that. */
const words = (bytes: number, of: string): Buffer => {
  const some = Array.from({ length: Math.ceil(bytes / 44) }, (_, i) => createHash('sha256').update(`${of} ${i}`).digest('base64'))
  return Buffer.from(some.join('').slice(0, bytes))
}

/** One text changed, on a site of 12 pages and 44 pictures: over SFTP to OpenSSH’s server, and rsync to the same. */
async function benchAgainstRsync(): Promise<void> {
  const ssh = await openSsh()
  const counted = await countedLine(ssh.port)
  const { port } = counted
  const root = mkdtempSync(path.join(tmpdir(), 'instant-fit-bench-'))
  for (const name of ['ours', 'theirs', 'from']) mkdirSync(path.join(root, name))
  const page = (i: number, heading: string): Buffer => Buffer.concat([Buffer.from(`<h1>${heading}</h1>`), words(30_000, `page ${i}`)])
  const files = new Map<string, Buffer>([
    ...Array.from({ length: 12 }, (_, i) => [i === 0 ? 'index.html' : `page-${i}/index.html`, page(i, 'As it was')] as const),
    ...Array.from({ length: 44 }, (_, i) => [`files/photo-${i}-0a1b2c3d.webp`, words(30_000, `photo ${i}`)] as const),
  ])
  const write = (name: string, content: Buffer): void => {
    mkdirSync(path.dirname(path.join(root, 'from', name)), { recursive: true })
    writeFileSync(path.join(root, 'from', name), content)
  }
  files.forEach((content, name) => write(name, content))
  const settings = { host: '127.0.0.1', port, user: ssh.user, folder: path.join(root, 'ours'), hostKey: ssh.hostKey }
  const { kept, note } = remembering()
  const ours = async (release: string): Promise<void> => {
    note(files.values())
    await publish(makeDestination(sftpDestination(settings, { key: ssh.key }, kept)), release, files, manifestOf(files))
  }
  const shell = `ssh -p ${port} -i ${ssh.keyFile} -o StrictHostKeyChecking=no -o UserKnownHostsFile=/dev/null -o LogLevel=ERROR`
  const args = ['-a', '--delete', '-e', shell, `${root}/from/`, `${ssh.user}@127.0.0.1:${root}/theirs/`]
  const theirs = (): Promise<void> => new Promise((resolve) => spawn('rsync', args, { stdio: 'ignore' }).on('exit', () => resolve()))
  await ours('first')
  await theirs()
  const times: [number[], number[]] = [[], []]
  const sizes: [number[], number[]] = [[], []]
  for (let i = 0; i < 8; i++) {
    files.set('index.html', page(0, `Changed for the ${i}th time`))
    write('index.html', files.get('index.html')!)
    for (const [side, work] of [() => ours(`release ${i}`), theirs].entries()) {
      const before = counted.bytes()
      times[side]!.push(await clocked(work))
      sizes[side]!.push(counted.bytes() - before)
    }
  }
  const ratio = (of: [number[], number[]]): string => (median(of[0]) / median(of[1])).toFixed(2)
  line('one changed text over SFTP to OpenSSH', `${percentiles(times[0])}, ${ratio(times)} times rsync’s`, '2 times')
  line('the same, bytes on the line', `${(median(sizes[0]) / 1000).toFixed(1)} kB, ${ratio(sizes)} times rsync’s`, '1.1 times')
  counted.stop()
  ssh.stop()
}

/** A thousand files for the first time, by FTP to vsftpd, and a plain client that sends them all one after another. */
async function benchAgainstPlainClient(): Promise<void> {
  const root = mkdtempSync(path.join(tmpdir(), 'instant-fit-bench-'))
  const server = await vsftpd(root)
  const files = new Map(
    Array.from(
      { length: 1000 },
      (_, i) =>
        [i % 3 ? `files/photo-${hashOf(Buffer.from(`${i}`)).slice(0, 8)}.webp` : `page-${i}/index.html`, words(20_000, `${i}`)] as const,
    ),
  )
  const manifest = manifestOf(files)
  const login = { host: '127.0.0.1', port: server.port, user: 'anonymous' }
  const [ours, theirs]: [number[], number[]] = [[], []]
  for (let i = 0; i < 3; i++) {
    for (const name of [`ours-${i}`, `theirs-${i}`]) mkdirSync(path.join(root, name))
    theirs.push(
      await clocked(async () => {
        const client = new Client()
        await client.access({ ...login, password: 'anybody@example.com' })
        await client.cd(`theirs-${i}`)
        await client.send('MKD files')
        for (const [name, content] of files) {
          if (!name.startsWith('files/')) await client.send(`MKD ${path.posix.dirname(name)}`)
          await client.uploadFrom(Readable.from([content], { objectMode: false }), name)
        }
        client.close()
      }),
    )
    const settings = { ...login, folder: `ours-${i}`, isSecure: false, certificate: null }
    const to = makeDestination(ftpDestination(settings, { password: 'anybody@example.com' }))
    ours.push(await clocked(() => publish(to, 'first', files, manifest)))
  }
  line(
    '1,000 files for the first time by FTP to vsftpd',
    `${percentiles(ours)}, ${(median(ours) / median(theirs)).toFixed(2)} times a plain client’s`,
    '1.3 times',
  )
  server.stop()
}

/** What changes, of a site of a thousand pages and as many pictures. */
function benchPlan(): void {
  const files = Object.fromEntries(
    Array.from({ length: 2000 }, (_, i) => [
      i % 2 ? `files/photo-${i}.webp` : `page-${i}/index.html`,
      { hash: hashOf(Buffer.from(`${i}`)), bytes: i },
    ]),
  )
  const there = new Map(Object.entries(files).map(([name, { bytes }]) => [name, { bytes, at: null }]))
  const next = { ...files, 'page-0/index.html': { hash: hashOf(Buffer.from('other')), bytes: 7 } }
  line(
    'the plan for 1,000 pages, from what is there',
    percentiles(Array.from({ length: 20 }, () => time(() => void planFiles(next, { ours: files, kept: {}, there })))),
    'under 1 s',
  )
}

export async function benchDestinations(): Promise<void> {
  benchPlan()
  await benchAgainstRsync()
  await benchAgainstPlainClient()
}
