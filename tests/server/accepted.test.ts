import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp from 'sharp'
import * as v from 'valibot'
import { beforeAll, describe, expect, test } from 'vitest'
import { pictureVariants } from '../../src/core/image'
import { allSections, pagesOf, KINDS, type Edit, type SlotType, type SlotValue } from '../../src/core/site'
import { richFromPlain } from '../../src/core/rich'
import { htmlErrors } from '../outside/html-checker'
import { ownDataFolder } from './log-fixture'

/** What is typed or sent by nobody who means well, and what a page of it must never hold. */
const HOSTILE: readonly (readonly [what: string, text: string])[] = [
  ['half an emoji', 'Tolliver \ud83d Wren'],
  ['the other half', '\ude00'],
  ['control characters', 'a\u0000b\u0001c\u001fd\u007fe\u0085f'],
  ['noncharacters', '\ufdd0 x \uffff y \u{1fffe}'],
  ['turned round', '\u202e drawkcab \u2066'],
  ['markup', '</style></script><script>alert(1)</script><!--'],
  ['line breaks', 'one\r\ntwo\u2028three\u2029four'],
  ['percent signs and slashes', '%00%zz/../../etc/passwd?#'],
  ['quotes', `'"\\\`\${x}{{x}}`],
]

let make: typeof import('../../src/server/use-cases/make-job')
let log: typeof import('../../src/server/log/edit-log')
let registry: typeof import('../../src/server/destinations/registry')
let prepared: typeof import('../../src/server/releases/prepared')
let blobs: typeof import('../../src/server/files/blobs')
let uploads: typeof import('../../src/server/media/store-upload')
let variants: typeof import('../../src/server/media/variants')
let address: typeof import('../../src/server/use-cases/choose-address')
beforeAll(async () => {
  ownDataFolder()
  ;[make, log, registry, prepared, blobs, uploads, variants, address] = await Promise.all([
    import('../../src/server/use-cases/make-job'),
    import('../../src/server/log/edit-log'),
    import('../../src/server/destinations/registry'),
    import('../../src/server/releases/prepared'),
    import('../../src/server/files/blobs'),
    import('../../src/server/media/store-upload'),
    import('../../src/server/media/variants'),
    import('../../src/server/use-cases/choose-address'),
  ])
})

/** A value of each type of slot that says the words wherever it can. */
function valueOf(type: SlotType, text: string): SlotValue {
  if (type === 'text') return { type, text }
  if (type === 'rich')
    return {
      type,
      rich: richFromPlain(
        `${text}\n- ${text}\n[${text.replaceAll(/[[\]()\s]/g, '')}](https://a.example/${text.replaceAll(/[()\s]/g, '')})`,
      ),
    }
  if (type === 'link') return { type, label: text, to: { type: 'url', url: text } }
  return { type, asset: 'tallow/front-door.jpg', alt: text }
}

/** Edits that say some words in every place that a job has. */
function everywhere(job: string, text: string): readonly Edit[] {
  const { document } = log.jobState(job)
  const facts = (['name', 'tagline', 'trade', 'phone', 'email', 'special'] as const).map((fact): Edit => ({
    type: 'fact/set',
    fact,
    value: text,
  }))
  const slots = allSections(document).flatMap(({ id, kind }) =>
    Object.entries(KINDS[kind]).flatMap(([slot, type]): Edit[] =>
      typeof type === 'string' ? [{ type: 'slot/set', section: id, entry: null, slot, value: valueOf(type as SlotType, text) }] : [],
    ),
  )
  const pages = pagesOf(document).flatMap((page): Edit[] => [
    ...(['name', 'label', 'title', 'description'] as const).map(
      (part): Edit => ({ type: 'page/set', page: page.id, part, value: text }) as Edit,
    ),
    { type: 'page/set', page: page.id, part: 'segment', value: text } as Edit,
  ])
  const where = { street: text, locality: text, postcode: text, country: 'GB' }
  return [
    ...facts,
    ...slots,
    ...pages,
    { type: 'fact/set', fact: 'address', value: where },
    { type: 'fact/set', fact: 'socials', value: [`https://a.example/${text.replaceAll(/[\s<>"]/g, '')}`] },
    { type: 'label/set', label: 'menu', value: { text } },
    { type: 'brand/set', part: 'icon', value: { from: 'letters', letters: text.slice(0, 3) } },
    { type: 'redirect/set', path: `/${text}/`, value: { type: 'url', url: text } } as Edit,
  ]
}

const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-accepted-'))

/** Puts the pages and drawings of a release into a folder of their own. */
function writeOut(what: string, manifest: Readonly<Record<string, { readonly hash: string }>>): void {
  const files = Object.entries(manifest).filter(([name]) => /\.(html|svg)$/.test(name))
  expect(files.length).toBeGreaterThan(3)
  for (const [name, { hash }] of files) {
    const file = path.join(folder, what.replaceAll(' ', '-'), name)
    mkdirSync(path.dirname(file), { recursive: true })
    writeFileSync(file, blobs.readBlob(hash) ?? '')
  }
}

describe('what is accepted can be published', () => {
  test.each(HOSTILE)('%s, in every place that takes it: the site is built', async (what, text) => {
    const job = make.makeJob({ template: 'tallow', facts: { name: 'Accepted' }, brand: {} })
    const rows = everywhere(job, text).map((edit, i) => ({ id: `accepted-row-${i}`, gesture: `g${i}`, undoes: null, edit }))
    // What the schema refuses does not get past the request.
    const taken = rows.filter((row) => v.is(log.sentRowSchema, row))
    const { written } = log.appendRows(job, null, 0, taken)
    expect(written.length, what).toBeGreaterThan(rows.length / 2)
    const { manifest } = await prepared.prepareFiles(
      job,
      { ...log.jobState(job), alone: [] },
      { id: 'web-host', to: registry.destinationOf(), address: 'accepted' },
      () => undefined,
    )
    writeOut(what, manifest)
  })

  // Once for all of them: the checker's own start takes longer than its work.
  test('and every page and drawing of it is valid, as the Nu HTML Checker has the HTML and SVG standards', () => {
    expect(htmlErrors(folder)).toEqual([])
  })

  test('a picture as tall as a scroll is made in sizes that its format can hold', async () => {
    const scroll = await sharp({ create: { width: 40, height: 30_000, channels: 3, background: '#a87' } })
      .png()
      .toBuffer()
    const asset = await uploads.storeUpload(null, 'scroll.png', scroll)
    const { sources, fallback } = pictureVariants(asset, null, asset.focus)
    expect(sources.length).toBeGreaterThan(0)
    for (const variant of [...sources, fallback]) expect((await variants.makeVariant(variant))?.length).toBeGreaterThan(0)
  })

  test.each(HOSTILE)('as an address, %s is refused in words or is one', async (_, text) => {
    const job = make.makeJob({ template: 'tallow', facts: { name: 'Addressed' }, brand: {} })
    const answer = await address.askAddress(job, text).catch((error: { code: string }) => ({ state: error.code, sentence: '' }))
    // No host runs here, so one that could be an address is asked for in vain.
    expect(['refused', 'hostDown']).toContain(answer.state)
    if ('label' in answer) expect(answer.label).toMatch(/^[a-z0-9-]+$/)
  })
})
