import { readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate'
import { beforeAll, expect, test } from 'vitest'
import type { PackFault } from '../../src/core/pack'
import { smallPack } from '../small-pack'
import { ownDataFolder } from './log-fixture'
import { someoneHere, type Headers } from './signed-in'

let data = ''
let headers: Headers
let bring: typeof import('../../src/app/api/packs/route')
let take: typeof import('../../src/app/api/packs/[template]/route')
let packs: typeof import('../../src/server/packs/packs')
let parse: typeof import('../../src/server/packs/parse-folder')
let shipped: typeof import('../../src/server/packs/library')
let library: typeof import('../../src/app/api/library/[version]/route')
beforeAll(async () => {
  data = ownDataFolder()
  headers = (await someoneHere()).headers
  ;[bring, take, packs, parse, shipped, library] = await Promise.all([
    import('../../src/app/api/packs/route'),
    import('../../src/app/api/packs/[template]/route'),
    import('../../src/server/packs/packs'),
    import('../../src/server/packs/parse-folder'),
    import('../../src/server/packs/library'),
    import('../../src/app/api/library/[version]/route'),
  ])
})

type Reply = { status: number; templates?: string[]; problem?: { code: string; sentence: string; faults?: PackFault[] } }
async function send(bytes: Uint8Array, name = 'pack.zip'): Promise<Reply> {
  const response = await bring.POST(
    new Request(`http://app/api/packs?name=${name}`, { method: 'POST', headers, body: new Uint8Array(bytes) }),
  )
  return { status: response.status, ...((await response.json()) as object) }
}
const zip = (files: Record<string, string | Uint8Array>): Uint8Array =>
  zipSync(
    Object.fromEntries(Object.entries(files).map(([name, content]) => [name, typeof content === 'string' ? strToU8(content) : content])),
  )
const takeOut = async (id: string): Promise<Uint8Array> =>
  new Uint8Array(
    await (await take.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ template: id }) })).arrayBuffer(),
  )

test('a pack taken out and brought in under another name is the same template', async () => {
  const files = unzipSync(await takeOut('windrow'))
  expect(Object.keys(files)).toEqual(
    expect.arrayContaining([
      'windrow/template.json',
      'windrow/template.css',
      'windrow/media/glasshouse.jpg',
      'designs/hero/canopy.html',
      'designs/legal/clauses.css',
    ]),
  )
  const renamed = Object.fromEntries(
    Object.entries(files).map(([name, content]) => [
      name.replace(/^windrow\//, 'swathe/').replace(/^designs\/([a-z-]+)\//, 'designs/$1/'),
      content,
    ]),
  )
  const brought = await send(zip(renamed))
  expect(brought).toEqual({ status: 200, templates: ['swathe'] })
  const { id: _, ...ours } = packs.pack().templates.windrow!
  const { id: __, ...theirs } = packs.pack().templates.swathe!
  expect(JSON.stringify(theirs).replaceAll('swathe/', 'windrow/')).toBe(JSON.stringify(ours))
  expect(Object.keys(packs.packAssets())).toContain('swathe/glasshouse.jpg')
  expect(Buffer.compare(await takeOut('windrow'), await takeOut('windrow'))).toBe(0) // The same files give the same zip.
})

test('a pack written by hand after the document is brought in, and its design is there', async () => {
  expect(await send(zip(smallPack('byhand')))).toEqual({ status: 200, templates: ['byhand'] })
  expect(packs.pack().designs['hero/byhand-sheet']!.placeholders.slots.heading).toEqual({ type: 'text', text: 'Written by hand' })
  const again = await send(zip(smallPack('byhand')))
  expect(again.status).toBe(422)
  expect(again.problem!.faults).toEqual([
    { file: 'byhand/template.json', line: 0, fault: 'There is a template “byhand” here already. Give the folder another name.' },
  ])
})

test('what the build parsed of the shipped templates is what their files say', async () => {
  const { library, faults } = await parse.parseFolder(path.join(import.meta.dirname, '..', '..', 'templates'), shipped.EMPTY_LIBRARY)
  expect(faults).toEqual([])
  expect(JSON.parse(JSON.stringify(library))).toEqual(shipped.readShipped().library)
  expect(Object.keys(library.assets).length).toBeGreaterThan(20)
})

test('what was parsed of a pack is kept, and parsed anew where it is torn, made by an earlier version, or gone', async () => {
  const folder = path.join(data, 'packs', 'byhand')
  const name = (): string => readdirSync(folder).find((file) => file.startsWith('.parsed-')) ?? 'none'
  const whole = readFileSync(path.join(folder, name()), 'utf8')
  const was = name()
  const spoil: readonly (() => void)[] = [
    () => writeFileSync(path.join(folder, was), whole.slice(0, -20)),
    () => renameSync(path.join(folder, was), path.join(folder, was.replace(/^\.parsed-\w+-/, '.parsed-0123456789abcdef-'))),
    () => rmSync(path.join(folder, was)),
  ]
  for (const act of spoil) {
    act()
    packs.forgetPacks()
    expect(packs.pack().templates.byhand).toBeUndefined()
    await packs.parseStalePacks()
    expect(packs.pack().templates.byhand?.name).toBe(JSON.parse(whole).pack.templates.byhand.name)
    expect(name()).toBe(was)
    expect(readFileSync(path.join(folder, was), 'utf8')).toBe(whole)
  }
  // What is sound is let be.
  const before = statSync(path.join(folder, was)).mtimeMs
  await packs.parseStalePacks()
  expect(statSync(path.join(folder, was)).mtimeMs).toBe(before)
})

test('all templates come as one thing under the name that they have as they are, to be kept for ever', async () => {
  const ask = (version: string): Promise<Response> =>
    library.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ version }) })
  const reply = await ask(packs.libraryVersion())
  expect(reply.headers.get('cache-control')).toContain('immutable')
  const { pack, assets } = (await reply.json()) as ReturnType<typeof packs.library>
  expect(Object.keys(pack.templates)).toContain('byhand')
  expect(Object.keys(assets)).toContain('tallow/front-door.jpg')
  expect((await ask('0123456789abcdef')).status).toBe(404)
})

