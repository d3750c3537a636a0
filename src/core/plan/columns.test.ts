import { describe, expect, test } from 'vitest'
import {
  addSection,
  canLook,
  choicesOf,
  copyPage,
  designsIn,
  dropColumn,
  jumpTargets,
  PAGE_KINDS,
  placePage,
  reachOfColumn,
  removePages,
  setColumnReach,
  setColumnWidth,
  shareOn,
  unfilledParts,
} from '.'
import { countLeftovers, fillPage, PARTS } from '../fill'
import { getDesign } from '../pack'
import { designCss, renderBody, tokenCss } from '../render'
import {
  allSections,
  applyEdit,
  columnAt,
  differences,
  findPage,
  findSection,
  homePage,
  pagesOf,
  pagesShowing,
  reachOf,
  sectionsInColumn,
  sectionsOfPage,
  toEdit,
  type Edit,
  type Page,
  type PageId,
  type SectionId,
  type SectionIn,
  type Side,
  type SiteDocument,
} from '../site'
import { editTo, wear } from '../wear'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const pack = testPack()
let count = 0
const unique = (): string => `u${++count}`
const page = (document: SiteDocument, id: string): Page => findPage(document, id)!
const at = (side: Side, of: string | null): SectionIn => ({ type: 'side', side, page: of as PageId | null })
const place = (document: SiteDocument, id: string, side: Side): [string | null, string] | null => {
  const found = columnAt(document, page(document, id), side)
  return found && [found.of, found.width]
}
/** A document with a filled section of a kind in a column. */
function withIn(document: SiteDocument, where: SectionIn, words: string): { readonly document: SiteDocument; readonly id: string } {
  const [choice] = choicesOf(pack, document, 'contact', where)
  const { step, section } = addSection(document, choice!, { in: where, after: null }, unique)
  return { document: edited(document, step, setText(section, 'heading', words)), id: section }
}
const column = (document: SiteDocument, id: string, side: Side = 'end'): SiteDocument =>
  edited(document, ...setColumnWidth(document, page(document, id), side, 'medium'))
const bodyOf = (document: SiteDocument, id: string): string => renderBody({ ...site, document }, page(document, id))
const onAbout = withIn(column(site.document, 'about'), at('end', 'about'), 'Beside the page')

describe('whose column a page shows', () => {
  test('its own, that of the nearest page above which reaches down, or that of the whole site; “none” keeps all of them away', () => {
    const nested = edited(site.document, placePage(site.document, page(site.document, 'prices'), 'under', page(site.document, 'about'))!)
    const own = column(nested, 'about')
    expect([place(own, 'about', 'end'), place(own, 'about', 'start'), place(own, 'prices', 'end')]).toEqual([
      ['about', 'medium'],
      null,
      null,
    ])
    const down = edited(own, ...setColumnReach(own, page(own, 'about'), 'end', 'under'))
    expect([place(down, 'prices', 'end'), place(down, 'contact', 'end')]).toEqual([['about', 'medium'], null])
    expect(reachOfColumn(down, page(down, 'prices'), 'end')).toBe('other')
    const without = edited(down, dropColumn(down, page(down, 'prices'), 'end'))
    expect([place(without, 'prices', 'end'), place(without, 'about', 'end')]).toEqual([null, ['about', 'medium']])
    const everywhere = edited(without, ...setColumnReach(without, page(without, 'about'), 'end', 'site'))
    expect([place(everywhere, 'contact', 'end'), place(everywhere, 'about', 'end'), place(everywhere, 'prices', 'end')]).toEqual([
      [null, 'medium'],
      [null, 'medium'],
      null,
    ])
    const wide = edited(everywhere, ...setColumnWidth(everywhere, page(everywhere, 'contact'), 'end', 'wide'))
    expect(place(wide, 'about', 'end')).toEqual([null, 'wide'])
  })

  test('a column that is given another reach takes what stands in it along, and brings it back', () => {
    const { document, id } = onAbout
    expect(reachOf(document, id as never)).toBe('this page')
    const all = edited(document, ...setColumnReach(document, page(document, 'about'), 'end', 'site'))
    expect(findSection(all, id)!.in).toEqual(at('end', null))
    expect(reachOf(all, id as never)).toBe('every page')
    expect(bodyOf(all, 'contact')).toContain('Beside the page')
    const back = edited(all, ...setColumnReach(all, page(all, 'about'), 'end', 'page'))
    expect(bodyOf(back, 'contact')).not.toContain('Beside the page')
    expect(bodyOf(back, 'about')).toContain('Beside the page')
    const down = edited(back, ...setColumnReach(back, page(back, 'about'), 'end', 'under'))
    expect(reachOf(down, id as never)).toBe('this page and those under it')
  })

  test('a column taken off shows nothing of what is in it, which is there again with the column', () => {
    const { document } = onAbout
    const off = edited(document, dropColumn(document, page(document, 'about'), 'end'))
    expect(bodyOf(off, 'about')).toBe(bodyOf(site.document, 'about'))
    expect(countLeftovers(pack, off)).toEqual(countLeftovers(pack, site.document))
    expect(bodyOf(column(off, 'about'), 'about')).toContain('Beside the page')
  })
})

