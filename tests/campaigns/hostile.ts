import { deflateRawSync } from 'node:zlib'
import { strToU8, zipSync } from 'fflate'
import { askApp } from '../door'
import { askHost, makeJob } from '../e2e/screen'
import { random } from '../random'
import type { Rig } from '../rig'

export type HostileTally = { asked: number; taken: number; refused: number; slowestOtherMs: number; published: number }

/** Words that have broken programs: names of every object, markup, controls, halves of characters, paths, numbers that are none. */
const WORDS = [
  ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'null', 'undefined', 'NaN', '-0', '1e999', 'true'],
  ['<script>alert(1)</script>', '</style><script>x</script>', '"><img src=x onerror=x>', '<!--', ']]>', '${7*7}', '{{7*7}}'],
  ['../../../etc/passwd', '..\\..\\x', '%00', '%2e%2e%2f', 'C:\\con', '/dev/null', 'file:///etc/passwd', 'javascript:alert(1)'],
  ['\u0000', '\ud83d', '\ufffe', '\u202e\u2066', '\r\nSet-Cookie: x=1', '\u2028', '🦊'.repeat(40), 'a'.repeat(6000), ' '.repeat(3000)],
  [`'; DROP TABLE job; --`, '$(reboot)', '`id`', '%s%n', 'https://evil.example/x?#', '//evil.example', '\\\\evil', ''],
].flat()

/** What is sent as a body instead of what was asked for. */
const BODIES = ['', '{', '[]', 'null', '"x"', '0', `${'['.repeat(5000)}${']'.repeat(5000)}`, '{"__proto__":{"polluted":1}}', '{"a":1e400}']

/**
 * Sends an application values and files that mean it no good, from a seed, while somebody else works: no answer is a fault of ours, nobody
 * waits, and what was accepted can be published. Throws at the first thing that is not so.
 */
export async function hostile(rig: Rig, { rounds, seed }: { readonly rounds: number; readonly seed: number }): Promise<HostileTally> {
  const next = random(seed)
  const pick = <T>(all: readonly T[]): T => all[Math.floor(next() * all.length)] as T
  const job = await makeJob({ name: `Hostile ${seed}` }, rig.app)
  const other = await makeJob({ name: `Bystander ${seed}` }, rig.app)
  const tally: HostileTally = { asked: 0, taken: 0, refused: 0, slowestOtherMs: 0, published: 0 }
  let revision = 0
  for (let round = 0; round < rounds; round += 10) {
    const asked = Array.from({ length: 10 }, () => pick(KINDS)({ pick, next, job }))
    const started = performance.now()
    const bystander = edit(rig, other, revision++, `Round ${round}`).then((reply) => {
      if (reply.status !== 200) throw new Error(`Somebody else's edit was answered ${reply.status} in round ${round} of seed ${seed}`)
      tally.slowestOtherMs = Math.max(tally.slowestOtherMs, performance.now() - started)
    })
    await Promise.all(
      asked.map(async ({ path, init }) => {
        const reply = await askApp(rig.app + path, init)
        tally.asked++
        if (reply.status >= 500)
          throw new Error(`${init.method ?? 'GET'} ${path}: ${reply.status} in round ${round} of seed ${seed}: ${await reply.text()}`)
        await reply.arrayBuffer()
        if (reply.status < 400) tally.taken++
        else tally.refused++
      }),
    )
    await bystander
  }
  await publishAll(rig, job, seed)
  tally.published++
  return tally
}

type Hand = { readonly pick: <T>(all: readonly T[]) => T; readonly next: () => number; readonly job: string }
type Ask = { readonly path: string; readonly init: RequestInit }
const json = (method: string, path: string, body: unknown): Ask => ({
  path,
  init: { method, headers: { 'content-type': 'application/json' }, body: typeof body === 'string' ? body : JSON.stringify(body) },
})
const file = (path: string, body: Uint8Array): Ask => ({ path, init: { method: 'POST', body: new Uint8Array(body) } })
/** Without halves of characters, which no address can say. */
const wellFormed = (text: string): string => text.replaceAll(/\p{Cs}/gu, '')
const enc = (text: string): string => encodeURIComponent(wellFormed(text))

/** A picture in a frame, as an address names them, or nothing of the kind. */
function picture(pick: Hand['pick']): string {
  return `${enc(pick(['tallow/front-door.jpg', pick(WORDS)]))}/${pick(['whole', '4x5', '9999x1', enc(pick(WORDS))])}`
}

