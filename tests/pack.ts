import { makeDocument, type Site } from '../src/core/fill'
import type { AssetTable } from '../src/core/image'
import { getTemplate, type Pack } from '../src/core/pack'
import type { Brand, Facts } from '../src/core/site'
import { readShippedPack } from './read-pack'
import { begun } from './site'

let read: Pack | null = null

export function testPack(): Pack {
  return (read ??= readShippedPack())
}

/** The templates' pictures with sizes that need no decoding: enough for the renderer, which never opens one. */
export function testAssets(): AssetTable {
  return Object.fromEntries(
    Object.values(testPack().templates).flatMap((t) =>
      Object.entries(t.media).map(([file, { focus }]) => {
        const id = `${t.id}/${file}`
        return [
          id,
          {
            id,
            hash: 'ab'.repeat(32),
            name: file.replace(/\.\w+$/, ''),
            width: 1440,
            height: 960,
            bytes: 1000,
            vector: false,
            alpha: false,
            focus,
          },
        ]
      }),
    ),
  )
}

export function testSite(facts: Facts = {}, brand: Brand = {}, mode: Site['mode'] = 'release'): Site {
  return { document: begun(makeDocument(getTemplate(testPack(), 'tallow'), facts, brand)), pack: testPack(), assets: testAssets(), mode }
}
