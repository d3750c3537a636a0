import { describe, expect, test } from 'vitest'
import { testSite } from '../../../tests/pack'
import { edited, setItem, setText } from '../../../tests/site'
import { random as seeded } from '../../../tests/random'
import { countLeftovers, contentOf, fillPage, sectionRows, shownAt, shownEntries, shownEntrySlot } from '../fill'
import { findWords } from '../find'
import {
  applyEdit,
  findPage,
  findSection,
  followersIn,
  homePage,
  plainWords,
  reachOfWords,
  type EntryId,
  type PageId,
  type SectionId,
  type SiteDocument,
  type Spot,
} from '../site'
import { editTo, wear } from '../wear'
import { actOnEntries, addEntry, alsoShown, copyPage, restoreOwn, unlink, removePages, linkTo, sourceChoices, showOf, toKept } from '.'

const site = testSite({ name: 'Client' })
const { pack, document: start } = site
const [home, prices, listed] = ['home.services', 'services.prices', 'prices.prices'] as SectionId[] as [SectionId, SectionId, SectionId]
const list = (section: SectionId): Spot => ({ section, entry: null, slot: 'items' })
const heading = (section: SectionId): Spot => ({ section, entry: null, slot: 'heading' })
const names = ['Resoling', 'Heels', 'Stitching', 'Zips', 'Polishing']
const filled = edited(
  start,
  ...names.flatMap((name, i) => [setItem(prices, i + 1, 'title', name), setItem(prices, i + 1, 'price', `£${i + 10}`)]),
)
const following = edited(filled, linkTo(filled, list(home), list(prices)))

const titles = (document: SiteDocument, section: SectionId): readonly string[] =>
  shownEntries(contentOf(pack, document, findSection(document, section)!), 'items').map((entry) =>
    plainWords(shownEntrySlot(entry, 'title')?.value ?? { type: 'text', text: '' }),
  )
const printed = (document: SiteDocument): string => JSON.stringify(fillPage({ ...site, document, mode: 'release' }, homePage(document)))
const follower = (document: SiteDocument, section: SectionId) => followersIn(document, findSection(document, section)!)[0]!
let made = 0
const newId = (): EntryId => `made-${made++}` as EntryId

