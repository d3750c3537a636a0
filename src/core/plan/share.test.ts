import { describe, expect, test } from 'vitest'
import { alternateTones, alterationSteps, ownAgain, removePages, removeSections, shareOn, toKept } from '.'
import { countLeftovers, sectionRows } from '../fill'
import { renderBody } from '../render'
import { findPage, findSection, pagesShowing, reachOf, sectionsOn, sharersOf, type PageId, type Section, type SiteDocument } from '../site'
import { editTo, wear } from '../wear'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const pack = testPack()
let count = 0
const unique = (): string => `u${++count}`
const about = 'about' as PageId
const contact = 'contact' as PageId
const story = sectionsOn(site.document, about).find((s) => s.kind === 'story')!
const start = edited(site.document, setText(story.id, 'heading', 'Ours alone'))
const own = (document: SiteDocument): Section => findSection(document, story.id)!
const shared = edited(start, shareOn(start, own(start), contact, unique))
const heading = (document: SiteDocument, page: PageId): number =>
  renderBody({ ...site, document }, findPage(document, page)!).split('Ours alone').length - 1

describe('a section that several pages share', () => {
  test('says the same on each and is changed once, its tone and cut with it; its reach is said', () => {
    expect([heading(shared, about), heading(shared, contact), heading(start, contact)]).toEqual([1, 1, 0])
    const [there] = sharersOf(shared, story.id)
    expect(pagesShowing(shared, there!.id)).toEqual([about, contact])
    expect([reachOf(shared, story.id), reachOf(shared, there!.id), reachOf(start, story.id)]).toEqual(['2 pages', '2 pages', 'this page'])
    const changed = edited(
      shared,
      setText(story.id, 'heading', 'Said anew'),
      { type: 'section/set', section: story.id, part: 'tone', value: 'ink' },
      ...alterationSteps(pack, shared, [there!.id], 'above', 'less'),
    )
    const html = renderBody({ ...site, document: changed }, findPage(changed, contact)!)
    expect(html).toContain('Said anew')
    expect(html).toMatch(new RegExp(`story-${story.design} tone-ink cut-above-less`))
  })

  test('what is open in it is counted once, and keeping it keeps what it shows', () => {
    expect(countLeftovers(pack, shared).total).toBe(countLeftovers(pack, start).total)
    const [there] = sharersOf(shared, story.id)
    expect(sectionRows(pack, shared, own(shared)).length).toBeGreaterThan(3)
    expect(toKept(shared, there!)).toEqual(toKept(shared, own(shared)))
    // Tones alternate around it: it keeps its own, since it is other pages’ too.
    const steps = alternateTones({ ...site, document: shared }, contact)
    expect(steps.some((step) => 'section' in step && (step.section === there!.id || step.section === story.id))).toBe(false)
  })

  test('taken out of the page it came from, or gone with that page, it stays on the others with everything in it', () => {
    const without = edited(shared, removeSections(shared, [story.id]))
    expect([heading(without, about), heading(without, contact)]).toEqual([0, 1])
    expect(own(without)).toMatchObject({ in: { type: 'page', page: contact }, slots: own(start).slots })
    expect(sharersOf(without, story.id)).toEqual([])
    const gone = edited(shared, removePages(shared, [findPage(shared, about)!], 'drop'))
    expect(findPage(gone, about)).toBeNull()
    expect(heading(gone, contact)).toBe(1)
    // Taken out of both at once, it is gone; of the other alone, the first is as it was.
    const [there] = sharersOf(shared, story.id)
    expect(findSection(edited(shared, removeSections(shared, [story.id, there!.id])), story.id)).toBeNull()
    expect(edited(shared, removeSections(shared, [there!.id]))).toEqual(start)
  })

  test('made a page’s own again it has what was shared, and the others go on sharing', () => {
    const three = edited(shared, shareOn(shared, own(shared), 'gallery' as PageId, unique))
    const [there] = sharersOf(three, story.id)
    for (const from of [there!, own(three)]) {
      const parted = edited(three, ...ownAgain(three, from, unique))
      expect([about, contact, 'gallery' as PageId].map((page) => heading(parted, page))).toEqual([1, 1, 1])
      expect(pagesShowing(parted, story.id)).toHaveLength(2)
    }
    expect(ownAgain(start, own(start), unique)).toEqual([])
  })

  test('it outlives another template on every page it stands on, and comes back', () => {
    const worn = edited(shared, editTo(shared, wear(pack, shared, 'limewash')))
    expect(Object.values(worn.sections).filter((s) => s.same === story.id)).toHaveLength(1)
    expect(edited(worn, editTo(worn, wear(pack, worn, 'tallow')))).toEqual(shared)
  })
})
