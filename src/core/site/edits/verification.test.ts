import { describe, expect, test } from 'vitest'
import { testSite } from '../../../../tests/pack'
import { edited } from '../../../../tests/site'
import { readVerificationTag } from '../../release'
import { renderPage } from '../../render'
import { applyEdit, differences, homePage, pagesOf, toEdit, type Edit, type PageId } from '..'

const site = testSite({ name: 'Client' })
const set = (name: string, value: string | null): Edit => ({ type: 'verification/set', name, value })
const files = {
  origin: 'https://a.example',
  stylesheet: 'style.css',
  preloads: [],
  icons: { svg: 'favicon.svg', ico: 'favicon.ico', touch: 'touch.png', manifest: 'site.webmanifest' },
}
const htmlOf = (document: typeof site.document, page: PageId | null): string =>
  renderPage({ ...site, document }, page === null ? null : pagesOf(document).find(({ id }) => id === page)!, files).html

describe('what verifies a site', () => {
  test('is a tag in the head of the home page and of no other, its content escaped', () => {
    const document = edited(site.document, set('a-site-check', 'x"><script>1</script>'))
    const tag = '<meta name="a-site-check" content="x&quot;&gt;&lt;script&gt;1&lt;/script&gt;">'
    expect(htmlOf(document, homePage(document).id)).toContain(tag)
    expect(htmlOf(document, 'about' as PageId)).not.toContain('a-site-check')
  })

  test('is taken away, and brought back by what takes that back', () => {
    const document = edited(site.document, set('check.txt', 'abc'))
    expect(document.verifications).toEqual({ 'check.txt': 'abc' })
    const gone = applyEdit(document, set('check.txt', null))
    expect(gone.ok && gone.document.verifications).toEqual({})
    expect(gone.ok && edited(gone.document, gone.inverse)).toEqual(document)
    expect(edited(site.document, toEdit(differences(site.document, document)))).toEqual(document)
  })

  test.each([
    ['check.html', 'check: abc'],
    ['check.html', '<!doctype html><html><head><meta name="check" content="abc"></head><body><p>Verified: abc</p></body></html>'],
    ['check.xml', '<?xml version="1.0"?><users><user>ABC</user></users>'],
  ])('the file %s is taken as it is: %s', (name, content) => {
    const applied = applyEdit(site.document, set(name, content))
    expect(applied.ok && applied.document.verifications).toEqual({ [name]: content })
  })

  test.each([
    ['check.html', '<script>steal()</script>'],
    ['check.html', '<p onclick="x()">abc</p>'],
    ['check.html', '<img src=x onerror=x()>'],
    ['check.html', '<meta http-equiv="refresh" content="0; url=https://elsewhere.example">'],
    ['check.html', 'a'.repeat(10_001)],
    ['a-site-check', 'a'.repeat(301)],
    ['a-site-check', 'a\nb'],
  ])('%s is refused with what runs, leads away or is too long', (name, content) => {
    const applied = applyEdit(site.document, set(name, content))
    expect(applied.ok ? null : applied.problem.code).toBe('valueWrong')
  })
})

test('a tag is read however its attributes are written; what is none, or says what the page says itself, is not', () => {
  const read = { name: 'a-site-check', content: 'abc=1' }
  for (const tag of [
    '<meta name="a-site-check" content="abc=1">',
    "  <META content='abc=1'   name='a-site-check' />\n",
    '<meta property="a-site-check" content="abc=1"/>',
  ])
    expect(readVerificationTag(tag), tag).toEqual(read)
  for (const none of [
    '',
    'abc',
    '<p>abc</p>',
    '<meta name="robots" content="noindex">',
    '<meta name="a"><script>x()</script>',
    '<meta charset="utf-8">',
  ])
    expect(readVerificationTag(none), none).toBeNull()
})

test('a page that those who search are not to find says so, and no other does', () => {
  const document = edited(site.document, { type: 'page/set', page: 'about' as PageId, part: 'unfound', value: true })
  const robots = '<meta name="robots" content="noindex">'
  expect(htmlOf(document, 'about' as PageId)).toContain(robots)
  expect(htmlOf(document, homePage(document).id)).not.toContain(robots)
  expect(htmlOf(document, null)).toContain(robots)
  const back = applyEdit(document, { type: 'page/set', page: 'about' as PageId, part: 'unfound', value: false })
  expect(back.ok && back.document).toEqual(site.document)
})