describe('a list that is the same as another', () => {
  test('shows its entries, in a design of another kind too, and follows each change', () => {
    expect(titles(following, home).slice(0, 5)).toEqual(names)
    expect(printed(following)).toContain('Stitching')
    const changed = edited(
      following,
      setItem(prices, 2, 'title', 'Heel blocks'),
      actOnEntries(pack, following, { section: prices, list: 'items' }, [`${prices} items 1`], 'out', newId)!,
    )
    expect(titles(changed, home).slice(0, 3)).toEqual(['Heel blocks', 'Stitching', 'Zips'])
    expect(printed(changed)).not.toContain('Resoling')
  })

  test('shows as many as are chosen, and not those that are hidden', () => {
    const three = edited(following, showOf(list(home), follower(following, home).same, 3))
    expect(titles(three, home)).toEqual(['Resoling', 'Heels', 'Stitching'])
    const hidden = edited(three, actOnEntries(pack, three, { section: prices, list: 'items' }, [`${prices} items 2`], 'hide', newId)!)
    expect(titles(hidden, home)).toEqual(['Resoling', 'Stitching', 'Zips'])
    expect(titles(edited(hidden, showOf(list(home), follower(hidden, home).same, null)), home)).toHaveLength(
      titles(hidden, prices).length - 1,
    )
    expect(alsoShown(pack, three, list(prices))).toMatchObject([{ where: 'Home', show: 3 }])
  })

  test('has its places where they are kept, and what is open is counted there once', () => {
    const rows = sectionRows(pack, following, findSection(following, home)!)
    const first = rows.find((row) => row.entry?.number === 1)!
    expect(first.place.section).toBe(prices)
    expect(first.stands.section).toBe(home)
    const before = countLeftovers(pack, filled)
    const after = countLeftovers(pack, following)
    const own = sectionRows(pack, filled, findSection(filled, home)!).filter((row) => row.entry && row.leftover).length
    expect(own).toBeGreaterThan(0)
    expect(before.total - after.total).toBe(own)
  })

  test('says how far words that are written in its section, or in the other, reach', () => {
    const reach = (document: SiteDocument, id: SectionId): string => reachOfWords(document, findSection(document, id)!)
    expect([reach(filled, home), reach(following, home), reach(following, prices)]).toEqual([
      'this page',
      'this page and, in part, 1 other',
      'this page and, in part, 1 other',
    ])
    expect(reach(following, listed)).toBe('this page')
    const legal = edited(
      filled,
      linkTo(filled, { ...heading(home), slot: 'intro' }, { section: 'footer', entry: null, slot: 'legal' } as Spot),
    )
    expect(reach(legal, home)).toBe('this page and, in part, every page')
  })

  test('is found once', () => {
    const asked = { words: 'Stitching', isExact: false, isWhole: false }
    expect(findWords(pack, following, asked)).toHaveLength(1)
  })

  test('parted, keeps what it showed and follows no more', () => {
    const three = edited(following, showOf(list(home), follower(following, home).same, 3))
    const parted = edited(three, unlink(three, follower(three, home), newId))
    expect(titles(parted, home)).toEqual(['Resoling', 'Heels', 'Stitching'])
    expect(titles(edited(parted, setItem(prices, 1, 'title', 'Other')), home)[0]).toBe('Resoling')
  })

  test('shows no more than any list on the way to where it is kept, and parted from one on the way, no more either', () => {
    const chain = (own: number | null, between: number | null): SiteDocument => {
      const led = edited(filled, linkTo(filled, list(listed), list(prices)))
      const both = edited(led, linkTo(led, list(home), list(listed)))
      const held = edited(both, showOf(list(listed), follower(both, listed).same, between))
      return edited(held, showOf(list(home), follower(held, home).same, own))
    }
    expect(titles(chain(3, 2), home)).toEqual(['Resoling', 'Heels'])
    expect(titles(chain(1, 4), home)).toEqual(['Resoling'])
    expect(titles(chain(null, 2), home)).toEqual(['Resoling', 'Heels'])
    for (const [own, between] of [
      [3, 2],
      [2, 3],
    ] as const) {
      const led = chain(own, between)
      const parted = edited(led, unlink(led, follower(led, home), newId))
      expect(titles(parted, home)).toEqual(['Resoling', 'Heels'])
      // It follows the one at the end of the line now.
      expect(titles(edited(parted, setItem(prices, 1, 'title', 'Other')), home)[0]).toBe('Other')
    }
  })

  test('parted, can have its own back', () => {
    const mine = edited(filled, setItem(home, 1, 'title', 'Mine'), addEntry(pack, filled, { section: home, list: 'items' }, null, newId())!)
    const led = edited(mine, linkTo(mine, list(home), list(prices)))
    expect(titles(led, home)[0]).toBe('Resoling')
    expect(edited(led, restoreOwn(follower(led, home)))).toEqual(mine)
  })

  test('takes no words of its own meanwhile: they are given back', () => {
    const applied = applyEdit(following, setItem(home, 1, 'title', 'Late'))
    expect(applied).toMatchObject({ ok: false, problem: { code: 'entryGone' } })
  })
})

describe('a place that is the same as another', () => {
  const told = edited(start, setText('home.hero', 'heading', 'Shoes mended while you wait'))
  const led = edited(told, linkTo(told, heading('services.action' as SectionId), heading('home.hero' as SectionId)))

  test('says it, and what it says is changed in both at once', () => {
    const changed = edited(led, setText('home.hero', 'heading', 'Mended by five'))
    expect(shownAt(pack, changed, heading('services.action' as SectionId))).toEqual({ type: 'text', text: 'Mended by five' })
  })

  test('follows none of another type, and not itself', () => {
    const lead = { section: 'home.hero', entry: null, slot: 'lead' } as Spot
    for (const as of [lead, heading('services.action' as SectionId)]) {
      expect(applyEdit(led, linkTo(led, heading('home.hero' as SectionId), as))).toMatchObject({ ok: false })
    }
    const choices = sourceChoices(pack, led, heading('services.action' as SectionId))
    expect(choices.map(({ title }) => title)).toContain('Shoes mended while you wait')
    expect(choices.every(({ as }) => as.slot !== 'lead')).toBe(true)
  })

  test('shows on one page what is written on another without drawing anything else anew', () => {
    const page = findPage(led, 'services')!
    const before = fillPage({ ...site, document: led, mode: 'release' }, page)
    const changed = edited(led, setText('home.hero', 'heading', 'Mended by five'))
    expect(JSON.stringify(fillPage({ ...site, document: changed, mode: 'release' }, page))).not.toBe(JSON.stringify(before))
    const other = findSection(led, listed)!
    expect(contentOf(pack, changed, findSection(changed, listed)!)).toBe(contentOf(pack, led, other))
  })
})

