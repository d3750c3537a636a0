import { expect, test } from './test'
import { visit } from './screen'

test.use({ ownTab: true })

// What Content Security Policy level 3 (W3C) promises, asked of our screens; what they are made of passes it (screens-a11y.spec).
test('a script, a handler, a frame or an address that got into a screen neither runs nor fetches', async ({ page }) => {
  const asked: string[] = []
  await page.route(/evil\.example/, (route) => {
    asked.push(route.request().url())
    return route.fulfill({ body: '' })
  })
  await visit(page, '/')
  const first = page.getByRole('heading').first()
  await expect(first).toBeVisible()
  const directives = await page.evaluate(async () => {
    const found = new Set<string>()
    document.addEventListener('securitypolicyviolation', (event) => found.add(event.effectiveDirective))
    const script = document.createElement('script')
    script.textContent = 'window.ran = true'
    document.body.append(script)
    const box = document.createElement('div')
    box.innerHTML =
      '<img src="https://evil.example/a.png" onerror="window.ran = true"><iframe src="https://evil.example/"></iframe>' +
      '<object data="https://evil.example/"></object><style>@import "https://evil.example/a.css";</style>' +
      '<base href="https://evil.example/">'
    document.body.append(box)
    await fetch('https://evil.example/').catch(() => null)
    const until = performance.now() + 10_000
    while (found.size < 8 && performance.now() < until) await new Promise((again) => requestAnimationFrame(again))
    return [...found].sort()
  })
  expect(directives).toEqual(
    ['base-uri', 'connect-src', 'frame-src', 'img-src', 'object-src', 'script-src-attr', 'script-src-elem', 'style-src-elem'].sort(),
  )
  expect(await page.evaluate(() => 'ran' in window)).toBe(false)
  expect(asked).toEqual([])
})
