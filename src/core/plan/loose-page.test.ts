import { describe, expect, test } from 'vitest'
import { fromLoose, nameProblem, setColumnWidth, toLoose } from '.'
import { countLeftovers, makeDocument, pageTexts } from '../fill'
import { getTemplate } from '../pack'
import { renderBody } from '../render'
import { addressOf, entriesOf, findPage, pagesOf, sectionsOfPage, type Page, type PageId, type SiteDocument } from '../site'
import { testPack, testSite } from '../../../tests/pack'
import { edited, setText } from '../../../tests/site'

const pack = testPack()
const site = testSite({ name: 'First client', phone: '01632 960111' })
let count = 0
const unique = (): string => `u${++count}`
const page = (document: SiteDocument, id: string): Page => findPage(document, id)!
const about = 'about' as PageId
const [, second] = sectionsOfPage(site.document, about)
const listed = sectionsOfPage(site.document, about).find((section) => section.kind === 'team')!
const filled = edited(
  site.document,
  setText(second!.id, 'heading', 'Words of the first'),
  {
    type: 'entry/insert',
    section: listed.id,
    entry: { list: 'items', id: 'new' as never },
    rank: 'a9',
    slots: { name: { type: 'text', text: 'Somebody new' } },
  },
  { type: 'page/set', page: about, part: 'description', value: 'Said of the first client.' },
  ...setColumnWidth(site.document, page(site.document, 'about'), 'end', 'narrow'),
  {
    type: 'section/move',
    section: sectionsOfPage(site.document, about).at(-1)!.id,
    in: { type: 'side', side: 'end', page: about },
    rank: 'a0',
  },
)
const other = makeDocument(getTemplate(pack, 'gantry'), { name: 'Second client' }, {})
const taken = (withContent: boolean, name?: string): { document: SiteDocument; page: Page; html: string } => {
  const loose = JSON.parse(JSON.stringify(toLoose(pack, filled, page(filled, 'about')))) as ReturnType<typeof toLoose>
  const added = fromLoose(pack, other, loose, { withContent, name }, unique)
  const document = edited(other, ...added.steps)
  return { document, page: page(document, added.page), html: renderBody({ ...site, document }, page(document, added.page)) }
}

describe('a page of another job', () => {
  test('comes with its words, entries and columns, in the order it had, and none of the other client’s facts', () => {
    const { document, page: made, html } = taken(true)
    expect(sectionsOfPage(document, made.id).map(({ kind }) => kind)).toEqual(sectionsOfPage(filled, about).map(({ kind }) => kind))
    expect(made.endColumn).toEqual({ width: 'narrow' })
    for (const words of ['Words of the first', 'Somebody new', 'class="side-end"']) expect(html).toContain(words)
    for (const words of ['First client', '960111', 'Said of the first client']) expect(html + JSON.stringify(made)).not.toContain(words)
    const team = sectionsOfPage(document, made.id).find(({ kind }) => kind === 'team')!
    expect(entriesOf(document, team.id)).toHaveLength(1)
  })

  test('goes by a name and an address that are free, or by the name asked for', () => {
    const { document, page: made } = taken(true)
    const name = pageTexts(pack, document, made).name
    expect(nameProblem(pack, document, name, made)).toBeNull()
    expect(new Set(pagesOf(document).map((one) => addressOf(document, one))).size).toBe(pagesOf(document).length)
    expect(pageTexts(pack, ...named(taken(true, 'The other lot'))).name).toBe('The other lot')
  })

  test('without its content it is as its template has it, and all of it a leftover', () => {
    const { document, page: made, html } = taken(false)
    expect(html).not.toContain('Words of the first')
    expect(html).not.toContain('Somebody new')
    expect(countLeftovers(pack, document).byPage[made.id]).toBeGreaterThan(5)
  })
})

function named({ document, page: made }: ReturnType<typeof taken>): [SiteDocument, Page] {
  return [document, made]
}