const KINDS: readonly ((hand: Hand) => Ask)[] = [
  // Edits of every sort, with hostile words for their words, names and parts.
  ({ pick, job }) =>
    row(job, {
      type: 'slot/set',
      section: pick(['home.hero', pick(WORDS)]),
      entry: null,
      slot: pick(['heading', pick(WORDS)]),
      value: { type: 'text', text: pick(WORDS) },
    }),
  ({ pick, job }) => row(job, { type: 'fact/set', fact: pick(['name', 'phone', 'email', 'special', pick(WORDS)]), value: pick(WORDS) }),
  ({ pick, job }) =>
    row(job, {
      type: 'fact/set',
      fact: 'address',
      value: { street: pick(WORDS), locality: pick(WORDS), postcode: pick(WORDS), country: pick(['GB', pick(WORDS)]) },
    }),
  ({ pick, job }) =>
    row(job, {
      type: 'brand/set',
      part: pick(['colour', 'icon', 'display', 'roles', pick(WORDS)]),
      value: pick([pick(WORDS), { from: 'letters', letters: pick(WORDS) }, null, [], { light: pick(WORDS) }]),
    }),
  ({ pick, job }) =>
    row(job, {
      type: 'page/set',
      page: pick(['home', 'about', pick(WORDS)]),
      part: pick(['name', 'title', 'description', 'segment', 'listed']),
      value: pick(WORDS),
    }),
  ({ pick, job }) => row(job, { type: 'label/set', label: pick(['menu', pick(WORDS)]), value: { text: pick(WORDS) } }),
  ({ pick, job }) => row(job, { type: 'redirect/set', path: pick(['/old/', pick(WORDS)]), value: { type: 'url', url: pick(WORDS) } }),
  ({ pick, job }) => row(job, { type: 'dress/set', part: pick(['template', 'scheme', 'dark']), value: pick(WORDS) }),
  ({ pick, job }) =>
    json('POST', `/api/jobs/${job}/edits`, pick([...BODIES, { base: pick([-1, 0.5, 1e9]), who: null, rows: pick([null, [null], {}]) }])),
  // Routes, with bodies and names that are not what they ask for.
  ({ pick, job }) =>
    json(
      pick(['POST', 'PUT', 'DELETE']),
      pick([
        `/api/jobs/${job}/address`,
        `/api/jobs/${job}/status`,
        `/api/jobs/${enc(pick(WORDS))}`,
        '/api/account',
        '/api/people',
        '/api/kept-sections',
      ]),
      pick(BODIES),
    ),
  ({ pick, job }) => ({ path: `/api/jobs/${job}/address?name=${enc(pick(WORDS))}`, init: {} }),
  ({ pick, next }) => ({
    path: `/media/${picture(pick)}/${Math.floor(next() * 120)}-50/${Math.floor(next() * 99_999)}.${pick(['webp', 'jpg', 'exe'])}`,
    init: {},
  }),
  ({ pick }) => ({
    path: pick([
      `/fonts/${enc(pick(WORDS))}`,
      `/api/packs/${enc(pick(WORDS))}`,
      `/jobs/${enc(pick(WORDS))}/content`,
      `/link/${enc(pick(WORDS))}`,
    ]),
    init: { redirect: 'manual' },
  }),
  ({ pick }) =>
    json('POST', '/api/jobs', {
      template: pick(['tallow', pick(WORDS)]),
      facts: { name: pick(WORDS), email: pick(WORDS) },
      brand: { colour: pick(WORDS), logo: pick(WORDS) },
    }),
  ({ pick }) => json('POST', '/api/sign-in/link', { token: pick(WORDS), name: pick(WORDS), password: pick(WORDS) }),
  // Files: pictures, drawings, fonts and packs that are not what they say, or not whole.
  ({ pick, next, job }) => file(`/api/jobs/${job}/assets?name=${enc(pick(WORDS))}`, torn(pick(PICTURES), next)),
  ({ pick, job }) => file(`/api/jobs/${job}/assets?as=${pick(['logo', 'picture'])}&name=x.svg`, strToU8(drawing(pick(WORDS)))),
  ({ pick, next, job }) => file(`/api/jobs/${job}/fonts?name=${enc(pick(WORDS))}`, torn(pick(FONTS), next)),
  ({ pick, next }) => file(`/api/packs?name=${enc(pick(WORDS))}`, torn(pack(pick(WORDS)), next)),
  ({ pick, next, job }) =>
    file(`/api/jobs/${job}/files?name=${enc(pick(WORDS))}`, torn(strToU8('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n%%EOF'), next)),
]

