import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { testPack, testSite } from '../../../../tests/pack'
import { RELEASE_FILES as FILES } from '../../../../tests/release-files'
import { afterSome, someEdit } from '../../../../tests/some-edits'
import { editTo, wear } from '../../wear'
import {
  allSections,
  applyEdit,
  homePage,
  pageOf,
  pagesOf,
  sectionsIn,
  sectionsOn,
  type Edit,
  type Page,
  type SiteDocument,
} from '../../site'
import { fillPage, type Site } from '../../fill'
import { findDesign, shownPlaces } from '../../pack'
import { renderPage } from '..'
import { bodyHtml } from '../body-html'
import { openPage } from '../page-writer'
import { scriptsOf } from '../page-scripts'
import { sectionHtml } from './to-html'

const done = (document: SiteDocument, ...edits: readonly Edit[]): SiteDocument =>
  edits.reduce((at, edit) => {
    const applied = applyEdit(at, edit)
    return applied.ok ? applied.document : at
  }, document)

/** A page's sections each filled and written for itself, with its scripts. */
function plainly(site: Site, page: Page | null): { readonly html: string; readonly pictures: readonly string[] } {
  const writer = openPage(site, page)
  const body = bodyHtml(fillPage(site, page), (section) => sectionHtml(writer, section)).trimEnd()
  return {
    html:
      body +
      scriptsOf(writer.uses)
        .map(({ code }) => `\n<script>${code}</script>`)
        .join(''),
    pictures: [...writer.pictures.keys()],
  }
}

/** Every page of a release beside what it is when it is made for itself, byte by byte. */
function expectSame(site: Site, what: string): number {
  let marks = 0
  for (const page of [...pagesOf(site.document), null]) {
    const { html, pictures } = renderPage(site, page, FILES)
    const plain = plainly(site, page)
    expect(html.slice(html.indexOf('</a>\n', html.indexOf('class="skip"')) + 5), `${what} ${page?.id}`).toBe(
      `${plain.html}\n</body>\n</html>\n`,
    )
    expect([...pictures.keys()], `${what} ${page?.id}`).toEqual(expect.arrayContaining([...plain.pictures]))
    marks += html.split('aria-current').length - 1
  }
  return marks
}

describe('what stands on every page is written once, and on each page is what it is when that is made for itself', () => {
  test.each(['tallow', 'limewash', 'windrow', 'gantry'])('in %s: its menus, its links to places on a page, its hours', (template) => {
    const site = testSite({ name: 'Hollin & Rowe', phone: '01904 610000' })
    const worn = done(site.document, editTo(site.document, wear(testPack(), site.document, template))!)
    expect(expectSame({ ...site, document: worn }, template)).toBeGreaterThan(3)
    const [, second, third] = pagesOf(worn)
    const aim = sectionsOn(worn, second!.id).at(-1)!
    const led = done(
      worn,
      { type: 'section/set', section: aim.id, part: 'anchor', value: 'there' },
      {
        type: 'signpost/set',
        signpost: 'sign',
        value: {
          id: 'sign',
          in: { type: 'site' },
          rank: 'a5',
          listed: 'menu',
          label: { text: 'There' },
          to: { type: 'section', section: aim.id },
        },
      },
      // A section with a last day has the page go by the clock: its hours say which are today's.
      { type: 'section/set', section: sectionsOn(worn, third!.id).at(-1)!.id, part: 'until', value: '2099-01-01' },
    )
    expectSame({ ...site, document: led }, `${template} led`)
    // With its hours at the foot of every page, some of which go by the clock and some do not.
    const hours = allSections(led).find(({ kind, design }) => shownPlaces(findDesign(testPack(), kind, design)!).facts.includes('hours'))
    const foot = done(led, { type: 'section/move', section: hours!.id, in: { type: 'footer' }, rank: 'zz' })
    expect(pageOf(foot.sections[hours!.id]!.in)).toBeNull()
    expectSame({ ...site, document: foot }, `${template} with its hours at the foot`)
    const under = done(led, { type: 'page/move', page: second!.id, rank: 'a9', in: { type: 'page', page: pagesOf(worn)[2]!.id } })
    expectSame({ ...site, document: under }, `${template} on two levels`)
    expectSame({ ...site, document: done(led, { type: 'plan/set', part: 'onePage', value: true }) }, `${template} on one page`)
    expectSame({ ...site, document: led, root: '/shop/' }, `${template} in a folder`)
  })

  test('whatever is done to the site', () => {
    const site = testSite({ name: 'Hollin & Rowe' })
    let marks = 0
    fc.assert(
      fc.property(fc.array(someEdit, { minLength: 6, maxLength: 24 }), (edits) => {
        marks += expectSame({ ...site, document: afterSome(site.document, edits) }, 'some site')
      }),
      { numRuns: 25, seed: 47 },
    )
    expect(marks).toBeGreaterThan(100)
  })

  test('a picture at the head of every page is the first one there', () => {
    const site = testSite({ name: 'Hollin & Rowe' })
    const [header] = sectionsIn(site.document, { type: 'header' })
    const hero = sectionsOn(site.document, homePage(site.document).id).find(({ kind }) => kind === 'hero')!
    const document = done(site.document, { type: 'section/move', section: hero.id, in: header!.in, rank: 'zz' })
    expectSame({ ...site, document }, 'a picture above')
    expect(renderPage({ ...site, document }, pagesOf(document)[1]!, FILES).html.match(/fetchpriority="high"/g)).toHaveLength(1)
  })
})