test('a pack with faults is refused with every fault by file and line, and nothing of it is kept', async () => {
  const before = readdirSync(path.join(data, 'packs'))
  const files = {
    ...smallPack('bad'),
    'designs/hero/bad-sheet.html':
      '<section class="hero-bad-sheet">\n<h1 data-slot="heading" ' +
      'onmouseover="x()">x</h1>\n<script>steal()</script>\n<img data-slot="picture" src="//elsewhere.example/x.jpg" ' +
      'alt=""></section>',
    '../../escape.html': 'x',
    'bad/readme.exe': 'x',
    'bad/media/photo.jpg': 'not a picture',
    'bad/media/wrong.png': new Uint8Array([0xff, 0xd8, 0xff, 0xe0]),
    'bad/media/drawn.svg':
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><script>x()</script><rect width="9" height="9"/></svg>',
  }
  const { status, problem } = await send(zip(files))
  expect(status).toBe(422)
  const found = problem!.faults!.map((f) => `${f.file}:${f.line} ${f.fault}`).join('\n')
  for (const line of [
    '../../escape.html:0 The path leads out of the pack',
    'bad/readme.exe:0 This file has no place in a pack',
    'bad-sheet.html:2 The attribute onmouseover is not allowed',
    'bad-sheet.html:3 <script> is not allowed',
    'bad-sheet.html:4 The picture “//elsewhere.example/x.jpg” must lie in',
    'bad/media/photo.jpg:0 This picture cannot be read',
    'bad/media/drawn.svg:0 This drawing cannot be used: it holds a script',
  ])
    expect(found).toContain(line)
  expect(problem!.sentence).toContain(`${problem!.faults!.length} faults found. Nothing of it was kept.`)
  expect(readdirSync(path.join(data, 'packs'))).toEqual(before)
  expect(packs.pack().templates.bad).toBeUndefined()
})

test('a zip bomb, a torn zip, an empty file and something else are refused before anything is unpacked', async () => {
  const large = Object.fromEntries(Array.from({ length: 8 }, (_, i) => [`big/media/a${i}.jpg`, new Uint8Array(20 * 1024 * 1024)]))
  const bomb = zipSync(large, { level: 2 })
  expect(bomb.length).toBeLessThan(1_000_000)
  expect((await send(bomb)).problem).toMatchObject({
    code: 'packTooLarge',
    sentence: expect.stringContaining('unpacks to more than 150 MB'),
  })
  // A file that claims to be small and is not gets only the room it claims.
  const liar = zip({ 'a/media/x.jpg': new Uint8Array(5_000_000) })
  new DataView(liar.buffer).setUint32(strFromU8(liar, true).lastIndexOf('PK\x01\x02') + 24, 10, true)
  expect((await send(liar)).status).toBe(422)
  const many = zip(Object.fromEntries(Array.from({ length: 1001 }, (_, i) => [`m/media/a${i}.jpg`, 'x'])))
  expect((await send(many)).problem?.code).toBe('packTooLarge')
  const whole = zip(smallPack('torn'))
  expect((await send(whole.slice(0, whole.length - 40))).problem?.code).toBe('packDamaged')
  expect((await send(new Uint8Array())).problem?.code).toBe('fileEmpty')
  expect((await send(strToU8('%PDF-1.7 not a zip'))).problem?.code).toBe('packDamaged')
  expect((await send(zip({ 'designs/hero/lone.css': '' }))).problem!.faults!.map((f) => f.fault).join()).toContain(
    'There is no template in the pack',
  )
})

test('a template that is not here cannot be taken out', async () => {
  expect((await take.GET(new Request('http://app/', { headers }), { params: Promise.resolve({ template: '../etc' }) })).status).toBe(404)
})