let rowsMade = 0

function row(job: string, edit: unknown): Ask {
  const id = `hostile-row-${rowsMade++}`
  return json('POST', `/api/jobs/${job}/edits`, { base: 0, who: null, rows: [{ id, gesture: id, undoes: null, edit }] })
}

function edit(rig: Rig, job: string, revision: number, text: string): Promise<Response> {
  const value = { type: 'text', text }
  const step = { type: 'slot/set', section: 'home.hero', entry: null, slot: 'heading', value }
  const rows = [{ id: `bystander-${revision}`, gesture: `g${revision}`, undoes: null, edit: step }]
  return askApp(`${rig.app}/api/jobs/${job}/edits`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ base: revision, who: null, rows }),
  })
}

/** A file as it is, cut short, with bits turned, or with more behind it. */
function torn(bytes: Uint8Array, next: () => number): Uint8Array {
  const how = next()
  if (how < 0.2) return bytes
  if (how < 0.5) return bytes.slice(0, Math.floor(bytes.length * next()))
  const turned = new Uint8Array(bytes)
  for (let i = 0; i < 4; i++) turned[Math.floor(next() * turned.length)] = Math.floor(next() * 256)
  return how < 0.8 ? turned : new Uint8Array([...turned, ...strToU8('<script>'.repeat(50))])
}

function drawing(words: string): string {
  const inside = [
    `<text>${words}</text>`,
    `<image href="${words}"/>`,
    `<style>@import "${words}";</style>`,
    `<rect onclick="${words}"/>`,
    `<g>${'<g>'.repeat(40)}</g>`,
  ]
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10" ${words}="x">${inside.join('')}</svg>`
}

function pack(words: string): Uint8Array {
  const name = wellFormed(words).slice(0, 200) || 'x'
  return zipSync({
    [`${name}/template.json`]: strToU8(`{"id":"${words}","language":"${words}"}`),
    [`../${name}`]: strToU8('x'),
    'designs/hero/x.html': strToU8(`<section data-slot="${words}">`),
    'designs/hero/x.css': strToU8(`.x{background:image-set("${words}")}`),
  })
}

const PICTURES: readonly Uint8Array[] = [
  Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64'),
  Buffer.from('R0lGODlhAQABAIAAAAAAAP///yH5BAEAAAAALAAAAAABAAEAAAIBRAA7', 'base64'),
  strToU8('RIFF\u00ff\u00ff\u00ff\u007fWEBPVP8 '),
  Buffer.from('ffd8ffe000104a46494600010100000100010000ffc0000b08ffffffff01011100ffd9', 'hex'),
]
const FONTS: readonly Uint8Array[] = [
  Buffer.concat([Buffer.from('774f464600010000000000ff0002', 'hex'), deflateRawSync(Buffer.alloc(400))]),
  Buffer.from(`0001000000ff${'41'.repeat(600)}`, 'hex'),
  Buffer.from('774f4632', 'hex'),
]

/** What was accepted is published, and a visitor finds it. */
async function publishAll(rig: Rig, job: string, seed: number): Promise<void> {
  const ask = async (path: string, method: string, body: unknown): Promise<string> =>
    (await askApp(rig.app + path, { method, headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })).text()
  const last = (text: string): { result?: { revision: number } } =>
    JSON.parse(text.trim().split('\n').at(-1) ?? '{}') as { result?: { revision: number } }
  await ask(`/api/jobs/${job}/address`, 'PUT', { name: `hostile-${seed}` })
  const prepared = await ask(`/api/jobs/${job}/prepare`, 'POST', {})
  const published = await ask(`/api/jobs/${job}/publish`, 'POST', { revision: last(prepared).result?.revision })
  if (!last(published).result)
    throw new Error(`What was accepted from seed ${seed} cannot be published: ${prepared.slice(-400)} ${published.slice(-400)}`)
  const { status, text } = await askHost(rig.siteUrl(`hostile-${seed}`), '/')
  if (status !== 200 || text.includes('<script>alert'))
    throw new Error(`The published page of seed ${seed} is not what it should be: ${status}`)
}
