import { describe, expect, test } from 'vitest'
import { fileServerAdapter } from '../../src/server/destinations/file-server/adapter'
import type { FileServer } from '../../src/server/destinations/file-server/file-server'
import { makeDestination } from '../../src/server/destinations/shell'
import { publish } from './file-servers'

/** A server to which names that differ in capitals alone are one; a file keeps the name it came with. */
class CaseBlind {
  readonly files = new Map<string, { name: string; content: Buffer }>()

  readonly open = async (): Promise<FileServer> => ({
    list: async (under) => {
      const begin = under === '' ? '' : `${under.toLowerCase()}/`
      const found = [...this.files].filter(([key]) => key.startsWith(begin))
      return new Map(found.map(([, { name, content }]) => [name.slice(begin.length), { bytes: content.length, at: null }]))
    },
    timeOf: async () => null,
    count: async () => this.files.size,
    read: async (path) => {
      const file = this.files.get(path.toLowerCase())
      return file ? { content: file.content, at: null } : null
    },
    write: async (path, content) => {
      this.put(path, content)
      return null
    },
    move: async (from, to) => {
      const { content } = this.files.get(from.toLowerCase())!
      this.files.delete(from.toLowerCase())
      this.put(to, content)
    },
    remove: async (path) => void this.files.delete(path.toLowerCase()),
    makeFolder: async () => undefined,
    removeFolder: async () => false,
    close: () => undefined,
  })

  put(name: string, content: Buffer): void {
    const key = name.toLowerCase()
    this.files.set(key, { name: this.files.get(key)?.name ?? name, content })
  }

  get shown(): Record<string, string> {
    const all = [...this.files.values()].filter(({ name }) => !name.startsWith('.'))
    return Object.fromEntries(all.map(({ name, content }) => [name, String(content)]))
  }
}

describe('a server that is blind to capitals', () => {
  test('a file of somebody else’s whose name differs in capitals alone is in the way, and is not written over unasked', async () => {
    const server = new CaseBlind()
    server.put('Index.html', Buffer.from('welcome'))
    server.put('About', Buffer.from('a note'))
    const to = makeDestination(fileServerAdapter('blind', server.open))
    const site = { 'index.html': 'home', 'about/index.html': 'about' }
    await expect(publish(to, 'r1', site)).rejects.toMatchObject({ fault: 'inTheWay', message: 'About, Index.html' })
    expect(server.shown).toEqual({ 'Index.html': 'welcome', About: 'a note' })
    await to.files!.adopt('', 'job', ['Index.html', 'About'])
    await publish(to, 'r1', site)
    expect(server.shown).toEqual(site)
    expect(await publish(to, 'r1', site)).toBe(0)
  })

  test('a file that is called otherwise in capitals by now is there under its new name', async () => {
    const server = new CaseBlind()
    const to = makeDestination(fileServerAdapter('blind', server.open))
    await publish(to, 'r1', { 'index.html': 'home', 'Proof-ABC.html': 'proof' })
    await publish(to, 'r2', { 'index.html': 'home', 'proof-abc.html': 'proof' })
    expect(server.shown).toEqual({ 'index.html': 'home', 'proof-abc.html': 'proof' })
    await publish(to, 'r3', { 'index.html': 'home' })
    expect(server.shown).toEqual({ 'index.html': 'home' })
  })
})
