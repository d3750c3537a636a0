import * as v from 'valibot'
import { beforeAll, describe, expect, test } from 'vitest'
import { countLeftovers } from '../../src/core/fill'
import { renderPage, renderSheetPage } from '../../src/core/render'
import {
  applyEdit,
  editSchema,
  findSection,
  homePage,
  pagesOf,
  readDocument,
  type EditStep,
  type SectionId,
  type SiteDocument,
} from '../../src/core/site'
import { wear } from '../../src/core/wear'
import { testPack, testSite } from '../pack'
import { ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'

/** What every object answers to, by the language (ECMA-262, 20.1.3 and B.2.2), and what a record can be asked for by mistake. */
const NAMES = ['constructor', 'toString', 'valueOf', 'hasOwnProperty', 'isPrototypeOf', '__proto__', 'prototype', '__defineGetter__']

const site = testSite({ name: 'Client' })
const start = site.document
const hero = 'home.hero' as SectionId
const home = homePage(start)
const section = { ...findSection(start, 'about.quote')!, id: 'new', rank: 'b00' }

/** An edit of every type that names something, with all that it can name. */
const EDITS: readonly unknown[] = [
  { type: 'slot/set', section: hero, entry: null, slot: 'heading', value: { type: 'text', text: 'x' } },
  { type: 'slot/set', section: hero, entry: null, slot: 'picture', value: { type: 'image', asset: 'tallow/front-door.jpg', alt: 'x' } },
  { type: 'slot/set', section: hero, entry: null, slot: 'button', value: { type: 'link', text: 'x', to: { type: 'page', page: 'about' } } },
  { type: 'slot/set', section: 'home.services', entry: { list: 'items', nth: 1 }, slot: 'title', value: { type: 'text', text: 'x' } },
  { type: 'slot/set', section: 'home.services', entry: { list: 'items', id: 'made' }, slot: 'title', value: { type: 'text', text: 'x' } },
  { type: 'entry/insert', section: 'home.services', entry: { list: 'items', id: 'made' }, rank: 'b00', slots: {} },
  { type: 'fact/set', fact: 'phone', value: '1' },
  { type: 'label/set', label: 'menu', value: { text: 'x' } },
  { type: 'brand/set', part: 'logo', value: 'tallow/front-door.jpg' },
  { type: 'brand/set', part: 'display', value: 'lora' },
  { type: 'brand/set', part: 'roles', value: { 'light/paper/link': '#123456' } },
  { type: 'dress/set', part: 'template', value: 'gantry' },
  { type: 'dress/set', part: 'scheme', value: 'dusk' },
  { type: 'page/insert', page: { ...home, id: 'new', rank: 'b00', segment: 'new', origin: { template: 'tallow', page: 'about' } } },
  { type: 'page/set', page: 'about', part: 'origin', value: { template: 'tallow', page: 'about' } },
  { type: 'page/set', page: 'about', part: 'segment', value: 'x' },
  { type: 'section/insert', section },
  { type: 'section/insert', section: { ...section, origin: { template: 'tallow', page: 'about', section: 'quote' } } },
  { type: 'section/set', section: hero, part: 'design', value: 'line' },
  { type: 'section/set', section: hero, part: 'origin', value: { template: 'tallow', page: 'home', section: 'hero' } },
  { type: 'section/set', section: hero, part: 'anchor', value: 'top' },
  { type: 'outfit/set', template: 'gantry', value: null },
]

/** The same with one of its words, or the name of one of its parts, replaced; once for each. */
function* renamed(value: unknown, name: string): Generator<unknown> {
  if (typeof value === 'string') yield name
  if (typeof value !== 'object' || value === null) return
  const entries = Object.entries(value)
  for (const [key, part] of entries) {
    for (const other of renamed(part, name)) yield Object.fromEntries(entries.map(([k, p]) => [k, k === key ? other : p]))
    yield Object.fromEntries(entries.map(([k, p]) => [k === key ? name : k, p]))
  }
}

/** Whatever reads a document whole: kept and read again, counted, drawn, and put into another template. */
function readAll(document: SiteDocument): void {
  expect(readDocument(JSON.parse(JSON.stringify(document)))).toEqual(document)
  countLeftovers(testPack(), document)
  const files = {
    origin: 'https://client.example',
    stylesheet: 's.css',
    preloads: [],
    icons: { svg: '', ico: '', touch: '', manifest: '' },
  }
  for (const page of pagesOf(document)) {
    renderPage({ ...site, document }, page, files)
    renderSheetPage({ ...site, document, mode: 'sheet' }, page)
  }
  if (Object.hasOwn(testPack().templates, document.dress.template)) wear(testPack(), document, 'windrow')
}

describe.each(NAMES)('the name %s', (name) => {
  test('is refused, or is a name like any other, wherever an edit can say it', () => {
    let taken = 0
    for (const edit of EDITS.flatMap((one) => [...renamed(one, name)])) {
      const read = v.safeParse(editSchema, JSON.parse(JSON.stringify(edit)))
      const applied = read.success ? applyEdit(start, read.output as EditStep) : null
      if (!applied?.ok) continue
      taken++
      // A job whose template is not here is told of as such; that is another test's.
      if (Object.hasOwn(testPack().templates, applied.document.dress.template)) readAll(applied.document)
    }
    expect(taken).toBeGreaterThan(0)
    expect(({} as Record<string, unknown>)[name === '__proto__' ? 'polluted' : `${name}Polluted`]).toBeUndefined()
  })
})

describe('a route', () => {
  let headers: Headers
  let jobs: typeof import('../../src/app/api/jobs/route')
  let edits: typeof import('../../src/app/api/jobs/[job]/edits/route')
  let job: typeof import('../../src/app/api/jobs/[job]/route')
  let favourite: typeof import('../../src/app/api/favourites/[template]/route')
  let taken: typeof import('../../src/app/api/packs/[template]/route')
  let media: typeof import('../../src/app/media/[...variant]/route')
  let font: typeof import('../../src/app/fonts/[file]/route')
  beforeAll(async () => {
    ownDataFolder()
    headers = (await someoneHere()).headers
    ;[jobs, edits, job, favourite, taken, media, font] = await Promise.all([
      import('../../src/app/api/jobs/route'),
      import('../../src/app/api/jobs/[job]/edits/route'),
      import('../../src/app/api/jobs/[job]/route'),
      import('../../src/app/api/favourites/[template]/route'),
      import('../../src/app/api/packs/[template]/route'),
      import('../../src/app/media/[...variant]/route'),
      import('../../src/app/fonts/[file]/route'),
    ])
  })
  const send = (method: string, body: unknown): Request => new Request('http://app/', { method, headers, body: JSON.stringify(body) })
  const get = (): Request => new Request('http://app/', { headers })
  const at = (params: Record<string, unknown>) => ({ params: Promise.resolve(params) })

  test.each(NAMES)('takes %s for no job, template, picture or font, and answers in words', async (name) => {
    const make = (body: object): Promise<Response> =>
      jobs.POST(send('POST', { template: 'tallow', facts: { name: 'A' }, brand: {}, ...body }))
    const asked = await Promise.all([
      make({ template: name }),
      make({ brand: { logo: name } }),
      make({ [name]: 'x' }),
      job.GET(get(), at({ job: name })),
      edits.POST(send('POST', { base: 0, who: name, rows: [] }), at({ job: name })),
      taken.GET(get(), at({ template: name })),
      media.GET(get(), at({ variant: [name, 'whole', '50-50', '400.webp'] })),
      font.GET(get(), at({ file: name })),
      favourite.PUT(send('PUT', { on: true }), at({ template: name })),
    ])
    for (const reply of asked) expect(reply.status, await reply.clone().text()).toBeLessThan(500)
    expect(asked.slice(0, 2).map((reply) => reply.status >= 400)).toEqual([true, true])
    // Nothing that was refused is there all the same, and every job still opens.
    const { jobs: lines } = (await (await jobs.GET(get())).json()) as { jobs: { id: string }[] }
    for (const { id } of lines) expect((await job.GET(get(), at({ job: id }))).status).toBe(200)
  })
})
