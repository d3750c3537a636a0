import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, symlinkSync, writeFileSync } from 'node:fs'
import type { AddressInfo, Server } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, describe, expect, test } from 'vitest'
import { LIST_FILE, type Manifest } from '../../src/core/release'
import type { Adapter, CalledDelivery, Destination } from '../../src/server/destinations/destination'
import { makeDestination } from '../../src/server/destinations/shell'

/** Where every server of a test file keeps what it is sent, a folder for each. */
export const folders = mkdtempSync(path.join(tmpdir(), 'instant-fit-folders-'))
process.env.INSTANT_FIT_FOLDERS = folders

type Listening = Pick<Server, 'listen' | 'address' | 'close'>
const servers: Listening[] = []
afterAll(() => servers.forEach((server) => server.close()))

/** Starts a server on a free port of this machine, until the file's tests are done; answers with the port. */
export function serving(server: Listening): Promise<number> {
  servers.push(server)
  return new Promise((resolve) => server.listen(0, '127.0.0.1', () => resolve((server.address() as AddressInfo).port)))
}

/** Sites at addresses of a destination that has one folder each. */
export function atAddresses(adapterOf: (address: string) => Adapter): Destination {
  const made = new Map<string, Destination>()
  const at = (address: string): Destination => {
    const known = made.get(address) ?? makeDestination(adapterOf(address))
    made.set(address, known)
    return known
  }
  const any = at('any')
  return {
    ...any,
    find: (address) => at(address).find(address),
    claim: (address, owner) => at(address).claim(address, owner),
    deliver: (address, release, manifest) => at(address).deliver(address, release, manifest),
  }
}

/** What a visitor gets of a site whose folder is served as it is. */
export const visitFolder = async (address: string, asked: string): Promise<{ status: number; words: string; sentTo: null }> => {
  const file = asked.endsWith('/') ? `${asked}index.html` : asked
  const words = readFileSync(path.join(folders, address, file.includes('.') ? file : `${file}/index.html`), 'utf8')
  return { status: 200, words, sentTo: null }
}

export const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex')
/** Sends those texts that are not there yet. */
export async function sendTexts({ missing, send }: CalledDelivery, texts: readonly string[]): Promise<void> {
  for (const text of new Set(texts)) if (missing.includes(hashOf(text))) await send(hashOf(text), Buffer.from(text))
}

export const manifestOf = (files: Record<string, string>): Manifest =>
  Object.fromEntries(Object.entries(files).map(([name, text]) => [name, { hash: hashOf(text), bytes: Buffer.byteLength(text) }]))

/** As a publication does it, from the beginning. */
export async function publish(
  to: Destination,
  release: string,
  files: Record<string, string>,
  leads: Readonly<Record<string, string>> = {},
): Promise<number> {
  await to.claim('', 'job')
  const led = Object.entries(manifestOf(files)).map(
    ([name, entry]) => [name, leads[name] ? { ...entry, leadsTo: leads[name] } : entry] as const,
  )
  const delivery = await to.deliver('', release, Object.fromEntries(led))
  await sendTexts(delivery, Object.values(files))
  await delivery.activate()
  return delivery.missing.length
}

/** Every file of a folder, but our list. */
export function filesOf(folder: string, under = ''): Record<string, string> {
  const found: Record<string, string> = {}
  for (const entry of readdirSync(path.join(folder, under), { withFileTypes: true })) {
    const file = under === '' ? entry.name : `${under}/${entry.name}`
    if (entry.isDirectory()) Object.assign(found, filesOf(folder, file))
    else if (file !== LIST_FILE) found[file] = readFileSync(path.join(folder, file), 'utf8')
  }
  return found
}

export const FIRST = { 'index.html': 'uses a.css', 'about/index.html': 'uses a.css', 'a.css': 'a' }
export const SECOND = { 'index.html': 'uses b.css', 'news/index.html': 'uses b.css', 'b.css': 'b' }

/** What holds of files that are not ours on every server that only takes files; `folders` is what it serves. */
export function othersFilesContract(kind: string, destinationAt: (folder: string) => Destination): void {
  describe(`other files on ${kind}`, () => {
    const name = (what: string): string => `${kind.replaceAll(' ', '-')}-${what}`

    test('are never touched, and folders that nothing of ours is left in go with the last of it', async () => {
      const folder = path.join(folders, name('others'))
      mkdirSync(path.join(folder, 'mail'), { recursive: true })
      writeFileSync(path.join(folder, 'mail', 'inbox'), 'letters')
      const to = destinationAt(name('others'))
      await publish(to, 'r1', FIRST)
      expect((await to.files!.look('')).there.get('mail/inbox')?.bytes).toBe(7)
      expect(await publish(to, 'r2', SECOND)).toBe(2)
      expect(filesOf(folder)).toEqual({ ...SECOND, 'mail/inbox': 'letters' })
      expect(existsSync(path.join(folder, 'about'))).toBe(false)
      expect(readdirSync(folder).sort()).toEqual([LIST_FILE, 'b.css', 'index.html', 'mail', 'news'])
    })

    test('that stand where ours go stop it before anything is sent; adopted, they are replaced', async () => {
      const folder = path.join(folders, name('way'))
      mkdirSync(folder, { recursive: true })
      writeFileSync(path.join(folder, 'index.html'), 'welcome from your host')
      const to = destinationAt(name('way'))
      await expect(publish(to, 'r1', FIRST)).rejects.toMatchObject({ fault: 'inTheWay', message: 'index.html' })
      expect(filesOf(folder)).toEqual({ 'index.html': 'welcome from your host' })
      await to.files!.adopt('', 'job', ['index.html'])
      await publish(to, 'r1', FIRST)
      expect(filesOf(folder)).toEqual(FIRST)
    })

    test('that a hand has changed or removed are put right by the next release', async () => {
      const folder = path.join(folders, name('hand'))
      const to = destinationAt(name('hand'))
      await publish(to, 'r1', FIRST)
      writeFileSync(path.join(folder, 'a.css'), 'broken by hand')
      // The very release that is there is whole again too.
      await publish(to, 'r1', FIRST)
      expect(filesOf(folder)).toEqual(FIRST)
      writeFileSync(path.join(folder, 'index.html'), '')
      await publish(to, 'r2', { ...FIRST, 'new.txt': 'new' })
      expect(filesOf(folder)).toEqual({ ...FIRST, 'new.txt': 'new' })
    })

    test('of another site are left alone: a folder is one site’s', async () => {
      const to = destinationAt(name('two'))
      await publish(to, 'r1', FIRST)
      await expect(to.claim('', 'another job')).rejects.toMatchObject({ fault: 'taken' })
      writeFileSync(path.join(folders, name('two'), LIST_FILE), 'not ours')
      await expect(publish(to, 'r2', SECOND)).rejects.toMatchObject({ fault: 'refused' })
      expect(filesOf(path.join(folders, name('two')))).toEqual(FIRST)
    })

    test('behind a link are not followed', async () => {
      const folder = path.join(folders, name('link'))
      mkdirSync(folder, { recursive: true })
      mkdirSync(path.join(folders, name('elsewhere')))
      symlinkSync(path.join(folders, name('elsewhere')), path.join(folder, 'about'))
      await expect(publish(destinationAt(name('link')), 'r1', FIRST)).rejects.toMatchObject({ fault: 'inTheWay', message: 'about' })
      expect(readdirSync(path.join(folders, name('elsewhere')))).toEqual([])
    })
  })
}
