import { expect, test } from 'vitest'
import { restoreRemoved, removePages, removeSections, removedParts } from '.'
import { applyEdit, entriesOf, findPage, findSection, sectionsOn, type Edit, type PageId, type SiteDocument } from '../site'
import { testSite } from '../../../tests/pack'
import { edited, setItem, setText } from '../../../tests/site'

const start = testSite({ name: 'Client' }).document
const services = 'services' as PageId
const list = sectionsOn(start, services).find((s) => s.kind === 'services' || s.kind === 'prices')!
const filled = edited(start, setText(list.id, 'heading', 'Ours'), setItem(list.id, 2, 'title', 'Second of ours'))

/** The document after some edits, and the rows that a log keeps of them. */
function logged(document: SiteDocument, ...edits: readonly Edit[]): { now: SiteDocument; rows: { edit: Edit; inverse: Edit }[] } {
  const rows: { edit: Edit; inverse: Edit }[] = []
  let now = document
  for (const edit of edits) {
    const applied = applyEdit(now, edit)
    if (!applied.ok) throw new Error(applied.problem.code)
    rows.push({ edit, inverse: applied.inverse })
    now = applied.document
  }
  return { now, rows }
}

test('a page that was taken out comes back whole, though much was done since; its sections are not listed by themselves', () => {
  const gone = logged(filled, removePages(filled, [findPage(filled, services)!], 'drop'), setText('home.hero', 'heading', 'Since'))
  const found = removedParts(gone.now, gone.rows)
  expect(found.map((one) => one.type)).toEqual(['page'])
  const back = edited(gone.now, ...restoreRemoved(gone.now, found[0]!))
  expect(sectionsOn(back, services)).toEqual(sectionsOn(filled, services))
  expect(entriesOf(back, list.id)).toEqual(entriesOf(filled, list.id))
  expect(findSection(back, 'home.hero')?.slots.heading).toMatchObject({ text: 'Since' })
  expect(removedParts(back, gone.rows)).toEqual([])
})

test('a section comes back where it stood; one whose page is gone does not come alone', () => {
  const gone = logged(filled, removeSections(filled, [list.id]))
  const [one] = removedParts(gone.now, gone.rows)
  expect(edited(gone.now, ...restoreRemoved(gone.now, one!))).toEqual(filled)
  const all = logged(gone.now, removePages(gone.now, [findPage(gone.now, services)!], 'drop'))
  expect(removedParts(all.now, [...gone.rows, ...all.rows]).map((o) => o.type)).toEqual(['page'])
})

test('a page whose place is gone comes back at the top; the latest is listed first', () => {
  const under = edited(filled, { type: 'page/move', page: services, in: { type: 'page', page: 'about' as PageId }, rank: 'a1' })
  const gone = logged(under, removePages(under, [findPage(under, services)!], 'drop'), { type: 'page/remove', page: 'about' as PageId })
  const found = removedParts(gone.now, gone.rows)
  expect(found.map((one) => (one.type === 'page' ? one.page.id : ''))).toEqual(['about', 'services'])
  const back = edited(gone.now, ...restoreRemoved(gone.now, found[1]!))
  expect(findPage(back, services)?.in).toEqual({ type: 'site' })
})
