import { deflateSync, crc32 } from 'node:zlib'
import { expect, test } from './test'
import sharp from 'sharp'
import { APP, askHost, makeJob, openContent, sheet, visit } from './screen'
import { askApp } from '../door'

const photo = (): Promise<Buffer> =>
  sharp({ create: { width: 800, height: 600, channels: 3, background: '#a06040' } })
    .jpeg()
    .toBuffer()

/** A PNG whose header claims a size that its data does not have (PNG, 11.2.1 IHDR). */
function claimingPng(side: number): Buffer {
  const chunk = (type: string, data: Buffer): Buffer => {
    const body = Buffer.concat([Buffer.from(type), data])
    const [head, tail] = [Buffer.alloc(4), Buffer.alloc(4)]
    head.writeUInt32BE(data.length)
    tail.writeUInt32BE(crc32(body))
    return Buffer.concat([head, body, tail])
  }
  const header = Buffer.alloc(13)
  header.writeUInt32BE(side, 0)
  header.writeUInt32BE(side, 4)
  header.set([8, 2, 0, 0, 0], 8)
  return Buffer.concat([
    Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]),
    chunk('IHDR', header),
    chunk('IDAT', deflateSync(Buffer.alloc(64))),
    chunk('IEND', Buffer.alloc(0)),
  ])
}

const svg = (inner: string): Buffer => Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10">${inner}</svg>`)
// The file-type box of ISO/IEC 14496-12 with the brand that phones write; the rest is left out.
const HEIC = Buffer.concat([
  Buffer.from([0, 0, 0, 24]),
  Buffer.from('ftypheic'),
  Buffer.alloc(4),
  Buffer.from('mif1heic'),
  Buffer.alloc(64),
])

const BAD: readonly {
  readonly name: string
  readonly make: () => Buffer | Promise<Buffer>
  readonly status: number
  readonly says: RegExp
}[] = [
  {
    name: 'logo.pdf',
    make: () => Buffer.from('%PDF-1.7\n1 0 obj\n<<>>\nendobj\n'),
    status: 415,
    says: /a PDF file.*export the logo alone as SVG or PNG/,
  },
  { name: 'huge.jpg', make: () => Buffer.alloc(60 * 1024 * 1024, 1), status: 413, says: /is 60 MB; pictures up to 40 MB fit/ },
  { name: 'cut.jpg', make: async () => (await photo()).subarray(0, 1500), status: 422, says: /is damaged.*Ask for the file again/ },
  { name: 'script.svg', make: () => svg('<script>alert(1)</script><circle r="4"/>'), status: 422, says: /it holds a script/ },
  { name: 'handler.svg', make: () => svg('<circle r="4" onload="alert(1)"/>'), status: 422, says: /it holds a script/ },
  { name: 'outside.svg', make: () => svg('<image href="https://elsewhere.example/a.png"/>'), status: 422, says: /file from another place/ },
  { name: 'claims.png', make: () => claimingPng(50_000), status: 422, says: /claims 50000 × 50000 pixels/ },
  { name: 'phone.heic', make: () => HEIC, status: 415, says: /a HEIC file.*share it as JPEG/ },
  { name: 'empty.png', make: () => Buffer.alloc(0), status: 422, says: /is empty/ },
  { name: 'notes.png', make: () => Buffer.from('just some words'), status: 415, says: /a kind that is not known/ },
]

for (const { name, make, status, says } of BAD) {
  test(`${name} is refused in words`, async () => {
    const job = await makeJob({ name: `Refuses ${name}` })
    const body = new Uint8Array(await make())
    const response = await askApp(`${APP}/api/jobs/${job}/assets?name=${name}`, { method: 'POST', body })
    expect(response.status).toBe(status)
    expect(((await response.json()) as { problem: { sentence: string } }).problem.sentence).toMatch(says)
  })
}

test('under a name that is not ours neither a page nor a route answers, and a page of another site changes nothing', async () => {
  const job = await makeJob({ name: 'Alone' })
  for (const path of ['/', `/jobs/${job}/content`, `/api/jobs/${job}`, '/api/jobs'])
    expect((await askHost(APP, path, { headers: { host: 'evil.example' } })).status, path).toBe(421)
  expect((await askHost(APP, '/sign-in')).status).toBe(200)
  const headers = { origin: 'http://evil.example', 'content-type': 'application/json' }
  const refused = await askHost(APP, `/api/jobs/${job}/copy`, { method: 'POST', headers })
  expect([refused.status, refused.text]).toEqual([403, expect.stringContaining('a page of another site')])
})

test('a refused picture leaves the page as it was and says why; a refused logo says it beside its button', async ({ page }) => {
  await openContent(page, await makeJob({ name: 'Refusals' }))
  const picture = sheet(page, 'desktop').locator('.hero-bench img')
  const before = await picture.getAttribute('src')
  await page.getByLabel('Hero: Picture: file').setInputFiles({ name: 'phone.heic', mimeType: 'image/heic', buffer: HEIC })
  await expect(page.getByText(/“phone.heic” is a HEIC file/)).toBeVisible()
  await expect(picture).toHaveAttribute('src', before ?? '')
  await visit(page, '/new')
  await page.getByLabel('Client’s name').fill('Logo Trouble')
  await page.getByLabel('Logo file').setInputFiles({ name: 'logo.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.7\n') })
  await expect(page.getByRole('alert').filter({ hasText: 'a PDF file' })).toBeVisible()
  await expect(page.getByLabel('Client’s name')).toHaveValue('Logo Trouble')
  await page
    .getByLabel('Logo file')
    .setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: svg('<circle cx="5" cy="5" r="4"/>') })
  await expect(
    page.frameLocator('iframe[title^="Home page, desktop"]').getByRole('banner').getByRole('img', { name: 'Logo Trouble' }),
  ).toBeVisible()
})
