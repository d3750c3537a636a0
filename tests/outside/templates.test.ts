import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { gzipSync } from 'node:zlib'
import { transform } from 'lightningcss'
import { expect, test } from 'vitest'
import { pagesOf } from '../../src/core/site'
import { makeDocument, type Site } from '../../src/core/fill'
import { getTemplate } from '../../src/core/pack'
import { designCss, renderPage, tokenCss, type ReleaseFiles } from '../../src/core/render'
import { testAssets, testPack } from '../pack'
import { htmlErrors } from './html-checker'

const FILES: ReleaseFiles = {
  origin: 'https://client.example',
  stylesheet: 'style-01234567.css',
  preloads: ['fonts/a.woff2'],
  icons: { svg: 'a.svg', ico: 'a.ico', touch: 'a.png', manifest: 'site.webmanifest' },
}
const HOURS = {
  mon: [],
  tue: [
    { opens: '09:00', closes: '12:00' },
    { opens: '13:00', closes: '17:00' },
  ],
  wed: [],
  thu: [],
  fri: [],
  sat: [],
  sun: [],
}
const FACTS = {
  name: 'Béla & “Sons”',
  phone: '+44 1632 960417',
  email: 'a@b.example',
  hours: HOURS,
  socials: ['https://example.social/bela'],
  keywords: ['old, mended'],
  address: { street: '1 Lane', locality: 'Town', postcode: 'T1', country: 'GB' },
}
const siteOn = (template: string): Site => ({
  document: makeDocument(getTemplate(testPack(), template), FACTS, { colour: '#c2185b' }),
  pack: testPack(),
  assets: testAssets(),
  mode: 'release',
})
const TEMPLATES = ['tallow', 'limewash', 'windrow', 'gantry', 'blank']

test('no page of any template, nor its style, has an error that the Nu HTML checker finds', () => {
  const folder = mkdtempSync(path.join(tmpdir(), 'instant-fit-templates-'))
  const files: string[] = []
  const write = (name: string, content: string): void => {
    files.push(path.join(folder, name))
    writeFileSync(path.join(folder, name), content)
  }
  for (const id of TEMPLATES) {
    const site = siteOn(id)
    for (const page of [...pagesOf(site.document), null]) write(`${id}-${page?.id ?? '404'}.html`, renderPage(site, page, FILES).html)
  }
  // One that is wrong, to see that it looks.
  write('wrong.html', '<!doctype html><html lang="en"><title>x</title><img src="x.png"></html>')
  expect(htmlErrors(...files)).toEqual([expect.stringMatching(/wrong\.html:1 .*alt/)])
  expect(files.length).toBeGreaterThan(40)
})

test('every page of every template fits, with its style, into the first ten TCP segments (RFC 6928: 14,600 bytes)', () => {
  for (const id of TEMPLATES) {
    const site = siteOn(id)
    const css = transform({ filename: 'style.css', code: Buffer.from(`${tokenCss(site)}\n${designCss(site)}`), minify: true }).code
    for (const page of pagesOf(site.document))
      expect(gzipSync(css).length + gzipSync(renderPage(site, page, FILES).html).length, `${id} ${page.id}`).toBeLessThan(14_600)
  }
})

test('every page has one first heading, and no heading level is left out', () => {
  for (const id of TEMPLATES) {
    const site = siteOn(id)
    for (const page of pagesOf(site.document)) {
      const levels = [...renderPage(site, page, FILES).html.matchAll(/<h([1-6])/g)].map((m) => Number(m[1]))
      expect(
        levels.filter((l) => l === 1),
        `${id} ${page.id}`,
      ).toHaveLength(1)
      levels.forEach((level, i) =>
        expect(level - (levels[i - 1] ?? 0), `${id} ${page.id}: h${levels[i - 1]} then h${level}`).toBeLessThanOrEqual(1),
      )
    }
  }
})