describe('a page with columns', () => {
  test('what opens the page goes across; the columns follow the page’s own in what is written', () => {
    const html = bodyOf(onAbout.document, 'about')
    const filled = fillPage({ ...site, document: onAbout.document }, page(onAbout.document, 'about'))
    expect(filled.head.length).toBeGreaterThan(0)
    expect(filled.columns).toEqual({ start: null, end: 'medium' })
    expect(PARTS.filter((part) => filled[part].length > 0)).toEqual(['header', 'head', 'main', 'end', 'footer'])
    const order = ['<main id="main">', 'class="columns end-medium"', 'class="middle"', 'class="side-end"', 'Beside the page', '</main>']
    expect(order.map((part) => html.indexOf(part))).toEqual(order.map((part) => html.indexOf(part)).toSorted((a, b) => a - b))
    expect(html.indexOf(order[0]!)).toBeGreaterThan(0)
    expect(html).not.toContain('side-start')
  })

  test('a column with nothing in it that is shown is not there, and the page is written as without one', () => {
    expect(bodyOf(column(site.document, 'about'), 'about')).toBe(bodyOf(site.document, 'about'))
    const hidden = edited(onAbout.document, { type: 'section/set', section: onAbout.id as never, part: 'hidden', value: true })
    expect(bodyOf(hidden, 'about')).toBe(bodyOf(site.document, 'about'))
  })

  test('rules ask for the width of the place a section stands in; a site without columns has its styles as they were', () => {
    const css = (document: SiteDocument): string => designCss({ ...site, document }) + tokenCss({ ...site, document })
    expect(css(site.document)).toContain('@media (min-width')
    expect(css(site.document)).not.toMatch(/@container|container-type|cqi/)
    const [rules] = css(onAbout.document).split('body,.middle')
    expect(rules).toMatch(/@container \(min-width/)
    expect(rules).not.toMatch(/@media \((min|max)-width|\dvw/)
  })

  test('its leftovers, links, search and copies take in what stands at its sides', () => {
    const { document, id } = onAbout
    const open = countLeftovers(pack, document).byPage.about! - countLeftovers(pack, site.document).byPage.about!
    expect(open).toBeGreaterThan(0)
    expect(jumpTargets(pack, document).some((one) => one.type === 'section' && one.section === id && one.page === 'about')).toBe(true)
    const copied = copyPage(pack, document, page(document, 'about'), true, unique)
    const made = edited(document, ...copied.steps)
    expect(bodyOf(made, copied.page).split('Beside the page')).toHaveLength(2)
    expect(sectionsInColumn(made, columnAt(made, page(made, copied.page), 'end')).map(({ kind }) => kind)).toEqual(['contact'])
    expect(unfilledParts(pack, document).pages.map((p) => p.id)).not.toContain('about')
  })

  test('goes with all that stands there, and comes back whole; one in a column that was off, too', () => {
    for (const document of [
      onAbout.document,
      edited(onAbout.document, dropColumn(onAbout.document, page(onAbout.document, 'about'), 'end')),
    ]) {
      const gone = applyEdit(document, removePages(document, [page(document, 'about')], 'drop'))
      if (!gone.ok) throw new Error(gone.problem.code)
      expect(Object.values(gone.document.sections).some(({ id }) => id === onAbout.id)).toBe(false)
      expect(edited(gone.document, gone.inverse as Edit)).toEqual(document)
    }
  })

  test('keeps its columns under every other template, and through differences', () => {
    const { document, id } = onAbout
    for (const template of ['limewash', 'windrow', 'gantry', 'blank']) {
      const worn = edited(document, editTo(document, wear(pack, document, template)))
      expect(bodyOf(worn, 'about')).toContain('Beside the page')
      expect(edited(worn, editTo(worn, wear(pack, worn, 'tallow')))).toEqual(document)
    }
    expect(edited(site.document, toEdit(differences(site.document, document)))).toEqual(document)
    expect(edited(document, toEdit(differences(document, site.document)))).toEqual(site.document)
    expect(allSections(document).some((section) => section.id === id)).toBe(true)
  })

  test('on a site of one page, columns of home stand beside all its parts, and those of a part wait for its page to be one again', () => {
    const one = edited(onAbout.document, { type: 'plan/set', part: 'onePage', value: true })
    expect(bodyOf(one, homePage(one).id)).not.toContain('Beside the page')
    const home = withIn(column(one, homePage(one).id, 'start'), at('start', homePage(one).id), 'Beside all')
    const html = bodyOf(home.document, homePage(one).id)
    expect(html.indexOf('side-start')).toBeGreaterThan(html.indexOf('class="middle"'))
    expect(html).toContain('Beside all')
    const apart = edited(home.document, { type: 'plan/set', part: 'onePage', value: null })
    expect(bodyOf(apart, 'about')).toContain('Beside the page')
  })
})

describe('what can stand in a column', () => {
  test('what is shared there is on no page while the column is put away, and on it again when it is back', () => {
    const first = findSection(onAbout.document, onAbout.id as SectionId)!
    const start = column(onAbout.document, 'contact')
    const step = shareOn(start, first, 'contact' as PageId, unique)
    if (step.type !== 'section/insert') throw new Error('A shared section is a section more')
    const both = edited(start, { ...step, section: { ...step.section, in: at('end', 'contact') } })
    expect(pagesShowing(both, first.id)).toEqual(['about', 'contact'])
    const away = edited(both, dropColumn(both, page(both, 'contact'), 'end'))
    expect([pagesShowing(away, first.id), reachOf(away, first.id)]).toEqual([['about'], 'this page'])
    expect(pagesShowing(column(away, 'contact'), first.id)).toEqual(['about', 'contact'])
  })

  test('only designs that say so; every kind of a page but what opens it has one at least', () => {
    const designed = PAGE_KINDS.filter((kind) => designsIn(pack, kind, { type: 'page', page: 'about' as PageId }).length > 0)
    const none = designed.filter((kind) => designsIn(pack, kind, at('end', 'about')).length === 0)
    expect(none.toSorted()).toEqual(['hero', 'title'])
    expect(designsIn(pack, 'hero', { type: 'page', page: 'about' as PageId }).length).toBeGreaterThan(3)
    const wide = { kind: 'contact', design: 'line' } as const
    expect(getDesign(pack, wide.kind, wide.design).narrow).toBeUndefined()
    expect([canLook(pack, wide, at('end', null)), canLook(pack, wide, { type: 'footer' })]).toEqual([false, true])
    expect(canLook(pack, { kind: 'header', design: 'line' }, at('end', null))).toBe(false)
  })

  test('nothing comes to stand beside a page that is not there', () => {
    const step: Edit = {
      type: 'section/move',
      section: sectionsOfPage(site.document, 'about' as PageId)[1]!.id,
      in: at('end', 'gone'),
      rank: 'a0',
    }
    expect(applyEdit(site.document, step)).toMatchObject({ ok: false, problem: { code: 'pageGone', page: 'gone' } })
    expect(pagesOf(site.document).every((one) => sectionsOfPage(site.document, one.id).length > 0)).toBe(true)
  })
})
