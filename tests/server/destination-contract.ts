import { createHash } from 'node:crypto'
import { describe, expect, test } from 'vitest'
import type { Manifest } from '../../src/core/release'
import { isDestinationError, type Destination } from '../../src/server/destinations/destination'
import { sendTexts } from './file-servers'

/** A destination under test, with what its visitors see. */
export type UnderTest = {
  readonly destination: Destination
  /** What a visitor is given at a path of a site, with where they were sent on to, if they were. */
  readonly visit: (
    address: string,
    path: string,
  ) => Promise<{ readonly status: number; readonly words: string; readonly sentTo: string | null }>
  /** The same destination where nothing answers. */
  readonly unplugged: () => Destination
}

const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex')
const manifestOf = (files: Record<string, string>): Manifest =>
  Object.fromEntries(Object.entries(files).map(([name, text]) => [name, { hash: hashOf(text), bytes: Buffer.byteLength(text) }]))

/** What every destination has to hold; each adapter's own tests call it. */
export function destinationContract(kind: string, underTest: () => UnderTest): void {
  let addresses = 0
  const newAddress = (): string => `contract-${++addresses}`
  const faultOf = (asked: Promise<unknown>): Promise<string> =>
    asked.then(
      () => 'none',
      (error: unknown) => (isDestinationError(error) ? error.fault : `not wrapped: ${String(error)}`),
    )
  const publish = async (address: string, release: string, files: Record<string, string>): Promise<number> => {
    const { destination } = underTest()
    const delivery = await destination.deliver(address, release, manifestOf(files))
    await sendTexts(delivery, Object.values(files))
    await delivery.activate()
    return delivery.missing.length
  }

  describe(`${kind}, as every destination`, () => {
    test('knows nothing of an address until it is claimed, and then whose it is', async () => {
      const { destination } = underTest()
      const address = newAddress()
      expect(await destination.find(address)).toBeNull()
      await destination.claim(address, 'job')
      expect(await destination.find(address)).toMatchObject({ owner: 'job', release: null })
      if (destination.capabilities.givesAddresses) expect(await faultOf(destination.claim(address, 'other'))).toBe('taken')
    })

    test('shows a release once it is switched to, whole, and says which it shows', async () => {
      const { destination, visit } = underTest()
      const address = newAddress()
      await destination.claim(address, 'job')
      await publish(address, 'r1', { 'index.html': 'one', 'about/index.html': 'about' })
      expect((await visit(address, '/')).words).toBe('one')
      const next = manifestOf({ 'index.html': 'two', 'about/index.html': 'about' })
      const { missing, send, activate } = await destination.deliver(address, 'r2', next)
      expect(missing).toEqual([hashOf('two')])
      expect(await faultOf(activate())).toBe('refused')
      expect((await visit(address, '/')).words).toBe('one')
      await send(hashOf('two'), Buffer.from('two'))
      await activate()
      expect([(await visit(address, '/')).words, (await visit(address, '/about/')).words]).toEqual(['two', 'about'])
      expect((await destination.find(address))?.release).toBe('r2')
    })

    test('can be asked everything again, and nothing changes the second time', async () => {
      const { destination, visit } = underTest()
      const address = newAddress()
      const again = manifestOf({ 'index.html': 'again' })
      for (let time = 0; time < 4; time++) {
        await destination.claim(address, 'job')
        const { send, activate } = await destination.deliver(address, 'r1', again)
        for (let once = 0; once < 1 + (time % 2); once++) {
          await send(hashOf('again'), Buffer.from('again'))
          await activate()
        }
      }
      expect((await destination.deliver(address, 'r1', again)).missing).toEqual([])
      expect((await visit(address, '/')).words).toBe('again')
    })

    test('puts an earlier release back without being sent anything', async () => {
      const { destination, visit } = underTest()
      const address = newAddress()
      await destination.claim(address, 'job')
      await publish(address, 'r1', { 'index.html': `first of ${address}` })
      await publish(address, 'r2', { 'index.html': `second of ${address}` })
      const sent = await publish(address, 'r1', { 'index.html': `first of ${address}` })
      if (underTest().destination.capabilities.keepsContent) expect(sent).toBe(0)
      expect((await visit(address, '/')).words).toBe(`first of ${address}`)
    })

    test('refuses content that is not what its hash says, and keeps none of it', async () => {
      const { destination } = underTest()
      const address = newAddress()
      await destination.claim(address, 'job')
      const files = { 'index.html': `true words of ${address}` }
      const { send } = await destination.deliver(address, 'r1', manifestOf(files))
      expect(await faultOf(send(hashOf(files['index.html']), Buffer.from('other words')))).toBe('refused')
      expect((await destination.deliver(address, 'r1', manifestOf(files))).missing).toHaveLength(1)
    })

    test('is never told of a path that leads out of the site', async () => {
      const { destination } = underTest()
      for (const path of ['../secret', '/etc/passwd', 'a/../../b', 'a\\b', ''])
        await expect(async () => destination.deliver(newAddress(), 'r1', manifestOf({ [path]: 'x' })), path).rejects.toThrow(
          'no path of a site',
        )
    })

    test('sends the visitors of an address that was left on to the new one, where it can', async () => {
      const { destination, visit } = underTest()
      if (!destination.capabilities.canRedirect) return
      const [from, to] = [newAddress(), newAddress()]
      for (const address of [from, to]) {
        await destination.claim(address, 'job')
        await publish(address, 'r1', { 'index.html': address, 'about/index.html': 'about' })
      }
      for (let time = 0; time < 2; time++) await destination.redirect(from, to)
      expect((await visit(from, '/about/')).sentTo).toBe(`${destination.originOf(to)}/about/`)
    })

    test('leads on from an address by a rule where it can, else by the page that is there', async () => {
      const { destination, visit } = underTest()
      const address = newAddress()
      await destination.claim(address, 'job')
      const files = { 'index.html': 'home', 'old/index.html': 'a page that leads on', 'shop.html': 'another' }
      const plain = manifestOf(files)
      const rules = {
        ...plain,
        'old/index.html': { ...plain['old/index.html']!, leadsTo: '/new/' },
        'shop.html': { ...plain['shop.html']!, leadsTo: 'https://shop.example/a?b=c' },
      }
      const delivery = await destination.deliver(address, 'r1', rules)
      await sendTexts(delivery, Object.values(files))
      await delivery.activate()
      const seen = [await visit(address, '/old/'), await visit(address, '/old'), await visit(address, '/shop.html')]
      const can = destination.capabilities.canLeadOn
      expect(seen[0]!.status).toBe(can ? 301 : 200)
      if (can) expect(seen.map(({ sentTo }) => sentTo)).toEqual(['/new/', '/new/', 'https://shop.example/a?b=c'])
      else expect(seen[2]!.words).toBe('another')
      // The next release without them has files there again.
      await publish(address, 'r2', files)
      expect((await visit(address, '/old/')).words).toBe('a page that leads on')
    })

    test('says in one way that nothing answers', async () => {
      expect(await faultOf(underTest().unplugged().find('contract-gone'))).toBe('down')
      expect(await faultOf(underTest().unplugged().deliver('contract-gone', 'r1', {}))).toBe('down')
    })
  })
}
