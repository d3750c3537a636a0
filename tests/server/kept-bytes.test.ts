import { existsSync, mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp from 'sharp'
import { beforeAll, expect, test } from 'vitest'
import { keepBlob, readBlob } from '../../src/server/files/blobs'
import { madeOnce } from '../../src/server/files/made'
import { mediaFile } from '../../src/server/files/media-file'
import { storeUpload } from '../../src/server/media/store-upload'
import { makeVariant } from '../../src/server/media/variants'
import { readAsset } from '../../src/server/store/assets'
import { db } from '../../src/server/store/db'

let data = ''
beforeAll(() => {
  data = mkdtempSync(path.join(tmpdir(), 'instant-fit-'))
  process.env.INSTANT_FIT_DATA = process.env.INSTANT_FIT_CACHE = data
  db()
})

/** What a disk can do to a file that was whole: empty it, cut it short, or turn a bit of it. */
const DAMAGE: readonly [what: string, damage: (file: string) => void][] = [
  ['emptied', (file) => truncateSync(file, 0)],
  ['cut short', (file) => truncateSync(file, 40)],
  [
    'altered',
    (file) => {
      const bytes = readFileSync(file)
      bytes[20]! ^= 1
      writeFileSync(file, bytes)
    },
  ],
]

test.each(DAMAGE)('a content that was %s is never given out, and is whole again when it is kept anew', (_, damage) => {
  const content = `Words of a page. ${'More of them. '.repeat(10)}`
  const { hash } = keepBlob(content)
  damage(path.join(data, 'blobs', hash.slice(0, 2), hash))
  expect(readBlob(hash)).toBeNull()
  keepBlob(content)
  expect(readBlob(hash)?.toString()).toBe(content)
})

test.each(DAMAGE)('what was made once and then %s is made again', async (what, damage) => {
  let made = 0
  const make = (): Promise<Buffer> => madeOnce('variants', `${what}.webp`, async () => Buffer.from(`made ${++made} ${'x'.repeat(60)}`))
  expect([(await make()).toString().slice(0, 6), (await make()).toString().slice(0, 6)]).toEqual(['made 1', 'made 1'])
  damage(path.join(data, 'variants', `${what}.webp`))
  expect((await make()).toString().slice(0, 6)).toBe('made 2')
})

test('what was made lies in a folder of its own where one is set, else among the data', async () => {
  const isMade = (folder: string): boolean => existsSync(path.join(folder, 'variants', 'apart.webp'))
  const apart = mkdtempSync(path.join(tmpdir(), 'instant-fit-cache-'))
  process.env.INSTANT_FIT_CACHE = apart
  await madeOnce('variants', 'apart.webp', async () => Buffer.from('made'))
  expect([isMade(apart), isMade(data)]).toEqual([true, false])
  delete process.env.INSTANT_FIT_CACHE
  await madeOnce('variants', 'apart.webp', async () => Buffer.from('made'))
  expect(isMade(data)).toBe(true)
})

test('what was made and cannot be kept is given out all the same', async () => {
  // A file stands where the folder would be, so that nothing can be written there, whoever asks.
  writeFileSync(path.join(data, 'fonts'), 'in the way')
  expect(String(await madeOnce('fonts', 'cut.woff2', async () => Buffer.from('made')))).toBe('made')
})

test.each(DAMAGE)('a client’s picture whose file was %s says so, and is whole when it is chosen again', async (_, damage) => {
  const file = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#a87' } })
    .png()
    .toBuffer()
  const asset = await storeUpload(null, 'bench.png', file)
  damage(mediaFile(`${asset.hash}.png`))
  expect(() => readAsset(asset.id)).toThrow('“bench” is damaged on this computer’s disk')
  const variant = { asset: asset.id, ratio: null, focus: asset.focus, width: 60, height: 40, format: 'webp' as const }
  await expect(makeVariant(variant)).rejects.toThrow('is damaged')
  await storeUpload(null, 'bench.png', file)
  expect(readAsset(asset.id)?.bytes.equals(file)).toBe(true)
})
