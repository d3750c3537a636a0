import { expect, test } from 'vitest'
import { filePath, linkedFiles } from '.'
import { renderBody } from '../render'
import { linkTo, toKept } from '../plan'
import { findPage, findSection, sectionsOn, type EditStep, type FileTarget, type PageId, type SectionId } from '../site'
import { testSite } from '../../../tests/pack'
import { edited } from '../../../tests/site'

const site = testSite({ name: 'Client' })
const file: FileTarget = { type: 'file', name: 'Prices & terms 2026.PDF', hash: 'ab'.repeat(32), bytes: 120_000 }
const action = sectionsOn(site.document, 'about' as PageId).find(({ kind }) => kind === 'action')!
const link = (to: FileTarget): EditStep => ({
  type: 'slot/set',
  section: action.id,
  entry: null,
  slot: 'action',
  value: { type: 'link', label: 'All prices', to },
})
const sign: EditStep = {
  type: 'signpost/set',
  signpost: 'list',
  value: { id: 'list', in: { type: 'site' }, rank: 'z5', listed: 'menu', label: { text: 'Price list' }, to: file },
}

test('a file stands under its name with a part of its hash; one of the same name and other content is another file', () => {
  expect(filePath(file)).toBe('files/prices-and-terms-2026-abababab.pdf')
  expect(filePath({ ...file, hash: 'cd'.repeat(32) })).not.toBe(filePath(file))
  expect(filePath({ ...file, name: '价目表.pdf' })).toMatch(/^files\/[a-z0-9-]+-abababab\.pdf$/)
  expect(filePath({ ...file, name: '.pdf' })).toBe('files/file-abababab.pdf')
})

test('links and menu entries lead to it from every page, each file is in the release once, and what is hidden brings none', () => {
  const document = edited(site.document, link(file), sign)
  expect(linkedFiles(document)).toEqual([file])
  const body = (page: string): string => renderBody({ ...site, document }, findPage(document, page)!)
  expect(body('home')).toContain('href="files/prices-and-terms-2026-abababab.pdf"')
  // In the menu, in the footer's copy of it, and in the section.
  expect(body('about').split('href="../files/prices-and-terms-2026-abababab.pdf"')).toHaveLength(4)
  const hidden = edited(site.document, link(file), { type: 'section/set', section: action.id, part: 'hidden', value: true })
  expect(linkedFiles(hidden)).toEqual([])
  const kept = edited(site.document, link(file), { type: 'page/set', page: 'about' as PageId, part: 'hidden', value: true })
  expect(linkedFiles(kept)).toEqual([])
  expect(linkedFiles(site.document)).toEqual([])
})

test('what says the same as a link on a page that is hidden leads to its file, which is in the release then', () => {
  const hero = { section: 'home.hero' as SectionId, entry: null, slot: 'action' }
  const linked = edited(site.document, link(file))
  const led = edited(linked, linkTo(linked, hero, { section: action.id, entry: null, slot: 'action' }), {
    type: 'page/set',
    page: 'about' as PageId,
    part: 'hidden',
    value: true,
  })
  expect(renderBody({ ...site, document: led }, findPage(led, 'home')!)).toContain('href="files/prices-and-terms-2026-abababab.pdf"')
  expect(linkedFiles(led)).toEqual([file])
  // What it led to before it followed another is no file of the site meanwhile.
  const before = edited(site.document, { ...link(file), section: hero.section } as EditStep)
  const other = edited(before, { ...link({ ...file, hash: 'cd'.repeat(32) }) })
  const follows = edited(other, linkTo(other, hero, { section: action.id, entry: null, slot: 'action' }))
  expect(linkedFiles(follows).map(({ hash }) => hash)).toEqual(['cd'.repeat(32)])
})

test('it is the job’s own: a section that is kept for others leads nowhere there', () => {
  const document = edited(site.document, link(file))
  expect(toKept(document, findSection(document, action.id)!).slots.action).toMatchObject({ to: { type: 'url', url: '' } })
})
