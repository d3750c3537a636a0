import { expect, test } from './test'
import { axeFaults } from './axe'
import { APP, askHost, siteUrl } from './screen'

const PAGES = ['/', '/about/', '/services/', '/gallery/', '/contact/']
const SITE = siteUrl('tolliver-and-wren')

for (const width of [390, 820, 1280, 1920]) {
  test(`no page is wider than a window of ${width} px, and every picture has loaded and has its size`, async ({ page }) => {
    await page.setViewportSize({ width, height: 900 })
    for (const path of PAGES) {
      await page.goto(SITE + path)
      expect(await page.evaluate(() => document.documentElement.scrollWidth), path).toBeLessThanOrEqual(width)
      const pictures = await page.evaluate(async () => {
        const all = [...document.images]
        all.forEach((img) => {
          img.loading = 'eager'
        })
        await Promise.all(all.map((img) => img.decode()))
        return all.map((img) => ({
          sized: img.hasAttribute('width') && img.hasAttribute('height'),
          loaded: img.naturalWidth > 0,
          webp: img.currentSrc.endsWith('.webp'),
          alt: img.hasAttribute('alt'),
        }))
      })
      for (const picture of pictures) expect(picture, path).toEqual({ sized: true, loaded: true, webp: true, alt: true })
    }
  })
}

test('axe finds nothing on any published page, on desktop and phone', async ({ page }) => {
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 900 })
    for (const path of [...PAGES, '/nothing-here/']) {
      await page.goto(SITE + path)
      expect(await axeFaults(page), `${path} at ${width}`).toEqual([])
    }
  }
})

test('a page’s policy lets through all that it is made of, and nothing that got into it', async ({ page }) => {
  const faults: string[] = []
  page.on('console', (message) => {
    if (/content security policy/i.test(message.text())) faults.push(message.text())
  })
  for (const path of [...PAGES, '/nothing-here/']) {
    await page.goto(SITE + path, { waitUntil: 'load' })
    await page.evaluate(() => document.fonts.ready)
  }
  expect(faults).toEqual([])
  const outside: string[] = []
  await page.route('http://elsewhere.example/**', (route) => {
    outside.push(route.request().url())
    return route.fulfill({ body: '' })
  })
  await page.evaluate(async () => {
    const found = new Set<string>()
    Object.assign(window, { found })
    document.addEventListener('securitypolicyviolation', (event) => found.add(event.effectiveDirective))
    const holder = document.createElement('div')
    holder.innerHTML =
      '<img src="http://elsewhere.example/a.png"><iframe src="http://elsewhere.example/b"></iframe>' +
      '<style>body{background:url(http://elsewhere.example/c)}</style><link rel="stylesheet" href="http://elsewhere.example/d.css">'
    const script = document.createElement('script')
    script.textContent = 'window.ran = true'
    document.body.append(holder, script)
    await fetch('http://elsewhere.example/e').catch(() => null)
  })
  const broken = (): Promise<string[]> => page.evaluate(() => [...(window as unknown as { found: Set<string> }).found].sort())
  // A frame is told of a little after it was stopped.
  await expect.poll(broken).toEqual(['connect-src', 'frame-src', 'img-src', 'script-src-elem', 'style-src-elem'])
  expect(await page.evaluate(() => 'ran' in window)).toBe(false)
  expect(outside).toEqual([])
  // Those who check a site ask for this from within a page.
  expect(await page.evaluate(() => fetch('/robots.txt').then(({ status }) => status))).toBe(200)
})

test('the menu on the phone opens, leads on and closes without any script', async ({ browser }) => {
  const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } })
  const page = await context.newPage()
  await page.goto(SITE)
  const link = page.getByRole('navigation', { name: 'Pages', exact: true }).getByRole('link', { name: 'What it costs' })
  await expect(link).toBeHidden()
  await page.getByRole('button', { name: 'Menu' }).click()
  await expect(link).toBeVisible()
  await link.click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('What it costs')
  await context.close()
})

test('what is published is plain: no script that runs, nothing of ours, nothing from elsewhere', async () => {
  for (const path of PAGES) {
    const html = (await askHost(SITE, path)).text
    expect(html).not.toMatch(/data-[a-z]/)
    expect(html.match(/<script(?! type="application\/ld\+json")/g)).toBeNull()
    expect(html.toLowerCase()).not.toContain('instant')
    expect(html).not.toContain(new URL(APP).host)
    const addresses = [...html.matchAll(/(?:href|src|srcset)="([^"]+)"/g)].map((m) => m[1] ?? '')
    expect(addresses.length).toBeGreaterThan(10)
    for (const address of addresses)
      expect(address).toMatch(
        /^(\.{1,2}\/|[a-z]+[-/.\w]*|#main|tel:|mailto:|https:\/\/www\.openstreetmap\.org|http:\/\/tolliver-and-wren\.localhost)/,
      )
  }
})

test('the host serves each kind of file as it should', async () => {
  const home = await askHost(SITE, '/')
  expect(home.headers['cache-control']).toBe('no-cache')
  const picture = /src="(pictures\/[^"]+)"/.exec(home.text)?.[1]
  expect((await askHost(SITE, `/${picture}`)).headers['cache-control']).toContain('immutable')
  const missing = await askHost(SITE, '/nothing-here/')
  expect(missing.status).toBe(404)
  expect(missing.text).toMatch(/Nothing ticks at this.address/)
  expect((await askHost(SITE, '/about')).headers.location).toBe('/about/')
  for (const path of ['/../../site.json', '/%2e%2e/%2e%2e/site.json', '/..%2f..%2fsite.json', '/%00', '/%zz'])
    expect((await askHost(SITE, path)).status, path).toBeGreaterThanOrEqual(400)
  expect((await askHost(SITE, '/', { headers: { 'if-none-match': String(home.headers.etag) } })).status).toBe(304)
  expect((await askHost(SITE, '/', { method: 'POST' })).status).toBe(405)
  expect((await askHost(SITE.replace('tolliver-and-wren', 'nobody'), '/')).status).toBe(404)
})