describe('what others follow and that goes', () => {
  test('leaves its words with the first that followed it, and the rest follow that one', () => {
    const both = edited(
      following,
      linkTo(following, list(listed), list(prices)),
      showOf(list(listed), { type: 'same', as: list(prices), own: null }, 2),
    )
    const gone = applyEdit(both, removePages(both, [findPage(both, 'services')!], 'drop'))
    if (!gone.ok) throw new Error('refused')
    expect(titles(gone.document, home).slice(0, 5)).toEqual(names)
    expect(titles(gone.document, listed)).toEqual(names.slice(0, 2))
    expect(titles(edited(gone.document, setItem(home, 1, 'title', 'Soles')), listed)[0]).toBe('Soles')
    // And all of it comes back as it was.
    expect(edited(gone.document, gone.inverse)).toEqual(both)
  })

  test('whatever is done to a site, taking it back gives the same site, and nobody follows what is gone', () => {
    const random = seeded(7)
    const pick = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)] as T
    const lists = [home, prices, listed]
    let refusals = 0
    for (let run = 0; run < 200; run++) {
      let document = filled
      const back = []
      const was = []
      for (let n = 0; n < 8; n++) {
        const [a, b] = [pick(lists), pick(lists)]
        const section = findSection(document, a)
        const one = section && followersIn(document, section)[0]
        const edits = [
          ...(findSection(document, b) ? [linkTo(document, list(a), list(b))] : []),
          setItem(a, 1 + Math.floor(random() * 4), 'title', `T${n}`),
          { type: 'section/remove', section: a } as const,
          ...(one ? [unlink(document, one, newId), restoreOwn(one), showOf(one.spot, one.same, 1 + Math.floor(random() * 4))] : []),
        ]
        const applied = applyEdit(document, pick(edits))
        if (!applied.ok) {
          refusals++
          continue
        }
        was.push(document)
        back.push(applied.inverse)
        document = applied.document
        for (const id of lists) {
          const there = findSection(document, id)
          for (const { same } of there ? followersIn(document, there) : []) expect(findSection(document, same.as.section)).not.toBeNull()
        }
      }
      for (const inverse of back.toReversed()) {
        document = edited(document, inverse)
        expect(document).toEqual(was.pop())
      }
    }
    expect(refusals).toBeLessThan(1400)
  })
})

test('what follows goes on following through other templates and back, also what nobody has filled', () => {
  const unfilled = edited(start, linkTo(start, list(home), list(prices)))
  for (const document of [following, unfilled]) {
    let worn = document
    for (const template of ['gantry', 'limewash', 'windrow', 'tallow']) {
      worn = edited(worn, editTo(worn, wear(pack, worn, template)))
      const changed = edited(worn, setItem(prices, 1, 'title', template))
      expect(titles(changed, home)[0], template).toBe(template)
    }
    expect(titles(worn, home)).toEqual(titles(document, home))
  }
})

test('a copy of a page follows too; a kept section takes the words along', () => {
  const { steps, page } = copyPage(pack, following, findPage(following, homePage(following).id)!, true, () => `c${made++}`)
  const copied = edited(following, { type: 'batch', edits: [...steps] })
  const copy = Object.values(copied.sections).find(({ in: at, kind }) => at.type === 'page' && at.page === page && kind === 'services')!
  expect(titles(edited(copied, setItem(prices, 1, 'title', 'Soles')), copy.id)[0]).toBe('Soles')
  const kept = toKept(following, findSection(following, home)!)
  expect(JSON.stringify(kept)).toContain('Stitching')
  expect(JSON.stringify(kept)).not.toContain('"same"')
  expect(page satisfies PageId).toBeTruthy()
})
